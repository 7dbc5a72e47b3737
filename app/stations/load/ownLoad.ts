import { hasStop, itemById, type EscProfile } from '#core/esc/profile';
import { isByHand, MEDIA } from '#core/esc/media';
import type { LoadBeginning, LoadWord } from '#core/plan/ownLoad';
import { rangeOf } from '#core/radio/pulse';
import { heldStops, holdingsOf } from '#core/sheet/evidence';
import { problemsOf } from '#formats/document';
import { ownLoadSchema, type OwnLoadAsked } from './ownLoadAsked';
import { readJson } from '#server/readBody';
import { beginOpenLoad, endLoad, sayOfLoad, takeLoad } from '#server/repositories/openLoads';
import type { Bench } from '#server/repositories/rigs';
import { benchAtEsc, benchOf } from '../bench/benchData.server';
import { uncountedItems } from './uncountedItems';
import type { Route } from './+types/ownLoad';

/** Begins a load of one's own ESC, notes what is said beside it, hands it over, ends it. */
export async function action({ params, request }: Route.ActionArgs) {
  const bench = await benchOf(params.rigId);
  const body: unknown = await readJson(request);
  const problems = problemsOf(ownLoadSchema as unknown as Parameters<typeof problemsOf>[0], body);
  if (problems.length > 0) return Response.json({ problems }, { status: 400 });
  const asked = body as OwnLoadAsked;
  const worked = benchAtEsc(bench, asked.escNumber);
  const strange = strangeIn(worked, asked);
  if (strange !== undefined)
    return Response.json({ problems: [{ path: '', sentence: strange }] }, { status: 400 });
  return Response.json({ said: await carryOut(worked, asked) });
}

async function carryOut(bench: Bench, asked: OwnLoadAsked) {
  const esc = { rigId: bench.rigId, escNumber: bench.escNumber };
  switch (asked.do) {
    case 'begin':
      await beginOpenLoad(esc, asked.id, beginningOf(bench, asked));
      return 'noted';
    case 'say':
      return sayOfLoad(bench, asked.id, { id: asked.wordId, word: asked.word }, asked.place);
    case 'take':
      return takeLoad(esc, asked.id);
    case 'end':
      await endLoad(esc, asked.id);
      return 'noted';
  }
}

type Begin = Extract<OwnLoadAsked, { do: 'begin' }>;

function beginningOf({ profile, rig, observations, memory }: Bench, asked: Begin): LoadBeginning {
  const { family, precaution, intents, after, alongside } = asked;
  const holdings = holdingsOf(profile, observations);
  return {
    family,
    showsStored: MEDIA[family].showsStored,
    precaution,
    intents,
    after,
    alongside,
    held: heldStops(profile, holdings),
    uncounted: uncountedItems(profile, holdings),
    memory,
    neutralMicros: rangeOf(rig.channel).neutralMicros,
  };
}

/** What the ESC of this rig does not have, in a sentence. */
function strangeIn({ profile, escs }: Bench, asked: OwnLoadAsked): string | undefined {
  if (asked.do === 'say') return strangeWord(profile, asked.word);
  if (asked.do !== 'begin') return undefined;
  const medium = profile.media.find(({ family }) => family === asked.family);
  if (!medium || !isByHand(medium)) return `${profile.name} is not worked by hand that way.`;
  if (asked.alongside.some((escNumber) => escNumber > escs.length)) return 'The model has fewer ESCs.';
  return strangeStop(profile, asked.intents);
}

function strangeWord(profile: EscProfile, word: LoadWord): string | undefined {
  switch (word.say) {
    case 'done':
      return undefined;
    case 'shows':
      return strangeStop(profile, { [word.itemId]: word.stopId });
    case 'counted':
    case 'lost':
      return word.itemId === null || profile.items.some(({ id }) => id === word.itemId)
        ? undefined
        : `${profile.name} has no item '${word.itemId}'.`;
  }
}

function strangeStop(profile: EscProfile, stops: Readonly<Record<string, string>>): string | undefined {
  const strange = Object.entries(stops).find(
    ([itemId, stopId]) =>
      !profile.items.some(({ id }) => id === itemId) || !hasStop(itemById(profile, itemId), stopId),
  );
  return strange && `${profile.name} has no stop '${strange[1]}' of an item '${strange[0]}'.`;
}

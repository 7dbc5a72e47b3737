import { alikeRows } from '#core/setUps/alike';
import { fittingDraft } from '#core/sheet/draft';
import { readHandValues } from '#core/rig/handValues';
import { readIntents } from '#core/sheet/intents';
import { findAlike } from '#server/repositories/alike';
import { saveDraft } from '#server/repositories/drafts';
import { currentGarage } from '#server/repositories/garages';
import { findBench } from '#server/repositories/rigs';
import { jsonOf, readForm, textOf } from '#server/readBody';
import { data, Link, redirect } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { Page } from '../../ui/Page';
import { Problems } from '../../ui/Problems';
import { useAnswer } from '../../ui/useAnswer';
import { AlikeTable } from './AlikeTable';
import { LikeTarget } from './LikeTarget';
import { membersOf } from './members.server';
import type { Route } from './+types/group';

export async function loader({ params }: Route.LoaderArgs) {
  const garage = await currentGarage();
  const stored = await findAlike(garage.id, params.groupId);
  if (!stored) throw data(null, { status: 404 });
  const benches = await Promise.all(stored.group.rigIds.map((id) => findBench(garage.id, id)));
  const members = benches.filter((bench) => bench !== undefined).flatMap(membersOf);
  return { group: stored.group, members, gone: benches.filter((bench) => bench === undefined).length };
}

/** Drafts on a rig what makes it like the first, or like a typed number, and goes on to its load. */
export async function action({ request }: Route.ActionArgs) {
  const garage = await currentGarage();
  const form = await readForm(request);
  const bench = await findBench(garage.id, textOf(form, 'rigId'));
  if (!bench) return refused('That rig no longer exists.');
  const sent = jsonOf(form, 'values') as { stops?: unknown; byHand?: unknown } | undefined;
  const stops = readIntents(bench.profile, sent?.stops);
  const byHand = readHandValues(sent?.byHand ?? {});
  if (!stops || !byHand) return refused('That does not fit this rig. Reload the page.');
  const reason = `To match ${textOf(form, 'like').slice(0, 200)}.`;
  const before = fittingDraft(bench.profile, bench.draft);
  const keys = [...Object.keys(stops), ...Object.keys(byHand)];
  const saved = await saveDraft(bench.rigId, bench.draftRevision, {
    ...before,
    stops: { ...before.stops, ...stops },
    byHand: { ...before.byHand, ...byHand },
    reasons: { ...before.reasons, ...Object.fromEntries(keys.map((key) => [key, reason])) },
  });
  if (!saved.saved) return refused('Its draft was changed meanwhile. Try again.');
  throw redirect(`/rigs/${bench.rigId}/load`);
}

const refused = (sentence: string) => data({ problems: [{ path: '', sentence }] }, { status: 400 });

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;
export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData.group.name} · Live Tune` },
];

/** Rigs that ought to be alike: what differs, and what ends it. */
export default function GroupRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { group, members, gone } = loaderData;
  const { answer } = useAnswer(actionData);
  const sides = members.map(({ side }) => side);
  const rows = members.length > 1 ? alikeRows(sides, members[0]!.like.rig.vehicle.kind) : [];
  const differing = rows.filter(({ others }) => others.some(({ verdict }) => verdict !== 'same'));
  return (
    <Page wide>
      <p>
        <Link to="/alike" className="underline underline-offset-4">
          All groups
        </Link>
      </p>
      <h1 className="text-4xl wrap-anywhere">{group.name}</h1>
      <AwayNotice answer={actionData} />
      {answer && <Problems problems={answer.problems} title="Nothing was drafted." />}
      {gone > 0 && <p className="text-caution">{gone} of its rigs are no longer on the list.</p>}
      {rows.length > 0 && (
        <>
          <p className="mt-3 text-lg" role="status">
            {differing.length === 0
              ? `All alike: ${rows.length} values.`
              : `${differing.length} of ${rows.length} values differ.`}
          </p>
          {differing.length > 0 && <AlikeTable rows={differing} members={members} />}
        </>
      )}
      {group.target &&
        members
          .filter(({ escNumber }) => escNumber === 1)
          .map((member) => <LikeTarget key={member.rigId} member={member} target={group.target!} />)}
    </Page>
  );
}

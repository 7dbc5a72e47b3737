import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { MEDIA } from '../esc/media';
import { handMediumOf, factoryStops, type EscProfile } from '../esc/profile';
import type { Finding } from './loadSession';
import { legsLeft, stopsToPlanFrom } from './loadSession';
import { planLegs } from './loadPlan';
import {
  afterWord,
  beginOwnLoad,
  ownLoadAfter,
  type LoadBeginning,
  type LoadWord,
  type OwnLoad,
} from './ownLoad';
import { isPlanned } from './search';

const STICK = { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 };
const AEROPLANE = { brakeMicros: 1000, neutralMicros: 1000, forwardMicros: 2000 };

interface Case {
  profile: EscProfile;
  from: LoadBeginning;
}

/** A load that sets one item of an ESC to another stop. */
function caseOf(profile: EscProfile, stick: typeof STICK): Case | undefined {
  const medium = handMediumOf(profile);
  const item = profile.items.find(
    ({ stops, existsWhile, commandStopIds }) =>
      stops.length > 2 && existsWhile.length === 0 && commandStopIds.length === 0,
  );
  if (!medium || !item) return undefined;
  const held = factoryStops(profile);
  const other = item.stops.find(({ id }) => id !== held[item.id])!;
  const from: LoadBeginning = {
    family: medium.family,
    showsStored: MEDIA[medium.family].showsStored,
    precaution: 'wheels up',
    intents: { [item.id]: other.id },
    after: {},
    alongside: [],
    held,
    uncounted: [],
    memory: { stops: held, range: stick },
    neutralMicros: stick.neutralMicros,
  };
  return { profile, from };
}

const CASES = ARCHETYPES.flatMap(({ profile }) => {
  const found = caseOf(profile, STICK) ?? caseOf(profile, AEROPLANE);
  return found ? [found] : [];
});

/** The word that somebody says who does what the plan wants; undefined once all is done. */
function nextWord({ profile, from }: Case, { esc, progress }: OwnLoad): LoadWord | undefined {
  const [leg] = legsLeft(profile, progress.session);
  if (!leg) return undefined;
  const believed = {
    ...esc.config,
    memory: { ...esc.config.memory, stops: stopsToPlanFrom(profile, progress.session) },
  };
  const plan = planLegs(esc.machine, believed, [leg], from.memory.range, from.family);
  if (!isPlanned(plan)) return undefined;
  const [due] = plan.legs[0]!.gestures;
  return due
    ? { say: 'done', inputs: due.inputs }
    : { say: 'counted', itemId: leg.itemId, flashes: esc.config.stopCursor + 1 };
}

/** All that is said until the load is done, and what was learned by it. */
function playThrough(
  one: Case,
  astray?: LoadWord,
): { words: LoadWord[]; findings: Finding[]; load: OwnLoad } {
  const words: LoadWord[] = [];
  const findings: Finding[] = [];
  let load = beginOwnLoad(one.profile, one.from);
  for (let word = nextWord(one, load); word && words.length < 400; word = nextWord(one, load)) {
    const said = astray && words.length === 3 ? astray : word;
    const next = afterWord(one.profile, one.from, load, said);
    load = next.load;
    findings.push(...next.findings);
    words.push(said);
  }
  return { words, findings, load };
}

describe.each(CASES)('a load of $profile.name', (one) => {
  const { profile, from } = one;
  const [[itemId, stopId]] = Object.entries(from.intents) as [[string, string]];

  it('is worked to its end by words, and what is learned is what was meant', () => {
    const { findings, load } = playThrough(one);
    expect(legsLeft(profile, load.progress.session)).toEqual([]);
    expect(load.esc.config.memory.stops[itemId]).toBe(stopId);
    expect(findings).toContainEqual({ itemId, stopId, basis: 'seenStored' });
    expect(findings.some(({ basis }) => basis === 'countedBack')).toBe(from.showsStored);
  });

  it('is the same for whoever goes through the words, after they were sent as JSON', () => {
    const { words, load } = playThrough(one);
    const sent = JSON.parse(JSON.stringify({ words, from })) as { words: LoadWord[]; from: LoadBeginning };
    const elsewhere = ownLoadAfter(profile, sent.from, sent.words);
    expect(elsewhere.progress).toEqual(load.progress);
    expect(elsewhere.esc.config).toEqual(load.esc.config);
  });

  it('goes on from an ESC that is off where somebody lost his place, and what may be wrong is unknown', () => {
    const { findings, load } = playThrough(one, { say: 'lost', itemId });
    expect(findings).toContainEqual({ itemId, stopId: null, basis: 'interrupted' });
    expect(load.esc.config.memory.stops[itemId]).toBe(stopId);
    expect(legsLeft(profile, load.progress.session)).toEqual([]);
  });
});

it('there are loads of most archetypes that are worked by hand', () => {
  expect(CASES.length).toBeGreaterThan(4);
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { everyItem } from '../archetypes/fortyItems.fixture';
import { factoryStops, itemById, type EscProfile, type StopByItem } from '../esc/profile';
import { readQuickEntry } from '../quick/quickEntry';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import type { Rig } from '../rig/rig';
import type { VehicleClass } from '../rig/vehicleClass';
import { look } from '../triage/seen';
import { likelyCauses, troublesOf } from '../triage/triage';
import { TROUBLES, type Symptom } from '../triage/symptoms';
import { adviceOn, openAdvice } from './advise';
import { PURPOSES, SURFACES, usualGoals, type Goals, type Purpose, type Surface } from './goals';
import { previewOf } from './preview';
import { openHazards, type Situation } from './verdicts/verdict';
import { verdictsOn } from './verdicts/verdictsOn';
import { waysOf } from './ways';

/** Any archetype on any class that it serves, every item at any of its stops, for any purpose on any ground. */
const anySituation: fc.Arbitrary<Situation> = fc
  .constantFrom(
    ...ARCHETYPES.flatMap(({ profile, serves }) => serves.map((vehicle) => ({ profile, vehicle }))),
  )
  .chain(({ profile, vehicle }) =>
    fc
      .record({
        stops: anyStops(profile),
        purpose: fc.constantFrom(...(Object.keys(PURPOSES) as Purpose[])),
        surface: fc.constantFrom(...(Object.keys(SURFACES) as Surface[])),
      })
      .map(({ stops, purpose, surface }) => {
        const rig = defaultRig(vehicle);
        const goals: Goals = { ...usualGoals(vehicle), purpose, surface };
        return { rig, profile, stops, range: rangeOf(rig.channel), rules: undefined, goals };
      }),
  );

const anyStops = (profile: EscProfile): fc.Arbitrary<StopByItem> =>
  fc.record(
    Object.fromEntries(
      profile.items.map(({ id, stops }) => [id, fc.constantFrom(...stops.map((one) => one.id))]),
    ),
  );

const RUNS = { numRuns: 60, seed: 7 };

describe('on any rig, from any values', () => {
  it('taking all advice leaves no hazard that a value can clear, and nothing more to take', () => {
    fc.assert(
      fc.property(anySituation, (situation) => {
        const { rig, goals, profile, stops } = situation;
        const advice = adviceOn({ rig, goals, rules: undefined }, profile);
        const taken = { ...stops, ...openAdvice(advice, profile.items, stops) };
        expect(openAdvice(advice, profile.items, taken)).toEqual({});
        const left = openHazards(verdictsOn({ ...situation, stops: taken }));
        // What the style says nothing about stays the driver's; it may still be a hazard of his own.
        const advised = left.filter(({ setting }) =>
          profile.items.some((item) => item.setting === setting && advice[item.id] !== undefined),
        );
        expect(advised.map(({ id }) => id)).toEqual([]);
      }),
      RUNS,
    );
  });

  it('every move that a verdict offers is a real stop, and clears it', () => {
    fc.assert(
      fc.property(anySituation, (situation) => {
        for (const { id, remedies } of verdictsOn(situation))
          for (const remedy of remedies)
            if (remedy.kind === 'move') {
              const { itemId, stopId } = remedy;
              expect(itemById(situation.profile, itemId).stops.map((one) => one.id)).toContain(stopId);
              const stops = { ...situation.stops, [itemId]: stopId };
              expect(verdictsOn({ ...situation, stops }).map((one) => one.id)).not.toContain(id);
            }
      }),
      RUNS,
    );
  });

  it('a look at a move says only numbers that differ', () => {
    fc.assert(
      fc.property(anySituation, fc.nat(), fc.nat(), (situation, at, to) => {
        const item = situation.profile.items[at % situation.profile.items.length]!;
        const stop = item.stops[to % item.stops.length]!;
        const { changed } = previewOf(situation, item.setting, { [item.id]: stop.id });
        for (const { before, after } of changed)
          expect(before.value?.toFixed(after.decimals)).not.toBe(after.value?.toFixed(after.decimals));
        if (stop.id === situation.stops[item.id]) expect(changed).toEqual([]);
      }),
      { ...RUNS, numRuns: 25 },
    );
  });

  it('a question about how to work always has two sides that say something', () => {
    fc.assert(
      fc.property(anySituation, (situation) => {
        const factory = factoryStops(situation.profile);
        for (const { sides, usual } of waysOf({ ...situation, believed: situation.stops, factory }))
          for (const words of [usual, ...sides.map(({ here }) => here)]) {
            expect(words.length).toBeGreaterThan(3);
            expect(words).not.toMatch(/NaN|undefined|Infinity/);
          }
      }),
      RUNS,
    );
  });
});

const asDriven = (vehicle: VehicleClass, profile: EscProfile) => {
  const rig: Rig = defaultRig(vehicle);
  const range = rangeOf(rig.channel);
  const stops = factoryStops(profile);
  return look(
    { rig, profile, stops, range, rules: undefined, goals: usualGoals(vehicle) },
    {
      rig,
      profile,
      range,
      ranges: [range],
      deadbandMicros: 20,
      calibrations: [],
      lockedBy: undefined,
      forwardPower: 1,
      hasReverse: true,
    },
  );
};

describe.each(ARCHETYPES.map(({ profile, serves }) => [profile.name, profile, serves[0]!] as const))(
  'what is wrong with a %s',
  (_, profile, vehicle) => {
    const seen = asDriven(vehicle, profile);

    it.each(troublesOf(seen.situation))('%s: each cause has one change that is possible here', (trouble) => {
      const { questions }: Symptom = TROUBLES[trouble];
      const answers = Object.fromEntries(
        questions.map(({ id, answers: offered }) => [id, Object.keys(offered)[0]!]),
      );
      for (const { change, effect, lookFor } of likelyCauses(trouble, answers, seen)) {
        expect(lookFor).not.toBe('');
        if (change.kind !== 'move') continue;
        expect(change.stopId).not.toBe(seen.situation.stops[change.itemId]);
        expect(itemById(profile, change.itemId).stops.map(({ id }) => id)).toContain(change.stopId);
        if (effect) expect(effect.before.id).toBe(effect.after.id);
      }
    });
  },
);

describe('the line for those who know', () => {
  it('every stop of every item is reached by the printed words, and by the number of the stop', () => {
    const profile = everyItem();
    for (const item of profile.items)
      for (const stop of item.stops) {
        const byNumber = readQuickEntry(profile, `${item.label} #${stop.number}`, 3);
        expect(byNumber, `${item.label} #${stop.number}`).toMatchObject({
          kind: 'move',
          stop: { number: stop.number },
        });
        const byLabel = readQuickEntry(profile, `${item.label} ${stop.label}`, 3);
        expect(byLabel.kind, `${item.label} ${stop.label}`).toBe('move');
      }
  });

  it('whatever is typed, it is answered by a sentence or a real stop', () => {
    const profile = everyItem();
    fc.assert(
      fc.property(fc.string({ maxLength: 40 }), (typed) => {
        const entry = readQuickEntry(profile, typed, 3);
        if (entry.kind === 'move') expect(entry.found.item.stops).toContain(entry.stop);
        else expect(entry.sentence).not.toBe('');
      }),
      { numRuns: 300, seed: 7 },
    );
  });
});

it('a rig whose numbers lead nowhere is still judged and looked at', () => {
  const { profile } = ARCHETYPES[0]!;
  const rig = structuredClone(defaultRig('tenthBuggy'));
  rig.motor.kvRpmPerVolt.value = NaN;
  const stops = factoryStops(profile);
  const situation = {
    rig,
    profile,
    stops,
    range: rangeOf(rig.channel),
    rules: undefined,
    goals: usualGoals('tenthBuggy'),
  };
  const [item] = profile.items;
  expect(() => verdictsOn(situation)).not.toThrow();
  expect(() => previewOf(situation, item!.setting, { [item!.id]: item!.stops[0]!.id })).not.toThrow();
});

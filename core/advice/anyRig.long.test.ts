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
import { SCHOOLS } from './disagreements';
import type { SettingId } from '../settings/vocabulary';
import type { Situation } from './verdicts/verdict';
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

const RUNS = { numRuns: 40, seed: 7 };

/** The same, with a rig that is none of the defaults: another motor, pack and radio, and sides taken on every question. */
const oddSituation: fc.Arbitrary<Situation> = fc
  .tuple(
    anySituation,
    fc.record({
      type: fc.constantFrom('inrunner', 'outrunner', 'brushed'),
      kv: fc.constantFrom(0.7, 1, 2),
      endBell: fc.constantFrom(0, 10),
      sensored: fc.boolean(),
      chemistry: fc.constantFrom('lipo', 'lihv', 'life', 'nimh'),
      cells: fc.constantFrom(2, 3, 4, 6),
      capacity: fc.constantFrom(0.3, 1),
      forward: fc.constantFrom(70, 100),
      brake: fc.constantFrom(60, 100),
    }),
    fc.option(
      fc.record(
        Object.fromEntries(
          SCHOOLS.map(({ id, sides }) => [id, fc.constantFrom(...sides.map((side) => side.id))]),
        ),
      ),
      { nil: {} },
    ),
  )
  .map(([situation, odd, schools]) => {
    const rig = structuredClone(situation.rig);
    rig.motor.type = odd.type;
    rig.motor.kvRpmPerVolt.value *= odd.kv;
    rig.motor.endBellDegrees.value = odd.endBell;
    rig.motor.sensored = odd.sensored;
    rig.pack.chemistry = odd.chemistry;
    rig.pack.cells = odd.cells;
    rig.pack.capacityAh.value *= odd.capacity;
    rig.channel.forwardEndPointPercent = odd.forward;
    rig.channel.brakeEndPointPercent = odd.brake;
    return { ...situation, rig, range: rangeOf(rig.channel), goals: { ...situation.goals, schools } };
  });

describe('on any rig, from any values', () => {
  it('with all advice taken no caution names what advice has set, no hazard is left that a stop can end, and there is nothing more to take', () => {
    fc.assert(
      fc.property(fc.oneof(anySituation, oddSituation), (situation) => {
        const { rig, goals, profile, stops } = situation;
        const advice = adviceOn({ rig, goals, rules: undefined }, profile);
        const taken = { ...stops, ...openAdvice(advice, profile.items, stops) };
        expect(openAdvice(advice, profile.items, taken)).toEqual({});
        const isAdvised = (setting: SettingId | undefined): boolean =>
          profile.items.some((item) => item.setting === setting && advice[item.id] !== undefined);
        const against = verdictsOn({ ...situation, stops: taken }).filter(({ grade, setting, remedies }) =>
          grade === 'hazard'
            ? remedies.some(({ kind }) => kind === 'move')
            : grade === 'caution' && isAdvised(setting),
        );
        expect(against.map(({ id }) => id)).toEqual([]);
      }),
      { ...RUNS, numRuns: 80 },
    );
  });

  it('with any one advice taken, no warning asks for another stop of that setting', () => {
    fc.assert(
      fc.property(oddSituation, fc.nat(), (situation, which) => {
        const { rig, goals, profile, stops } = situation;
        const advised = Object.entries(
          openAdvice(adviceOn({ rig, goals, rules: undefined }, profile), profile.items, stops),
        );
        if (advised.length === 0) return;
        const [itemId, stopId] = advised[which % advised.length]!;
        const against = verdictsOn({ ...situation, stops: { ...stops, [itemId]: stopId } }).filter(
          ({ grade, setting, remedies }) =>
            grade !== 'note' &&
            setting === itemById(profile, itemId).setting &&
            remedies.some((remedy) => remedy.kind === 'move' && remedy.itemId === itemId),
        );
        expect(against.map(({ id }) => id)).toEqual([]);
      }),
      { ...RUNS, numRuns: 80 },
    );
  });

  it('every move that a verdict offers is a real stop, clears it, and makes no new hazard or caution', () => {
    fc.assert(
      fc.property(fc.oneof(anySituation, oddSituation), (situation) => {
        const before = verdictsOn(situation);
        const known = new Set(before.filter(({ grade }) => grade !== 'note').map(({ id }) => id));
        for (const { id, remedies } of before)
          for (const remedy of remedies)
            if (remedy.kind === 'move') {
              const { itemId, stopId } = remedy;
              expect(itemById(situation.profile, itemId).stops.map((one) => one.id)).toContain(stopId);
              const after = verdictsOn({ ...situation, stops: { ...situation.stops, [itemId]: stopId } });
              expect(after.map((one) => one.id)).not.toContain(id);
              const { setting } = itemById(situation.profile, itemId);
              const raised = after.filter(
                (one) => one.grade !== 'note' && one.setting === setting && !known.has(one.id),
              );
              expect(raised.map((one) => one.id)).toEqual([]);
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

describe.each(
  ARCHETYPES.map(({ profile, serves }) => [profile.name, profile, serves[0] ?? 'tenthBuggy'] as const),
)('what is wrong with a %s', (_, profile, vehicle) => {
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
});

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

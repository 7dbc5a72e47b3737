import fc from 'fast-check';
import { ARCHETYPES, type Archetype } from '../archetypes/archetypes';
import { usualGoals } from '../advice/goals';
import { factoryStops, type EscProfile, type StopByItem } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import type { SettingValue } from '../settings/setting';
import { escBehaviour } from '../physics/escChain';
import { runDrill } from '../physics/drills/runDrill';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { resolveRig } from '../rig/resolve';
import { kindOf, type VehicleClass } from '../rig/vehicleClass';
import { closestStops, measuresOf } from './byEffect';
import { hazardsOf } from './hazards';
import { translate, type Translation } from './translate';
import { describe, expect, it } from 'vitest';

/** Cars into cars, what flies or floats into its like. */
const kinds = (archetype: Archetype) => new Set(archetype.serves.map(kindOf));
const pairs = ARCHETYPES.filter(({ serves }) => serves.length > 0).flatMap((one) =>
  ARCHETYPES.filter((other) => other !== one && [...kinds(one)].some((kind) => kinds(other).has(kind))).map(
    (other) => ({ from: one.profile, onto: other.profile, vehicleClass: one.serves[0]! }),
  ),
);

const anyStops = (profile: EscProfile): fc.Arbitrary<StopByItem> =>
  fc.record(
    Object.fromEntries(
      profile.items.map(({ id, stops, commandStopIds }) => [
        id,
        fc.constantFrom(...stops.map((stop) => stop.id).filter((stopId) => !commandStopIds.includes(stopId))),
      ]),
    ),
  );

function translationOf(
  vehicleClass: VehicleClass,
  from: EscProfile,
  stops: StopByItem,
  onto: EscProfile,
  ontoStops: StopByItem,
  itemIds = from.items.map(({ id }) => id),
): Translation {
  const rig = defaultRig(vehicleClass);
  const range = rangeOf(rig.channel);
  return {
    rig,
    goals: usualGoals(vehicleClass),
    from: { profile: from, stops, range },
    itemIds,
    onto: { profile: onto, stops: ontoStops, range },
  };
}

const anyPair = fc
  .constantFrom(...pairs)
  .chain((pair) => anyStops(pair.from).map((stops) => ({ ...pair, stops })));

describe('a translation', () => {
  it('there and back never leaves a hazard that was not there, on either ESC', () => {
    fc.assert(
      fc.property(anyPair, ({ vehicleClass, from, onto, stops }) => {
        const {
          rig,
          goals,
          onto: target,
          from: source,
        } = translationOf(vehicleClass, from, stops, onto, factoryStops(onto));
        const there = translate(translationOf(vehicleClass, from, stops, onto, factoryStops(onto)));
        const ids = (esc: typeof target, its: StopByItem) =>
          hazardsOf(rig, esc, its, goals).map(({ id }) => id);
        const held = { ...factoryStops(onto), ...there.stops };
        expect(ids(target, factoryStops(onto))).toEqual(expect.arrayContaining(ids(target, held)));
        const back = translate(
          translationOf(vehicleClass, onto, held, from, stops, Object.keys(there.stops)),
        );
        expect(ids(source, stops)).toEqual(expect.arrayContaining(ids(source, { ...stops, ...back.stops })));
      }),
      { numRuns: 25 },
    );
  });

  it('has one row for each value, and each says why', () => {
    fc.assert(
      fc.property(anyPair, ({ vehicleClass, from, onto, stops }) => {
        const { rows } = translate(translationOf(vehicleClass, from, stops, onto, factoryStops(onto)));
        expect(new Set(rows.map(({ from: { item } }) => item.id)).size).toBe(rows.length);
        for (const { sentence, measures } of rows) {
          expect(sentence.length).toBeGreaterThan(10);
          // Two drills that choose different stops are both shown.
          for (const { stop, wanted } of measures) {
            expect(sentence).toContain(`“${stop.label}”`);
            expect(sentence).toContain(wanted.name);
          }
        }
      }),
      { numRuns: 15 },
    );
  });
});

describe('one value at a time', () => {
  /** The cutoff of the small ESC onto another with these stops, on a rig with this many cells. */
  const cutoff = (value: SettingValue, stops: SettingValue[], cells = 2) => {
    const from = smallProfile();
    from.items = [{ ...from.items[3]!, stops: [{ ...from.items[3]!.stops[0]!, value }] }];
    const onto = smallProfile();
    onto.id = 'other';
    onto.items = [
      {
        ...onto.items[3]!,
        stops: stops.map((one, place) => ({
          ...onto.items[3]!.stops[0]!,
          id: `stop-${place}`,
          number: place + 1,
          label: `${place}`,
          value: one,
        })),
        factoryStopId: 'stop-0',
      },
    ];
    const usual = translationOf(
      'tenthBuggy',
      from,
      factoryStops({
        ...from,
        items: from.items.map((item) => ({ ...item, factoryStopId: item.stops[0]!.id })),
      }),
      onto,
      { floor: 'stop-0' },
    );
    const rig = { ...usual.rig, pack: { ...usual.rig.pack, cells } };
    return translate({ ...usual, rig }).rows[0]!;
  };
  const volts = (value: number): SettingValue => ({ kind: 'number', value });
  const pack = (value: number): SettingValue => ({ kind: 'packVolts', value });

  it('a cutoff between two stops goes up: the safe side keeps the pack', () => {
    expect(cutoff(volts(3.2), [volts(3.1), volts(3.3)])).toMatchObject({
      outcome: 'near',
      to: { stop: { number: 2 } },
    });
  });

  it('a total of the pack is volts a cell, and goes to one that counts a cell where there is one', () => {
    const row = cutoff(pack(6.6), [pack(6.6), volts(3.3)]);
    expect(row).toMatchObject({ outcome: 'same', to: { stop: { number: 2 } } });
  });

  it('a total that makes no sense with these cells is asked', () => {
    expect(cutoff(pack(9.9), [volts(3.1), volts(3.4)])).toMatchObject({ outcome: 'asked', to: null });
  });

  it('off goes to off or to nought, never to the lowest that there is', () => {
    expect(cutoff({ kind: 'off' }, [volts(3.1), volts(3.4)])).toMatchObject({ outcome: 'asked', to: null });
  });
});

describe('by effect', () => {
  const from = ARCHETYPES.find(({ profile }) =>
    profile.items.some(({ setting }) => setting === 'launchStrength'),
  )!;
  const item = from.profile.items.find(({ setting }) => setting === 'launchStrength')!;
  const vehicleClass: VehicleClass = 'tenthBuggy';
  const rig = defaultRig(vehicleClass);
  const { use } = usualGoals(vehicleClass);
  const range = rangeOf(rig.channel);

  it('is the stop that trying all of them finds, measure by measure', () => {
    const stops = factoryStops(from.profile);
    const wantedStop = item.stops.at(-1)!;
    const source = { profile: from.profile, stops: { ...stops, [item.id]: wantedStop.id }, range };
    const found = closestStops(rig, use, source, { profile: from.profile, stops, range }, item);
    expect(found.length).toBeGreaterThan(0);
    // The same ESC: whatever the measure, it is the same stop, or one that the drill cannot tell from it.
    for (const { wanted, reached } of found)
      expect(reached.value!.toFixed(wanted.decimals)).toBe(wanted.value!.toFixed(wanted.decimals));
    const launch = (stopId: string) =>
      runDrill(
        'launch',
        resolveRig(rig, from.profile, use),
        escBehaviour(from.profile, { ...stops, [item.id]: stopId }, rig.channel, range, rig.pack.cells),
      ).numbers.find(({ id }) => id === 'to5')!.value!;
    const target = launch(wantedStop.id);
    const gaps = item.stops.map((stop) => Math.abs(launch(stop.id) - target));
    expect(Math.abs(launch(found[0]!.stop.id) - target)).toBe(Math.min(...gaps));
  });

  it('a setting that no drill tells has no measure', () => {
    expect(measuresOf('startTune', 'wheels')).toEqual([]);
  });
});

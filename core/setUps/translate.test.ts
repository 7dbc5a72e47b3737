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

describe('what the other ESC says in its own way', () => {
  const rig = 'tenthBuggy';
  /** The small ESC with one more item that the other lacks. */
  const withMotorType = (): EscProfile => {
    const profile = smallProfile();
    const stops = ['brushless', 'brushed'].map((choice, place) => ({
      ...profile.items[0]!.stops[0]!,
      id: `motor-${choice}`,
      number: place + 1,
      label: choice,
      value: { kind: 'choice' as const, choice },
    }));
    profile.items.push({
      ...profile.items[0]!,
      id: 'motor',
      number: 5,
      label: 'motor',
      setting: 'motorType',
      factoryStopId: 'motor-brushless',
      stops,
    });
    return profile;
  };
  /** Another ESC whose running mode sets the motor's type, too. */
  const twoForOne = (): EscProfile => {
    const profile = smallProfile();
    profile.id = 'two-for-one';
    profile.items[0]!.alsoSets = {
      setting: 'motorType',
      values: profile.items[0]!.stops.map(({ id }) => ({
        stopId: id,
        value: { kind: 'choice' as const, choice: 'brushless' },
      })),
    };
    return profile;
  };
  const motorRow = (stopId: string) => {
    const from = withMotorType();
    const onto = twoForOne();
    const stops = { ...factoryStops(from), motor: stopId };
    const { rows, stops: taken } = translate(translationOf(rig, from, stops, onto, factoryStops(onto)));
    return { row: rows.find(({ from: { item } }) => item.id === 'motor')!, taken };
  };

  it('one item for two: what comes along takes nothing itself', () => {
    const { row, taken } = motorRow('motor-brushless');
    expect(row).toMatchObject({ outcome: 'along', to: { item: { id: 'way' } } });
    expect(Object.keys(taken)).not.toContain('motor');
  });

  it('one item for two that cannot both be had is asked', () => {
    expect(motorRow('motor-brushed').row).toMatchObject({
      outcome: 'asked',
      to: null,
      target: { id: 'way' },
    });
  });

  it('a setting that it lacks goes to its kin, unless that is said itself', () => {
    const from = smallProfile();
    const onto = smallProfile();
    onto.id = 'limits';
    const leap = onto.items.find(({ id }) => id === 'leap')!;
    leap.setting = 'launchLimit';
    leap.stops = leap.stops.map((stop, place) => ({ ...stop, value: { kind: 'number', value: place * 30 } }));
    const kin = translate(translationOf(rig, from, factoryStops(from), onto, factoryStops(onto)));
    const row = kin.rows.find(({ from: { item } }) => item.setting === 'launchStrength')!;
    expect(row).toMatchObject({ outcome: 'byEffect', to: { item: { id: 'leap' } } });
    expect(row.friends.map(({ id }) => id)).toContain('punch');

    from.items.push({ ...leap, id: 'limit', number: 5, label: 'limit', factoryStopId: leap.stops[0]!.id });
    const both = translate(translationOf(rig, from, factoryStops(from), onto, factoryStops(onto)));
    const again = both.rows.find(({ from: { item } }) => item.setting === 'launchStrength')!;
    expect(again.to).toBeNull();
  });

  it('which way it turns is never carried', () => {
    const from = ARCHETYPES.find(({ profile }) =>
      profile.items.some(({ setting }) => setting === 'rotation'),
    )!.profile;
    const turned = from.items.find(({ setting }) => setting === 'rotation')!;
    const onto = { ...from, id: 'twin' };
    const stops = { ...factoryStops(from), [turned.id]: turned.stops.at(-1)!.id };
    const { rows, untouched } = translate(translationOf(rig, from, stops, onto, factoryStops(onto)));
    expect(rows.find(({ from: { item } }) => item === turned)).toMatchObject({
      outcome: 'leftOut',
      to: null,
    });
    expect(untouched.map(({ id }) => id)).toContain(turned.id);
  });

  it('what would be a hazard there is left out, and says so', () => {
    const from = ARCHETYPES.find(({ profile }) =>
      profile.items.some(({ setting }) => setting === 'cutoff'),
    )!.profile;
    const floor = from.items.find(({ setting }) => setting === 'cutoff')!;
    const off = floor.stops.find(({ value }) => value.kind === 'off')!;
    const onto = { ...from, id: 'twin' };
    const stops = { ...factoryStops(from), [floor.id]: off.id };
    const translation = translationOf(rig, from, stops, onto, factoryStops(onto));
    const isHazard = hazardsOf(translation.rig, translation.from, stops, translation.goals).length > 0;
    const row = translate(translation).rows.find(({ from: { item } }) => item === floor)!;
    expect(isHazard).toBe(row.outcome === 'leftOut');
    if (isHazard) expect(row.sentence).toContain('hazard');
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

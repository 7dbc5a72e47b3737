import { describe, expect, it } from 'vitest';
import { archetypeFor } from '../../archetypes/archetypes';
import { busLoad } from '../../rig/busLoads';
import { defaultRig } from '../../rig/defaults';
import { resolveRig } from '../../rig/resolve';
import type { Rig } from '../../rig/rig';
import { fieldsOf, quantityAt, withQuantity } from '../../rig/fields';
import { knownLap, usualUse, type Use } from '../../rig/use';
import type { VehicleClass } from '../../rig/vehicleClass';
import { plainEsc } from '../behaviour.fixture';
import type { EscBehaviour } from '../escChain';
import type { ResolvedRig } from '../resolved';
import { stint } from './stint';

const numbersOf = (rig: ResolvedRig, esc: EscBehaviour): Record<string, number | undefined> =>
  Object.fromEntries(stint(rig, esc).numbers.map(({ id, value }) => [id, value]));

const resolved = (rig: Rig, use?: Partial<Use>): ResolvedRig =>
  resolveRig(rig, archetypeFor(rig.vehicleClass).profile, { ...usualUse(rig.vehicleClass), ...use });
const usual = (vehicleClass: VehicleClass, use?: Partial<Use>) => resolved(defaultRig(vehicleClass), use);

const OFF = plainEsc({ cutoffVoltsPerCell: 0 });
const STOPS = plainEsc({ cutoffVoltsPerCell: 3.3 });

describe('a stint runs until the pack is down', () => {
  it.each(['crawler', 'tenthBuggy', 'eighthBuggy', 'basher', 'sportPlane', 'multirotor'] as const)(
    'of a %s: without a cutoff it empties it and goes past 3 V a cell; with one it ends there, earlier',
    (vehicleClass) => {
      const rig = usual(vehicleClass);
      const emptied = numbersOf(rig, OFF);
      const spared = numbersOf(rig, STOPS);
      const label = 1000 * rig.capacityAh;
      expect(emptied.used! / label).toBeGreaterThan(1);
      expect(emptied.tooFar).toBeGreaterThan(0);
      expect(emptied.cutoff).toBeUndefined();
      expect(spared.cutoff).toBe(spared.runs);
      expect(spared.runs).toBeLessThan(emptied.runs!);
      expect(spared.used! / label).toBeLessThan(1);
    },
  );

  it('a cutoff that only reduces power ends full power at the same moment, and limps on', () => {
    const rig = usual('eighthBuggy');
    const reduces = numbersOf(rig, { ...STOPS, cutoffLeaves: 0.5 });
    expect(reduces.runs).toBeCloseTo(numbersOf(rig, STOPS).runs!, 9);
    expect(reduces.limps).toBeGreaterThan(0);
  });

  it('twice the capacity of cells as good lasts twice as long, though its laps stand for more', () => {
    const rig = usual('crawler');
    const { runs } = numbersOf(rig, STOPS);
    const twice = numbersOf({ ...rig, capacityAh: 2 * rig.capacityAh }, STOPS);
    expect(twice.runs! / runs!).toBeGreaterThan(1.96);
    expect(twice.runs! / runs!).toBeLessThan(2.04);
    expect(twice.perMinute! / numbersOf(rig, STOPS).perMinute!).toBeCloseTo(1, 1);
  });

  it.each(['eighthBuggy', 'sportPlane'] as const)(
    'of a %s: a guard that holds before it sets off ends it there and then',
    (vehicleClass) => {
      const rig = usual(vehicleClass);
      const cut = numbersOf(rig, plainEsc({ cutoffVoltsPerCell: 4.25 }));
      expect(cut).toMatchObject({ runs: 0, cutoff: 0, used: 0 });
      expect(cut.perMinute).toBeUndefined();
      expect(cut.firstMinute).toBeUndefined();
      const hot = numbersOf(rig, { ...STOPS, escLimitC: rig.ambientC - 1 });
      expect(hot).toMatchObject({ runs: 0, heatStop: 0 });
      expect(hot.cutoff).toBeUndefined();
      const limps = numbersOf(rig, plainEsc({ cutoffVoltsPerCell: 4.25, cutoffLeaves: 0.5 }));
      expect(limps).toMatchObject({ runs: 0, cutoff: 0 });
      expect(limps.limps).toBeGreaterThan(1);
    },
  );

  it('what hangs on the bus empties the pack, too: a show truck is mostly that', () => {
    const truck = defaultRig('showTruck');
    const loaded = { ...truck, busLoads: [{ ...busLoad('strong'), count: 12 }] };
    expect(numbersOf(resolved(loaded), STOPS).runs).toBeLessThan(
      0.9 * numbersOf(resolved(truck), STOPS).runs!,
    );
  });
});

describe('what the goals say of it', () => {
  const buggy = defaultRig('tenthBuggy');
  buggy.pack.chemistry = 'lihv';

  it('a race length is lasted or not, and by how much', () => {
    const { runs } = numbersOf(resolved(buggy), STOPS);
    for (const raceMinutes of [5, 45])
      expect(numbersOf(resolved(buggy, { raceMinutes }), STOPS).spare).toBeCloseTo(runs! - raceMinutes, 9);
    expect(numbersOf(resolved(buggy), STOPS)).not.toHaveProperty('spare');
  });

  it('high-voltage cells that are charged full start livelier and last longer than at 4.18 V', () => {
    const [full, kind] = [4.35, 4.18].map((chargedVoltsPerCell) =>
      numbersOf(resolved(buggy, { chargedVoltsPerCell }), STOPS),
    );
    expect(full!.firstMinute).toBeGreaterThan(kind!.firstMinute! + 1);
    expect(full!.runs).toBeGreaterThan(kind!.runs!);
  });

  it('driven harder it is faster, hotter and over sooner', () => {
    const at = (howHardPercent: number) =>
      numbersOf(resolved(buggy, { lap: { ...knownLap('race'), howHardPercent } }), STOPS);
    const [easy, hard] = [at(70), at(100)];
    expect(easy.speed).toBeLessThan(hard.speed!);
    expect(easy.can).toBeLessThan(hard.can!);
    expect(easy.runs).toBeGreaterThan(hard.runs!);
  });
});

/** Times at which something happens are named events; what is shown as nothing may be anything near it. */
const isNamedEvent = (id: string): boolean =>
  ['cutoff', 'heatStop', 'tooFar', 'firstMinute', 'spare'].includes(id);

describe.each(['crawler', 'tenthBuggy', 'sportPlane'] as const)(
  'one per cent more of any number of a %s',
  (vehicleClass) => {
    const rig = defaultRig(vehicleClass);
    const before = stint(resolved(rig), STOPS).numbers;
    // Pole pairs are counted: there is no hundredth of one.
    const paths = fieldsOf(rig).flatMap(({ path }) => (path === 'motor.polePairs' ? [] : [path]));
    it.each(paths)('%s moves no number by more than 5 per cent', (path) => {
      const quantity = quantityAt(rig, path);
      const more = withQuantity(rig, path, { ...quantity, value: 1.01 * quantity.value });
      for (const [place, { id, value, decimals }] of stint(resolved(more), STOPS).numbers.entries()) {
        const was = before[place]!.value;
        if (isNamedEvent(id) || value === undefined || was === undefined) continue;
        const size = Math.max(Math.abs(was), 10 ** (1 - decimals));
        expect([id, Math.abs(value - was) / size < 0.05]).toEqual([id, true]);
      }
    });
  },
);

it('a crawler’s final drive moves what it draws smoothly, wherever it lies', () => {
  const drawn = [30, 31, 32, 33, 33.5, 34, 35, 36].map((finalDrive) => {
    const rig = defaultRig('crawler');
    return numbersOf(
      resolved(withQuantity(rig, 'vehicle.finalDrive', { value: finalDrive, basis: 'given' })),
      STOPS,
    ).perMinute!;
  });
  for (let n = 1; n < drawn.length; n += 1) {
    expect(drawn[n]! / drawn[n - 1]!).toBeGreaterThan(0.9);
    expect(drawn[n]! / drawn[n - 1]!).toBeLessThan(1.1);
  }
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallProfile, toneProfile } from '../../esc/smallProfile.fixture';
import { defaultRig } from '../../rig/defaults';
import { resolveRig } from '../../rig/resolve';
import { plainEsc } from '../behaviour.fixture';
import { DRILLS, runDrill, type DrillId } from './runDrill';
import type { ResolvedPropeller, ResolvedRig, ResolvedWheels } from '../resolved';

const car = resolveRig(defaultRig('tenthBuggy'), smallProfile()) as ResolvedWheels;
const plane = resolveRig(defaultRig('sportPlane'), toneProfile()) as ResolvedPropeller;

/** Runs every drill of a rig: each gives finite numbers, or a sentence of what went wrong. */
function allDrills(rig: ResolvedRig, esc = plainEsc()): void {
  for (const id of Object.keys(DRILLS[rig.kind]) as DrillId[]) {
    try {
      const { numbers, points } = runDrill(id, rig, esc);
      for (const { id: number, value } of numbers)
        if (value !== undefined) expect([id, number, Number.isFinite(value)]).toEqual([id, number, true]);
      for (const { x, y } of points)
        expect([id, Number.isFinite(x), Number.isFinite(y)]).toEqual([id, true, true]);
    } catch (error) {
      if ((error as Error).name === 'AssertionError') throw error;
      expect((error as Error).message).toMatch(/^the (run|steps)/);
    }
  }
}

describe('absurd rigs give numbers or a sentence, never a NaN or an endless loop', () => {
  it.each<[string, ResolvedRig]>([
    ['a car of one gram', { ...car, massKg: 0.001 }],
    ['a pack of a hundred cells', { ...car, cells: 100, openVolts: 410 }],
    [
      'no resistance anywhere',
      { ...car, packOhm: 0, leadOhm: 0, motor: { ...car.motor, resistance: 1e-9, bridgeResistance: 0 } },
    ],
    ['no grip', { ...car, grip: 0 }],
    ['no motor data', { ...car, motor: { ...car.motor, inductance: 0, noLoadCurrent: 0, rotorInertia: 0 } }],
    ['a hundred tonnes', { ...car, massKg: 100_000 }],
    ['a pack of nearly nothing', { ...car, capacityAh: 0.001 }],
    ['a propeller of a feather', { ...plane, propeller: { ...plane.propeller, inertia: 1e-9 } }],
    [
      'a propeller without air',
      { ...plane, propeller: { ...plane.propeller, powerCoefficient: 0, thrustCoefficient: 0 } },
    ],
  ])('%s', (_name, rig) => {
    allDrills(rig);
  });

  it('no pack goes below zero, however weak its cells', () => {
    for (const packOhm of [0.2, 1, 5])
      for (const rig of [car, plane])
        for (const id of ['launch', 'spoolUp', 'stint'] as const) {
          if (!(id in DRILLS[rig.kind])) continue;
          const { numbers } = runDrill(id, { ...rig, packOhm, leadOhm: 0.01 }, plainEsc());
          expect(numbers.find((one) => one.id === 'lowestCell')!.value).toBeGreaterThan(0);
        }
  });

  it('a car that its tyres cannot move stays where it is', () => {
    const { points } = runDrill('launch', { ...car, grip: 0.02, rollingResistance: 0.06 }, plainEsc());
    expect(points.map(({ y }) => Math.abs(y)).filter((speed) => speed > 1e-9)).toEqual([]);
  });

  it('a governor of any speed and turbo at every throttle take steps of the same order as none', () => {
    const plain = plainEsc();
    const stepsOf = (rig: ResolvedRig, esc: typeof plain) => {
      let looks = 0;
      const counted = { ...esc, advance: { ...esc.advance } };
      Object.defineProperty(counted.advance, 'fixed', { get: () => ((looks += 1), esc.advance.fixed) });
      runDrill('stint', rig, counted);
      return looks;
    };
    const usual = stepsOf(car, plain);
    const turbo = { ...plain.advance, turbo: 64, turboFrom: 0 };
    expect(stepsOf(car, { ...plain, advance: turbo })).toBeLessThan(4 * usual);
    // One that hardly turns lasts for hours: more of it is driven.
    for (const rpm of [1, 3000, 20_000])
      expect(stepsOf(car, { ...plain, governor: { rpm, byThrottle: false, polePairs: 0 } })).toBeLessThan(
        20 * usual,
      );
  });

  it('any numbers that the form lets through', () => {
    fc.assert(
      fc.property(
        fc.record({
          massKg: fc.double({ min: 0.02, max: 50, noNaN: true }),
          grip: fc.double({ min: 0.05, max: 3, noNaN: true }),
          finalDrive: fc.double({ min: 1, max: 60, noNaN: true }),
          wheelRadiusM: fc.double({ min: 0.01, max: 0.2, noNaN: true }),
          packOhm: fc.double({ min: 0.001, max: 0.5, noNaN: true }),
          drivenWeightShare: fc.double({ min: 0.2, max: 1, noNaN: true }),
        }),
        fc.record({
          rampPerSecond: fc.double({ min: 0.05, max: 200, noNaN: true }),
          dragBrake: fc.double({ min: 0, max: 1, noNaN: true }),
          brakeStrength: fc.double({ min: 0, max: 1, noNaN: true }),
          startDuty: fc.double({ min: 0, max: 0.3, noNaN: true }),
          damped: fc.boolean(),
          currentShare: fc.double({ min: 0.1, max: 1, noNaN: true }),
        }),
        (rig, esc) => allDrills({ ...car, ...rig }, plainEsc(esc)),
      ),
      { numRuns: 7 },
    );
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallProfile } from '../../esc/smallProfile.fixture';
import { defaultRig } from '../../rig/defaults';
import { resolveRig, type ResolvedWheels } from '../../rig/resolve';
import { GRAVITY } from '../../units/convert';
import { runDrill } from './runDrill';
import type { EscBehaviour } from '../escChain';
import { gripLimit, runWheels } from '../wheels';

const wheels = (vehicleClass: 'tenthBuggy' | 'crawler'): ResolvedWheels => {
  const rig = resolveRig(defaultRig(vehicleClass), smallProfile());
  if (rig.kind !== 'wheels') throw new Error('not on wheels');
  return rig;
};
const buggy = wheels('tenthBuggy');
const esc: EscBehaviour = {
  forwardSignal: 1,
  startDuty: 0,
  rampPerSecond: 4,
  fullBrake: 0.6,
  dragBrake: 0.1,
  propellerBrake: 0,
  brakeFrequencyHz: 2000,
  cutoffVoltsPerCell: 3.2,
};
const numbers = (id: 'launch' | 'brake' | 'letGo', rig: ResolvedWheels, behaviour: EscBehaviour) =>
  Object.fromEntries(runDrill(id, rig, behaviour).numbers.map((n) => [n.id, n.value ?? NaN]));

describe('wheels', () => {
  it('stops in v²/(2·μ·g) at the grip limit: 15 m/s at μ 0.6 in 19.1 m (Gillespie)', () => {
    const car: ResolvedWheels = { ...buggy, grip: 0.6, rollingResistance: 0, dragAreaM2: 0 };
    // A force that always asks for more than the ground can carry, on wheels that keep their speed.
    const stop = runWheels(
      car,
      15,
      (_t, tyre) => (tyre > 0 ? -3 * gripLimit(car) : 0),
      20,
      () => false,
    );
    expect(stop.distanceM).toBeCloseTo(19.1, 1);
  });

  it('coasts down as the closed form of rolling and air resistance says', () => {
    const car: ResolvedWheels = { ...buggy, wheelInertiaKgM2: 0, motor: { ...buggy.motor, rotorInertia: 0 } };
    const stop = runWheels(
      car,
      10,
      () => 0,
      60,
      () => false,
    );
    const rolling = car.rollingResistance * GRAVITY;
    const air = (0.5 * 1.225 * car.dragAreaM2) / car.massKg;
    const expected = Math.log(1 + (air * 100) / rolling) / (2 * air);
    expect(Math.abs(stop.distanceM / expected - 1)).toBeLessThan(0.002);
  });

  it('slides when asked for more than grip, and grips again when the wheels have slowed', () => {
    let sawSliding = false;
    const end = runWheels(
      buggy,
      0,
      (t) => (t < 0.3 ? 3 * gripLimit(buggy) : 1),
      2,
      (state) => {
        sawSliding ||= state.sliding && state.tyreSpeed > state.speed;
        return false;
      },
    );
    expect(sawSliding).toBe(true);
    expect(end.sliding).toBe(false);
  });
});

describe('launch', () => {
  it('lies in the range that tenth-scale buggies really have', () => {
    const n = numbers('launch', buggy, esc);
    expect(n.to5).toBeGreaterThan(0.8);
    expect(n.to5).toBeLessThan(2);
    expect(n.peakPack).toBeGreaterThan(40);
    expect(n.peakPack).toBeLessThan(220);
  });

  it('a slower ramp never raises the peak current', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 8, noNaN: true }), (ramp) => {
        const slow = numbers('launch', buggy, { ...esc, rampPerSecond: ramp });
        const fast = numbers('launch', buggy, { ...esc, rampPerSecond: ramp * 1.3 });
        expect(slow.peakPack).toBeLessThanOrEqual(fast.peakPack! * 1.0001);
      }),
      { numRuns: 20 },
    );
  });

  it('with a radio that sends only half, is slower', () => {
    expect(numbers('launch', buggy, { ...esc, forwardSignal: 0.5 }).to20).toBeGreaterThan(
      numbers('launch', buggy, esc).to20!,
    );
  });
});

describe('braking', () => {
  it('50 % at 2 kHz stops sooner from walking pace than 80 % at 9 kHz, and later from speed (common practice)', () => {
    const grippy = { ...buggy, grip: 3 };
    const coarse = numbers('brake', grippy, { ...esc, fullBrake: 0.5, brakeFrequencyHz: 2000 });
    const fine = numbers('brake', grippy, { ...esc, fullBrake: 0.8, brakeFrequencyHz: 9000 });
    expect(coarse.stopSlow).toBeLessThan(fine.stopSlow!);
    expect(coarse.stop).toBeGreaterThan(fine.stop!);
  });

  it('more drag brake never rolls farther', () => {
    const rolls = [0, 0.05, 0.1, 0.3, 1].map(
      (dragBrake) => numbers('letGo', buggy, { ...esc, dragBrake }).toWalking!,
    );
    expect(rolls).toEqual([...rolls].sort((a, b) => b - a));
  });

  it('starts from what a slow model can reach', () => {
    const crawler = wheels('crawler');
    const stop = runDrill('brake', crawler, esc).numbers[0]!;
    expect(stop.name).not.toContain('30');
  });
});

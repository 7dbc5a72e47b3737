import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { toneProfile } from '../../esc/smallProfile.fixture';
import { defaultRig } from '../../rig/defaults';
import { resolveRig, type ResolvedPropeller } from '../../rig/resolve';
import { rpmOf } from '../../units/convert';
import type { EscBehaviour } from '../escChain';
import { airTorque, bladeInertia, idealStaticThrust, runPropeller, thrustNewtons } from '../propeller';
import { steadySpeed } from './propellerDrills';
import { DRILLS, runDrill } from './runDrill';

const plane = resolveRig(defaultRig('sportPlane'), toneProfile()) as ResolvedPropeller;
const esc: EscBehaviour = {
  forwardSignal: 1,
  startDuty: 0,
  rampPerSecond: 2,
  fullBrake: 0,
  dragBrake: 0,
  propellerBrake: 0,
  brakeFrequencyHz: 2000,
  cutoffVoltsPerCell: 3.2,
};
const numbers = (id: 'spoolUp' | 'throttle' | 'cut', behaviour: EscBehaviour) =>
  Object.fromEntries(runDrill(id, plane, behaviour).numbers.map((n) => [n.id, n.value ?? NaN]));

describe('a propeller', () => {
  it('pulls with the square and asks power with the cube of its speed (McCormick)', () => {
    const { propeller } = plane;
    expect(thrustNewtons(propeller, 600) / thrustNewtons(propeller, 300)).toBeCloseTo(4, 9);
    const power = (speed: number): number => airTorque(propeller, speed) * speed;
    expect(power(600) / power(300)).toBeCloseTo(8, 9);
  });

  it('never pulls more than its disc could with that power (momentum theory, Rankine and Froude)', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 1, noNaN: true }), (duty) => {
        const speed = steadySpeed(plane, duty);
        const watts = airTorque(plane.propeller, speed) * speed;
        const ideal = idealStaticThrust(watts, plane.propeller.diameterM);
        expect(thrustNewtons(plane.propeller, speed)).toBeLessThan(ideal);
      }),
    );
  });

  it('has the inertia of a slender rod: 32 g and 30 cm are 2.4e-4 kg·m²', () => {
    expect(bladeInertia(0.032, 0.3)).toBeCloseTo(2.4e-4, 9);
  });

  it('slows down in the air alone as the closed form of a quadratic drag says: ω0/(1 + k·ω0·t)', () => {
    const { propeller } = plane;
    const start = 700;
    const rate = airTorque(propeller, start) / (propeller.inertia * start * start);
    const end = runPropeller(
      propeller,
      start,
      () => 0,
      2,
      () => false,
    );
    expect(end.shaftSpeed / (start / (1 + rate * start * 2))).toBeCloseTo(1, 4);
  });
});

describe('the drills of an aeroplane', () => {
  it('thrust follows the square of rpm within 2 % over the throttle (common practice)', () => {
    const half = steadySpeed(plane, 0.5);
    const full = steadySpeed(plane, 1);
    const { thrust, thrustHalf } = numbers('throttle', esc);
    expect(thrust! / thrustHalf! / (full / half) ** 2).toBeCloseTo(1, 6);
    expect(rpmOf(full)).toBeGreaterThan(5000);
    expect(rpmOf(full)).toBeLessThan(850 * 12.2);
  });

  it('a softer start takes longer, and never draws more at its peak', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        fc.double({ min: 1.2, max: 4, noNaN: true }),
        (seconds, times) => {
          const sharp = numbers('spoolUp', { ...esc, rampPerSecond: 1 / seconds });
          const soft = numbers('spoolUp', { ...esc, rampPerSecond: 1 / (seconds * times) });
          expect(soft.there!).toBeGreaterThan(sharp.there!);
          expect(soft.peakPack!).toBeLessThanOrEqual(sharp.peakPack! * 1.0001);
        },
      ),
      { numRuns: 15 },
    );
  });

  it('a firmer propeller brake stops it sooner', () => {
    const [out, soft, hard] = [0, 0.4, 1].map(
      (propellerBrake) => numbers('cut', { ...esc, propellerBrake }).stops!,
    );
    expect(soft!).toBeLessThan(out!);
    expect(hard!).toBeLessThan(soft!);
  });

  it('a car has none of them, and the other way round', () => {
    expect(() => runDrill('launch', plane, esc)).toThrow("no drill 'launch'");
    for (const id of Object.keys(DRILLS.propeller) as (keyof typeof DRILLS.propeller)[])
      expect(runDrill(id, plane, esc).points).toHaveLength(81);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { toneProfile } from '../../esc/smallProfile.fixture';
import { defaultRig } from '../../rig/defaults';
import { resolveRig } from '../../rig/resolve';
import { rpmOf } from '../../units/convert';
import { plainEsc } from '../behaviour.fixture';
import type { EscBehaviour } from '../escChain';
import {
  airTorque,
  bladeInertia,
  idealStaticThrust,
  runPropeller,
  SPIN,
  startSpin,
  thrustNewtons,
} from '../propeller';
import { bridgeSettingOf } from '../bridge';
import { steady } from './propellerDrills';
import { DRILLS, runDrill } from './runDrill';
import type { ResolvedPropeller } from '../resolved';

const plane = resolveRig(defaultRig('sportPlane'), toneProfile()) as ResolvedPropeller;
const esc = plainEsc({ rampPerSecond: 2 });
const numbers = (id: 'spoolUp' | 'throttle' | 'cut', behaviour: EscBehaviour, rig = plane) =>
  Object.fromEntries(runDrill(id, rig, behaviour).numbers.map((n) => [n.id, n.value ?? NaN]));
const speedAt = (signal: number, behaviour = esc): number => steady(plane, behaviour, signal).shaftSpeed;

describe('a propeller', () => {
  it('pulls with the square and asks power with the cube of its speed (McCormick)', () => {
    const { propeller } = plane;
    expect(thrustNewtons(propeller, 600) / thrustNewtons(propeller, 300)).toBeCloseTo(4, 9);
    const power = (speed: number): number => airTorque(propeller, speed) * speed;
    expect(power(600) / power(300)).toBeCloseTo(8, 9);
  });

  it('never pulls more than its disc could with that power (momentum theory, Rankine and Froude)', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 1, noNaN: true }), (signal) => {
        const speed = speedAt(signal);
        const watts = airTorque(plane.propeller, speed) * speed;
        const ideal = idealStaticThrust(watts, plane.propeller.diameterM);
        expect(thrustNewtons(plane.propeller, speed)).toBeLessThan(ideal);
      }),
    );
  });

  it('has the inertia of a slender rod: 32 g and 30 cm are 2.4e-4 kg·m²', () => {
    expect(bladeInertia(0.032, 0.3)).toBeCloseTo(2.4e-4, 9);
  });

  it('slows down in the air alone as the closed form of a quadratic drag says: ω0/(1 + k·ω0·t), to 0.1 %', () => {
    const free = { ...plane, motor: { ...plane.motor, noLoadCurrent: 0 } };
    const start = 700;
    const rate = airTorque(free.propeller, start) / (free.propeller.inertia * start * start);
    const y = startSpin(free, start);
    runPropeller(
      free,
      bridgeSettingOf(free, esc),
      [{ lengthS: 2, kind: 'brake', from: 0, to: 0, perSecond: 0, signal: 0 }],
      y,
    );
    expect(Math.abs(y[SPIN.shaft]! / (start / (1 + rate * start * 2)) - 1)).toBeLessThan(0.001);
  });

  it('spins up without load as 1 − e^(−t/τ), τ = J·R/K², to 0.1 % (closed form)', () => {
    const motor = { ...plane.motor, noLoadCurrent: 0, inductance: 1e-12, polePairs: 1 };
    const bare: ResolvedPropeller = {
      ...plane,
      motor,
      packOhm: 1e-9,
      leadOhm: 1e-9,
      capacityAh: 1e6,
      propeller: { ...plane.propeller, powerCoefficient: 0 },
      thermal: { ...plane.thermal, windingJPerK: 1e9 },
    };
    const tau = (bare.propeller.inertia * motor.resistance) / motor.constant ** 2;
    const y = startSpin(bare, 0);
    runPropeller(
      bare,
      bridgeSettingOf(bare, esc),
      [{ lengthS: tau, kind: 'drive', from: 1, to: 1, perSecond: 0, signal: 1 }],
      y,
    );
    const expected = (bare.openVolts / motor.constant) * (1 - Math.exp(-1));
    expect(Math.abs(y[SPIN.shaft]! / expected - 1)).toBeLessThan(0.001);
  });
});

describe('the drills of an aeroplane', () => {
  it('thrust follows the square of rpm within 2 % over the throttle (common practice)', () => {
    const { thrust, thrustHalf } = numbers('throttle', esc);
    expect(thrust! / thrustHalf! / (speedAt(1) / speedAt(0.5)) ** 2).toBeCloseTo(1, 6);
    expect(rpmOf(speedAt(1))).toBeGreaterThan(5000);
    expect(rpmOf(speedAt(1))).toBeLessThan(850 * 12.2);
  });

  it('an outrunner gains some 5 % rpm and 10 % thrust from low to high advance (common practice)', () => {
    const at = (fixed: number): number => speedAt(1, plainEsc({ advance: { ...esc.advance, fixed } }));
    const gain = at(24) / at(5);
    expect(gain).toBeGreaterThan(1.025);
    expect(gain).toBeLessThan(1.075);
    expect(gain ** 2).toBeGreaterThan(1.05);
    expect(gain ** 2).toBeLessThan(1.16);
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
          expect(soft.peakPack!).toBeLessThanOrEqual(sharp.peakPack! * 1.001);
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

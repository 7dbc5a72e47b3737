import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { motorConstant, radPerSecond } from '../units/convert';
import { brakeCurrent, chopperCurrentDc } from './brakeChopper';
import { motorModel } from './motor';

// Common practice: kV 2150, R 14 mΩ, L 10 µH, two pole pairs, a stiff pack of 14.8 V.
const motor = motorModel(2150, 0.014, 0, {
  inductance: 10e-6,
  noLoadCurrent: 0,
  polePairs: 2,
  rotorInertia: 5e-6,
});
const VOLTS = 14.8;
const emfAt = (rpm: number): number => motorConstant(2150) * radPerSecond(rpm);
const direct = (strength: number, hertz: number, rpm: number): number =>
  chopperCurrentDc(motor, strength, hertz, emfAt(rpm), VOLTS);
const braking = (strength: number, hertz: number, rpm: number): number =>
  brakeCurrent(motor, strength, hertz, radPerSecond(rpm), VOLTS, 0);

describe('brake chopper, DC form', () => {
  // Common practice, held against a time-domain simulation of the switching circuit.
  it.each([
    [1000, 0.5, 2000, 2.66],
    [1000, 0.8, 9000, 1.63],
    [5000, 0.5, 2000, 14.84],
    [5000, 0.8, 9000, 9.28],
    [20000, 0.5, 2000, 135.9],
    [20000, 0.8, 9000, 453.0],
  ])('at %i rpm, strength %f at %i Hz, averages %f A', (rpm, strength, hertz, amps) => {
    expect(direct(strength, hertz, rpm)).toBeCloseTo(amps, amps > 100 ? 0 : 1);
    expect(Math.abs(direct(strength, hertz, rpm) / amps - 1)).toBeLessThan(0.003);
  });

  it('crosses over at 7031 rpm, 22.2 A', () => {
    expect(direct(0.5, 2000, 7031)).toBeCloseTo(direct(0.8, 9000, 7031), 1);
    expect(direct(0.5, 2000, 7031)).toBeCloseTo(22.2, 1);
  });

  it('agrees with a brute-force switching simulation, continuous and discontinuous', () => {
    for (const [rpm, strength, hertz] of [
      [3000, 0.35, 4000],
      [12000, 0.6, 3000],
      [28000, 0.7, 9000],
    ] as const) {
      const expected = simulateSwitching(strength, hertz, emfAt(rpm));
      expect(Math.abs(direct(strength, hertz, rpm) / expected - 1)).toBeLessThan(0.01);
    }
  });
});

/** Explicit steps through many periods: slow, obvious, and independent of the closed form. */
function simulateSwitching(strength: number, hertz: number, emf: number): number {
  const steps = 4000;
  const dt = 1 / hertz / steps;
  let current = 0;
  let charge = 0;
  const periods = 60;
  for (let n = 0; n < periods * steps; n += 1) {
    const shorted = n % steps < strength * steps;
    const volts = emf - current * motor.resistance - (shorted ? 0 : VOLTS);
    current = Math.max(0, current + (volts / motor.inductance) * dt);
    if (n >= (periods - 1) * steps) charge += current * dt;
  }
  return charge * hertz;
}

describe('brake chopper with reactance', () => {
  // Common practice, from a simulation of the three-phase machine; the rule holds within 10 %.
  it.each([
    [1000, 0.5, 2000, 2.92],
    [1000, 0.8, 9000, 1.79],
    [5000, 0.5, 2000, 16.1],
    [5000, 0.8, 9000, 10.1],
    [20000, 0.5, 2000, 80],
    [20000, 0.8, 9000, 117],
    [1000, 1, 2000, 35.6],
    [5000, 1, 2000, 117],
    [20000, 1, 2000, 73],
  ])('at %i rpm, strength %f at %i Hz, brakes with %f A within a tenth', (rpm, strength, hertz, amps) => {
    expect(Math.abs(braking(strength, hertz, rpm) / amps - 1)).toBeLessThan(0.1);
  });

  it('is strongest at ω_e = R/L with full strength, and weaker above (closed form)', () => {
    const peak = motor.resistance / motor.inductance / motor.polePairs;
    const at = (share: number): number => brakeCurrent(motor, 1, 2000, peak * share, VOLTS, 0);
    expect(at(1)).toBeGreaterThan(at(0.9));
    expect(at(1)).toBeGreaterThan(at(1.1));
  });

  it('raises the bus with what it sends back, which weakens it', () => {
    const soft = brakeCurrent(motor, 0.5, 2000, radPerSecond(25000), VOLTS, 0.05);
    expect(soft).toBeLessThan(braking(0.5, 2000, 25000));
  });

  it('has one peak over speed and no notch where the phasor form sets in', () => {
    for (const [strength, hertz] of [
      [0.5, 2000],
      [0.65, 8000],
      [0.8, 9000],
    ] as const) {
      const amps = Array.from({ length: 300 }, (_, n) => braking(strength, hertz, 100 * (n + 1)));
      const peak = amps.indexOf(Math.max(...amps));
      const rises = amps.slice(0, peak).every((a, n) => amps[n + 1]! >= a - 1e-9);
      expect({ strength, rises }).toEqual({ strength, rises: true });
    }
  });

  it('never pushes, and more strength never brakes less in the DC form', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.97, noNaN: true }),
        fc.double({ min: 1000, max: 20000, noNaN: true }),
        fc.double({ min: 10, max: 40000, noNaN: true }),
        (strength, hertz, rpm) => {
          expect(braking(strength, hertz, rpm)).toBeGreaterThanOrEqual(0);
          expect(direct(strength + 0.02, hertz, rpm)).toBeGreaterThanOrEqual(
            direct(strength, hertz, rpm) - 1e-9,
          );
        },
      ),
    );
  });
});

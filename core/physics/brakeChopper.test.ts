import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { motorConstant, radPerSecond } from '../units/convert';
import { chop, type Braking } from './brakeChopper';
import { BRAKE_POINTS, percentile } from './reference.fixture';

interface Point {
  kv: number;
  polePairs: number;
  resistance: number;
  inductance: number;
  volts: number;
  rpm: number;
  strength: number;
  hertz: number;
}
const windingOf = ({ kv, polePairs, resistance, inductance }: Point) => ({
  constant: motorConstant(kv),
  resistance,
  inductance,
  polePairs,
});
function braking(point: Point): Braking {
  const out = { amps: 0, returned: 0 };
  chop(windingOf(point), point.strength, point.hertz, radPerSecond(point.rpm), point.volts, out);
  return out;
}

describe('brake chopper, against a three-phase switching simulation of our own', () => {
  const points = BRAKE_POINTS.map((row) => {
    const point = {
      kv: row.kv_rpm_per_volt,
      polePairs: row.pole_pairs,
      resistance: row.resistance_ohm,
      inductance: row.inductance_h,
      volts: row.bus_v,
      rpm: row.rpm,
      strength: row.strength,
      hertz: row.frequency_hz,
    };
    const { amps, returned } = braking(point);
    return {
      ratio: (point.polePairs * point.rpm) / 60 / point.hertz,
      torque: Math.abs(amps / row.torque_current_a - 1),
      returned: Math.abs(returned / row.returned_current_a - 1),
    };
  });

  it.each([
    ['below', (ratio: number) => ratio < 0.5],
    ['above', (ratio: number) => ratio >= 0.5],
  ])('torque within 12 %% at the 90th percentile %s half the brake’s frequency', (_where, isThere) => {
    const errors = points.filter(({ ratio }) => isThere(ratio)).map(({ torque }) => torque);
    expect(errors.length).toBeGreaterThan(12);
    expect(percentile(errors, 0.9)).toBeLessThan(0.12);
  });

  it('returned current within 4 % in the median and 15 % at the 90th percentile', () => {
    // Nothing comes back from windings that are always shorted.
    const errors = points.map(({ returned }) => returned).filter((error) => !Number.isNaN(error));
    expect(percentile(errors, 0.5)).toBeLessThan(0.04);
    expect(percentile(errors, 0.9)).toBeLessThan(0.15);
  });
});

// Common practice: kV 2150, R 14 mΩ, L 10 µH, two pole pairs, a stiff pack of 14.8 V.
const usual: Point = {
  kv: 2150,
  polePairs: 2,
  resistance: 0.014,
  inductance: 10e-6,
  volts: 14.8,
  rpm: 5000,
  strength: 0.5,
  hertz: 2000,
};
const at = (rpm: number, strength: number, hertz: number): number =>
  braking({ ...usual, rpm, strength, hertz }).amps;

describe('brake chopper', () => {
  it('a low frequency brakes harder when slow, a high one when fast (common practice)', () => {
    expect(at(1000, 0.5, 2000)).toBeGreaterThan(at(1000, 0.8, 9000));
    expect(at(20_000, 0.5, 2000)).toBeLessThan(at(20_000, 0.8, 9000));
  });

  it('is strongest at ω_e = R/L with full strength, and weaker above (closed form)', () => {
    const peakRpm = (usual.resistance / usual.inductance / usual.polePairs) * (30 / Math.PI);
    expect(at(peakRpm, 1, 2000)).toBeGreaterThan(at(0.9 * peakRpm, 1, 2000));
    expect(at(peakRpm, 1, 2000)).toBeGreaterThan(at(1.1 * peakRpm, 1, 2000));
  });

  it('of almost full strength is almost the closed form of full strength', () => {
    for (const rpm of [500, 3000, 12_000, 30_000])
      expect(at(rpm, 0.99999, 2000) / at(rpm, 1, 2000)).toBeCloseTo(1, 2);
  });

  it('is a rectifier where nothing is shorted: zero below the bus, the phasors’ own current above', () => {
    expect(at(20_000, 0, 2000)).toBe(0);
    expect(at(60_000, 0, 2000)).toBeGreaterThan(100);
  });

  it('never pushes, and energy closes: what it takes is copper’s or the pack’s', () => {
    fc.assert(
      fc.property(
        // What no ESC has, a few hundredths just below the bus, is off by some hundredths of its few watts.
        fc.double({ min: 0.05, max: 0.98, noNaN: true }),
        fc.double({ min: 800, max: 24_000, noNaN: true }),
        fc.double({ min: 50, max: 40_000, noNaN: true }),
        fc.integer({ min: 1, max: 7 }),
        (strength, hertz, rpm, polePairs) => {
          const point = { ...usual, strength, hertz, rpm, polePairs };
          const { amps, returned } = braking(point);
          expect(amps).toBeGreaterThanOrEqual(0);
          const taken = amps * motorConstant(usual.kv) * radPerSecond(rpm);
          expect(returned * usual.volts).toBeLessThanOrEqual(taken * 1.005 + 0.01);
        },
      ),
      { numRuns: 400 },
    );
  });
});

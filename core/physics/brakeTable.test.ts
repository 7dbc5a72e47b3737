import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { radPerSecond } from '../units/convert';
import { chop } from './brakeChopper';
import { brakeTableOf } from './brakeTable';
import { motorModel } from './motor';
import { percentile } from './reference.fixture';

const motor = motorModel(2150, 0.012, 0.002, {
  inductance: 10e-6,
  noLoadCurrent: 0,
  polePairs: 2,
  rotorInertia: 5e-6,
});
const anyBraking = fc.record({
  // A strength that no ESC has is not looked at: nothing, or a twentieth and more.
  strength: fc.oneof(fc.constant(0), fc.double({ min: 0.05, max: 1, noNaN: true })),
  hertz: fc.constantFrom(1000, 2000, 4000, 9000, 16_000),
  rpm: fc.double({ min: 20, max: 45_000, noNaN: true }),
  volts: fc.double({ min: 6, max: 17, noNaN: true }),
});

describe('the tabulated brake', () => {
  it('is the chopper’s own: within 1 % for 98 of 100, everywhere within 3 % of the strongest brake', () => {
    const strongest = { amps: 0, returned: 0 };
    chop(motor, 1, 2000, motor.resistance / motor.inductance / motor.polePairs, 12, strongest);
    const errors = fc
      .sample(anyBraking, { numRuns: 1500, seed: 2026 })
      .map(({ strength, hertz, rpm, volts }) => {
        const [tabulated, exact] = [
          { amps: 0, returned: 0 },
          { amps: 0, returned: 0 },
        ];
        const shaft = radPerSecond(rpm);
        brakeTableOf(motor, hertz).onPack(strength, true, shaft, volts, 0, tabulated);
        chop(motor, strength, hertz, shaft, volts, exact);
        const off = Math.max(
          Math.abs(tabulated.amps - exact.amps),
          Math.abs(tabulated.returned - exact.returned),
        );
        expect(off).toBeLessThan(0.03 * strongest.amps);
        return off / Math.max(exact.amps, 1);
      });
    expect(percentile(errors, 0.98)).toBeLessThan(0.01);
  });

  it('gives the pack no more than it takes from the car, to 0.5 % of what flows, above no-load speed too', () => {
    fc.assert(
      fc.property(anyBraking, ({ strength, hertz, rpm, volts }) => {
        const flow = { amps: 0, returned: 0 };
        const packOhm = 0.02;
        brakeTableOf(motor, hertz).onPack(strength, true, radPerSecond(rpm), volts, packOhm, flow);
        const taken = flow.amps * motor.constant * radPerSecond(rpm);
        const given = flow.returned * (volts + flow.returned * packOhm);
        expect(given).toBeLessThanOrEqual(1.005 * taken + 0.05);
      }),
      { numRuns: 600 },
    );
  });

  it('raises the bus with what it sends back, which weakens it', () => {
    const at = (packOhm: number) => {
      const flow = { amps: 0, returned: 0 };
      brakeTableOf(motor, 2000).onPack(0.5, true, radPerSecond(25_000), 14.8, packOhm, flow);
      return flow.amps;
    };
    expect(at(0.05)).toBeLessThan(at(0));
  });

  it('answers the same for the same numbers, and keeps one table for them', () => {
    expect(brakeTableOf({ ...motor }, 2000)).toBe(brakeTableOf(motor, 2000));
    expect(brakeTableOf(motor, 2001)).not.toBe(brakeTableOf(motor, 2000));
  });
});

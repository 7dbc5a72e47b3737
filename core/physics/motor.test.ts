import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { radPerSecond, rpmOf } from '../units/convert';
import {
  stalled,
  copperResistance,
  driveFlow,
  motorModel,
  newFlow,
  type Drive,
  type MotorModel,
} from './motor';

const slowMotor = motorModel(1500, 0.03, 0, {
  inductance: 1e-9,
  noLoadCurrent: 0,
  polePairs: 4,
  rotorInertia: 1e-5,
});
const realMotor = motorModel(2200, 0.009, 0.002, {
  inductance: 8e-6,
  noLoadCurrent: 4,
  polePairs: 2,
  rotorInertia: 6e-6,
});
const full: Drive = { duty: 1, advance: 0, frequencyHz: 12_000, damped: true, currentLimit: Infinity };
const flowOf = (motor: MotorModel, drive: Partial<Drive>, shaft: number, volts: number, packOhm = 0) => {
  const flow = newFlow();
  driveFlow(motor, 1, { ...full, ...drive }, shaft, volts, packOhm, flow);
  return flow;
};
const degrees = (value: number): number => (value * Math.PI) / 180;

describe('motor and bridge', () => {
  it('copper: 10 mΩ at 20 °C is 13.14 mΩ at 100 °C (IEC 60028)', () => {
    expect(copperResistance(0.01, 100)).toBeCloseTo(0.01314, 5);
  });

  it('spins to kV × V without load, stalls at V/R, is strongest half way (Hughes and Drury)', () => {
    const volts = 10;
    const noLoad = radPerSecond(1500 * volts);
    expect(rpmOf(noLoad)).toBeCloseTo(15000, 6);
    expect(flowOf(slowMotor, {}, noLoad, volts).motorAmps).toBeCloseTo(0, 6);
    expect(flowOf(slowMotor, {}, 0, volts).motorAmps).toBeCloseTo(volts / 0.03, 6);
    const power = (share: number): number =>
      flowOf(slowMotor, {}, noLoad * share, volts).torque * noLoad * share;
    expect(power(0.5)).toBeGreaterThan(power(0.48));
    expect(power(0.5)).toBeGreaterThan(power(0.52));
  });

  it('divides the pack sag between pack and motor: d²·R_p is felt (closed form)', () => {
    const { motorAmps } = flowOf(slowMotor, { duty: 0.5 }, 0, 10, 0.04);
    const busVolts = 10 - 0.5 * motorAmps * 0.04;
    expect(motorAmps * 0.03).toBeCloseTo(0.5 * busVolts, 4);
  });

  it('best efficiency is (1 − √(I0/I_stall))²: 2 A and 400 A give 86.4 % (J. Braun, Formulae Handbook)', () => {
    // d/dI of (V − R·I)·(I − I0)/(V·I) is zero at I = √(I0·I_stall); put back in, that is the square.
    const motor = motorModel(1000, 0.025, 0, {
      inductance: 1e-12,
      noLoadCurrent: 2,
      polePairs: 1,
      rotorInertia: 1e-5,
    });
    const noLoad = radPerSecond(1000 * 10);
    let best = 0;
    for (let share = 0.5; share < 1; share += 0.0005) {
      const { torque, packAmps } = flowOf(motor, {}, noLoad * share, 10);
      best = Math.max(best, (torque * noLoad * share) / (packAmps * 10));
    }
    expect(best).toBeCloseTo(0.864, 3);
  });

  it('energy closes: what the pack gives turns the shaft or becomes heat, damped or not', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        fc.boolean(),
        (duty, share, advance, damped) => {
          const volts = 14.8;
          const shaft = share * duty * radPerSecond(2200 * volts);
          const { packAmps, torque, windingWatts, escWatts } = flowOf(
            realMotor,
            { duty, damped, advance: degrees(advance) },
            shaft,
            volts,
          );
          const given = packAmps * volts;
          const became = torque * shaft + windingWatts + escWatts;
          expect(Math.abs(given - became)).toBeLessThan(0.001 * Math.max(Math.abs(given), 1));
        },
      ),
    );
  });

  it('whatever the advance, at any speed: no more flows than resistance allows, no pack goes below zero, energy closes', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1.6, noNaN: true }),
        fc.double({ min: 0, max: 90, noNaN: true }),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        fc.boolean(),
        (duty, share, advance, packOhm, damped) => {
          const volts = 14.8;
          const shaft = share * radPerSecond(2200 * volts);
          const drive = { duty, damped, advance: degrees(advance) };
          const flow = flowOf(realMotor, drive, shaft, volts, packOhm);
          const most = Math.max(volts, realMotor.constant * shaft) / realMotor.resistance;
          expect(Math.abs(flow.motorAmps)).toBeLessThanOrEqual(most);
          const bus = volts - flow.packAmps * packOhm;
          expect(bus).toBeGreaterThan(0);
          if (bus < 0.6 * volts) return;
          const given = flow.packAmps * bus;
          const became = flow.torque * shaft + flow.windingWatts + flow.escWatts;
          const flows = Math.max(Math.abs(given), Math.abs(flow.torque * shaft), 1);
          expect(Math.abs(given - became)).toBeLessThan(0.005 * flows);
        },
      ),
      { numRuns: 2000 },
    );
  });

  it('a stalled motor holds its pack where resistances say, below half its voltage too', () => {
    const { packAmps } = flowOf(slowMotor, {}, 0, 11.7, 0.05);
    expect(11.7 - packAmps * 0.05).toBeCloseTo((11.7 * 0.03) / 0.08, 6);
  });

  it('at rest no advance costs anything: nothing circulates in a motor that stands', () => {
    const at = (advance: number) =>
      flowOf(realMotor, { duty: 0.3, advance: degrees(advance) }, 0, 14.8, 0.02);
    expect(at(90).windingWatts).toBe(at(30).windingWatts);
    expect(at(90).packAmps).toBe(at(30).packAmps);
  });

  it('an undamped bridge sends nothing back, a damped one brakes when commanded less than it turns', () => {
    const shaft = radPerSecond(2200 * 10);
    expect(flowOf(realMotor, { duty: 0.4 }, shaft, 14.8).torque).toBeLessThan(-0.1);
    const undamped = flowOf(realMotor, { duty: 0.4, damped: false }, shaft, 14.8);
    expect(undamped.motorAmps).toBeGreaterThanOrEqual(0);
    expect(undamped.torque).toBeGreaterThan(flowOf(realMotor, { duty: 0.4 }, shaft, 14.8).torque);
  });

  it('lower drive frequency hits harder, undamped and discontinuous, and only there (common practice)', () => {
    // Just below the speed of 12 % duty: hardly any current but for the ripple.
    const shaft = radPerSecond(2200 * 1.7);
    const at = (frequencyHz: number, damped: boolean): number =>
      flowOf(realMotor, { duty: 0.12, frequencyHz, damped }, shaft, 14.8).motorAmps;
    expect(at(4000, false)).toBeGreaterThan(at(24_000, false) * 1.3);
    expect(at(4000, true)).toBeCloseTo(at(24_000, true), 9);
  });

  it('more advance always gives more rpm, and less efficiency above the best-efficiency current (common practice)', () => {
    const at = (advance: number) => {
      let low = 0;
      let high = radPerSecond(2200 * 30);
      for (let n = 0; n < 60; n += 1) {
        const middle = (low + high) / 2;
        if (flowOf(realMotor, { advance: degrees(advance) }, middle, 14.8).torque > 0.12) low = middle;
        else high = middle;
      }
      const flow = flowOf(realMotor, { advance: degrees(advance) }, low, 14.8);
      return { rpm: rpmOf(low), efficiency: (flow.torque * low) / (flow.packAmps * 14.8) };
    };
    const all = [0, 10, 20, 30].map(at);
    for (let n = 1; n < all.length; n += 1) expect(all[n]!.rpm).toBeGreaterThan(all[n - 1]!.rpm);
    expect(all[3]!.efficiency).toBeLessThan(all[1]!.efficiency);
  });

  it('heat against drive frequency has a least point between the ends (common practice)', () => {
    const heat = (kilohertz: number): number => {
      const { windingWatts, escWatts } = flowOf(
        realMotor,
        { duty: 0.5, frequencyHz: kilohertz * 1000 },
        radPerSecond(2200 * 6.5),
        14.8,
      );
      return windingWatts + escWatts;
    };
    const grid = [2, 4, 6, 8, 11, 14, 18, 22, 28, 36, 48, 64];
    const heats = grid.map(heat);
    const least = grid[heats.indexOf(Math.min(...heats))]!;
    expect(least).toBeGreaterThanOrEqual(8);
    expect(least).toBeLessThanOrEqual(48);
    expect(heats[0]).toBeGreaterThan(Math.min(...heats) * 1.05);
    expect(heats.at(-1)).toBeGreaterThan(Math.min(...heats));
  });

  it('stalled wheels, 3 cells 2200 mAh 30C, 29 mΩ with wires, 16 mΩ motor and bridge (common practice)', () => {
    const small = motorModel(3000, 0.013, 0.003, {
      inductance: 5e-6,
      noLoadCurrent: 3,
      polePairs: 2,
      rotorInertia: 2e-6,
    });
    const stall = 11.7 / (0.016 + 0.029);
    expect(stalled(small, 1, Infinity, 11.7, 0.029).packVolts).toBeCloseTo(4.2, 1);
    expect(stalled(small, 0.7, Infinity, 11.7, 0.029).packVolts).toBeCloseTo(6.2, 1);
    expect(stalled(small, 1, 0.7 * stall, 11.7, 0.029).packVolts).toBeCloseTo(10.2, 1);
  });
});

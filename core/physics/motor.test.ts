import { describe, expect, it } from 'vitest';
import { radPerSecond, rpmOf } from '../units/convert';
import { copperResistance, driveCurrent, driveTorque, motorModel } from './motor';

const slowMotor = motorModel(1500, 0.03, 0, {
  inductance: 0,
  noLoadCurrent: 2,
  polePairs: 4,
  rotorInertia: 1e-5,
});

describe('motor and bridge', () => {
  it('copper: 10 mΩ at 20 °C is 13.14 mΩ at 100 °C (IEC 60028)', () => {
    expect(copperResistance(0.01, 100)).toBeCloseTo(0.01314, 5);
  });

  it('spins to kV × V without load, stalls at V/R, is strongest half way (Hughes and Drury)', () => {
    const volts = 10;
    const noLoad = radPerSecond(1500 * volts);
    expect(rpmOf(noLoad)).toBeCloseTo(15000, 6);
    expect(driveCurrent(slowMotor, 1, noLoad, volts, 0)).toBeCloseTo(0, 6);
    expect(driveCurrent(slowMotor, 1, 0, volts, 0)).toBeCloseTo(volts / 0.03, 6);
    const power = (share: number): number => {
      const speed = noLoad * share;
      return slowMotor.constant * driveCurrent(slowMotor, 1, speed, volts, 0) * speed;
    };
    expect(power(0.5)).toBeGreaterThan(power(0.48));
    expect(power(0.5)).toBeGreaterThan(power(0.52));
  });

  it('divides the pack sag between pack and motor: d²·R_p is felt (closed form)', () => {
    const amps = driveCurrent(slowMotor, 0.5, 0, 10, 0.04);
    const busVolts = 10 - 0.5 * amps * 0.04;
    expect(amps * 0.03).toBeCloseTo(0.5 * busVolts, 9);
  });

  it('needs its no-load current before it pulls', () => {
    expect(driveTorque(slowMotor, 1)).toBeLessThan(0);
    expect(driveTorque(slowMotor, 3)).toBeGreaterThan(0);
  });
});

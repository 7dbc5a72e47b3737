import { describe, expect, it } from 'vitest';
import { busPackAmps, slamAt, becWatts } from './supplyBus';

const bus = {
  idleAmps: 0.1,
  movingAmps: 2,
  stallAmps: 9,
  continuousAmps: 4,
  externalVolts: undefined,
  sharedByMotors: 1,
  isLinear: false,
};
const moving = 1.5;
const stalling = 0.4;

describe('the supply bus', () => {
  it('sags 0.1 to 0.2 V when large servos move, within what the BEC gives (common practice)', () => {
    const sag = 6 - slamAt({ ...bus, movingAmps: 4 }, 6, moving).volts;
    expect(sag).toBeGreaterThan(0.1);
    expect(sag).toBeLessThan(0.2);
  });

  it('beyond its limit the voltage falls until what is drawn is what it gives', () => {
    const { volts, amps } = slamAt(bus, 6, stalling);
    expect(amps).toBeCloseTo(6, 9);
    expect(volts).toBeCloseTo(4, 9);
  });

  it('what it gives for a moment it does not give for long', () => {
    const heavy = { ...bus, movingAmps: 5.5 };
    expect(slamAt(heavy, 6, 1).amps).toBeGreaterThan(slamAt(heavy, 6, moving).amps);
  });

  it('a stronger BEC never lets it sag deeper', () => {
    for (const time of [0.1, stalling, 1, moving, 2.4])
      expect(slamAt({ ...bus, continuousAmps: 10 }, 6, time).volts).toBeGreaterThanOrEqual(
        slamAt(bus, 6, time).volts,
      );
  });

  it('without anything on it holds what is set', () => {
    const empty = { ...bus, idleAmps: 0, movingAmps: 0, stallAmps: 0 };
    expect(slamAt(empty, 6, stalling)).toEqual({ volts: 6, amps: 0 });
  });
});

describe('the heat of a BEC', () => {
  const bus = {
    idleAmps: 1,
    movingAmps: 1,
    stallAmps: 1,
    continuousAmps: 5,
    externalVolts: undefined,
    sharedByMotors: 1,
  };
  it('of a linear one is (V − V_bec)·I: 1 A from 16 V down to 6 V is 10 W', () => {
    expect(becWatts({ ...bus, isLinear: true }, 6, 16)).toBeCloseTo(10, 9);
    expect(becWatts({ ...bus, isLinear: false }, 6, 16)).toBeLessThan(1);
  });

  it('of a linear one is nothing where the pack has fallen below it', () => {
    expect(becWatts({ ...bus, isLinear: true }, 6, 5.5)).toBe(0);
  });

  it('is not the ESC’s where an external one feeds the bus', () => {
    expect(becWatts({ ...bus, isLinear: true, externalVolts: 6 }, 6, 16)).toBe(0);
  });
});

describe('what the bus takes out of the pack', () => {
  const idle = { ...bus, idleAmps: 1, movingAmps: 1 };

  it('is its power through a switching BEC, its current through a linear one', () => {
    expect(busPackAmps({ ...idle, isLinear: true }, 6, 12)).toBeCloseTo(1, 9);
    // Half the volts, twice the loss of nothing: 0.5 A and what the BEC loses.
    expect(busPackAmps(idle, 6, 12)).toBeGreaterThan(0.5);
    expect(busPackAmps(idle, 6, 12)).toBeLessThan(0.6);
  });

  it('is nothing without a BEC, and shared by the motors of one pack', () => {
    expect(busPackAmps(idle, 0, 12)).toBe(0);
    expect(busPackAmps({ ...idle, sharedByMotors: 2 }, 6, 12)).toBeCloseTo(busPackAmps(idle, 6, 12) / 2, 9);
  });

  it('comes from an external BEC, too', () => {
    expect(busPackAmps({ ...idle, externalVolts: 6 }, 0, 12)).toBeCloseTo(busPackAmps(idle, 6, 12), 9);
  });
});

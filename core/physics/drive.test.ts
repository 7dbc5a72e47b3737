import { describe, expect, it } from 'vitest';
import { radPerSecond } from '../units/convert';
import { driveFlow, motorModel, newFlow } from './motor';
import { DRIVE_POINTS, percentile } from './reference.fixture';

const points = DRIVE_POINTS.map((row) => {
  const motor = {
    ...motorModel(row.kv_rpm_per_volt, row.resistance_ohm, 0, {
      inductance: row.inductance_h,
      noLoadCurrent: 0,
      polePairs: row.pole_pairs,
      rotorInertia: 1e-6,
    }),
    // The simulation's switches switch at once.
    switchingTime: 0,
  };
  const shaft = radPerSecond(row.rpm);
  const flow = newFlow();
  driveFlow(
    motor,
    1,
    {
      duty: row.duty,
      advance: (row.advance_deg * Math.PI) / 180,
      frequencyHz: row.frequency_hz,
      damped: row.damped === 1,
      currentLimit: Infinity,
    },
    shaft,
    row.bus_v,
    0,
    flow,
  );
  const off = (ours: number, theirs: number): number => Math.abs(ours / theirs - 1);
  return {
    isInside: row.damped === 1 && (motor.constant * shaft) / (row.duty * row.bus_v) <= 1,
    torque: off(flow.torque / motor.constant, row.torque_current_a),
    bus: off(flow.packAmps, row.bus_current_a),
    // The bridge has no resistance here: what is left in the ESC is dead time, which the simulation has none of.
    copper: off(flow.windingWatts, row.copper_w),
  };
});

describe('driving, against a three-phase switching simulation of our own', () => {
  const inside = points.filter(({ isInside }) => isInside);
  const errors = (of: 'torque' | 'bus' | 'copper') => ({
    median: percentile(
      inside.map((point) => point[of]),
      0.5,
    ),
    most: percentile(
      inside.map((point) => point[of]),
      0.9,
    ),
  });

  it('damped and no faster than its duty: torque within 2.5 % in the median and 8 % at the 90th percentile', () => {
    expect(inside.length).toBeGreaterThan(100);
    expect(errors('torque').median).toBeLessThan(0.025);
    expect(errors('torque').most).toBeLessThan(0.08);
  });

  it('bus current within 4 % and 13 %, copper within 25 % at the 90th percentile', () => {
    expect(errors('bus').median).toBeLessThan(0.04);
    expect(errors('bus').most).toBeLessThan(0.13);
    expect(errors('copper').most).toBeLessThan(0.25);
  });
});

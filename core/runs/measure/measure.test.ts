import { describe, expect, it } from 'vitest';
import { smallProfile } from '../../esc/smallProfile.fixture';
import { plainEsc } from '../../physics/behaviour.fixture';
import { defaultRig } from '../../rig/defaults';
import { resolveRig } from '../../rig/resolve';
import type { Measured, MeasureOn, Typed } from './measurement';
import { MEASUREMENTS, measurementsOf, type MeasurementId } from './measurements';

const on = (vehicleClass: 'tenthBuggy' | 'sportPlane'): MeasureOn => {
  const rig = defaultRig(vehicleClass);
  return { rig, resolved: resolveRig(rig, smallProfile()), esc: plainEsc() };
};
const buggy = on('tenthBuggy');
const plane = on('sportPlane');
function measured(id: MeasurementId, rows: Typed | readonly Typed[], its = buggy): Measured {
  const result = MEASUREMENTS[id].result(Array.isArray(rows) ? rows : [rows as Typed], its);
  if (!result.ok) throw new Error(result.problems[0]!.sentence);
  return result.value;
}
const refused = (id: MeasurementId, typed: Typed, its = buggy): string => {
  const result = MEASUREMENTS[id].result([typed], its);
  return result.ok ? '' : result.problems[0]!.sentence;
};
const valueOf = ({ lines }: Measured, name: string): number =>
  lines.find((line) => line.name === name)!.value;

describe('what is measured', () => {
  it('rolling: 10 cm over 200 cm along the slope is tan(asin 0.05)', () => {
    const result = measured('rollingSlope', { rise: 10, length: 200 });
    expect(result.takes).toEqual({
      path: 'vehicle.rollingResistance',
      value: expect.closeTo(0.0501, 4) as number,
    });
    expect(refused('rollingSlope', { rise: 100, length: 100 })).toContain('along the slope');
  });

  it('a stop: 36 km/h in 10 m is half of gravity (10²/20/9.81)', () => {
    const result = measured('stopping', { kmh: 36, metres: 10, slid: 0 });
    expect(valueOf(result, 'Braking, as a share of gravity')).toBeCloseTo(0.51, 2);
    expect(result.takes).toBeUndefined();
    expect(refused('stopping', { kmh: 100, metres: 1, slid: 0 })).toContain('no tyre holds that');
  });

  it('a stop with sliding wheels gives the grip with which the model stops so', () => {
    const { grip } = buggy.resolved as { grip: number };
    const share = grip + (buggy.resolved as { rollingResistance: number }).rollingResistance;
    // All its wheels are driven: a sliding stop is grip and rolling together.
    const metres = (30 / 3.6) ** 2 / (2 * 9.80665 * share);
    expect(measured('stopping', { kmh: 30, metres, slid: 1 }).takes!.value).toBeCloseTo(grip, 3);
  });

  it('a coast is the sum of rolling and air, and takes neither', () => {
    const result = measured('coastDown', { fast: 30, slow: 20, seconds: 4 });
    expect(result.takes).toBeUndefined();
    expect(result.lines[0]!.value).toBeGreaterThan(0.05);
    expect(refused('coastDown', { fast: 20, slow: 30, seconds: 4 })).toContain('lower one');
  });

  it('a launch stands beside the model’s own', () => {
    const result = measured('timedLaunch', { five: 1.3 });
    expect(result.lines).toHaveLength(1);
    expect(result.lines[0]!.model).toBeGreaterThan(0.3);
    expect(refused('timedLaunch', {})).toContain('one of the two');
    expect(refused('timedLaunch', { five: 2, twenty: 1 })).toContain('longer');
  });

  it('weights: the whole, the balance, and the other pack', () => {
    const result = measured('weights', { front: 900, rear: 700, pack: 300, other: 220 });
    expect(valueOf(result, 'Mass')).toBe(1600);
    expect(valueOf(result, 'Of it on the front')).toBeCloseTo(56.25, 9);
    expect(valueOf(result, 'Mass with the other pack')).toBe(1520);
    expect(result.takes).toEqual({ path: 'vehicle.massKg', value: 1.6 });
  });

  it('a thrust stand: percent against the first row, and a coefficient that gives that thrust again', () => {
    const rows = [
      { rpm: 8000, grams: 1000, amps: 20, volts: 10 },
      { rpm: 8400, grams: 1100, amps: 25, volts: 9.9 },
    ];
    const result = measured('thrustStand', rows, plane);
    expect(valueOf(result, 'Row 2 against row 1: thrust')).toBeCloseTo(10, 9);
    expect(valueOf(result, 'Row 2 against row 1: power')).toBeCloseTo(23.75, 9);
    expect(valueOf(result, 'Thrust for each watt')).toBeCloseTo(5, 9);
    const { vehicle } = plane.rig as { vehicle: { propellerDiameterM: { value: number } } };
    // T = C_T·ρ·n²·D⁴ (McCormick), standard air 1.225 kg/m³.
    const newtons = result.takes!.value * 1.225 * (8000 / 60) ** 2 * vehicle.propellerDiameterM.value ** 4;
    expect(newtons).toBeCloseTo(9.80665, 2);
  });

  it('each says what to do, what it settles and what it leaves open', () => {
    for (const kind of ['wheels', 'propeller'] as const)
      for (const id of measurementsOf(kind)) {
        const { steps, settles, fields } = MEASUREMENTS[id];
        expect(steps.length).toBeGreaterThan(2);
        expect(settles).not.toBe('');
        expect(fields.length).toBeGreaterThan(0);
      }
    expect(measurementsOf('propeller')).not.toContain('stopping');
  });
});

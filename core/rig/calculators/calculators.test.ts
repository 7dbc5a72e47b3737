import { describe, expect, it } from 'vitest';
import { archetypeFor } from '../../archetypes/archetypes';
import { plainEsc } from '../../physics/behaviour.fixture';
import { runDrill } from '../../physics/drills/runDrill';
import { defaultRig } from '../defaults';
import { resolveRig } from '../resolve';
import type { WheeledVehicle } from '../rig';
import { detentFromSlope } from './detent';
import { becBudget, busLoad, weakestLoad } from '../busLoads';
import { finalDriveOf, speedPerThousandRpm } from './gearing';
import { checkThrust, fromTwoRuns, kvFromRun, polesFrom, resistanceFromStall } from './motorDetective';
import { autoCellCount, chargeWattHours, misreadBelowVolts, twoLoadOhm } from './packTest';
import { propellerFigures, thrustCoefficientFrom } from './propellerFigures';
import { leadOhm, wireDiameter, wireOhmPerMetre } from './wire';

describe('gearing (common practice)', () => {
  it.each([
    [58, 20, 43 / 13, 9.592],
    [58, 21, 43 / 13, 9.1355],
    [46, 17, 43 / 13, 8.95],
  ])('%i/%i with the internal ratio is %f', (spurTeeth, pinionTeeth, internalRatio, expected) => {
    expect(finalDriveOf({ spurTeeth, pinionTeeth, internalRatio })).toBeCloseTo(expected, 2);
  });

  it('1000 rpm through 10 : 1 on a wheel of 1/π m is 100 wheel turns a minute, 100 m a minute', () => {
    expect(speedPerThousandRpm(10, 1 / Math.PI)).toBeCloseTo(100 / 60, 9);
  });
});

describe('wires (ASTM B258 with IEC 60028, 20 °C)', () => {
  it.each([
    [12, 2.053, 5.211],
    [14, 1.628, 8.285],
    [16, 1.291, 13.17],
    [22, 0.644, 52.96],
  ])('gauge %i: %f mm, %f mΩ/m', (gauge, millimetres, milliohm) => {
    expect(wireDiameter(gauge) * 1000).toBeCloseTo(millimetres, 3);
    expect((wireOhmPerMetre(gauge) * 1000) / milliohm).toBeCloseTo(1, 3);
  });

  it('count there and back, plugs included', () => {
    expect(leadOhm(12, 0.2, 'none', 0)).toBeCloseTo(2 * 0.2 * 0.005211, 5);
    expect(leadOhm(12, 0.2, 'blade', 1)).toBeGreaterThan(leadOhm(12, 0.2, 'none', 1));
  });
});

describe('the pack', () => {
  it('two loads: 0.6 V between 10 and 40 A are 20 mΩ (ΔV/ΔI)', () => {
    expect(twoLoadOhm({ volts: 11.7, amps: 10 }, { volts: 11.1, amps: 40 })).toMatchObject({ ok: true });
    const read = twoLoadOhm({ volts: 11.7, amps: 10 }, { volts: 11.1, amps: 40 });
    expect(read.ok && read.value).toBeCloseTo(0.02, 9);
  });

  it.each([
    ['exchanged readings', { volts: 11.1, amps: 10 }, { volts: 11.7, amps: 40 }, 'swapped'],
    ['the same current', { volts: 11.7, amps: 40 }, { volts: 11.1, amps: 40 }, 'more amperes'],
    ['loads too alike', { volts: 11.7, amps: 38 }, { volts: 11.6, amps: 40 }, 'too similar'],
  ])('refuses %s', (_what, light, heavy, words) => {
    const read = twoLoadOhm(light, heavy);
    expect(read.ok ? '' : read.problems[0]!.sentence).toContain(words);
  });

  it('six cells at 3.50 V rest at 21.0 V, exactly a full five: 2.67 V per real cell (common practice)', () => {
    expect(autoCellCount('lipo', 21.0)).toBe(5);
    expect(autoCellCount('lipo', 21.1)).toBe(6);
    expect((autoCellCount('lipo', 21.0) * 3.2) / 6).toBeCloseTo(2.667, 3);
    expect(misreadBelowVolts('lipo', 6)).toBeCloseTo(3.5, 9);
  });

  it('charging a whole 5 Ah pack of four cells takes about its nominal energy (open-circuit 3.7 to 3.9 V a cell)', () => {
    const wattHours = chargeWattHours('lipo', 4, 5, 0, 1);
    expect(wattHours).toBeGreaterThan(4 * 5 * 3.7);
    expect(wattHours).toBeLessThan(4 * 5 * 3.9);
    expect(chargeWattHours('lipo', 4, 5, 0.5, 0.5)).toBe(0);
  });
});

describe('the BEC budget', () => {
  const loads = [busLoad('veryStrong', 2), busLoad('micro'), busLoad('receiver')];

  it('adds what moves, and two stalls on top (common practice)', () => {
    const { movingAmps, worstAmps } = becBudget(loads);
    expect(movingAmps).toBeCloseTo(2.5 * 2 + 0.2 + 0.08, 9);
    expect(worstAmps - movingAmps).toBeCloseTo(2 * (8 - 2.5), 9);
    expect(becBudget([])).toEqual({ idleAmps: 0, movingAmps: 0, worstAmps: 0 });
  });

  it('one 6 V micro servo holds the whole bus at 6 V (common practice)', () => {
    expect(weakestLoad(loads)?.maxVolts).toBe(6);
  });
});

describe('propeller figures (McCormick; momentum theory)', () => {
  it('thrust goes with n², power with n³, and no propeller beats its disc', () => {
    const at = (rpm: number) => propellerFigures(0.3, 0.15, 0.1, 0.045, rpm);
    expect(at(8000).thrustN / at(4000).thrustN).toBeCloseTo(4, 9);
    expect(at(8000).powerW / at(4000).powerW).toBeCloseTo(8, 9);
    expect(at(8000).figureOfMerit).toBeLessThan(1);
    expect(at(8000).pitchSpeed).toBeCloseTo((8000 / 60) * 0.15, 9);
  });

  it('the coefficient of a weighed thrust gives that thrust again', () => {
    const coefficient = thrustCoefficientFrom(12, 7500, 0.3);
    expect(propellerFigures(0.3, 0.15, coefficient, 0.05, 7500).thrustN).toBeCloseTo(12, 9);
  });
});

describe('the motor detective', () => {
  it('kV is rpm per volt of back-EMF', () => {
    expect(kvFromRun(20000, 10)).toEqual({ ok: true, value: 2000 });
    const corrected = kvFromRun(20000, 10.04, 4, 0.01);
    expect(corrected.ok && corrected.value).toBeCloseTo(2000, 6);
    expect(kvFromRun(20000, 0)).toMatchObject({ ok: false });
  });

  it('10 poles entered for a 14-pole motor show 14/10 of the true rpm (common practice)', () => {
    expect(polesFrom(10, 14000, 10000)).toEqual({ ok: true, value: 14 });
    expect(polesFrom(10, 9800, 7000)).toEqual({ ok: true, value: 14 });
    expect(polesFrom(10, 10800, 10000)).toMatchObject({ ok: false });
  });

  it('a stall gives resistance, two runs give resistance and kV', () => {
    expect(resistanceFromStall(0.6, 20)).toEqual({ ok: true, value: 0.03 });
    // Made with R 20 mΩ and kV 1000: V = I·R + n/kV.
    const run = (amps: number, rpm: number) => ({ amps, rpm, volts: amps * 0.02 + rpm / 1000 });
    const read = fromTwoRuns(run(5, 11000), run(40, 9500));
    expect(read.ok && read.value.ohm).toBeCloseTo(0.02, 9);
    expect(read.ok && read.value.kv).toBeCloseTo(1000, 6);
    expect(fromTwoRuns(run(5, 11000), run(5, 11000))).toMatchObject({ ok: false });
  });

  // Common practice: 7880, 8076, 8280 rpm with 2865, 2960, 3145 g follow n² within 2 %.
  const stand = [
    [7880, 2865],
    [8076, 2960],
    [8280, 3145],
  ].map(([rpm, grams]) => ({ rpm: rpm!, thrustN: (grams! / 1000) * 9.80665 }));

  it('thrust-stand points that follow n² are all taken', () => {
    const read = checkThrust(stand);
    expect(read.ok && read.value.oddOnes).toEqual([]);
    expect(read.ok && Math.max(...read.value.deviations.map(Math.abs))).toBeLessThan(0.021);
  });

  it('the odd one out is named', () => {
    const read = checkThrust([...stand, { rpm: 8500, thrustN: 26 }]);
    expect(read.ok && read.value.oddOnes).toEqual([3]);
    expect(checkThrust(stand.slice(0, 2))).toMatchObject({ ok: false });
  });
});

describe('what the magnets hold, from a slope (statics)', () => {
  const rig = defaultRig('crawler');
  const vehicle = rig.vehicle as WheeledVehicle;

  it('is what the slope drill then says it holds', () => {
    const read = detentFromSlope(vehicle, rig.motor, 1, 25);
    if (!read.ok) throw new Error(read.problems[0]!.sentence);
    const { profile } = archetypeFor('crawler');
    const measured = {
      ...rig,
      motor: { ...rig.motor, detentNm: { value: read.value, basis: 'measured' as const } },
    };
    const { numbers } = runDrill('slope', resolveRig(measured, profile), plainEsc());
    expect(numbers.find(({ id }) => id === 'holds')!.value).toBeCloseTo(25, 6);
  });

  it.each([0, 1, 70, NaN])('is refused with a sentence at %f°', (degrees) => {
    expect(detentFromSlope(vehicle, rig.motor, 1, degrees).ok).toBe(false);
  });
});

import { describe, expect, it } from 'vitest';
import { VOCABULARY, type SettingId } from '../settings/vocabulary';
import { SCALES, scalesOf, statesSize, valueOnScale, type Scale } from './scale';

const onScale = (setting: SettingId, scale: Scale, printed: number) =>
  valueOnScale(VOCABULARY[setting], scale, printed);

describe('what a printed number is in the vocabulary (common practice)', () => {
  it.each<[SettingId, Scale, number, number]>([
    // A deadband of 0.1 ms of a 0.5 ms half stroke: 20 % if it counts one side, 10 % if it is the whole width.
    ['deadband', 'millis', 0.1, 100],
    ['deadband', 'percentEach', 20, 100],
    ['deadband', 'millisBoth', 0.1, 50],
    ['deadband', 'percentBoth', 20, 50],
    ['deadband', 'microsBoth', 90, 45],
    ['deadband', 'micros', 45, 45],
    ['driveFrequency', 'hertz', 10000, 10],
    ['driveFrequency', 'kilohertz', 10, 10],
    ['polePairs', 'poles', 14, 7],
    ['escTemperatureLimit', 'fahrenheit', 221, 105],
    ['softStart', 'milliseconds', 1500, 1.5],
    ['turboOnRate', 'degreeRate', 18, 18],
    ['advance', 'degrees', 3.75, 3.75],
  ])('%s on the scale %s: %f is %f', (setting, scale, printed, value) => {
    expect(onScale(setting, scale, printed)).toEqual({ kind: 'number', value });
  });

  it('volts of the whole pack stay volts of the whole pack', () => {
    expect(onScale('cutoff', 'packVolts', 9.6)).toEqual({ kind: 'packVolts', value: 9.6 });
    expect(onScale('cutoff', 'voltsPerCell', 3.2)).toEqual({ kind: 'number', value: 3.2 });
  });

  it('only a cutoff can be of the whole pack, only a curve can have points', () => {
    const withPack = Object.values(VOCABULARY).filter((setting) => scalesOf(setting).includes('packVolts'));
    expect(withPack.map(({ id }) => id)).toEqual(['cutoff']);
    const withCurve = Object.values(VOCABULARY).filter((setting) => scalesOf(setting).includes('curve'));
    expect(withCurve.map(({ id }) => id)).toEqual(['throttleCurve', 'brakeCurve']);
  });

  it('every numbered setting has a scale that states its size, and may come in bare levels', () => {
    for (const setting of Object.values(VOCABULARY)) {
      const scales = scalesOf(setting);
      expect(scales.every((scale) => scale in SCALES)).toBe(true);
      expect(scales).toContain('level');
      const isNumbered = !setting.choices;
      expect([setting.id, scales.some(statesSize)]).toEqual([setting.id, isNumbered]);
    }
  });
});

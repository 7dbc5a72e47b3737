import { formatNumber, withUnit } from '../units/format';
import { onStraights } from '../units/straight';
import type { SettingFacts, SettingValue } from './setting';

/**
 * A value in the words of the vocabulary: "60 %", "off", "9.6 V for the pack".
 * @param setting whose unit and choices are used
 */
export function describeValue(
  setting: Pick<SettingFacts, 'unit' | 'decimals' | 'choices' | 'specials'>,
  value: SettingValue,
): string {
  switch (value.kind) {
    case 'off':
      return 'off';
    case 'number':
      return withUnit(value.value, setting.unit, setting.decimals);
    case 'packVolts':
      return `${formatNumber(value.value, 2)}\u00a0V for the pack`;
    case 'choice':
      return setting.choices?.[value.choice] ?? setting.specials?.[value.choice] ?? value.choice;
    case 'curve':
      return `through ${value.points.map(([input, output]) => `${formatNumber(input, 1)} → ${formatNumber(output, 1)}`).join(', ')}`;
    case 'label':
      return 'as printed';
  }
}

/**
 * The number by which two values of one setting can be compared and drawn in order, in the
 * setting's unit. A pack total is divided by the cells; "off" counts as the lowest; a curve counts by its
 * output at half; a choice has no number.
 * @param cells cells in series, > 0
 */
export function comparableNumber(value: SettingValue, cells: number): number | undefined {
  switch (value.kind) {
    case 'off':
      return 0;
    case 'number':
      return value.value;
    case 'packVolts':
      return value.value / cells;
    case 'curve':
      return curveOutput(value.points, 50);
    case 'choice':
    case 'label':
      return undefined;
  }
}

/** The output of straight lines from (0, 0) through points to (100, 100), % in and out. */
export function curveOutput(
  points: readonly (readonly [input: number, output: number])[],
  input: number,
): number {
  return onStraights([[0, 0], ...points, [100, 100]], input);
}

import { formatNumber, withUnit } from '../units/format';
import type { Setting, SettingValue } from './vocabulary';

/**
 * A value in the words of the vocabulary: "60 %", "off", "9.6 V for the pack".
 * @param setting whose unit and choices are used
 */
export function describeValue(setting: Setting, value: SettingValue): string {
  switch (value.kind) {
    case 'off':
      return 'off';
    case 'number':
      return withUnit(value.value, setting.unit, setting.decimals);
    case 'packVolts':
      return `${formatNumber(value.value, 2)}\u00a0V for the pack`;
    case 'choice':
      return setting.choices?.[value.choice] ?? value.choice;
  }
}

/**
 * The number by which two values of one setting can be compared and drawn in order, in the
 * setting's unit. A pack total is divided by the cells; "off" counts as the lowest; a choice has
 * no number.
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
    case 'choice':
      return undefined;
  }
}

import type { SettingValue } from './setting';

/** Volts per cell for a cutoff of the whole pack. @param cells in series, > 0 */
export const perCell = (packVolts: number, cells: number): number => packVolts / cells;

/** Volts of the whole pack for a cutoff per cell. */
export const perPack = (voltsPerCell: number, cells: number): number => voltsPerCell * cells;

/**
 * A cutoff per cell, however it is stated; 0 when it is off, undefined when there is none.
 * @param cells cells in series
 */
export function cutoffVoltsPerCell(value: SettingValue | undefined, cells: number): number | undefined {
  switch (value?.kind) {
    case 'off':
      return 0;
    case 'number':
      return value.value;
    case 'packVolts':
      return perCell(value.value, cells);
    default:
      return undefined;
  }
}

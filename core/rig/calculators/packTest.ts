import { fullCellVolts, openCircuitVolts, type Chemistry } from '../../physics/pack';
import type { Result } from '../../units/problem';

/** Pack volts and the current drawn at that moment. */
export interface LoadPoint {
  volts: number;
  amps: number;
}

/**
 * Resistance of a whole pack from two loads a few seconds apart: ΔV/ΔI.
 * @returns ohm, wires to the point of measurement included, or what is wrong with the readings
 */
export function twoLoadOhm(light: LoadPoint, heavy: LoadPoint): Result<number> {
  const amps = heavy.amps - light.amps;
  const sag = light.volts - heavy.volts;
  if (amps <= 0)
    return refused('heavy.amps', 'The heavier load must draw more amperes than the lighter one.');
  if (sag <= 0)
    return refused('heavy.volts', 'The voltage must fall under the heavier load. Readings swapped?');
  if (amps < 0.2 * heavy.amps)
    return refused('heavy.amps', 'The two loads are too similar. Make the heavier at least a quarter more.');
  return { ok: true, value: sag / amps };
}

/**
 * How many cells an ESC that counts by itself takes a resting pack for: as few as could be this full.
 * @example 21.0 V of six cells at 3.50 V is exactly a full five
 */
export const autoCellCount = (chemistry: Chemistry, packVolts: number): number =>
  Math.max(1, Math.ceil(packVolts / fullCellVolts(chemistry) - 1e-9));

/** The resting voltage of a cell at and below which one cell is missed. @param cells in series, above 1 */
export const misreadBelowVolts = (chemistry: Chemistry, cells: number): number =>
  (fullCellVolts(chemistry) * (cells - 1)) / cells;

/**
 * Energy to charge a pack from one state to another, Wh: the table's voltage, ten slices.
 * What this leaves out: what the charger and the cells turn into heat, some 5 to 15 %.
 */
export function chargeWattHours(
  chemistry: Chemistry,
  cells: number,
  capacityAh: number,
  from: number,
  to: number,
): number {
  const slices = 10;
  const part = (to - from) / slices;
  let volts = 0;
  for (let n = 0; n < slices; n += 1) volts += openCircuitVolts(chemistry, from + (n + 0.5) * part) / slices;
  return volts * cells * capacityAh * (to - from);
}

const refused = (path: string, sentence: string): Result<never> => ({
  ok: false,
  problems: [{ path, sentence }],
});

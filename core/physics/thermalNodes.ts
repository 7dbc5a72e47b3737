/** Winding, case and ESC as lumped nodes against the air. Fourier's law between them; capacities and conductances assumed. */
import type { ThermalModel } from './resolved';

/** Heat in nodes that shed so many times as much to the air. */
export const shedding = (
  usual: ThermalModel,
  { motor, esc }: { motor: number; esc: number },
): ThermalModel => ({
  ...usual,
  caseStill: usual.caseStill / motor,
  caseMoving: usual.caseMoving / motor,
  escStill: usual.escStill / esc,
  escFan: usual.escFan / esc,
});

/** Heat flows, W, as rates of the three temperatures, K/s. Written into the last three places of `out`. */
export function heatRates(
  thermal: ThermalModel,
  fan: boolean,
  ambientC: number,
  moving: boolean,
  windingWatts: number,
  escWatts: number,
  y: Float64Array,
  out: Float64Array,
  place: number,
): void {
  const toCase = (y[place]! - y[place + 1]!) / thermal.windingToCase;
  const toAir = (y[place + 1]! - ambientC) / (moving ? thermal.caseMoving : thermal.caseStill);
  const escToAir = (y[place + 2]! - ambientC) / (fan ? thermal.escFan : thermal.escStill);
  out[place] = (windingWatts - toCase) / thermal.windingJPerK;
  out[place + 1] = (toCase - toAir) / thermal.caseJPerK;
  out[place + 2] = (escWatts - escToAir) / thermal.escJPerK;
}

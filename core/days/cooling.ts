/** How long a rig cools after a run before it is driven again: its own heat model, with no power, standing still. */
import { drivenFor } from '../physics/drills/stint';
import type { EscBehaviour } from '../physics/escChain';
import type { ResolvedRig } from '../physics/resolved';
import { heatRates } from '../physics/thermalNodes';

/** So much above the air a motor is hand-warm, and each run begins alike. From memory. */
const WARM_ABOVE_AIR = 10;
const STEP_S = 2;
/** A model that takes longer is not planned with. */
const LONGEST_MINUTES = 180;

export interface AfterRun {
  /** From its end until motor and ESC are hand-warm, whole minutes. */
  coolMinutes: number;
  /** What it takes from the pack a minute. */
  mahPerMinute: number;
}

/**
 * What a run of so many minutes leaves to wait for. What this leaves out: a fan that is held at it, and a car that stands in the sun.
 * @throws {Error} where the rig cannot be driven
 */
export function afterRun(rig: ResolvedRig, esc: EscBehaviour, minutes: number): AfterRun {
  const { numbers } = drivenFor(rig, esc, minutes);
  const of = (id: string): number => {
    const value = numbers.find((one) => one.id === id)?.value;
    if (value === undefined) throw new Error(`a run does not tell its ${id}`);
    return value;
  };
  return {
    coolMinutes: coolMinutes(rig, of('winding'), of('can'), of('esc')),
    mahPerMinute: of('perMinute'),
  };
}

/** Until winding, can and ESC are hand-warm, whole minutes. */
export function coolMinutes(
  rig: Pick<ResolvedRig, 'thermal' | 'fan' | 'ambientC'>,
  windingC: number,
  canC: number,
  escC: number,
): number {
  const y = Float64Array.of(windingC, canC, escC);
  const rates = new Float64Array(3);
  const warm = rig.ambientC + WARM_ABOVE_AIR;
  const most = (LONGEST_MINUTES * 60) / STEP_S;
  for (let step = 0; step < most; step += 1) {
    if (y.every((celsius) => celsius <= warm)) return Math.ceil((step * STEP_S) / 60);
    heatRates(rig.thermal, rig.fan, rig.ambientC, false, 0, 0, y, rates, 0);
    for (const node of y.keys()) y[node]! += STEP_S * rates[node]!;
  }
  return LONGEST_MINUTES;
}

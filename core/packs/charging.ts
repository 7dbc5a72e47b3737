/** Charging: how long it takes, whether the rate is right, and what is always said beside it. */
import { chargeAt, type Chemistry } from '../physics/pack';
import { withUnit } from '../units/format';
import { STORAGE_VOLTS } from './packState';
import type { ShelfPack } from './shelfPack';

/** Common practice, at every place where a pack is charged. */
export const CHARGING_CAUTIONS = [
  'Set the right chemistry and the right number of cells.',
  'Charge no faster than the pack allows.',
  'Never leave a pack alone while it charges.',
  'Do not charge a pack that is puffed, damaged or warm.',
  'Club rules and local rules come first.',
] as const;

/** The share of the charge that goes in at full current, and how much slower the rest is. Common practice: 80 %; at 1C about 70 to 75 minutes in all. */
const FULL_CURRENT_SHARE = 0.8;
const SLOW_END_FACTOR = 2;
/** NiMH takes its current to the end, and a little more than it gives back. From memory. */
const NIMH_FACTOR = 1.1;

type Charged = Pick<ShelfPack, 'chemistry' | 'capacityAh' | 'chargeAmps'>;

/**
 * How long a charge takes. What this leaves out: balancing cells that are far apart, and a charger that cannot give its current.
 * @param from state of charge, 0 to 1
 * @returns minutes
 * @throws {RangeError} for a current that is not above zero
 */
export function chargeMinutes({ chemistry, capacityAh, chargeAmps }: Charged, from = 0, to = 1): number {
  if (!(chargeAmps > 0)) throw new RangeError(`a pack is not charged with ${chargeAmps} A`);
  const hours = capacityAh / chargeAmps;
  const span = (low: number, high: number): number => Math.max(0, Math.min(to, high) - Math.max(from, low));
  if (chemistry === 'nimh') return 60 * hours * NIMH_FACTOR * span(0, 1);
  return 60 * hours * (span(0, FULL_CURRENT_SHARE) + SLOW_END_FACTOR * span(FULL_CURRENT_SHARE, 1));
}

/** The charge at which a pack may lie, 0 to 1; undefined for a chemistry that is kept as it is. */
export function storageCharge(chemistry: Chemistry): number | undefined {
  const volts = STORAGE_VOLTS[chemistry];
  return volts && chargeAt(chemistry, (volts.low + volts.high) / 2);
}

/**
 * How long it takes to bring a pack to storage voltage: up with its charge current, down with what its charger can draw.
 * @param from state of charge, 0 to 1
 * @param drawsAmps what the charger draws; null where nobody has said
 * @returns minutes; undefined where it cannot be told
 */
export function storageMinutes(pack: Charged, from: number, drawsAmps: number | null): number | undefined {
  const target = storageCharge(pack.chemistry);
  if (target === undefined) return undefined;
  if (from <= target) return chargeMinutes(pack, from, target);
  return drawsAmps === null || drawsAmps <= 0
    ? undefined
    : (60 * (from - target) * pack.capacityAh) / drawsAmps;
}

/** Where nothing is printed, a pack is charged at once its capacity. Common practice. */
const USUAL_MOST_C = 1;

/** What is wrong with the current that a pack's charger is set to; undefined where nothing is. */
export function chargeRateFault({
  capacityAh,
  chargeAmps,
  mostChargeC,
}: Pick<ShelfPack, 'capacityAh' | 'chargeAmps' | 'mostChargeC'>): string | undefined {
  const most = (mostChargeC ?? USUAL_MOST_C) * capacityAh;
  if (chargeAmps <= most * 1.005) return undefined;
  const rate = withUnit(chargeAmps / capacityAh, 'C', 1);
  return mostChargeC === null
    ? `${withUnit(chargeAmps, 'A', 1)} is ${rate}. Nothing is printed on this pack: charge it at ${withUnit(most, 'A', 1)} (1 C) or less.`
    : `${withUnit(chargeAmps, 'A', 1)} is ${rate}. This pack allows ${withUnit(most, 'A', 1)} (${withUnit(mostChargeC, 'C', 1)}).`;
}

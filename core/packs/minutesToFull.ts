/** How long a pack that lies here takes until it is full: by how it lies, and what was read of it last. */
import { chargeAt } from '../physics/pack';
import { chargeMinutes, storageCharge } from './charging';
import { packState } from './packState';
import type { PackLife } from './shelfPack';

/**
 * From empty where nobody knows better: rather too long than too short.
 * @param now milliseconds
 * @returns whole minutes; of one that is on the charger, from when it was put there
 */
export function minutesToFull(life: PackLife, now: number): number {
  const { pack, entries } = life;
  const { state } = packState(life, now);
  if (state === 'charged') return 0;
  if (state === 'charging') {
    const place = entries.findLastIndex(({ doing }) => doing === 'onCharger');
    const before = { ...life, entries: entries.slice(0, place) };
    return packState(before, now).state === 'charged'
      ? Math.ceil(chargeMinutes(pack))
      : minutesToFull(before, now);
  }
  return Math.ceil(chargeMinutes(pack, chargeNow(life, state === 'storage')));
}

/** State of charge, 0 to 1, rather too low. */
function chargeNow({ pack, entries, runs }: PackLife, isStored: boolean): number {
  const lastRun = Date.parse(runs.at(-1)?.drivenAt ?? '1970-01-01');
  const read = entries.findLast(({ cellVolts, at }) => cellVolts.length > 0 && Date.parse(at) > lastRun);
  if (read) return chargeAt(pack.chemistry, Math.min(...read.cellVolts));
  return (isStored && storageCharge(pack.chemistry)) || 0;
}

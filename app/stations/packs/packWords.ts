import { PACK_STATES, type PackState } from '#core/packs/packState';
import type { ShelfPack } from '#core/packs/shelfPack';
import { CHEMISTRIES } from '#core/physics/pack';
import { withUnit } from '#core/units/format';

/** What a pack is, on one line. */
export const packInWords = ({ chemistry, cells, capacityAh, ratingC }: ShelfPack): string =>
  [
    `${cells} ${cells === 1 ? 'cell' : 'cells'}`,
    CHEMISTRIES[chemistry].toLowerCase(),
    withUnit(capacityAh * 1000, 'mAh', 0),
    ...(ratingC === null ? [] : [withUnit(ratingC, 'C', 0)]),
  ].join(' · ');

/** How it lies, and since when. @param now milliseconds */
export function stateInWords({ state, since, isWarm }: PackState, now: number): string {
  const words = isWarm ? 'used, still warm' : PACK_STATES[state];
  return since === undefined ? words : `${words}, ${ago(now - Date.parse(since))}`;
}

function ago(ms: number): string {
  const minutes = Math.max(0, Math.floor(ms / 60_000));
  if (minutes < 60) return `for ${minutes}\u00a0min`;
  const hours = Math.floor(minutes / 60);
  return hours < 48 ? `for ${hours}\u00a0h` : `for ${Math.floor(hours / 24)} days`;
}

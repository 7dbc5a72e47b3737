import { factoryStops, type EscProfile } from '../esc/profile';
import type { Observation } from './evidence';

/** Things that happen to an ESC behind the back of whoever wrote down what it holds. */
export type Loss =
  /** A load was broken off: what it meant to write may or may not be there. */
  | { kind: 'interrupted'; itemIds: readonly string[] }
  /** Somebody restored factory values, and nobody has looked since. */
  | { kind: 'reset' }
  /** New firmware, which may keep values, wipe them, or take them for something else. */
  | { kind: 'firmwareUpdate' };

/**
 * What a mishap does to the evidence: observations to be added to the history. Only what it touches is touched.
 * @param at ISO 8601
 */
export function downgrade(profile: EscProfile, mishap: Loss, at: string): Observation[] {
  switch (mishap.kind) {
    case 'interrupted':
      return mishap.itemIds.map((itemId) => ({ itemId, stopId: null, basis: 'interrupted', at }));
    case 'reset':
      return Object.entries(factoryStops(profile)).map(([itemId, stopId]) => ({
        itemId,
        stopId,
        basis: 'assumedFactory',
        at,
      }));
    case 'firmwareUpdate':
      return profile.items.map(({ id }) => ({ itemId: id, stopId: null, basis: 'firmwareUpdate', at }));
  }
}

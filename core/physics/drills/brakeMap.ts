/** What every pair of brake strength and brake frequency that an ESC has does, slow and fast, behind a radio's end point. */
import { noLoadSpeed } from '../tyre';
import {
  itemForSetting,
  type EscProfile,
  type ProfileItem,
  type Stop,
  type StopByItem,
} from '../../esc/profile';
import { kmPerHour } from '../../units/convert';
import type { EscBehaviour } from '../escChain';
import { gripLimit } from '../car';
import { BRAKE_FROM, REACHABLE_SHARE, WALKING_PACE } from './wheelParts';
import { brakeForceAt, pushOf } from './brake';

import type { ResolvedWheels } from '../resolved';

/** Braking force at the tyre, N, at walking pace and at speed. */
export interface BrakeCell {
  slow: number;
  fast: number;
}

export interface BrakeMap {
  strength: ProfileItem;
  /** Undefined where the ESC's brake frequency is fixed. */
  frequency: ProfileItem | undefined;
  slowKmh: number;
  fastKmh: number;
  /** What the tyres carry, N. */
  gripN: number;
  /** A row for each strength, a cell for each frequency; one where it is fixed. */
  rows: { stop: Stop; cells: { stop: Stop | undefined; force: BrakeCell }[] }[];
}

/**
 * The brake map of an ESC on a rig; undefined where it has no brake strength to choose.
 * @param behave what a set of stops makes of the ESC
 * @param endPointShare how much of the push the radio lets through, 0 to 1
 */
export function brakeMap(
  rig: ResolvedWheels,
  profile: EscProfile,
  stops: StopByItem,
  behave: (stops: StopByItem) => EscBehaviour,
  endPointShare: number,
): BrakeMap | undefined {
  const strength = itemForSetting(profile, 'brakeStrength');
  if (!strength) return undefined;
  const frequency = itemForSetting(profile, 'brakeFrequency');
  const slowSpeed = Math.min(WALKING_PACE, 0.3 * noLoadSpeed(rig));
  const fastSpeed = Math.min(BRAKE_FROM, REACHABLE_SHARE * noLoadSpeed(rig));
  const forceOf = (set: StopByItem): BrakeCell => {
    const esc = { ...behave(set), brakeSignal: endPointShare };
    const braking = pushOf(esc);
    return {
      slow: brakeForceAt(rig, esc, braking, slowSpeed),
      fast: brakeForceAt(rig, esc, braking, fastSpeed),
    };
  };
  return {
    strength,
    frequency,
    slowKmh: kmPerHour(slowSpeed),
    fastKmh: kmPerHour(fastSpeed),
    gripN: gripLimit(rig, true),
    rows: strength.stops.map((stop) => {
      const row = { ...stops, [strength.id]: stop.id };
      return {
        stop,
        cells: frequency
          ? frequency.stops.map((pitch) => ({
              stop: pitch,
              force: forceOf({ ...row, [frequency.id]: pitch.id }),
            }))
          : [{ stop: undefined, force: forceOf(row) }],
      };
    }),
  };
}

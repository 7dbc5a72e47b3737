/**
 * Bare levels are matched by what they do: the stop whose drill numbers come closest on this rig. Two measures that choose
 * different stops are both shown.
 */
import type { StopByItem, EscProfile, ProfileItem, Stop } from '../esc/profile';
import { inOrder } from '../esc/stopOrder';
import { escBehaviour } from '../physics/escChain';
import type { DrillNumber } from '../physics/drills/drill';
import type { NumberRef } from '../physics/drills/numberIds';
import { drillNumbers } from '../physics/drills/runDrill';
import type { LearnedRange } from '../radio/pulse';
import { resolveRig } from '../rig/resolve';
import type { Rig, VehicleKind } from '../rig/rig';
import type { Use } from '../rig/use';
import type { MomentId } from '../settings/moments';
import { VOCABULARY, type SettingId } from '../settings/vocabulary';

/** An ESC with all its values on a rig. */
export interface Fitted {
  profile: EscProfile;
  stops: StopByItem;
  range: LearnedRange;
}

/** What one measure says: which stop comes closest, and how close. */
export interface Closest {
  /** As it is with the ESC that is translated from. */
  wanted: DrillNumber;
  stop: Stop;
  reached: DrillNumber;
}

/** By which numbers a moment is matched, the first first. Common practice. */
const MEASURES: Readonly<Partial<Record<MomentId, Partial<Record<VehicleKind, readonly NumberRef[]>>>>> = {
  pullAway: {
    wheels: [
      ['launch', 'to5'],
      ['launch', 'peakPack'],
    ],
    propeller: [
      ['spoolUp', 'there'],
      ['spoolUp', 'peakPack'],
    ],
  },
  midPull: { wheels: [['sweep', 'at50']], propeller: [['sweep', 'at50']] },
  flatOut: {
    wheels: [
      ['topSpeed', 'top'],
      ['topSpeed', 'amps'],
    ],
    propeller: [
      ['throttle', 'thrust'],
      ['throttle', 'amps'],
    ],
  },
  letGo: {
    wheels: [
      ['letGo', 'fromWalking'],
      ['letGo', 'toWalking'],
    ],
    propeller: [
      ['cut', 'stops'],
      ['cut', 'peakBrake'],
    ],
  },
  brake: {
    wheels: [
      ['brake', 'stopSlow'],
      ['brake', 'stop'],
    ],
  },
  backUp: {
    wheels: [
      ['backUp', 'reverseTop'],
      ['backUp', 'firstMetres'],
    ],
  },
};

/** The numbers by which a setting is matched; none where no drill tells. */
export const measuresOf = (setting: SettingId, kind: VehicleKind): readonly NumberRef[] =>
  MEASURES[VOCABULARY[setting].moment]?.[kind] ?? [];

/**
 * Of each measure the stop that comes closest to what another ESC does, everything else being equal.
 * @param from as it is now, whole
 * @param onto with its other values chosen already
 * @returns a measure that no stop moves says nothing, and is left out
 */
export function closestStops(rig: Rig, use: Use, from: Fitted, onto: Fitted, item: ProfileItem): Closest[] {
  const stops = inOrder(item, rig.pack.cells);
  return measuresOf(item.setting, rig.vehicle.kind).flatMap((measure): Closest[] => {
    const wanted = numberOn(rig, use, from, measure);
    if (!wanted) return [];
    const tried = stops.flatMap((stop) => {
      const reached = numberOn(rig, use, { ...onto, stops: { ...onto.stops, [item.id]: stop.id } }, measure);
      return reached ? [{ wanted, stop, reached }] : [];
    });
    if (new Set(tried.map(({ reached }) => shown(reached))).size < 2) return [];
    const [best] = tried.toSorted((a, b) => distance(a) - distance(b));
    return best && Number.isFinite(distance(best)) ? [best] : [];
  });
}

const numberOn = (
  rig: Rig,
  use: Use,
  { profile, stops, range }: Fitted,
  [drill, id]: NumberRef,
): DrillNumber | undefined =>
  drillNumbers(
    drill,
    resolveRig(rig, profile, use),
    escBehaviour(profile, stops, rig.channel, range, rig.pack.cells),
  ).find((number) => number.id === id);

const shown = ({ value, decimals }: DrillNumber): string => value?.toFixed(decimals) ?? 'never';

/** How far two numbers are apart: what never happens is like nothing but what never happens either. */
function distance({ wanted, reached }: Pick<Closest, 'wanted' | 'reached'>): number {
  if (wanted.value === undefined || reached.value === undefined)
    return wanted.value === reached.value ? 0 : Infinity;
  return Math.abs(reached.value - wanted.value);
}

import { comparableNumber, describeValue } from '../settings/value';
import { VOCABULARY } from '../settings/vocabulary';
import type { ProfileItem, Stop } from './profile';

export interface Snapped {
  stop: Stop;
  /** Whether the stop is exactly what was wanted. */
  exact: boolean;
  /** Says to what a value was moved and why; empty when exact. */
  reason: string;
}

/** Values closer than this are the same: stops are printed with at most two decimals. */
const SAME = 1e-6;

/**
 * The real stop for a wanted number, moved to the setting's safe side where the ESC has no such stop.
 * Where nothing lies on the safe side, the nearest stop of all is taken and the reason says so.
 * "Off" is never snapped to: switching a thing off is a decision, not a rounding.
 *
 * @param wanted in the setting's own unit (a cutoff in V per cell)
 * @param cells cells in series, for cutoffs stated for the pack
 * @returns undefined where the item has no numbered stops
 */
export function snapToStop(item: ProfileItem, wanted: number, cells: number): Snapped | undefined {
  const setting = VOCABULARY[item.setting];
  const stops = numberedStops(item, cells);
  const nearest = closest(stops, wanted);
  if (!nearest) return undefined;
  if (Math.abs(nearest.number - wanted) < SAME) return { stop: nearest.stop, exact: true, reason: '' };

  const safe = stops.filter(({ number }) => onSafeSide(setting.safeSide, number, wanted));
  const chosen = closest(safe, wanted) ?? nearest;
  const wantedText = describeValue(setting, { kind: 'number', value: wanted });
  const side = safe.length > 0 && setting.safeSide !== 'nearest' ? 'the safe side' : 'the nearest it has';
  return {
    stop: chosen.stop,
    exact: false,
    reason: `This ESC has no ${wantedText}; ${chosen.stop.label} is ${side}.`,
  };
}

interface NumberedStop {
  stop: Stop;
  number: number;
}

function numberedStops(item: ProfileItem, cells: number): NumberedStop[] {
  return item.stops.flatMap((stop) => {
    const number = stop.value.kind === 'off' ? undefined : comparableNumber(stop.value, cells);
    return number === undefined ? [] : [{ stop, number }];
  });
}

function closest(stops: NumberedStop[], wanted: number): NumberedStop | undefined {
  let best: NumberedStop | undefined;
  for (const candidate of stops) {
    if (!best || Math.abs(candidate.number - wanted) < Math.abs(best.number - wanted)) best = candidate;
  }
  return best;
}

function onSafeSide(side: 'lower' | 'higher' | 'nearest', number: number, wanted: number): boolean {
  if (side === 'nearest') return true;
  return side === 'lower' ? number < wanted : number > wanted;
}

/** What a drill may be while some values on the ESC are unknown: a band about its trace, a range for each number. */
import {
  stopById,
  type EscProfile,
  type ProfileItem,
  type BelievedStops,
  type StopByItem,
} from '../../esc/profile';
import { entersDrills } from '../howItEnters';
import type { Drill } from './drill';

export interface Range {
  low: number;
  high: number;
}

export interface DrillBand {
  points: { x: number; low: number; high: number }[];
  /** By the id of the number; only those that move, and that the drill reaches in every case. */
  numbers: Record<string, Range>;
}

/** Trying more stops of one item than this shows nothing new: its ends and some between are enough. */
const MOST_STOPS = 6;

/**
 * Every full set of stops that differs from the believed one in a single unknown item that the drills use.
 * One at a time: what several unknowns do together is not in the band.
 */
export function alternativesTo(
  profile: EscProfile,
  believed: BelievedStops,
  unknown: readonly ProfileItem[],
): StopByItem[] {
  return unknown
    .filter((item) => entersDrills(item.setting))
    .flatMap((item) => {
      const others = item.stops.filter(({ id }) => id !== stopById(item, believed[item.id]!).id);
      const step = Math.max(1, Math.ceil(others.length / MOST_STOPS));
      return others
        .filter((_stop, place) => place % step === 0 || place === others.length - 1)
        .map((stop) => ({ ...believed, [item.id]: stop.id }));
    });
}

/**
 * The band that several runs of one drill span.
 * @param drills at least one, all of the same drill on the same rig
 * @throws {Error} where their traces do not lie over each other
 */
export function bandOf(drills: readonly Drill[]): DrillBand {
  const [first] = drills;
  if (!first) throw new Error('a band needs at least one drill');
  const points = first.points.map(({ x }, place) => {
    const ys = drills.map((drill) => {
      const point = drill.points[place];
      if (!point || Math.abs(point.x - x) > 1e-6 * Math.max(1, Math.abs(x)))
        throw new Error(`traces of one drill differ at place ${place}`);
      return point.y;
    });
    return { x, low: Math.min(...ys), high: Math.max(...ys) };
  });
  const numbers: Record<string, Range> = {};
  for (const { id } of first.numbers) {
    const values = drills.map((drill) => drill.numbers.find((n) => n.id === id)?.value);
    if (values.some((value) => value === undefined)) continue;
    const low = Math.min(...(values as number[]));
    const high = Math.max(...(values as number[]));
    if (high > low) numbers[id] = { low, high };
  }
  return { points, numbers };
}

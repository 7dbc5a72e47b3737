/** An advised band on the stops that an ESC really has. */
import type { ProfileItem, Stop } from '../esc/profile';
import { snapToStop } from '../esc/snap';
import { comparableNumber } from '../settings/value';
import type { Band } from './rule';

export interface StopsInBand {
  /** Inside the band, at least one. */
  stopIds: string[];
  /** The one to take. */
  stopId: string;
  /** To what a value was moved and why; empty where the band has stops of its own. */
  snapped: string;
}

/** The stops of an item that a band allows; undefined where the item has none that means it. */
export function stopsIn(band: Band, item: ProfileItem, cells: number): StopsInBand | undefined {
  switch (band.kind) {
    case 'choice':
      return only(chosen(item, band.choice));
    case 'off':
      return only(item.stops.find(({ value }) => value.kind === 'off'));
    case 'cells':
      return countOf(item, cells);
    case 'ofStops':
      return shareOfStops(item, band.low, band.high, cells);
    case 'range':
      return inRange(item, band, cells);
  }
}

const chosen = (item: ProfileItem, choice: string): Stop | undefined =>
  item.stops.find(({ value }) => value.kind === 'choice' && value.choice === choice);

/** The pack's own count first; where the ESC counts by itself, that is right for every pack. */
function countOf(item: ProfileItem, cells: number): StopsInBand | undefined {
  const right = [chosen(item, String(cells)), chosen(item, 'auto')].filter((stop) => stop !== undefined);
  const [first] = right;
  return first && { stopIds: right.map(({ id }) => id), stopId: first.id, snapped: '' };
}

const only = (stop: Stop | undefined): StopsInBand | undefined =>
  stop && { stopIds: [stop.id], stopId: stop.id, snapped: '' };

function inRange(
  item: ProfileItem,
  { low, high, aim = (low + high) / 2 }: Extract<Band, { kind: 'range' }>,
  cells: number,
): StopsInBand | undefined {
  const within = numbered(item, cells)
    .filter(({ number }) => number >= low - 1e-9 && number <= high + 1e-9)
    .map(({ stop }) => stop);
  const aimed = snapToStop(item, aim, cells);
  if (within.length === 0)
    return aimed && { stopIds: [aimed.stop.id], stopId: aimed.stop.id, snapped: aimed.reason };
  const chosen = within.find(({ id }) => id === aimed?.stop.id) ?? within[0]!;
  return { stopIds: within.map(({ id }) => id), stopId: chosen.id, snapped: '' };
}

function shareOfStops(item: ProfileItem, low: number, high: number, cells: number): StopsInBand | undefined {
  const stops = numbered(item, cells).sort((a, b) => a.number - b.number);
  const last = stops.length - 1;
  if (last < 1) return undefined;
  const within = stops.filter((_stop, place) => place >= low * last - 1e-9 && place <= high * last + 1e-9);
  const inside = within.length > 0 ? within : [stops[Math.round(((low + high) / 2) * last)]!];
  return {
    stopIds: inside.map(({ stop }) => stop.id),
    stopId: inside[Math.floor((inside.length - 1) / 2)]!.stop.id,
    snapped: '',
  };
}

const numbered = (item: ProfileItem, cells: number): { stop: Stop; number: number }[] =>
  item.stops.flatMap((stop) => {
    const number = comparableNumber(stop.value, cells);
    return number === undefined ? [] : [{ stop, number }];
  });

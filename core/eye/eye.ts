/**
 * The eye: from pictures of an ESC to the groups in which its lamp flashes. A pure function over small pictures; it remembers nothing
 * but what it is handed back.
 */
import { colourOf, type Colour } from './colour';
import { lastGroup, type Flashes } from './flashes';
import { lampIn, type Steadied } from './lamp';
import { brightnessOf, smoothed, type Picture } from './picture';
import { movedBack, shiftOver, type Shift } from './steady';

/** A group of flashes that was seen. */
export interface SeenGroup extends Flashes {
  colour: Colour;
  /** Where the lamp is in the last picture, in cells. */
  x: number;
  y: number;
}

interface Seen extends Steadied {
  picture: Picture;
  shift: Shift;
}

export interface Eye {
  /** The picture that the others are held against, smoothed; undefined at the beginning and after it moved too much. */
  reference: Float32Array | undefined;
  seen: readonly Seen[];
  /** Until when groups were reported, ms. */
  reportedMs: number;
  /** When it was last looked for a lamp, ms. */
  lookedMs: number;
}

export const NEW_EYE: Eye = { reference: undefined, seen: [], reportedMs: -Infinity, lookedMs: -Infinity };

/** How it goes on: whether the picture is steady enough to count in. */
export type Steadiness = 'steady' | 'moving';

/** As long as the longest group, and the dark before and after it, ms. */
const REMEMBERED_MS = 12_000;
/** Looked for a lamp this often, ms: a hand waits longer. */
const LOOK_EVERY_MS = 120;
/** Before the first flash it must have been looked at for so long, ms. */
const LEAST_SEEN_MS = 1500;
/** What differs by more from the picture it is held against is another. */
const MOST_REST = 0.035;

/** What one more picture says. */
export function see(before: Eye, picture: Picture): { eye: Eye; steadiness: Steadiness; group?: SeenGroup } {
  const grid = smoothed(brightnessOf(picture));
  const { reference } = before;
  if (!reference) return { eye: beginning(before, picture, grid), steadiness: 'moving' };
  const from = before.seen.at(-1)?.shift ?? { x: 0, y: 0 };
  const { shift, rest } = shiftOver(reference, grid, from);
  if (rest > MOST_REST) return { eye: beginning(before, picture, grid), steadiness: 'moving' };
  const since = picture.atMs - REMEMBERED_MS;
  const seen = [
    ...before.seen.filter(({ atMs }) => atMs >= since),
    { atMs: picture.atMs, grid: movedBack(reference, grid, shift), picture, shift },
  ];
  const eye: Eye = { ...before, seen };
  const isKnown = picture.atMs - seen[0]!.atMs >= LEAST_SEEN_MS;
  if (!isKnown) return { eye, steadiness: 'moving' };
  if (picture.atMs - before.lookedMs < LOOK_EVERY_MS) return { eye, steadiness: 'steady' };
  const group = groupIn(seen, before.reportedMs);
  const looked = { ...eye, lookedMs: picture.atMs };
  return group
    ? { eye: { ...looked, reportedMs: group.toMs }, steadiness: 'steady', group }
    : { eye: looked, steadiness: 'steady' };
}

const beginning = (before: Eye, picture: Picture, grid: Float32Array): Eye => ({
  ...before,
  reference: grid,
  seen: [{ atMs: picture.atMs, grid, picture, shift: { x: 0, y: 0 } }],
});

function groupIn(seen: readonly Seen[], reportedMs: number): SeenGroup | undefined {
  const lamp = lampIn(seen);
  const flashes = lamp && lastGroup(lamp.moments);
  if (!flashes || flashes.fromMs <= reportedMs) return undefined;
  const middle = flashes.toMs - flashes.onMs / 2;
  const lit = nearest(seen, middle);
  const dark = seen.at(-1)!;
  const at = { x: lamp.x + lit.shift.x, y: lamp.y + lit.shift.y };
  const apart = { x: dark.shift.x - lit.shift.x, y: dark.shift.y - lit.shift.y };
  return {
    ...flashes,
    colour: colourOf(lit.picture, dark.picture, at.x, at.y, apart),
    x: lamp.x + dark.shift.x,
    y: lamp.y + dark.shift.y,
  };
}

const nearest = (seen: readonly Seen[], atMs: number): Seen =>
  seen.reduce((best, one) => (Math.abs(one.atMs - atMs) < Math.abs(best.atMs - atMs) ? one : best));

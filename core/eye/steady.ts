/** Takes the shake of a hand out of pictures: where a picture lies over another, and how well. */
import { CELLS, SIDE } from './picture';

/** How far a picture has moved, in cells. */
export interface Shift {
  x: number;
  y: number;
}

/** From one picture to the next a hand moves no farther. */
const REACH = 2;
/** Farther from where it began is another picture. */
const FARTHEST = 10;
/** What differs by more is something that blinks, and says nothing of the shake. */
const MOST_COUNTED = 0.12;
/** Only every so many cells are compared: enough for the whole, at a quarter of the work. */
const EVERY = 2;

/**
 * Where a picture lies over the one that it is held against.
 * @param from where the picture before lay
 * @returns the shift, and by how much the two differ there on average, 0 to 1
 */
export function shiftOver(
  reference: Float32Array,
  picture: Float32Array,
  from: Shift,
): { shift: Shift; rest: number } {
  const gain = mean(reference) / Math.max(1e-3, mean(picture));
  let best = { shift: from, rest: Infinity };
  for (let y = from.y - REACH; y <= from.y + REACH; y += 1)
    for (let x = from.x - REACH; x <= from.x + REACH; x += 1) {
      if (Math.abs(x) > FARTHEST || Math.abs(y) > FARTHEST) continue;
      const rest = restAt(reference, picture, gain, { x, y });
      // Of two that fit alike the nearer one.
      if (rest < best.rest * 0.995) best = { shift: { x, y }, rest };
    }
  return best;
}

function restAt(reference: Float32Array, picture: Float32Array, gain: number, { x, y }: Shift): number {
  let sum = 0;
  let count = 0;
  for (let row = Math.max(0, -y); row < Math.min(SIDE, SIDE - y); row += EVERY)
    for (let column = Math.max(0, -x); column < Math.min(SIDE, SIDE - x); column += EVERY) {
      const off = Math.abs(reference[row * SIDE + column]! - gain * picture[(row + y) * SIDE + column + x]!);
      sum += Math.min(off, MOST_COUNTED);
      count += 1;
    }
  return sum / count;
}

/** The picture moved back, and as bright as a whole as the one that it is held against. Where nothing was seen, what was there before. */
export function movedBack(reference: Float32Array, picture: Float32Array, { x, y }: Shift): Float32Array {
  const gain = mean(reference) / Math.max(1e-3, mean(picture));
  return Float32Array.from({ length: CELLS }, (_, cell) => {
    const [row, column] = [Math.floor(cell / SIDE) + y, (cell % SIDE) + x];
    const isSeen = row >= 0 && row < SIDE && column >= 0 && column < SIDE;
    return isSeen ? gain * picture[row * SIDE + column]! : reference[cell]!;
  });
}

/** By the middle half of the cells: a lamp that goes on makes the whole brighter, and must not. */
function mean(grid: Float32Array): number {
  const sorted = grid.toSorted();
  const [from, to] = [sorted.length >> 2, (3 * sorted.length) >> 2];
  let sum = 0;
  for (let at = from; at < to; at += 1) sum += sorted[at]!;
  return sum / (to - from);
}

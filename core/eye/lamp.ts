/** Finds the lamp that blinks in a row of pictures which lie over each other. */
import type { Moment } from './flashes';
import { CELLS, SIDE } from './picture';

/** A picture without its shake. */
export interface Steadied {
  atMs: number;
  /** How bright each cell is, smoothed. */
  grid: Float32Array;
}

export interface Lamp {
  /** Its middle, in cells from the left and from the top. */
  x: number;
  y: number;
  /** By how much it is brighter lit than dark, 0 to 1. */
  swing: number;
  moments: Moment[];
}

/** Less is noise, or a cloud. */
const LEAST_SWING = 0.1;
/** A lamp lights a small place: more cells than this is something that moves. */
const MOST_CELLS = 90;
/** Cells that swing by this part of the lamp's belong to it. */
const BELONGS = 0.5;
/** How far from its middle its light reaches, in cells. */
const REACH = 7;
/** A lamp is lit or dark, and hardly ever between; what moves past is between for long. */
const NEAR_LEVEL = 0.3;
const LEAST_NEAR = 0.86;
/** A lamp is dark most of the time; of its brightest pictures one may be a slip. */
const DARK_AT = 0.2;
const LIT_FROM_TOP = 3;

/** @returns undefined where nothing blinks like a lamp */
export function lampIn(pictures: readonly Steadied[]): Lamp | undefined {
  const { low, high } = bounds(pictures);
  let cell = 0;
  for (let at = 1; at < CELLS; at += 1) if (swingAt(at) > swingAt(cell)) cell = at;
  const swing = swingAt(cell);
  if (swing < LEAST_SWING) return undefined;
  const [x, y] = [cell % SIDE, Math.floor(cell / SIDE)];
  const own: number[] = [];
  for (let at = 0; at < CELLS; at += 1) {
    if (swingAt(at) < BELONGS * swing) continue;
    own.push(at);
    if (Math.abs((at % SIDE) - x) > REACH || Math.abs(Math.floor(at / SIDE) - y) > REACH) return undefined;
  }
  if (own.length > MOST_CELLS) return undefined;
  const moments = momentsOf(pictures, own);
  const near = moments.filter(({ lit }) => lit < NEAR_LEVEL || lit > 1 - NEAR_LEVEL).length;
  return near >= LEAST_NEAR * moments.length ? { x, y, swing, moments } : undefined;

  function swingAt(at: number): number {
    return high[at]! - low[at]!;
  }
}

/** Of all its cells together: where one lies a cell off, the light of its neighbours is still in. */
function momentsOf(pictures: readonly Steadied[], own: readonly number[]): Moment[] {
  const sums = pictures.map(({ grid }) => own.reduce((sum, cell) => sum + grid[cell]!, 0));
  const sorted = sums.toSorted((a, b) => a - b);
  const dark = sorted[Math.floor(DARK_AT * sorted.length)]!;
  const lit = sorted[Math.max(0, sorted.length - LIT_FROM_TOP)]!;
  return pictures.map(({ atMs }, n) => ({ atMs, lit: (sums[n]! - dark) / Math.max(1e-6, lit - dark) }));
}

/** The darkest and the brightest of each cell. */
function bounds(pictures: readonly Steadied[]): { low: Float32Array; high: Float32Array } {
  const low = new Float32Array(CELLS).fill(Infinity);
  const high = new Float32Array(CELLS).fill(-Infinity);
  for (const { grid } of pictures)
    for (let cell = 0; cell < CELLS; cell += 1) {
      const value = grid[cell]!;
      if (value < low[cell]!) low[cell] = value;
      if (value > high[cell]!) high[cell] = value;
    }
  return { low, high };
}

/** From how bright a lamp was to the groups in which it flashed. */

/** How bright the lamp was at a moment: 0 dark, 1 lit. */
export interface Moment {
  atMs: number;
  lit: number;
}

export interface Flashes {
  count: number;
  fromMs: number;
  toMs: number;
  /** How long it was lit, and dark between two flashes, in the middle of all, ms; no dark between for a single flash. */
  onMs: number;
  offMs: number | undefined;
}

/** Shorter is noise, longer is a lamp that is simply on, ms. */
const SHORTEST_MS = 50;
const LONGEST_MS = 900;
/** After so many times the dark between two flashes, or this long, a group is over, ms. */
const TIMES_DARK = 2.2;
const LEAST_GAP_MS = 600;
/** A single flash has nothing to compare: what is dark for so long before and after it stands alone, ms. */
const ALONE_MS = 1100;
/** Lit and dark times of one group differ by a third at most, and by as much as two pictures miss, ms. */
const ALIKE = 0.35;
const MISSED_MS = 75;
/** Lit from here on, dark down to here: between them it stays what it was. */
const ON = 0.6;
const OFF = 0.4;

interface Run {
  isLit: boolean;
  fromMs: number;
  toMs: number;
}

/**
 * The last group that a lamp flashed, once it is over.
 * @param moments in order; the lamp is dark in the first of them
 */
export function lastGroup(moments: readonly Moment[]): Flashes | undefined {
  const runs = runsOf(moments);
  const last = runs.at(-1);
  if (!last || last.isLit) return undefined;
  const dark = last.toMs - last.fromMs;
  const flashes: Run[] = [];
  const offs: number[] = [];
  for (let at = runs.length - 2; at >= 1; at -= 2) {
    const [flash, before] = [runs[at]!, runs[at - 1]!];
    flashes.unshift(flash);
    const off = flash.fromMs - before.fromMs;
    if (at === 1 || isGap(off, offs)) return isOver(dark, offs) ? groupOf(flashes, offs, off) : undefined;
    offs.unshift(off);
  }
  return undefined;
}

/** Whether a dark time parts two groups. @param offs dark times within the one after it */
const isGap = (off: number, offs: readonly number[]): boolean =>
  off >= LEAST_GAP_MS && (offs.length === 0 || off >= TIMES_DARK * middle(offs));

function isOver(dark: number, offs: readonly number[]): boolean {
  return dark >= (offs.length === 0 ? ALONE_MS : Math.max(LEAST_GAP_MS, TIMES_DARK * middle(offs)));
}

/** @param before how long it was dark before the first flash */
function groupOf(flashes: readonly Run[], offs: readonly number[], before: number): Flashes | undefined {
  const ons = flashes.map(({ fromMs, toMs }) => toMs - fromMs);
  const [first, last] = [flashes[0]!, flashes.at(-1)!];
  if (ons.some((ms) => ms < SHORTEST_MS || ms > LONGEST_MS)) return undefined;
  if (!areAlike(ons) || !areAlike(offs)) return undefined;
  if (flashes.length === 1 && before < ALONE_MS) return undefined;
  return {
    count: flashes.length,
    fromMs: first.fromMs,
    toMs: last.toMs,
    onMs: middle(ons),
    offMs: offs.length > 0 ? middle(offs) : undefined,
  };
}

function areAlike(times: readonly number[]): boolean {
  if (times.length === 0) return true;
  const most = ALIKE * middle(times) + MISSED_MS;
  return times.every((ms) => Math.abs(ms - middle(times)) <= most);
}

/** Dark and lit in turns. The first is dark. */
function runsOf(moments: readonly Moment[]): Run[] {
  const runs: Run[] = [];
  for (const [n, { atMs, lit }] of moments.entries()) {
    const run = runs.at(-1);
    const isLit = run?.isLit ? lit > OFF : lit >= ON;
    // Between two pictures, about in the middle.
    const edge = n === 0 ? atMs : (moments[n - 1]!.atMs + atMs) / 2;
    if (!run) runs.push({ isLit, fromMs: atMs, toMs: atMs });
    else if (run.isLit === isLit) run.toMs = atMs;
    else {
      run.toMs = edge;
      runs.push({ isLit, fromMs: edge, toMs: atMs });
    }
  }
  return runs;
}

const middle = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1]!;

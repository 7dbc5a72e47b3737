/**
 * An adaptive integrator: Bogacki and Shampine 3(2), first same as last. Source: P. Bogacki, L. F. Shampine, A 3(2)
 * pair of Runge-Kutta formulas, Applied Mathematics Letters 2 (1989). Between the ends of a step it reads the cubic
 * Hermite polynomial of the step; sign changes of event functions are found on that, and end the piece.
 */

/** A system of ordinary differential equations, with the event functions that end a piece. */
export interface System {
  size: number;
  /** Writes dy/dt into `out`. Never changes `y`. */
  derivative: (t: number, y: Float64Array, out: Float64Array) => void;
  /** Each returns a smooth number; where it changes its sign the piece ends. */
  events: readonly ((t: number, y: Float64Array) => number)[];
}

export interface Tolerance {
  relative: number;
  /** One for each variable: below it, the variable counts as zero. */
  absolute: Float64Array;
}

export interface PieceEnd {
  t: number;
  /** Which event ended it; −1 where its time was over. */
  event: number;
  /** A good size for the first step of what follows, s. */
  stepS: number;
}

/** One accepted step, to be read in between. The same object each time. */
export interface Step {
  t0: number;
  t1: number;
  /** Writes the state at a time within the step into `out`. */
  at: (t: number, out: Float64Array) => void;
}

/** A run that asks for more than this has left what can be computed. */
const MOST_STEPS = 400_000;
const SAFETY = 0.9;
const LEAST_FACTOR = 0.2;
const MOST_FACTOR = 5;
/** An event is located to this share of its step. */
const NARROW = 1e-7;
const MOST_LOOKS = 60;

/** Solves one piece after another. It keeps its buffers, since pieces are many and short; two of them can run at once. */
export class Solver {
  private readonly buffers: Buffers;

  /** @param size number of variables of the systems that it is given */
  constructor(private readonly size: number) {
    this.buffers = buffersOf(size);
  }

  /**
   * Integrates from `t` to `tEnd` or to the first event.
   * @param y the state; holds the state at the end afterwards
   * @param firstStep s
   * @param visit called after each accepted step, cut short at an event
   * @throws {Error} where the numbers leave what a float can hold, or the steps become too many or too small
   */
  piece(
    system: System,
    t: number,
    y: Float64Array,
    tEnd: number,
    tolerance: Tolerance,
    firstStep: number,
    visit: (step: Step) => void,
  ): PieceEnd {
    if (system.size !== this.size)
      throw new Error(`a system of ${system.size} variables for a solver of ${this.size}`);
    const { buffers } = this;
    const { size, events } = system;
    const { relative, absolute } = tolerance;
    const { k1, k2, k3, k4, middle, next, probe } = buffers;
    const step: Step = {
      t0: t,
      t1: t,
      at: (at, out) => hermite(step.t0, buffers.fullT1, start, next, k1, k4, size, at, out),
    };
    const start = y;
    const before = events.map((event) => event(t, y));
    let h = Math.min(firstStep, tEnd - t);
    system.derivative(t, y, k1);
    for (let n = 0; n < MOST_STEPS && t < tEnd; n += 1) {
      const wished = h;
      h = Math.min(h, tEnd - t);
      const cutShort = h < wished;
      for (let i = 0; i < size; i += 1) middle[i] = y[i]! + h * 0.5 * k1[i]!;
      system.derivative(t + h / 2, middle, k2);
      for (let i = 0; i < size; i += 1) middle[i] = y[i]! + h * 0.75 * k2[i]!;
      system.derivative(t + 0.75 * h, middle, k3);
      for (let i = 0; i < size; i += 1) next[i] = y[i]! + (h / 9) * (2 * k1[i]! + 3 * k2[i]! + 4 * k3[i]!);
      system.derivative(t + h, next, k4);
      let error = 0;
      let sound = true;
      for (let i = 0; i < size; i += 1) {
        const from = y[i]!;
        const to = next[i]!;
        const off = (h / 72) * (-5 * k1[i]! + 6 * k2[i]! + 8 * k3[i]! - 9 * k4[i]!);
        const larger = Math.max(from < 0 ? -from : from, to < 0 ? -to : to);
        const share = (off < 0 ? -off : off) / (absolute[i]! + relative * larger);
        if (share > error) error = share;
        // Also false for what is no number.
        if (!(share < Infinity)) sound = false;
      }
      if (!sound) throw new Error('the run left the numbers');
      const factor =
        error === 0 ? MOST_FACTOR : Math.min(MOST_FACTOR, Math.max(LEAST_FACTOR, SAFETY * error ** (-1 / 3)));
      if (error > 1) {
        h *= factor;
        if (t + h === t) throw new Error('the steps became too small');
        continue;
      }
      step.t0 = t;
      buffers.fullT1 = t + h;
      const hit = firstEvent(events, before, step, t, t + h, next, probe);
      step.t1 = hit ? hit.t : t + h;
      if (hit) {
        step.at(hit.t, probe);
        visit(step);
        y.set(probe);
        return { t: hit.t, event: hit.event, stepS: wished };
      }
      visit(step);
      y.set(next);
      k1.set(k4);
      t += h;
      // The end is exact, whatever the sum of the steps was.
      if (tEnd - t < 1e-12 * Math.max(1, Math.abs(tEnd))) t = tEnd;
      // A step that only the end cut short says nothing about how long the next may be.
      h = cutShort ? Math.max(wished, h * factor) : h * factor;
    }
    if (t < tEnd) throw new Error('the steps became too many');
    return { t: tEnd, event: -1, stepS: h };
  }
}

/** The first sign change in a step; `before` is moved to its end where there is none. */
function firstEvent(
  events: System['events'],
  before: number[],
  step: Step,
  t0: number,
  t1: number,
  end: Float64Array,
  probe: Float64Array,
): { t: number; event: number } | undefined {
  let found: { t: number; event: number } | undefined;
  for (let k = 0; k < events.length; k += 1) {
    const g0 = before[k]!;
    const g1 = events[k]!(t1, end);
    // Starting on the line is no crossing of it.
    if (g0 !== 0 && g0 * g1 <= 0) {
      const high = crossing(events[k]!, g0, g1, step, t0, t1, probe);
      if (!found || high < found.t) found = { t: high, event: k };
    }
  }
  if (!found) for (let k = 0; k < events.length; k += 1) before[k] = events[k]!(t1, end);
  return found;
}

/**
 * Where an event changes its sign within a step, just past it: false position with halved weights (Illinois), which needs
 * a handful of looks where halving the bracket needs forty.
 */
function crossing(
  event: System['events'][number],
  g0: number,
  g1: number,
  step: Step,
  t0: number,
  t1: number,
  probe: Float64Array,
): number {
  let low = t0;
  let high = t1;
  let atLow = g0;
  let atHigh = g1;
  let side = 0;
  const narrow = NARROW * (t1 - t0);
  for (let n = 0; n < MOST_LOOKS && high - low > narrow && atHigh !== 0; n += 1) {
    // After enough looks, halving always comes to an end.
    const share = n < MOST_LOOKS / 2 ? atLow / (atLow - atHigh) : 0.5;
    const mid = low + Math.min(1 - 1e-3, Math.max(1e-3, share)) * (high - low);
    step.at(mid, probe);
    const g = event(mid, probe);
    if (g * g0 > 0) {
      low = mid;
      atLow = g;
      if (side === 1) atHigh /= 2;
      side = 1;
    } else {
      high = mid;
      atHigh = g;
      if (side === -1) atLow /= 2;
      side = -1;
    }
  }
  return high;
}

/** The cubic through both ends of a step with their slopes. */
function hermite(
  t0: number,
  t1: number,
  y0: Float64Array,
  y1: Float64Array,
  f0: Float64Array,
  f1: Float64Array,
  size: number,
  t: number,
  out: Float64Array,
): void {
  const h = t1 - t0;
  const s = (t - t0) / h;
  const a = (1 + 2 * s) * (1 - s) * (1 - s);
  const b = s * (1 - s) * (1 - s) * h;
  const c = s * s * (3 - 2 * s);
  const d = s * s * (s - 1) * h;
  for (let i = 0; i < size; i += 1) out[i] = a * y0[i]! + b * f0[i]! + c * y1[i]! + d * f1[i]!;
}

interface Buffers {
  k1: Float64Array;
  k2: Float64Array;
  k3: Float64Array;
  k4: Float64Array;
  middle: Float64Array;
  next: Float64Array;
  probe: Float64Array;
  /** The end of the whole step, of which an event may cut some off. */
  fullT1: number;
}

function buffersOf(size: number): Buffers {
  const row = (): Float64Array => new Float64Array(size);
  return { k1: row(), k2: row(), k3: row(), k4: row(), middle: row(), next: row(), probe: row(), fullT1: 0 };
}

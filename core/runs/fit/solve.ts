/** Bounded least squares by a kept library, from several starts, with what the data leave open. */
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { inverse, Matrix } from 'ml-matrix';

/** A problem in standard units: every residual and every parameter has a standard deviation of about one. */
export interface Problem {
  size: number;
  /** How many residuals there are. */
  rows: number;
  /** Fills the residuals at a point. */
  residuals: (u: ArrayLike<number>) => Float64Array;
  /** Residuals that a parameter moves, by where it was changed from; it may know that some stay. */
  moved: (u: ArrayLike<number>, parameter: number, base: Float64Array) => Float64Array;
}

/** No guess is off by more than this many of its standard deviations. */
const FURTHEST = 4;
const STEP = 0.02;
const STEPS_AT_ONCE = 2;
const MOST_ROUNDS = 6;
/** It has settled where a round gains less than this share. */
const SETTLED = 2e-3;

/** Derivatives at a point, a row for each parameter. */
export function jacobian(problem: Problem, u: ArrayLike<number>, free: readonly number[]): Float64Array[] {
  const base = problem.residuals(u);
  const point = Float64Array.from(u);
  return free.map((parameter) => {
    point[parameter] = u[parameter]! + STEP;
    const beside = problem.moved(point, parameter, base);
    point[parameter] = u[parameter]!;
    return beside.map((value, row) => (value - base[row]!) / STEP);
  });
}

export const sumOfSquares = (residuals: Float64Array): number =>
  residuals.reduce((sum, value) => sum + value * value, 0);

/** Moves the free parameters from a start to where the residuals and the parameters themselves are least. */
export function settle(problem: Problem, start: ArrayLike<number>, free: readonly number[]): Float64Array {
  let at = Float64Array.from(start);
  let cost = Infinity;
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const next = someSteps(problem, at, free);
    at = next.at;
    if (cost - next.cost < SETTLED * next.cost) break;
    cost = next.cost;
  }
  return at;
}

/** A few steps of the library: it takes all that it may, so it is asked for few. */
function someSteps(
  problem: Problem,
  start: Float64Array<ArrayBuffer>,
  free: readonly number[],
): { at: Float64Array<ArrayBuffer>; cost: number } {
  const point = Float64Array.from(start);
  const all = problem.rows + free.length;
  const at = (u: readonly number[]): Float64Array => {
    free.forEach((parameter, n) => (point[parameter] = u[n]!));
    return point;
  };
  const valuesAt = rememberLast((u: readonly number[]) => {
    const whole = new Float64Array(all);
    whole.set(problem.residuals(at(u)));
    // The priors: each parameter pulls itself back to where it was.
    whole.set(u, problem.rows);
    return whole;
  });
  const { parameterValues, parameterError } = levenbergMarquardt(
    { x: Array.from({ length: all }, (_, row) => row), y: new Float64Array(all) },
    (u) => {
      const values = valuesAt(u);
      return (row) => values[row]!;
    },
    {
      initialValues: free.map((parameter) => start[parameter]!),
      minValues: free.map(() => -FURTHEST),
      maxValues: free.map(() => FURTHEST),
      jacobianFunction: (u) => {
        const columns = jacobian(problem, at(u), free);
        return (row) =>
          columns.map((column, n) => (row < problem.rows ? column[row]! : row - problem.rows === n ? 1 : 0));
      },
      damping: 0.01,
      maxIterations: STEPS_AT_ONCE,
      errorTolerance: 1e-9,
    },
  );
  return { at: Float64Array.from(at(parameterValues)), cost: parameterError };
}

/** The library asks for the same point several times over. */
function rememberLast(of: (u: readonly number[]) => Float64Array): (u: readonly number[]) => Float64Array {
  let last: { u: readonly number[]; values: Float64Array } | undefined;
  return (u) => {
    if (!last?.u.every((value, n) => value === u[n])) last = { u: [...u], values: of(u) };
    return last.values;
  };
}

/**
 * Covariance at a point: the inverse of J·Jᵀ with the priors, each of them one.
 * @param free which parameters it is of; the others are held
 */
export function covariance(problem: Problem, u: ArrayLike<number>, free: readonly number[]): number[][] {
  const columns = jacobian(problem, u, free);
  const normal = columns.map((a, i) => columns.map((b, j) => dot(a, b) + (i === j ? 1 : 0)));
  return inverse(new Matrix(normal)).to2DArray();
}

const dot = (a: Float64Array, b: Float64Array): number => {
  let sum = 0;
  for (let n = 0; n < a.length; n += 1) sum += a[n]! * b[n]!;
  return sum;
};

/** The little statistics that a handful of runs allows. */

export interface Interval {
  low: number;
  high: number;
}

export const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** Sum of squares about the mean. */
export function squaresAboutMean(values: readonly number[]): number {
  const middle = mean(values);
  return values.reduce((sum, value) => sum + (value - middle) ** 2, 0);
}

/** Scatter that was seen in several groups, each about its own mean. */
export interface Scatter {
  /** Sum of squares. */
  squares: number;
  /** Degrees of freedom: one less than the runs of each group. */
  freedom: number;
}

export const NO_SCATTER: Scatter = { squares: 0, freedom: 0 };

/** The scatter within groups of repeated runs, pooled. Montgomery, Design and Analysis of Experiments: pooled variance. */
export const scatterWithin = (groups: readonly (readonly number[])[]): Scatter =>
  groups
    .filter((values) => values.length > 1)
    .reduce(
      ({ squares, freedom }, values) => ({
        squares: squares + squaresAboutMean(values),
        freedom: freedom + values.length - 1,
      }),
      NO_SCATTER,
    );

/** Standard deviation from run to run; undefined where nothing was repeated. */
export const spreadOf = ({ squares, freedom }: Scatter): number | undefined =>
  freedom > 0 ? Math.sqrt(squares / freedom) : undefined;

/** Probability on each side that a 95 % interval leaves out. */
const TAIL = 0.025;

/**
 * How many standard errors a 95 % interval reaches to each side, by Student's t with so many degrees of freedom.
 * Found by halving on the distribution function (Abramowitz and Stegun, 26.7.3 and 26.7.4: finite sums for whole degrees).
 * @throws {RangeError} where there is no degree of freedom
 */
export function reachOf95(freedom: number): number {
  if (!(Number.isInteger(freedom) && freedom > 0))
    throw new RangeError(`an interval needs whole degrees of freedom, not ${freedom}`);
  let [low, high] = [0, 1000];
  for (let n = 0; n < 80; n += 1) {
    const middle = (low + high) / 2;
    if ((1 - withinT(middle, freedom)) / 2 > TAIL) low = middle;
    else high = middle;
  }
  return high;
}

/** The probability that Student's t lies between −t and t. */
function withinT(t: number, freedom: number): number {
  const angle = Math.atan(t / Math.sqrt(freedom));
  const cos = Math.cos(angle);
  const isOdd = freedom % 2 === 1;
  if (freedom === 1) return (2 * angle) / Math.PI;
  let term = isOdd ? cos : 1;
  let sum = term;
  for (let n = isOdd ? 3 : 2; n <= freedom - 2; n += 2) {
    term *= ((n - 1) / n) * cos * cos;
    sum += term;
  }
  const part = Math.sin(angle) * sum;
  return isOdd ? (2 / Math.PI) * (angle + part) : part;
}

/** Ordinary least squares by normal equations. @param rows one for each value, as many columns as unknowns */
export interface Fitted {
  of: number[];
  /** Inverse of XᵀX: what each unknown's variance is, in variances of one value. */
  inverse: number[][];
  squares: number;
}

/**
 * Draper and Smith, Applied Regression Analysis.
 * @returns undefined where the rows do not tell the unknowns apart
 */
export function leastSquares(
  rows: readonly (readonly number[])[],
  values: readonly number[],
): Fitted | undefined {
  const count = rows[0]!.length;
  const square = Array.from({ length: count }, (_, i) =>
    Array.from({ length: count }, (__, j) => rows.reduce((sum, row) => sum + row[i]! * row[j]!, 0)),
  );
  const inverse = inverted(square);
  if (!inverse) return undefined;
  const right = Array.from({ length: count }, (_, i) =>
    rows.reduce((sum, row, n) => sum + row[i]! * values[n]!, 0),
  );
  const of = inverse.map((row) => row.reduce((sum, factor, j) => sum + factor * right[j]!, 0));
  const squares = rows.reduce(
    (sum, row, n) => sum + (values[n]! - row.reduce((total, x, j) => total + x * of[j]!, 0)) ** 2,
    0,
  );
  return { of, inverse, squares };
}

/** A pivot smaller than this share of the largest number counts as none. */
const NO_PIVOT = 1e-10;

/** Gauss and Jordan, with the largest pivot of each column. */
function inverted(matrix: readonly (readonly number[])[]): number[][] | undefined {
  const size = matrix.length;
  const largest = Math.max(...matrix.flat().map(Math.abs));
  const work = matrix.map((row, i) => [...row, ...row.map((_, j) => (i === j ? 1 : 0))]);
  for (let column = 0; column < size; column += 1) {
    const below = work.slice(column).map((row) => Math.abs(row[column]!));
    const place = column + below.indexOf(Math.max(...below));
    const pivot = work[place]![column]!;
    if (Math.abs(pivot) <= NO_PIVOT * largest) return undefined;
    [work[column], work[place]] = [work[place]!, work[column]!];
    work[column] = work[column]!.map((value) => value / pivot);
    for (let row = 0; row < size; row += 1) {
      const factor = work[row]![column]!;
      if (row !== column && factor !== 0)
        work[row] = work[row]!.map((value, n) => value - factor * work[column]![n]!);
    }
  }
  return work.map((row) => row.slice(size));
}

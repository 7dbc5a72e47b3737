/** Numbers of a rig fitted to runs: from several starts, in stages, with what the runs leave open. */
import { normalNumbers, seededNumbers } from '../../units/seeded';
import type { Loosened } from './logProblem';
import { covariance, settle, sumOfSquares } from './solve';
import { toldBy, type Told } from './told';
import type { Parameter } from './parameters';
import type { WholeProblem } from './wholeProblem';

/** Where a fit came to. */
export interface Settled {
  told: Told[];
  open: Parameter[];
  /** All parameters in standard deviations of where each was, the numbers of the rig first, and their covariance. */
  u: Float64Array;
  cov: number[][];
  /** How many times further off each kind of row is than it was thought to be. */
  loosened: Loosened;
  /** The run whose rows are furthest off. */
  worstRun: number;
  /** Starts that fit as well and say another number. */
  disagreeing: number;
}

const STARTS = 4;
/** Starts are no further out than this, in standard deviations. */
const FURTHEST_START = 2;
/** Two ends fit as well where the sums of squares differ by no more: 95 % of chi-squared with one degree of freedom. */
const AS_GOOD = 3.84;
/** Two ends say the same where no number that is told is further apart, in its own standard deviations. */
const SAME_PLACE = 0.7;

/** @param tell told how far it is, 0 to 1 */
export function settleRuns(
  problem: WholeProblem,
  seed: number,
  tell: (done: number) => void = () => undefined,
): Settled {
  const normal = normalNumbers(seededNumbers(seed));
  const startFrom = (start: number): Float64Array =>
    Float64Array.from(problem.all, () =>
      start === 0 ? 0 : Math.max(-FURTHEST_START, Math.min(FURTHEST_START, normal())),
    );
  const ends = Array.from({ length: STARTS }, (_, start) => {
    const end = inStages(problem, startFrom(start));
    if (start === 0) problem.straighten(end);
    tell((start + 1) / (STARTS + 2));
    return end;
  });
  // From here on all are judged by the same weights: those of the best.
  const best = bestOf(problem, ends);
  problem.weigh(best);
  problem.straighten(best);
  const loosened = loosening(problem, best);
  const worstRun = furthestOff(problem, best);
  problem.loosen(loosened);
  const again = ends.map((end) => settle(problem, end, problem.all));
  tell((STARTS + 1) / (STARTS + 2));
  const u = bestOf(problem, again);
  const cov = covariance(problem, u, problem.all);
  const { told, open } = toldBy(problem.parameters, u, cov);
  const least = costAt(problem, u);
  const places = told.map(({ path }) => problem.parameters.findIndex((one) => one.path === path));
  const disagreeing = again.filter(
    (end) =>
      costAt(problem, end) - least < AS_GOOD &&
      places.some((n) => Math.abs(end[n]! - u[n]!) > SAME_PLACE * Math.sqrt(cov[n]![n]!)),
  ).length;
  tell(1);
  return { told, open, u, cov, loosened, worstRun, disagreeing };
}

/** First what motor and pack tell by themselves, then all; weights follow the model's value. */
function inStages(problem: WholeProblem, from: Float64Array): Float64Array {
  problem.weigh(from);
  let at = settle(problem, from, problem.electrical);
  problem.weigh(at);
  at = settle(problem, at, problem.all);
  problem.weigh(at);
  return settle(problem, at, problem.all);
}

const costAt = (problem: WholeProblem, u: Float64Array): number =>
  sumOfSquares(problem.residuals(u)) + sumOfSquares(u);

const bestOf = (problem: WholeProblem, ends: readonly Float64Array[]): Float64Array =>
  ends.toSorted((a, b) => costAt(problem, a) - costAt(problem, b))[0]!;

/** Mean square of the residuals of each group, of rows that count. */
function meanSquares<K>(problem: WholeProblem, u: Float64Array, groupOf: readonly K[]): Map<K, number> {
  const sums = new Map<K, { sum: number; count: number }>();
  problem.residuals(u).forEach((value, row) => {
    if (value === 0) return;
    const { sum, count } = sums.get(groupOf[row]!) ?? { sum: 0, count: 0 };
    sums.set(groupOf[row]!, { sum: sum + value * value, count: count + 1 });
  });
  return new Map([...sums].map(([group, { sum, count }]) => [group, sum / count]));
}

/** How many times further off each kind of row is than it may be: where the model itself is wrong, it is trusted less there. */
const loosening = (problem: WholeProblem, u: Float64Array): Loosened =>
  Object.fromEntries(
    [...meanSquares(problem, u, problem.kinds)].map(([kind, square]) => [
      kind,
      Math.max(1, Math.sqrt(square)),
    ]),
  );

const furthestOff = (problem: WholeProblem, u: Float64Array): number =>
  [...meanSquares(problem, u, problem.runOf)].reduce((worst, one) => (one[1] > worst[1] ? one : worst))[0];

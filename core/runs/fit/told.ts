/** What a fit tells of each number: alone, only together with others, or not at all. */
import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import type { Parameter } from './parameters';

/** What is known of one number after a fit. */
export interface Told {
  path: Parameter['path'];
  label: string;
  /** In standard deviations of where it was, and how sure that is in the same. */
  u: number;
  sd: number;
  /** Labels of those with which it is told only together; empty where it is told alone. */
  together: string[];
}

/** A number, or a sum of numbers, counts as told where what is left open is less than this share of what was open before. */
const TOLD_BELOW = 0.6;
/** A number of which more than this share is left open is not told at all: nothing moved it. */
const OPEN_ABOVE = 0.9;
/** A number has part in a sum where it makes up so much of it. */
const PART_OF_SUM = 0.25;

/**
 * @param u where the fit came to, the numbers of the rig first
 * @param cov covariance in the same order
 */
export function toldBy(
  parameters: readonly Parameter[],
  u: ArrayLike<number>,
  cov: readonly (readonly number[])[],
): { told: Told[]; open: Parameter[] } {
  const sums = sumsToldBy(cov, parameters.length);
  const told: Told[] = [];
  const open: Parameter[] = [];
  parameters.forEach((parameter, n) => {
    const sd = Math.sqrt(cov[n]![n]!);
    const isAlone = sd < TOLD_BELOW;
    const sum = isAlone ? [] : mostlyIn(sums, n);
    if (sd > OPEN_ABOVE && sum.length === 0) {
      open.push(parameter);
      return;
    }
    const { path, label } = parameter;
    told.push({ path, label, u: u[n]!, sd, together: sum.map((other) => parameters[other]!.label) });
  });
  return { told, open };
}

/** A direction in which little is left open: how much each number makes of it, those that have a part. */
type Sum = Map<number, number>;

/** The sums that are told, whatever their parts are. */
function sumsToldBy(cov: readonly (readonly number[])[], count: number): Sum[] {
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(
    new Matrix(cov.slice(0, count).map((row) => row.slice(0, count))),
    { assumeSymmetric: true },
  );
  return realEigenvalues.flatMap((variance, column) => {
    if (Math.sqrt(Math.max(0, variance)) >= TOLD_BELOW) return [];
    const parts = Array.from({ length: count }, (_, n) => Math.abs(eigenvectorMatrix.get(n, column)));
    return [new Map([...parts.entries()].filter(([, part]) => part > PART_OF_SUM))];
  });
}

/** The others of the sum in which a number has most part; none where it has part in none. */
function mostlyIn(sums: readonly Sum[], n: number): number[] {
  const [sum] = sums.filter((one) => one.has(n) && one.size > 1).toSorted((a, b) => b.get(n)! - a.get(n)!);
  return sum ? [...sum.keys()].filter((other) => other !== n) : [];
}

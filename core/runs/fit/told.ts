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
/** A number has part in a sum where it makes up so much of it. */
const PART_OF_SUM = 0.3;

/**
 * @param u where the fit came to, the numbers of the rig first
 * @param cov covariance in the same order
 */
export function toldBy(
  parameters: readonly Parameter[],
  u: ArrayLike<number>,
  cov: readonly (readonly number[])[],
): { told: Told[]; open: Parameter[] } {
  const sd = parameters.map((_, n) => Math.sqrt(cov[n]![n]!));
  const isAlone = sd.map((one) => one < TOLD_BELOW);
  const groups = sums(
    cov,
    parameters.flatMap((_, n) => (isAlone[n] ? [] : [n])),
  );
  const told: Told[] = [];
  const open: Parameter[] = [];
  parameters.forEach((parameter, n) => {
    const group = groups.find((one) => one.has(n));
    if (!isAlone[n] && !group) {
      open.push(parameter);
      return;
    }
    told.push({
      path: parameter.path,
      label: parameter.label,
      u: u[n]!,
      sd: sd[n]!,
      together: group
        ? [...group].filter((other) => other !== n).map((other) => parameters[other]!.label)
        : [],
    });
  });
  return { told, open };
}

/**
 * Numbers that are told only as a sum: the directions in which what is left open is small, and who has part in them. Sums that share
 * a number are one.
 */
function sums(cov: readonly (readonly number[])[], among: readonly number[]): Set<number>[] {
  if (among.length < 2) return [];
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(
    new Matrix(among.map((i) => among.map((j) => cov[i]![j]!))),
    { assumeSymmetric: true },
  );
  return realEigenvalues
    .flatMap((variance, column) => {
      if (Math.sqrt(Math.max(0, variance)) >= TOLD_BELOW) return [];
      const parts = among.filter((_, row) => Math.abs(eigenvectorMatrix.get(row, column)) > PART_OF_SUM);
      return parts.length > 1 ? [new Set(parts)] : [];
    })
    .reduce<Set<number>[]>((groups, sum) => {
      const touching = groups.filter((group) => [...sum].some((n) => group.has(n)));
      const joined = new Set([...sum, ...touching.flatMap((group) => [...group])]);
      return [...groups.filter((group) => !touching.includes(group)), joined];
    }, []);
}

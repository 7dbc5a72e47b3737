/** Where a number comes from. Shown beside the number wherever it is used. */
export type Basis = 'measured' | 'given' | 'assumed' | 'fitted';

/** A number with its origin. The unit stands in the key that holds it, as in `massKg`. */
export interface Quantity {
  value: number;
  basis: Basis;
  /** How runs came to it; on fitted numbers, and only there. */
  fit?: FitOrigin;
}

/** How a number was fitted, and what it was before. */
export interface FitOrigin {
  /** Numbers of the runs, on its rig. */
  runs: readonly number[];
  /** Half of its 95 % interval, as a share of the value. */
  within: number;
  /** The labels of the numbers with which it is told only together; empty where it is told alone. */
  together: readonly string[];
  was: { value: number; basis: Exclude<Basis, 'fitted'> };
}

/** A number that Live Tune filled in because nothing better was known. */
export const assumed = (value: number): Quantity => ({ value, basis: 'assumed' });

/** A number as it was before runs were fitted to it. */
export const beforeFit = (quantity: Quantity): Quantity => quantity.fit?.was ?? quantity;

/** Where a number comes from. Shown beside the number wherever it is used. */
export type Basis = 'measured' | 'given' | 'assumed';

/** A number with its origin. The unit stands in the key that holds it, as in `massKg`. */
export interface Quantity {
  value: number;
  basis: Basis;
}

/** A number that Live Tune filled in because nothing better was known. */
export const assumed = (value: number): Quantity => ({ value, basis: 'assumed' });

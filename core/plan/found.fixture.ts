import { isPlanned, type NoWay } from './search';

/** A plan that there must be. @throws {Error} where there is none */
export function found<T extends object>(plan: T | NoWay): T {
  if (!isPlanned(plan)) throw new Error(`there is no plan: ${plan}`);
  return plan;
}

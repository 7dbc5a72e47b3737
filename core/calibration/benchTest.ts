import type { KeptMeasurement } from './keptMeasurement';
import type { SupplyTest } from './supplyTest';
import type { TravelTest } from './travelTest';

/** A test on the bench as it is kept. */
export type BenchTest = { keptAt: string } & (
  | { kind: 'travel'; escNumber: number; test: TravelTest }
  | { kind: 'supply'; test: SupplyTest }
  | { kind: 'measured'; measured: KeptMeasurement }
);

export type BenchTestOf<K extends BenchTest['kind']> = Extract<BenchTest, { kind: K }>;

/** The last travel test of an ESC, among all of its rig, newest first. */
export const lastTravelTest = <T extends BenchTest>(
  tests: readonly T[],
  escNumber: number,
): (T & BenchTestOf<'travel'>) | undefined =>
  tests.find((one): one is T & BenchTestOf<'travel'> => one.kind === 'travel' && one.escNumber === escNumber);

/** The last supply test, among all of its rig, newest first. */
export const lastSupplyTest = (tests: readonly BenchTest[]): BenchTestOf<'supply'> | undefined =>
  tests.find((one): one is BenchTestOf<'supply'> => one.kind === 'supply');

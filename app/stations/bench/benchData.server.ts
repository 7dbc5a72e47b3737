import { holdingsOf } from '#core/sheet/evidence';
import { currentGarage } from '#server/repositories/garages';
import { findBench, type Bench } from '#server/repositories/rigs';
import { today } from '#server/today';
import { data } from 'react-router';

/** The rig of an address with everything that hangs on it. @throws a 404 response where the garage has none of this id */
export async function benchOf(rigId: string): Promise<Bench> {
  const garage = await currentGarage();
  const bench = await findBench(garage.id, rigId);
  if (!bench) throw data(null, { status: 404 });
  return bench;
}

/** What the stations get to see: observations as what they add up to. */
export function benchView({ observations, ...bench }: Bench) {
  return { ...bench, holdings: holdingsOf(bench.profile, observations), today: today() };
}

export type BenchView = ReturnType<typeof benchView>;

import { toPutBack } from '#core/advice/temporary';
import { remindersOf, type Reminder, type RigAtHome } from '#core/days/reminders';
import { holdingsOf } from '#core/sheet/evidence';
import { packLives } from '#server/repositories/packs';
import { findBench, rigsToLookAt } from '#server/repositories/rigs';
import { today } from '#server/today';

/** The newest of each pack say how it lies. */
const RUNS_EACH = 20;

/** What is to do at home for a garage. */
export async function atHome(garageId: string, now: number): Promise<Reminder[]> {
  const [packs, ids] = await Promise.all([packLives(garageId, RUNS_EACH), rigsToLookAt(garageId)]);
  const rigs = await Promise.all(ids.map((rigId) => rigAtHome(garageId, rigId)));
  return remindersOf(
    packs,
    rigs.filter((rig) => rig !== undefined),
    now,
  );
}

async function rigAtHome(garageId: string, rigId: string): Promise<RigAtHome | undefined> {
  const bench = await findBench(garageId, rigId);
  if (!bench) return undefined;
  const { rig, profile, goals } = bench;
  const holdings = holdingsOf(profile, bench.observations);
  const date = today();
  return {
    id: rigId,
    name: rig.name,
    overdue: toPutBack(goals.temporary, profile, holdings)
      .filter(({ until }) => until < date)
      .map(({ item }) => item.label),
    unknownSinceUpdate: Object.values(holdings).filter(({ basis }) => basis === 'firmwareUpdate').length,
  };
}

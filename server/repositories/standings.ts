/**
 * Where each rig stands is kept with it, and worked out again only when a fact that it follows from was written since: the
 * database counts those (migration 0009), so that no writer can forget to.
 */
import { usualGoals, type Goals } from '#core/advice/goals';
import { standingOf } from '#core/advice/standing';
import { openStationCount } from '#core/advice/stationStates';
import type { Calibration } from '#core/calibration/calibration';
import type { EscProfile } from '#core/esc/profile';
import type { EscMemory } from '#core/procedure/language';
import type { EventRules } from '#core/rig/eventRules';
import { rigInWords } from '#core/rig/inWords';
import { runFacts } from '#core/runs/runFacts';
import type { Trial } from '#core/runs/trial';
import type { Rig } from '#core/rig/rig';
import { fittingDraft, type Draft } from '#core/sheet/draft';
import { holdingsOf } from '#core/sheet/evidence';
import { setImmediate, setTimeout } from 'node:timers/promises';
import { BaseError, DatabaseError, Op, QueryTypes, type CreationAttributes } from 'sequelize';
import { database } from '../database';
import type { KeptStanding } from '../keptStanding';
import { RigModel } from '../models';
import { THIS_BUILD } from '../thisBuild';
import { today } from '../today';
import { newestObservations } from './observations';

interface Facts {
  id: string;
  facts: string;
  document: Rig;
  profile: EscProfile;
  draft: Draft;
  memory: EscMemory;
  calibrations: Calibration[];
  rules: EventRules | null;
  goals: Partial<Goals> | null;
  sheets: number;
  runs: number;
  last_run: number;
  trial: Trial | null;
}

/** Works out again what another build did: it may see a rig in another light. One at a time, with pauses for others. */
export async function settleDoubts(): Promise<void> {
  const doubted = await RigModel.findAll({
    where: { standingBuild: { [Op.ne]: THIS_BUILD }, deletedAt: null },
    attributes: ['id'],
    order: [['touched', 'DESC']],
  });
  for (const { id } of doubted) {
    await freshen([id]);
    await setTimeout(PAUSE_MS);
  }
}

const PAUSE_MS = 60;

/** Written since it was last looked at, or the day has come to an end for values that were set for a while. */
const WRITTEN = `(standing_facts IS DISTINCT FROM facts
  OR (standing_day IS DISTINCT FROM :today AND goals->'temporary' <> '{}'))`;

/** Whether it has to be worked out again before it is shown; with `staleFor`. */
export const STALE = `(${WRITTEN} OR standing_build IS DISTINCT FROM :build)`;
export const staleFor = () => ({ today: today(), build: THIS_BUILD });

/** More than anybody writes between two looks at the list. */
const MOST_WRITTEN = 50;

/** The rigs whose standing has to be worked out before a list is put in order; what another build said of the rest will do. */
export async function writtenRigs(garageId: string): Promise<string[]> {
  const rows = await database().query<{ id: string }>(
    `SELECT id FROM rigs WHERE garage_id = :garageId AND deleted_at IS NULL AND ${WRITTEN}
     ORDER BY touched DESC LIMIT :limit`,
    { type: QueryTypes.SELECT, replacements: { garageId, today: today(), limit: MOST_WRITTEN } },
  );
  return rows.map(({ id }) => id);
}

/**
 * Works out again where rigs stand, and keeps it.
 * @returns undefined for a rig that cannot be read, which the log explains: it takes no other with it
 */
export async function freshen(
  rigIds: readonly string[],
): Promise<ReadonlyMap<string, KeptStanding | undefined>> {
  const found = new Map<string, KeptStanding | undefined>();
  for (const id of rigIds) {
    found.set(id, await freshenOne(id));
    // Others are answered in between.
    await setImmediate();
  }
  return found;
}

async function freshenOne(rigId: string): Promise<KeptStanding | undefined> {
  const day = today();
  const row = await factsOf(rigId);
  if (!row) return undefined;
  const standing = await standingFrom(row, day).catch((error: unknown) => {
    // That the database is away says nothing of the rig.
    if (error instanceof BaseError) throw error;
    console.error(`the rig ${rigId} cannot be read:`, error);
    return undefined;
  });
  await keep(rigId, {
    standing: standing ?? null,
    standingFacts: row.facts,
    standingDay: day,
    standingBuild: THIS_BUILD,
  });
  return standing;
}

/** Where nothing can be written, what was worked out is shown all the same. */
async function keep(
  rigId: string,
  kept: Pick<CreationAttributes<RigModel>, 'standing' | 'standingFacts' | 'standingDay' | 'standingBuild'>,
): Promise<void> {
  try {
    await RigModel.update(kept, { where: { id: rigId } });
  } catch (error) {
    if (!(error instanceof DatabaseError)) throw error;
    console.error(`where the rig ${rigId} stands cannot be kept:`, error.message);
  }
}

async function factsOf(rigId: string): Promise<Facts | undefined> {
  const [row] = await database().query<Facts>(
    `SELECT r.id, r.facts, r.document, p.document AS profile, d.document AS draft, e.memory, v.document AS rules, r.goals,
       (SELECT coalesce(jsonb_agg(c.document), '[]') FROM (
         SELECT DISTINCT ON (document->>'escNumber') document FROM calibrations
         WHERE rig_id = r.id ORDER BY document->>'escNumber', kept_order DESC
       ) c) AS calibrations,
       (SELECT count(*)::int FROM sheets s WHERE s.rig_id = r.id) AS sheets,
       (SELECT count(*)::int FROM runs n WHERE n.rig_id = r.id) AS runs,
       (SELECT coalesce(max(number), 0) FROM runs n WHERE n.rig_id = r.id) AS last_run,
       (SELECT document FROM asked_of_runs a WHERE a.rig_id = r.id AND closed_at IS NULL AND document->>'kind' = 'change'
        ORDER BY kept_order DESC LIMIT 1) AS trial
     FROM rigs r
     JOIN esc_profiles p ON p.id = r.esc_profile_id
     LEFT JOIN drafts d ON d.rig_id = r.id
     LEFT JOIN simulated_escs e ON e.rig_id = r.id AND e.esc_number = 1
     LEFT JOIN event_rules v ON v.id = r.event_rules_id
     WHERE r.id = :rigId`,
    { type: QueryTypes.SELECT, replacements: { rigId } },
  );
  return row;
}

async function standingFrom(row: Facts, day: string): Promise<KeptStanding> {
  const { id, document: rig, profile } = row;
  const [first, ...others] = await Promise.all(
    Array.from({ length: rig.motorCount }, async (_, place) => ({
      escNumber: place + 1,
      holdings: holdingsOf(profile, await newestObservations({ rigId: id, escNumber: place + 1 }, profile)),
    })),
  );
  const { stations, changes, handChanges } = standingOf({
    withoutStint: true,
    rig,
    profile,
    holdings: first!.holdings,
    otherEscs: others,
    draft: fittingDraft(profile, row.draft),
    range: row.memory.range,
    calibrations: row.calibrations,
    sheetCount: row.sheets,
    runs: runFacts(row.runs, row.last_run, row.trial ?? undefined),
    rules: row.rules ?? undefined,
    goals: { ...usualGoals(rig.vehicleClass), ...row.goals },
    today: day,
  });
  return {
    ...rigInWords(rig),
    changes: changes.length + handChanges.length,
    stations,
    urgency: openStationCount(stations),
  };
}

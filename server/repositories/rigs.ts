import { usualGoals, type Goals } from '#core/advice/goals';
import { factoryMemory } from '#core/device/simulatedEsc';
import type { EscProfile } from '#core/esc/profile';
import type { EscMemory } from '#core/procedure/language';
import type { Rig } from '#core/rig/rig';
import { withHandValues, type HandValues } from '#core/rig/handValues';
import type { BenchTest } from '#core/calibration/benchTest';
import type { Calibration } from '#core/calibration/calibration';
import type { InOrder } from '#core/calibration/escs';
import { EMPTY_DRAFT, type Draft } from '#core/sheet/draft';
import { FACTORY_PASS_CODE } from '#core/link/protocol';
import { assumeFactory, holdingsOf, type Observation } from '#core/sheet/evidence';
import { isHeldByAll } from '#core/sheet/sheet';
import type { RunFacts } from '#core/advice/stationStates';
import { runFacts } from '#core/runs/runFacts';
import type { EventRules } from '#core/rig/eventRules';
import { LONGEST_NAME } from '#core/units/text';
import { literal, Op, QueryTypes, type Order, type Transaction } from 'sequelize';
import { database } from '../database';
import {
  AskedModel,
  BenchTestModel,
  BuildCheckModel,
  CalibrationModel,
  DraftModel,
  EscProfileModel,
  EventRulesModel,
  RigModel,
  RigPictureModel,
  RunModel,
  SetUpModel,
  SheetModel,
  SimulatedEscModel,
} from '../models';
import { OpenLoadModel } from '../openLoadModel';
import { isUuid } from './ids';
import { addObservations, newestObservations } from './observations';
import { remembering } from './remembering';
import { placeSimulated } from './simulatedEscs';

/** What is kept of one ESC of a rig. */
export interface EscState {
  escNumber: number;
  /** Of the simulated one. */
  memory: EscMemory;
  /** The newest of each item, oldest first. */
  observations: Observation[];
}

/** Everything that the stations need to know about one rig. */
export interface Bench {
  rigId: string;
  rig: Rig;
  /** Counts the changes of the rig. */
  rigRevision: number;
  profile: EscProfile;
  draft: Draft;
  draftRevision: number;
  /** Of several ESCs, the one that is worked: the first, until another is chosen. */
  escNumber: number;
  memory: EscMemory;
  /** The newest of each item, oldest first: what `holdingsOf` needs of the history. */
  observations: Observation[];
  /** All ESCs of the model, the first first. */
  escs: EscState[];
  /** Of all its ESCs, newest first. */
  calibrations: InOrder<Calibration>[];
  /** Newest first. */
  benchTests: InOrder<BenchTest>[];
  /** The lines of the first power that were ticked. */
  buildChecks: string[];
  sheetCount: number;
  /** The newest sheet that was loaded or read, where the ESC is known to hold it still. */
  heldSheetNumber: number | undefined;
  /** Whether the last load was into the simulated ESC: one's own may hold something else. */
  lastLoadSimulated: boolean;
  /** The newest revision of the ESC profile in the garage, where the rig uses an older one. */
  newerRevision: number | undefined;
  /** The event that is being prepared for. */
  rules: EventRules | undefined;
  rulesId: string | undefined;
  /** What the driver is after; what is usual for the class until he says so. */
  goals: Goals;
  /** With which its ESC lets a link in. */
  linkPassCode: number;
  runs: RunFacts;
  archived: boolean;
  hasPicture: boolean;
}

/** More than anybody looks through in one list. */
const MOST_LISTED = 200;

/** The rigs of a garage that are in use, as they are described; the last touched first. */
export async function findRigs(garageId: string): Promise<{ rigId: string; rig: Rig }[]> {
  const rows = await RigModel.findAll({
    where: { garageId, archivedAt: null, deletedAt: null },
    attributes: ['id', 'document'],
    order: [['touched', 'DESC']],
    limit: MOST_LISTED,
  });
  return rows.map(({ id, document }) => ({ rigId: id, rig: document }));
}

/** The rigs in use that have values for an event, or values that nobody knows since a firmware update. */
export async function rigsToLookAt(garageId: string): Promise<string[]> {
  const rows = await database().query<{ id: string }>(
    `SELECT r.id FROM rigs r
     WHERE r.garage_id = :garageId AND r.archived_at IS NULL AND r.deleted_at IS NULL
       AND (coalesce(r.goals->'temporary', '{}') <> '{}'
         OR EXISTS (SELECT FROM observations o WHERE o.rig_id = r.id AND o.basis = 'firmwareUpdate'))
     ORDER BY r.touched DESC LIMIT ${MOST_LISTED}`,
    { type: QueryTypes.SELECT, replacements: { garageId } },
  );
  return rows.map(({ id }) => id);
}

/** A new rig, with an empty draft, a new simulated ESC and factory values assumed: all or nothing. */
export async function createRig(
  garageId: string,
  rig: Rig,
  stored: { id: string; profile: EscProfile },
): Promise<string> {
  return database().transaction(async (transaction) => {
    const row = await RigModel.create(
      { garageId, escProfileId: stored.id, name: rig.name, document: rig },
      { transaction },
    );
    await DraftModel.create({ rigId: row.id, revision: 0, document: EMPTY_DRAFT }, { transaction });
    await beginWithEscs(row.id, rig, stored.profile, transaction);
    return row.id;
  });
}

/** The ESCs of a rig as they come out of their boxes; those that it had before, too. */
async function beginWithEscs(
  rigId: string,
  { motorCount }: Rig,
  profile: EscProfile,
  transaction: Transaction,
): Promise<void> {
  // What was under way was about another ESC.
  await OpenLoadModel.destroy({ where: { rigId }, transaction });
  const before = await SimulatedEscModel.count({ where: { rigId }, transaction });
  await addEscs(rigId, 1, Math.max(before, motorCount), profile, transaction);
}

/** ESCs that a model has more than before, fresh from their boxes. */
async function addEscs(
  rigId: string,
  from: number,
  to: number,
  profile: EscProfile,
  transaction: Transaction,
): Promise<void> {
  const at = new Date().toISOString();
  for (let escNumber = from; escNumber <= to; escNumber += 1) {
    await placeSimulated({ rigId, escNumber }, factoryMemory(profile), transaction);
    await addObservations({ rigId, escNumber }, assumeFactory(profile, at), transaction);
  }
}

export type RigUpdated =
  | { outcome: 'kept'; revision: number }
  /** There is no such rig in the garage. */
  | { outcome: 'gone' }
  /** Somebody else changed it in between: nothing was kept. */
  | { outcome: 'changed' };

/**
 * Keeps the description of a rig as a form has it. Another ESC is another box: its memory, evidence and draft begin again.
 * The same ESC keeps the revision of its profile: moving to another is a step of its own.
 * @param baseRevision of the rig that the form was filled from; undefined to write over whatever is there
 */
export async function updateRig(
  garageId: string,
  rigId: string,
  rig: Rig,
  stored: { id: string; profile: EscProfile },
  baseRevision: number | undefined,
): Promise<RigUpdated> {
  return database().transaction(async (transaction): Promise<RigUpdated> => {
    const row = await RigModel.findOne({ where: { id: rigId, garageId }, transaction, lock: true });
    if (!row) return { outcome: 'gone' };
    if (baseRevision !== undefined && baseRevision !== row.revision) return { outcome: 'changed' };
    const present = await EscProfileModel.findByPk(row.escProfileId, { rejectOnEmpty: true, transaction });
    const otherEsc = present.profileKey !== stored.profile.id;
    await keepDocument(row, rig, transaction);
    if (otherEsc) {
      await row.update({ escProfileId: stored.id }, { transaction });
      await beginWithEscs(rigId, rig, stored.profile, transaction);
      await DraftModel.increment('revision', { where: { rigId }, transaction });
      await DraftModel.update({ document: EMPTY_DRAFT }, { where: { rigId }, transaction });
    }
    const escs = await SimulatedEscModel.count({ where: { rigId }, transaction });
    await addEscs(rigId, escs + 1, rig.motorCount, stored.profile, transaction);
    return { outcome: 'kept', revision: row.revision };
  });
}

/**
 * Changes a part of a rig, whatever the rest of it is by then.
 * @returns false where there is no such rig
 */
export async function changeRig(rigId: string, change: (rig: Rig) => Rig): Promise<boolean> {
  return database().transaction(async (transaction) => {
    const row = await RigModel.findByPk(rigId, { transaction, lock: true });
    if (row) await keepDocument(row, change(row.document), transaction);
    return row !== null;
  });
}

/** Makes a rig the one that was touched last, whatever the clock says. */
export const TOUCHED = literal("nextval('rig_touches')");

/** @param row locked */
const keepDocument = (row: RigModel, rig: Rig, transaction: Transaction): Promise<RigModel> =>
  row.update(
    { name: rig.name, document: rig, revision: row.revision + 1, touched: TOUCHED, updatedAt: new Date() },
    { transaction },
  );

/** What can be done with a rig as a whole. A deleted one that was put aside comes back put aside. */
const PLACINGS = {
  archive: () => ({ archivedAt: new Date(), touched: TOUCHED }),
  unarchive: () => ({ archivedAt: null }),
  delete: () => ({ deletedAt: new Date(), touched: TOUCHED }),
  bringBack: () => ({ deletedAt: null }),
} as const;
export type Placing = keyof typeof PLACINGS;

/** Puts a rig aside or back, deletes it for a while or brings it back. @returns false where the garage has none of this id */
export async function placeRig(garageId: string, rigId: string, placing: Placing): Promise<boolean> {
  if (!isUuid(rigId)) return false;
  const [changed] = await RigModel.update(PLACINGS[placing](), { where: { id: rigId, garageId } });
  return changed > 0;
}

/**
 * Takes a deleted rig away for good. Only by hand: no clock empties the bin.
 * @returns false where no deleted rig has this id
 */
export async function forgetRig(garageId: string, rigId: string): Promise<boolean> {
  if (!isUuid(rigId)) return false;
  return (await RigModel.destroy({ where: { id: rigId, garageId, deletedAt: { [Op.ne]: null } } })) > 0;
}

/** A second rig like another, with its set-ups, and an ESC of its own, fresh from its box. @returns its id */
export async function copyRig(
  bench: Pick<Bench, 'rigId' | 'rig' | 'profile'>,
  garageId: string,
): Promise<string> {
  const stored = await EscProfileModel.findOne({
    where: { garageId, profileKey: bench.profile.id, revision: bench.profile.revision },
    rejectOnEmpty: true,
  });
  const suffix = ' (copy)';
  const name = bench.rig.name.slice(0, LONGEST_NAME - suffix.length) + suffix;
  const rigId = await createRig(garageId, { ...bench.rig, name }, { id: stored.id, profile: bench.profile });
  const setUps = await SetUpModel.findAll({ where: { rigId: bench.rigId }, order: ['keptOrder'] });
  await SetUpModel.bulkCreate(
    setUps.map(({ documentKey, document, archivedAt }) => ({ rigId, documentKey, document, archivedAt })),
  );
  return rigId;
}

/** More calibrations and tests than anybody looks at. */
const MOST_KEPT_SHOWN = 60;
const NEWEST_FIRST: Order = [['keptOrder', 'DESC']];

/** PostgreSQL hands out bigint as text. */
const inOrder = <T>({ document, keptOrder }: { document: T; keptOrder: number | string }): InOrder<T> => ({
  ...document,
  order: Number(keptOrder),
});

/** One rig with everything that hangs on it; undefined where the garage has none of this id. Many ask for it: nobody may change it. */
export async function findBench(garageId: string, rigId: string): Promise<Bench | undefined> {
  if (!isUuid(rigId)) return undefined;
  // What is read after this is at least as new: a bench that was written meanwhile is read again the next time.
  const [written] = await database().query<{ facts: string; newest: number }>(
    `SELECT r.facts, (SELECT max(n.revision) FROM esc_profiles n WHERE n.garage_id = p.garage_id AND n.profile_key = p.profile_key) AS newest
     FROM rigs r JOIN esc_profiles p ON p.id = r.esc_profile_id
     WHERE r.id = :rigId AND r.garage_id = :garageId AND r.deleted_at IS NULL`,
    { type: QueryTypes.SELECT, replacements: { garageId, rigId } },
  );
  if (!written) return undefined;
  const { facts, newest } = written;
  return rememberedBench(rigId, `${facts} ${newest}`, () => readBench(rigId, newest));
}

const rememberedBench = remembering<Bench>();

async function readBench(rigId: string, newestRevision: number): Promise<Bench> {
  const row = await RigModel.findByPk(rigId, { rejectOnEmpty: true });
  const [
    profile,
    draft,
    memories,
    calibrations,
    benchTests,
    buildChecks,
    sheetCount,
    lastSheet,
    rules,
    picture,
    runCount,
    lastRun,
    asked,
  ] = await Promise.all([
    EscProfileModel.findByPk(row.escProfileId, { rejectOnEmpty: true }),
    DraftModel.findByPk(rigId, { rejectOnEmpty: true }),
    SimulatedEscModel.findAll({ where: { rigId }, order: ['escNumber'] }),
    CalibrationModel.findAll({ where: { rigId }, order: NEWEST_FIRST, limit: MOST_KEPT_SHOWN }),
    BenchTestModel.findAll({ where: { rigId }, order: NEWEST_FIRST, limit: MOST_KEPT_SHOWN }),
    BuildCheckModel.findAll({ where: { rigId } }),
    SheetModel.count({ where: { rigId } }),
    SheetModel.findOne({ where: { rigId, origin: ['loaded', 'backup'] }, order: [['number', 'DESC']] }),
    row.eventRulesId ? EventRulesModel.findByPk(row.eventRulesId) : undefined,
    RigPictureModel.count({ where: { rigId } }),
    RunModel.count({ where: { rigId } }),
    RunModel.max<number | null, RunModel>('number', { where: { rigId } }),
    AskedModel.findAll({ where: { rigId, closedAt: null }, order: NEWEST_FIRST }),
  ]);
  const present = memories.slice(0, row.document.motorCount);
  const escs = await Promise.all(
    present.map(async ({ escNumber, memory }): Promise<EscState> => ({
      escNumber,
      memory,
      observations: await newestObservations({ rigId, escNumber }, profile.document),
    })),
  );
  const [first, ...others] = escs.map(({ escNumber, observations }) => ({
    escNumber,
    holdings: holdingsOf(profile.document, observations),
  }));
  const isHeld = lastSheet && first && isHeldByAll(lastSheet.document, first.holdings, others);
  return {
    rigId,
    rig: row.document,
    rigRevision: row.revision,
    newerRevision: newestRevision > profile.revision ? newestRevision : undefined,
    profile: profile.document,
    draft: draft.document,
    draftRevision: draft.revision,
    ...escs[0]!,
    escs,
    calibrations: calibrations.map(inOrder),
    benchTests: benchTests.map(inOrder),
    buildChecks: buildChecks.map(({ line }) => line),
    sheetCount,
    heldSheetNumber: isHeld ? lastSheet.number : undefined,
    lastLoadSimulated: lastSheet?.document.simulated === true,
    rules: rules?.document,
    rulesId: row.eventRulesId ?? undefined,
    goals: { ...usualGoals(row.document.vehicleClass), ...row.goals },
    linkPassCode: row.linkPassCode ?? FACTORY_PASS_CODE,
    runs: runFacts(
      runCount,
      lastRun ?? 0,
      asked.map(({ document }) => document).find((one) => one.kind === 'change'),
    ),
    archived: row.archivedAt != null,
    hasPicture: picture > 0,
  };
}

/** The same bench with another of its ESCs to work on. @throws {Error} where the model has none of this number */
export function benchWithEsc(bench: Bench, escNumber: number): Bench {
  const esc = bench.escs.find((one) => one.escNumber === escNumber);
  if (!esc) throw new Error(`the rig ${bench.rigId} has no ESC ${escNumber}`);
  return { ...bench, ...esc };
}

/** Keeps what was changed on the model or its radio; the rest of the rig stays as it is meanwhile. */
export const keepHandValues = (rigId: string, byHand: HandValues): Promise<boolean> =>
  changeRig(rigId, (rig) => withHandValues(rig, byHand));

/** Keeps the pass code that the ESC of a rig has now. */
export async function keepPassCode(rigId: string, linkPassCode: number): Promise<void> {
  await RigModel.update({ linkPassCode }, { where: { id: rigId } });
}

/** Keeps what the driver is after; whether the garage has the rig. */
export async function keepGoals(garageId: string, rigId: string, goals: Goals): Promise<boolean> {
  if (!isUuid(rigId)) return false;
  const [changed] = await RigModel.update({ goals }, { where: { id: rigId, garageId } });
  return changed > 0;
}

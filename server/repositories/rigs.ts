import { factoryMemory } from '#core/device/simulatedEsc';
import type { EscProfile } from '#core/esc/profile';
import type { EscMemory } from '#core/procedure/language';
import type { Rig } from '#core/rig/rig';
import type { Calibration } from '#core/sheet/calibration';
import { EMPTY_DRAFT, type Draft } from '#core/sheet/draft';
import { assumeFactory, type Observation } from '#core/sheet/evidence';
import type { Transaction } from 'sequelize';
import { database } from '../database';
import {
  CalibrationModel,
  DraftModel,
  EscProfileModel,
  ObservationModel,
  RigModel,
  SheetModel,
  SimulatedEscModel,
} from '../models';

/** Everything that the stations need to know about one rig. */
export interface Bench {
  rigId: string;
  rig: Rig;
  profile: EscProfile;
  draft: Draft;
  draftRevision: number;
  memory: EscMemory;
  observations: Observation[];
  calibration: Calibration | undefined;
  sheetCount: number;
  lastSheetNumber: number | undefined;
  /** The newest revision of the ESC profile in the garage, where the rig uses an older one. */
  newerRevision: number | undefined;
}

export interface RigSummary {
  id: string;
  rig: Rig;
  profileName: string;
  updatedAt: string;
}

/** All rigs of a garage, the one touched last first. */
export async function listRigs(garageId: string): Promise<RigSummary[]> {
  const rows = await RigModel.findAll({ where: { garageId }, order: [['updatedAt', 'DESC']] });
  const profiles = await EscProfileModel.findAll({ where: { garageId }, attributes: ['id', 'name'] });
  const names = new Map(profiles.map(({ id, name }) => [id, name]));
  return rows.map((row) => ({
    id: row.id,
    rig: row.document,
    profileName: names.get(row.escProfileId) ?? '',
    updatedAt: row.updatedAt.toISOString(),
  }));
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
    await beginWithEsc(row.id, stored.profile, transaction);
    return row.id;
  });
}

/** The ESC of a rig as it comes out of its box. */
async function beginWithEsc(rigId: string, profile: EscProfile, transaction: Transaction): Promise<void> {
  await SimulatedEscModel.upsert(
    { rigId, memory: factoryMemory(profile), writes: 0, updatedAt: new Date() },
    { transaction },
  );
  await addObservations(rigId, assumeFactory(profile, new Date().toISOString()), transaction);
}

/**
 * Changes the description of a rig. Another ESC is another box: its memory, evidence and draft begin anew. The
 * same ESC keeps the revision of its profile: moving to another is a step of its own.
 * @returns false where there is no such rig in the garage
 */
export async function updateRig(
  garageId: string,
  rigId: string,
  rig: Rig,
  stored: { id: string; profile: EscProfile },
): Promise<boolean> {
  return database().transaction(async (transaction) => {
    const row = await RigModel.findOne({ where: { id: rigId, garageId }, transaction, lock: true });
    if (!row) return false;
    const present = await EscProfileModel.findByPk(row.escProfileId, { rejectOnEmpty: true, transaction });
    const otherEsc = present.profileKey !== stored.profile.id;
    await row.update({ name: rig.name, document: rig, updatedAt: new Date() }, { transaction });
    if (otherEsc) {
      await row.update({ escProfileId: stored.id }, { transaction });
      await beginWithEsc(rigId, stored.profile, transaction);
      await DraftModel.increment('revision', { where: { rigId }, transaction });
      await DraftModel.update({ document: EMPTY_DRAFT }, { where: { rigId }, transaction });
      await CalibrationModel.destroy({ where: { rigId }, transaction });
    }
    return true;
  });
}

/** @returns false where there is no such rig in the garage */
export async function deleteRig(garageId: string, rigId: string): Promise<boolean> {
  return (await RigModel.destroy({ where: { id: rigId, garageId } })) > 0;
}

/** One rig with everything that hangs on it; undefined where the garage has none of this id. */
export async function findBench(garageId: string, rigId: string): Promise<Bench | undefined> {
  if (!isUuid(rigId)) return undefined;
  const row = await RigModel.findOne({ where: { id: rigId, garageId } });
  if (!row) return undefined;
  const [profile, draft, esc, observations, calibration, sheetCount, lastSheet] = await Promise.all([
    EscProfileModel.findByPk(row.escProfileId, { rejectOnEmpty: true }),
    DraftModel.findByPk(rigId, { rejectOnEmpty: true }),
    SimulatedEscModel.findByPk(rigId, { rejectOnEmpty: true }),
    ObservationModel.findAll({ where: { rigId }, order: [['id', 'ASC']] }),
    CalibrationModel.findOne({ where: { rigId }, order: [['keptAt', 'DESC']] }),
    SheetModel.count({ where: { rigId } }),
    SheetModel.findOne({ where: { rigId, origin: ['loaded', 'backup'] }, order: [['number', 'DESC']] }),
  ]);
  const newest = await EscProfileModel.max<number, EscProfileModel>('revision', {
    where: { garageId, profileKey: profile.profileKey },
  });
  return {
    rigId,
    rig: row.document,
    newerRevision: newest > profile.revision ? newest : undefined,
    profile: profile.document,
    draft: draft.document,
    draftRevision: draft.revision,
    memory: esc.memory,
    observations: observations.map((o) => ({
      itemId: o.itemKey,
      stopId: o.stopKey,
      basis: o.basis,
      at: o.observedAt.toISOString(),
    })),
    calibration: calibration?.document,
    sheetCount,
    lastSheetNumber: lastSheet?.number,
  };
}

const isUuid = (text: string): boolean => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(text);

/** Adds to the history of what was seen on an ESC. */
export async function addObservations(
  rigId: string,
  observations: Observation[],
  transaction?: Transaction,
): Promise<void> {
  await ObservationModel.bulkCreate(
    observations.map(({ itemId, stopId, basis, at }) => ({
      rigId,
      itemKey: itemId,
      stopKey: stopId,
      basis,
      observedAt: new Date(at),
    })),
    { transaction },
  );
}

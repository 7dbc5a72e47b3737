/** What happens on the bench and must be kept together: the simulated ESC's memory and what was seen of it. */
import type { EscMemory } from '#core/procedure/language';
import type { Calibration } from '#core/sheet/calibration';
import { changesOf } from '#core/sheet/draft';
import { holdingsOf, type Observation } from '#core/sheet/evidence';
import { writeSheet, type Sheet } from '#core/sheet/sheet';
import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { database } from '../database';
import { CalibrationModel, DraftModel, SheetModel, SimulatedEscModel } from '../models';
import { addObservations, type Bench } from './rigs';

/** Keeps what the simulated ESC remembers and what was seen of it, both or neither. */
export async function recordBench(
  rigId: string,
  memory: EscMemory | undefined,
  observations: Observation[],
): Promise<void> {
  await database().transaction(async (transaction) => {
    if (memory)
      await SimulatedEscModel.update({ memory, updatedAt: new Date() }, { where: { rigId }, transaction });
    await addObservations(rigId, observations, transaction);
  });
}

/** Keeps a calibration together with the range that the simulated ESC has learned. */
export async function keepCalibration(
  rigId: string,
  calibration: Calibration,
  memory: EscMemory,
): Promise<void> {
  await database().transaction(async (transaction) => {
    await SimulatedEscModel.update({ memory, updatedAt: new Date() }, { where: { rigId }, transaction });
    await CalibrationModel.create(
      { rigId, document: calibration, keptAt: new Date(calibration.keptAt) },
      { transaction },
    );
  });
}

/**
 * Writes down what the ESC of a bench holds as its next sheet, and takes the intents that are fulfilled out of the draft.
 * @returns the number of the sheet
 */
export async function keepSheet(bench: Bench, changedItemIds: string[], note: string): Promise<number> {
  const { rigId, profile, rig } = bench;
  const holdings = holdingsOf(profile, bench.observations);
  const sheet = writeSheet(profile, holdings, {
    id: randomUUID(),
    rigName: rig.name,
    keptAt: new Date().toISOString(),
    changedItemIds,
    note,
  });
  return database().transaction(async (transaction) => {
    const number = await addSheet(rigId, sheet, 'loaded', transaction);
    const draft = await DraftModel.findByPk(rigId, { rejectOnEmpty: true, transaction, lock: true });
    const open = new Set(changesOf(profile, holdings, draft.document).map((change) => change.itemId));
    const stops = Object.fromEntries(
      Object.entries(draft.document.stops).filter(([itemId]) => open.has(itemId)),
    );
    await draft.update(
      { document: { stops }, revision: draft.revision + 1, updatedAt: new Date() },
      { transaction },
    );
    return number;
  });
}

/** Adds a sheet under the next free number of its rig. */
export async function addSheet(
  rigId: string,
  sheet: Sheet,
  origin: 'loaded' | 'imported',
  transaction: Transaction,
): Promise<number> {
  const last = await SheetModel.max<number | null, SheetModel>('number', { where: { rigId }, transaction });
  const number = (last ?? 0) + 1;
  await SheetModel.create(
    { rigId, documentKey: sheet.id, number, origin, document: sheet, keptAt: new Date(sheet.keptAt) },
    { transaction },
  );
  return number;
}

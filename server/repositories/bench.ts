/** What happens on the bench and must be kept together: the simulated ESC's memory and what was seen of it. */
import type { MediumFamily } from '#core/esc/media';
import type { EscMemory } from '#core/procedure/language';
import type { BenchTest } from '#core/calibration/benchTest';
import type { Calibration } from '#core/calibration/calibration';
import { openDraft, sameDraft, type Reasons } from '#core/sheet/draft';
import { HAND_VALUE_KEYS, handValuesOf } from '#core/rig/handValues';
import type { StopByItem } from '#core/esc/profile';
import { verdictsOn } from '#core/advice/verdicts/verdictsOn';
import { believedStops, holdingsOf, type Observation } from '#core/sheet/evidence';
import { writeSheet, type Sheet } from '#core/sheet/sheet';
import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { database } from '../database';
import {
  BenchTestModel,
  BuildCheckModel,
  CalibrationModel,
  DraftModel,
  SetUpModel,
  SheetModel,
  type SheetOrigin,
} from '../models';
import { firstEsc, type EscOfRig } from './escOfRig';
import type { Bench } from './rigs';
import { lockRig } from './locks';
import { addObservations, observedUpTo } from './observations';
import { keepMemory } from './simulatedEscs';

/** Keeps what a simulated ESC remembers and what was seen of it, both or neither. */
export async function recordBench(
  esc: EscOfRig,
  memory: EscMemory,
  observations: Observation[],
): Promise<void> {
  await database().transaction(async (transaction) => {
    await lockRig(esc.rigId, transaction);
    await keepMemory(esc, memory, transaction);
    await addObservations(esc, observations, transaction);
  });
}

/**
 * Keeps a calibration. The first ESC of a model is the simulated one, whose memory is kept with it; what the others
 * have learned stands in their calibrations.
 */
export async function keepCalibration(
  rigId: string,
  calibration: Calibration,
  memory: EscMemory,
): Promise<void> {
  await database().transaction(async (transaction) => {
    await lockRig(rigId, transaction);
    if (calibration.escNumber === 1) await keepMemory(firstEsc(rigId), memory, transaction);
    await CalibrationModel.create(
      { rigId, document: calibration, keptAt: new Date(calibration.keptAt) },
      { transaction },
    );
  });
}

/** How a sheet came to be, as far as the ESC itself cannot tell. */
export interface SheetOccasion {
  /** Of a sheet that may be asked for more than once, and is kept once. */
  id?: string;
  origin: Exclude<SheetOrigin, 'imported'>;
  /** By what it was loaded or read; null where it was only written down. */
  medium: MediumFamily | null;
  /** Whether the ESC was the simulated one; null where that is as it was for the sheet before. */
  simulated: boolean | null;
  changedItemIds: string[];
  note: string;
}

/**
 * Writes down what the ESCs of a bench hold as its next sheet, and takes the intents that are fulfilled out of the draft.
 * @param bench of the ESC that is worked it says what was seen meanwhile
 * @returns the number of the sheet
 */
export async function keepSheet(
  bench: Pick<
    Bench,
    | 'rigId'
    | 'rig'
    | 'profile'
    | 'draft'
    | 'escNumber'
    | 'observations'
    | 'escs'
    | 'memory'
    | 'rules'
    | 'goals'
  >,
  { id = randomUUID(), origin, ...occasion }: SheetOccasion,
): Promise<number> {
  const { rigId, profile, rig } = bench;
  const [first, ...others] = bench.escs.map(({ escNumber, observations }) => ({
    escNumber,
    holdings: holdingsOf(profile, escNumber === bench.escNumber ? bench.observations : observations),
  }));
  const { holdings } = first!;
  const before = await lastOwnSheet(rigId);
  const facts = {
    id,
    rigName: rig.name,
    keptAt: new Date().toISOString(),
    byHand: handValuesOf(rig),
    ...occasion,
    simulated: occasion.simulated ?? before?.simulated ?? null,
    setUp: (await setUpOf(rigId, bench.draft.setUpId)) ?? before?.setUp ?? null,
    reasons: reasonsFor(bench.draft.reasons, [...occasion.changedItemIds, ...HAND_VALUE_KEYS]),
    note: [occasion.note, ...takenUpon(bench, believedStops(profile, holdings))].filter(Boolean).join('\n'),
  };
  const sheet = writeSheet(profile, holdings, facts, others);
  return database().transaction(async (transaction) => {
    await lockRig(rigId, transaction);
    const known = await SheetModel.findOne({ where: { rigId, documentKey: id }, transaction });
    if (known) return known.number;
    const number = await addSheet(rigId, sheet, origin, transaction);
    const draft = await DraftModel.findByPk(rigId, { rejectOnEmpty: true, transaction, lock: true });
    const document = openDraft(profile, holdings, rig, draft.document);
    if (!sameDraft(document, draft.document)) {
      await draft.update({ document, revision: draft.revision + 1, updatedAt: new Date() }, { transaction });
    }
    return number;
  });
}

/** The last sheet of this rig that was not taken from a file. */
async function lastOwnSheet(rigId: string): Promise<Sheet | undefined> {
  const where = { rigId, origin: ['loaded', 'backup'] };
  return (await SheetModel.findOne({ where, order: [['number', 'DESC']] }))?.document;
}

/** The set-up that a draft was taken from. */
async function setUpOf(rigId: string, id: string | null): Promise<Sheet['setUp'] | undefined> {
  const row = id === null ? null : await SetUpModel.findOne({ where: { rigId, documentKey: id } });
  return row ? { id: row.documentKey, name: row.document.name } : undefined;
}

/** The reasons for what was changed: those for what is still drafted stay with the draft. */
const reasonsFor = (reasons: Reasons, keys: readonly string[]): Reasons =>
  Object.fromEntries(Object.entries(reasons).filter(([key]) => keys.includes(key)));

/** What the driver loaded in spite of a hazard or means as it is, and why: a sheet tells it. */
const takenUpon = (
  { rig, profile, memory, rules, goals }: Pick<Bench, 'rig' | 'profile' | 'memory' | 'rules' | 'goals'>,
  stops: StopByItem,
): string[] =>
  verdictsOn({ rig, profile, stops, range: memory.range, rules, goals }).flatMap(
    ({ title, grade, overridden }) =>
      overridden === undefined
        ? []
        : [`${grade === 'hazard' ? 'Despite a hazard.' : 'Meant so.'} ${title} Reason: ${overridden}`],
  );

/** Adds a sheet under the next free number of its rig, which must be locked. */
export async function addSheet(
  rigId: string,
  sheet: Sheet,
  origin: SheetOrigin,
  transaction: Transaction,
): Promise<number> {
  const last = await SheetModel.max<number | null, SheetModel>('number', { where: { rigId }, transaction });
  const number = (last ?? 0) + 1;
  await SheetModel.create(
    {
      rigId,
      documentKey: sheet.id,
      number,
      origin,
      document: sheet,
      keptAt: new Date(sheet.keptAt),
      observedUpTo: await observedUpTo(rigId, transaction),
    },
    { transaction },
  );
  return number;
}

/** Keeps a test that was made on the bench. */
export async function keepBenchTest(rigId: string, test: BenchTest): Promise<void> {
  await BenchTestModel.create({ rigId, document: test, keptAt: new Date(test.keptAt) });
}

/** Ticks a line of the first power, or takes the tick away. */
export async function tickBuildCheck(rigId: string, line: string, ticked: boolean): Promise<void> {
  if (ticked) await BuildCheckModel.upsert({ rigId, line });
  else await BuildCheckModel.destroy({ where: { rigId, line } });
}

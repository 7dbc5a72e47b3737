/** Brings back what an archive has: all of it, or nothing. */
import type { EscProfile } from '#core/esc/profile';
import { LONGEST_NAME } from '#core/units/text';
import { randomUUID } from 'node:crypto';
import { setImmediate as nextTurn } from 'node:timers/promises';
import type { CreationAttributes, Transaction } from 'sequelize';
import { database } from '../database';
import { DayModel, PackEntryModel, PackModel } from '../dayModels';
import { bringPractice } from '../repositories/practice';
import {
  AlikeModel,
  AskedModel,
  BenchTestModel,
  BuildCheckModel,
  CalibrationModel,
  DraftModel,
  EscProfileModel,
  EventRulesModel,
  ObservationModel,
  RigModel,
  RigPictureModel,
  RunLogModel,
  RunModel,
  SetUpModel,
  SheetModel,
  SimulatedEscModel,
} from '../models';
import { sameJson } from '../repositories/escProfiles';
import { lockGarage } from '../repositories/locks';
import { compareArchive, type Compared } from './compareArchive';
import type { OpenArchive, WholeRig } from './readArchive';

/** What to do where the garage has another rig of the same id: leave it, put the archive's in its place, or keep both. */
export const CHOICES = ['keep', 'replace', 'both'] as const;
export type Choice = (typeof CHOICES)[number];

const AT_A_TIME = 1000;
const SHEETS_AT_A_TIME = 100;

/**
 * Restores an archive that was looked at.
 * @param choice for rigs that differ
 * @returns how many rigs came, and what was compared
 */
export async function restoreArchive(
  garageId: string,
  archive: OpenArchive,
  choice: Choice,
): Promise<{ restored: number; compared: Compared }> {
  const compared = await compareArchive(garageId, archive);
  const restored = await database().transaction(async (transaction) => {
    await lockGarage(garageId, transaction);
    const profiles = await bringProfiles(garageId, archive.profiles, transaction);
    await bringRules(garageId, archive.rules, transaction);
    await bringAlike(garageId, archive.alike, transaction);
    for (const pack of archive.packs) await bringPack(garageId, pack, transaction);
    await bringDays(garageId, archive.days, transaction);
    for (const file of archive.practice) await bringPractice(garageId, file, transaction);
    let count = 0;
    for (const { id, standing } of compared.rigs) {
      if (standing === 'same' || (standing === 'different' && choice === 'keep')) continue;
      const whole = await archive.rig(id);
      const isCopy = standing === 'different' && choice === 'both';
      if (standing === 'different' && !isCopy)
        await RigModel.destroy({ where: { id, garageId }, transaction });
      await bringRig(garageId, isCopy ? asCopy(whole) : whole, profiles, transaction);
      count += 1;
      await nextTurn();
    }
    return count;
  });
  return { restored, compared };
}

const asCopy = (whole: WholeRig): WholeRig => {
  const suffix = ' (saved copy)';
  const name = whole.rig.name.slice(0, LONGEST_NAME - suffix.length) + suffix;
  return { ...whole, id: randomUUID(), rig: { ...whole.rig, name } };
};

/** Where each profile of the archive is kept, by its id and revision. */
type Profiles = ReadonlyMap<string, { rowId: string; id: string }>;
const keyOf = (id: string, revision: number): string => `${id} ${revision}`;

/** One that the garage has under the same id and revision, but otherwise, is kept beside it under an id of its own. */
async function bringProfiles(
  garageId: string,
  profiles: readonly EscProfile[],
  transaction: Transaction,
): Promise<Profiles> {
  const kept = new Map<string, { rowId: string; id: string }>();
  for (const profile of profiles) {
    const where = { garageId, profileKey: profile.id, revision: profile.revision };
    const known = await EscProfileModel.findOne({ where, transaction });
    if (known && sameJson(known.document, profile)) {
      kept.set(keyOf(profile.id, profile.revision), { rowId: known.id, id: profile.id });
      continue;
    }
    const brought = known ? besides(profile) : profile;
    const row = await EscProfileModel.create(
      {
        garageId,
        profileKey: brought.id,
        revision: brought.revision,
        name: brought.name,
        document: brought,
      },
      { transaction },
    );
    kept.set(keyOf(profile.id, profile.revision), { rowId: row.id, id: brought.id });
  }
  return kept;
}

const besides = (profile: EscProfile): EscProfile => {
  const mark = randomUUID().slice(0, 6);
  const suffix = ` (saved ${mark})`;
  return {
    ...profile,
    id: `${profile.id.slice(0, 70)}-${mark}`,
    name: profile.name.slice(0, LONGEST_NAME - suffix.length) + suffix,
  };
};

/** Rules that differ stay as the garage has them: rigs are held against what their driver reads now. */
async function bringRules(
  garageId: string,
  rules: OpenArchive['rules'],
  transaction: Transaction,
): Promise<void> {
  for (const { id, rules: document } of rules)
    if (!(await EventRulesModel.findOne({ where: { id }, transaction })))
      await EventRulesModel.create({ id, garageId, name: document.name, document }, { transaction });
}

/** A group that is there stays as it is. */
async function bringAlike(
  garageId: string,
  alike: OpenArchive['alike'],
  transaction: Transaction,
): Promise<void> {
  for (const { id, group } of alike)
    if (!(await AlikeModel.findOne({ where: { id }, transaction })))
      await AlikeModel.create({ id, garageId, document: group }, { transaction });
}

/** A pack that is there stays what it is, and learns what the archive knows more of its life. */
async function bringPack(
  garageId: string,
  { pack, entries }: OpenArchive['packs'][0],
  transaction: Transaction,
): Promise<void> {
  const where = { garageId, documentKey: pack.id };
  const known =
    (await PackModel.findOne({ where, transaction })) ??
    (await PackModel.create(
      { ...where, document: { ...pack, label: await freeLabel(garageId, pack.label, transaction) } },
      { transaction },
    ));
  await PackEntryModel.bulkCreate(
    entries.map((entry) => ({ packId: known.id, documentKey: entry.id, document: entry })),
    { ignoreDuplicates: true, transaction },
  );
}

/** Two packs of a shelf never read alike. */
async function freeLabel(garageId: string, label: string, transaction: Transaction): Promise<string> {
  const isTaken = await PackModel.findOne({ where: { garageId, label: label.toLowerCase() }, transaction });
  const suffix = ` (saved ${randomUUID().slice(0, 6)})`;
  return isTaken ? label.slice(0, LONGEST_NAME - suffix.length) + suffix : label;
}

/** A day that is there stays as it is. */
async function bringDays(
  garageId: string,
  days: OpenArchive['days'],
  transaction: Transaction,
): Promise<void> {
  for (const day of days)
    if (!(await DayModel.findOne({ where: { garageId, documentKey: day.id }, transaction })))
      await DayModel.create({ garageId, documentKey: day.id, document: day }, { transaction });
}

async function bringRig(
  garageId: string,
  whole: WholeRig,
  profiles: Profiles,
  transaction: Transaction,
): Promise<void> {
  const { id: rigId, rig, bench, seen, notes, setUps, asked, picture } = whole;
  const profile = profiles.get(keyOf(bench.profileId, bench.profileRevision))!;
  const date = (iso: string | null): Date | null => (iso === null ? null : new Date(iso));
  await RigModel.create(
    {
      id: rigId,
      garageId,
      escProfileId: profile.rowId,
      name: rig.name,
      document: rig,
      revision: bench.rigRevision,
      eventRulesId: bench.rulesId,
      goals: bench.goals,
      archivedAt: date(bench.archivedAt),
      deletedAt: date(bench.deletedAt),
      updatedAt: new Date(bench.updatedAt),
    },
    { transaction },
  );
  await DraftModel.create({ rigId, revision: bench.draftRevision, document: bench.draft }, { transaction });
  await SimulatedEscModel.bulkCreate(
    bench.memories.map(({ escNumber, memory, writes }) => ({ rigId, escNumber, memory, writes })),
    { transaction },
  );
  await BuildCheckModel.bulkCreate(
    bench.buildChecks.map(({ line, checkedAt }) => ({ rigId, line, checkedAt: new Date(checkedAt) })),
    { transaction },
  );
  const seenIds = await bringSeen(rigId, seen, transaction);
  await bringSheets(whole, profile.id, seenIds, transaction);
  for (const note of notes) await bringNote(rigId, bench.profileId, profile.id, note, transaction);
  for (const [place, setUp] of setUps.entries())
    await SetUpModel.create(
      {
        rigId,
        documentKey: setUp.id,
        document: { ...setUp, profileId: renamed(setUp.profileId, bench.profileId, profile.id) },
        archivedAt: date(bench.setUps[place]!.archivedAt),
      },
      { transaction },
    );
  await bringRuns(whole, profile.id, transaction);
  await AskedModel.bulkCreate(
    asked.map(({ asked: one, closedAt }) => ({
      rigId,
      documentKey: one.id,
      document: one,
      closedAt: date(closedAt),
    })),
    { transaction },
  );
  if (picture) await RigPictureModel.create({ rigId, image: picture }, { transaction });
}

/** @returns the ids that the observations have now, in their order */
async function bringSeen(rigId: string, seen: WholeRig['seen'], transaction: Transaction): Promise<string[]> {
  const ids: string[] = [];
  for (let from = 0; from < seen.length; from += AT_A_TIME) {
    const rows = await ObservationModel.bulkCreate(
      seen.slice(from, from + AT_A_TIME).map(([escNumber, itemKey, stopKey, basis, at]) => ({
        rigId,
        escNumber,
        itemKey,
        stopKey,
        basis,
        observedAt: new Date(at),
      })),
      { transaction, returning: ['id'] },
    );
    ids.push(...rows.map(({ id }) => id));
    await nextTurn();
  }
  return ids;
}

async function bringSheets(
  { id: rigId, bench, sheets }: WholeRig,
  profileId: string,
  seenIds: readonly string[],
  transaction: Transaction,
): Promise<void> {
  let rows: CreationAttributes<SheetModel>[] = [];
  const write = async (): Promise<void> => {
    await SheetModel.bulkCreate(rows, { transaction });
    rows = [];
  };
  let place = 0;
  for await (const sheet of sheets()) {
    const { number, origin, keptAt, seenBefore } = bench.sheets[place]!;
    place += 1;
    rows = [
      ...rows,
      {
        rigId,
        documentKey: sheet.id,
        number,
        origin,
        document: { ...sheet, profileId: renamed(sheet.profileId, bench.profileId, profileId) },
        keptAt: new Date(keptAt),
        observedUpTo: seenBefore === 0 ? '0' : (seenIds[seenBefore - 1] ?? '0'),
      },
    ];
    if (rows.length === SHEETS_AT_A_TIME) await write();
  }
  await write();
}

async function bringRuns(
  { id: rigId, bench, runs, logs }: WholeRig,
  profileId: string,
  transaction: Transaction,
): Promise<void> {
  for await (const { number, run } of runs())
    await RunModel.create(
      {
        rigId,
        documentKey: run.id,
        number,
        document: { ...run, profileId: renamed(run.profileId, bench.profileId, profileId) },
        drivenAt: new Date(run.drivenAt),
      },
      { transaction },
    );
  for await (const { number, meta, samples } of logs())
    await RunLogModel.create({ rigId, number, document: meta, samples }, { transaction });
}

async function bringNote(
  rigId: string,
  profileBefore: string,
  profileId: string,
  note: WholeRig['notes'][0],
  transaction: Transaction,
): Promise<void> {
  const keptAt = new Date(note.kept.keptAt);
  if (note.kind === 'benchTest') {
    await BenchTestModel.create({ rigId, document: note.kept, keptAt }, { transaction });
    return;
  }
  const document = { ...note.kept, profileId: renamed(note.kept.profileId, profileBefore, profileId) };
  await CalibrationModel.create({ rigId, document, keptAt }, { transaction });
}

/** A document of an ESC that is kept under another id now. */
const renamed = (id: string, before: string, after: string): string => (id === before ? after : id);

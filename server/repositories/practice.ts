/** What was practised in a garage, by ESC profile. */
import type { SignsLearned } from '#core/rehearsal/recognise';
import type { PracticeResult } from '#core/rehearsal/results';
import { MOST_RESULTS, type PracticeFile } from '#formats/practice';
import { Op, type Transaction } from 'sequelize';
import { database } from '../database';
import { PracticeModel, SignsModel } from '../practiceModels';
import { lockGarage } from './locks';

const NOTHING_LEARNED: SignsLearned = { turn: 0, learned: {} };

/** The rehearsals on one kind of ESC, the oldest first, and how well its signs are known. */
export async function practiceOf(
  garageId: string,
  profileKey: string,
): Promise<{ results: PracticeResult[]; signs: SignsLearned }> {
  const where = { garageId, profileKey };
  const rows = await PracticeModel.findAll({ where, order: [['keptOrder', 'DESC']], limit: MOST_RESULTS });
  const signs = await SignsModel.findOne({ where });
  return {
    results: rows.map(({ document }) => document).toReversed(),
    signs: signs?.document ?? NOTHING_LEARNED,
  };
}

/** How many rehearsals there are of each kind of ESC. */
export async function practisedProfiles(garageId: string): Promise<Record<string, number>> {
  const rows = await PracticeModel.count({ where: { garageId }, group: ['profile_key'] });
  return Object.fromEntries(rows.map((row) => [String(row.profile_key), row.count]));
}

/** Keeps a rehearsal, once however often it is sent. The oldest of its ESC goes where there are too many. */
export async function keepResult(garageId: string, result: PracticeResult): Promise<void> {
  await database().transaction(async (transaction) => {
    await lockGarage(garageId, transaction);
    await addResults(garageId, [result], transaction);
  });
}

/** Keeps how well the signs of an ESC are known. */
export async function keepSigns(garageId: string, profileKey: string, signs: SignsLearned): Promise<void> {
  await database().transaction(async (transaction) => {
    await lockGarage(garageId, transaction);
    await writeSigns(garageId, profileKey, signs, transaction);
  });
}

/** Takes the rehearsals of a file in. @returns how many were not there before */
export async function takePractice(garageId: string, file: PracticeFile): Promise<number> {
  return database().transaction(async (transaction) => {
    await lockGarage(garageId, transaction);
    return bringPractice(garageId, file, transaction);
  });
}

/** The same inside of a transaction that has locked the garage. Signs that are known here stay as they are. */
export async function bringPractice(
  garageId: string,
  { profileId, results, turn, signs }: PracticeFile,
  transaction: Transaction,
): Promise<number> {
  const added = await addResults(garageId, results, transaction);
  const known = await SignsModel.findOne({ where: { garageId, profileKey: profileId }, transaction });
  const learned = Object.fromEntries(signs.map(({ id, level, dueAt }) => [id, { level, dueAt }]));
  if (!known && signs.length > 0) await writeSigns(garageId, profileId, { turn, learned }, transaction);
  return added;
}

/** Everything of a garage as files, one for each kind of ESC. */
export async function practiceFiles(garageId: string, transaction?: Transaction): Promise<PracticeFile[]> {
  const options = { where: { garageId }, ...(transaction && { transaction }) };
  const rows = await PracticeModel.findAll({ ...options, order: ['keptOrder'] });
  const signs = await SignsModel.findAll(options);
  const keys = [...new Set([...rows, ...signs].map(({ profileKey }) => profileKey))].toSorted();
  return keys.map((profileId) =>
    practiceFile(profileId, {
      results: rows.filter(({ profileKey }) => profileKey === profileId).map(({ document }) => document),
      signs: signs.find(({ profileKey }) => profileKey === profileId)?.document ?? NOTHING_LEARNED,
    }),
  );
}

/** What is known of one ESC as a file. */
export const practiceFile = (
  profileId: string,
  { results, signs }: { results: PracticeResult[]; signs: SignsLearned },
): PracticeFile => ({
  profileId,
  results,
  turn: signs.turn,
  signs: Object.entries(signs.learned).map(([id, { level, dueAt }]) => ({ id, level, dueAt })),
});

async function addResults(
  garageId: string,
  results: readonly PracticeResult[],
  transaction: Transaction,
): Promise<number> {
  const keys = results.map(({ id }) => id);
  const known = await PracticeModel.findAll({ where: { garageId, documentKey: keys }, transaction });
  const fresh = results.filter(({ id }) => !known.some(({ documentKey }) => documentKey === id));
  await PracticeModel.bulkCreate(
    fresh.map((result) => ({
      garageId,
      profileKey: result.profileId,
      documentKey: result.id,
      document: result,
    })),
    { transaction },
  );
  for (const profileKey of new Set(fresh.map(({ profileId }) => profileId)))
    await dropOldest({ garageId, profileKey }, transaction);
  return fresh.length;
}

async function dropOldest(
  where: { garageId: string; profileKey: string },
  transaction: Transaction,
): Promise<void> {
  const [first] = await PracticeModel.findAll({
    where,
    order: [['keptOrder', 'DESC']],
    offset: MOST_RESULTS - 1,
    limit: 1,
    transaction,
  });
  if (first)
    await PracticeModel.destroy({
      where: { ...where, keptOrder: { [Op.lt]: first.keptOrder } },
      transaction,
    });
}

async function writeSigns(
  garageId: string,
  profileKey: string,
  document: SignsLearned,
  transaction: Transaction,
): Promise<void> {
  const where = { garageId, profileKey };
  const [changed] = await SignsModel.update({ document }, { where, transaction });
  if (changed === 0) await SignsModel.create({ ...where, document }, { transaction });
}

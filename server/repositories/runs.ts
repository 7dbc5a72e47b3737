/** The runs of a rig. What one was driven with is kept as it was; what is said of it may be written again. */
import type { NumberedRun, Run, RunNote } from '#core/runs/run';
import { QueryTypes } from 'sequelize';
import { database } from '../database';
import { RunModel } from '../models';
import { sameJson } from './escProfiles';
import { isCount, isKey } from './ids';
import { lockRig } from './locks';
import { namedWords, placeOf, searchedWords, type Paged } from './paging';

const plain = ({ number, document }: Pick<RunModel, 'number' | 'document'>): NumberedRun => ({
  number,
  run: document,
});

/** The newest runs of a rig, in the order of their numbers. */
export async function newestRuns(rigId: string, limit: number): Promise<NumberedRun[]> {
  const rows = await RunModel.findAll({ where: { rigId }, order: [['number', 'DESC']], limit });
  return rows.map(plain).toReversed();
}

/** Runs of one question, in the order of their numbers. */
export async function runsOfQuestion(rigId: string, questionId: string): Promise<NumberedRun[]> {
  if (!isKey(questionId)) return [];
  const rows = await database().query<{ number: number; document: Run }>(
    `SELECT number, document FROM runs WHERE rig_id = :rigId AND document->'question'->>'id' = :questionId ORDER BY number`,
    { type: QueryTypes.SELECT, replacements: { rigId, questionId } },
  );
  return rows.map(plain);
}

/** One run by its number on its rig. */
export async function findRun(rigId: string, number: number): Promise<NumberedRun | undefined> {
  if (!isCount(number)) return undefined;
  const row = await RunModel.findOne({ where: { rigId, number } });
  return row ? plain(row) : undefined;
}

export const RUNS_ON_A_PAGE = 20;

/**
 * A page of the runs of a rig, newest first.
 * @param typed words, all of which stand in its number, its words, its pack or its place
 * @param page from 1; one behind the last is the last
 */
export async function pageOfRuns(rigId: string, typed: string, page: number): Promise<Paged<NumberedRun>> {
  const words = searchedWords(typed);
  const matching = `rig_id = :rigId ${words.map((_, n) => `AND strpos(said, :word${n}) > 0`).join(' ')}`;
  const replacements = { rigId, ...namedWords(words) };
  const [counted] = await database().query<{ found: number }>(
    `SELECT count(*)::int AS found FROM runs WHERE ${matching}`,
    { type: QueryTypes.SELECT, replacements },
  );
  const place = placeOf(page, counted!.found, RUNS_ON_A_PAGE);
  const rows = await database().query<{ number: number; document: Run }>(
    // First the numbers, which an index has: what is passed over on the way to a page is not read.
    `SELECT number, document FROM runs WHERE rig_id = :rigId AND number IN
       (SELECT number FROM runs WHERE ${matching} ORDER BY number DESC LIMIT :limit OFFSET :offset)
     ORDER BY number DESC`,
    {
      type: QueryTypes.SELECT,
      replacements: { ...replacements, limit: RUNS_ON_A_PAGE, offset: place.offset },
    },
  );
  return { ...place, lines: rows.map(plain) };
}

export interface RunKept {
  outcome: 'added' | 'equal' | 'differs';
  number: number;
}

/** Keeps a run. One that the rig already has is compared, never overwritten: a phone may send it twice. */
export async function keepRun(rigId: string, run: Run): Promise<RunKept> {
  return database().transaction(async (transaction) => {
    await lockRig(rigId, transaction);
    const known = await RunModel.findOne({ where: { rigId, documentKey: run.id }, transaction });
    if (known) return { outcome: sameJson(known.document, run) ? 'equal' : 'differs', number: known.number };
    const last = await RunModel.max<number | null, RunModel>('number', { where: { rigId }, transaction });
    const number = (last ?? 0) + 1;
    await RunModel.create(
      { rigId, documentKey: run.id, number, document: run, drivenAt: new Date(run.drivenAt) },
      { transaction },
    );
    return { outcome: 'added', number };
  });
}

/** Writes again what is said of a run. @returns false where the rig has none of this number */
export async function describeRun(rigId: string, number: number, note: RunNote): Promise<boolean> {
  return database().transaction(async (transaction) => {
    const row = await RunModel.findOne({ where: { rigId, number }, transaction, lock: true });
    await row?.update({ document: { ...row.document, ...note } }, { transaction });
    return row !== null;
  });
}

/** Whether the rig has a run of this permanent id. */
export async function hasRun(rigId: string, documentKey: string): Promise<number | undefined> {
  return (await RunModel.findOne({ where: { rigId, documentKey }, attributes: ['number'] }))?.number;
}

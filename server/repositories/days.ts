/** The days of a garage: test days and race days. */
import type { Day } from '#core/days/day';
import type { DrivenRun } from '#core/days/testDayProblem';
import type { Run } from '#core/runs/run';
import { QueryTypes } from 'sequelize';
import { database } from '../database';
import { DayModel } from '../dayModels';
import { isKey } from './ids';
import { lockGarage } from './locks';

/** More than anybody looks through. */
export const MOST_DAYS = 1000;

export interface StoredDay {
  day: Day;
  /** Counts its saves. */
  revision: number;
}

const plain = ({ document, revision }: DayModel): StoredDay => ({ day: document, revision });

/** All days of a garage, the newest first. */
export async function daysOf(garageId: string): Promise<StoredDay[]> {
  const rows = await DayModel.findAll({
    where: { garageId },
    order: [
      ['day', 'DESC'],
      ['documentKey', 'ASC'],
    ],
  });
  return rows.map(plain);
}

/** One day; undefined where the garage has none of this id. */
export async function findDay(garageId: string, documentKey: string): Promise<StoredDay | undefined> {
  if (!isKey(documentKey)) return undefined;
  const row = await DayModel.findOne({ where: { garageId, documentKey } });
  return row ? plain(row) : undefined;
}

/** A new day. @returns false where there is no room, or one of its id */
export async function addDay(garageId: string, day: Day): Promise<boolean> {
  return database().transaction(async (transaction) => {
    await lockGarage(garageId, transaction);
    if ((await DayModel.count({ where: { garageId }, transaction })) >= MOST_DAYS) return false;
    if (await DayModel.findOne({ where: { garageId, documentKey: day.id }, transaction })) return false;
    await DayModel.create({ garageId, documentKey: day.id, document: day }, { transaction });
    return true;
  });
}

/**
 * Keeps a day over the one that it is based on.
 * @returns its new revision; `changed` where somebody else kept it in between; `gone` where there is none
 */
export async function saveDay(
  garageId: string,
  day: Day,
  basedOn: number,
): Promise<{ revision: number } | 'changed' | 'gone'> {
  const [changed] = await DayModel.update(
    { document: day, revision: basedOn + 1 },
    { where: { garageId, documentKey: day.id, revision: basedOn } },
  );
  if (changed > 0) return { revision: basedOn + 1 };
  return (await findDay(garageId, day.id)) ? 'changed' : 'gone';
}

/** Takes a day away; its runs stay. */
export async function deleteDay(garageId: string, documentKey: string): Promise<void> {
  if (isKey(documentKey)) await DayModel.destroy({ where: { garageId, documentKey } });
}

/** Runs that count for some questions of a garage, the oldest first. */
export async function runsForQuestions(
  garageId: string,
  questionIds: readonly string[],
): Promise<(Omit<DrivenRun, 'packId'> & { pack: string; number: number; rigId: string })[]> {
  if (questionIds.length === 0) return [];
  const rows = await database().query<{ rig_id: string; number: number; document: Run }>(
    `SELECT r.rig_id, r.number, r.document FROM runs r JOIN rigs g ON g.id = r.rig_id
     WHERE g.garage_id = :garageId AND r.document->'question'->>'id' IN (:questionIds)
     ORDER BY r.driven_at, r.number`,
    { type: QueryTypes.SELECT, replacements: { garageId, questionIds: [...questionIds] } },
  );
  return rows.flatMap(({ rig_id: rigId, number, document: run }) =>
    run.question === null || run.leftOut !== ''
      ? []
      : [
          {
            rigId,
            number,
            questionId: run.question.id,
            side: run.question.side,
            pack: run.pack,
            at: Math.floor(Date.parse(run.drivenAt) / 60_000),
            minutes: run.minutes ?? 0,
          },
        ],
  );
}

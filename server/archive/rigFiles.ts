/** A rig as the files of an archive: open documents where there are some, small tables for the rest. The same rig gives the same files. */
import type { ArchivedBench, SeenRow } from '#formats/archive';
import { VERSION, writeDocument } from '#formats/document';
import { createHash } from 'node:crypto';
import { Op, type Transaction } from 'sequelize';
import {
  AskedModel,
  BenchTestModel,
  BuildCheckModel,
  CalibrationModel,
  DraftModel,
  EscProfileModel,
  ObservationModel,
  RigPictureModel,
  RunLogModel,
  RunModel,
  SetUpModel,
  SheetModel,
  SimulatedEscModel,
  type RigModel,
} from '../models';

export interface NamedBytes {
  /** Below the folder of the rig. */
  path: string;
  bytes: Buffer;
}

/** So many rows are read at a time: a rig may have tens of thousands. */
const AT_A_TIME = 500;

const json = (value: unknown): Buffer => Buffer.from(`${JSON.stringify(sorted(value))}\n`);

/** Keys in order: the database keeps them in an order of its own. */
function sorted(value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) return value.map(sorted);
  return Object.fromEntries(
    Object.entries(value)
      .toSorted(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, one]) => [key, sorted(one)]),
  );
}

const document = (body: Parameters<typeof writeDocument>[0]): Buffer =>
  Buffer.from(writeDocument(sorted(body) as typeof body));

/** All files of a rig, one after the other. @param transaction in which nothing changes meanwhile */
export async function* filesOfRig(row: RigModel, transaction: Transaction): AsyncGenerator<NamedBytes> {
  const rigId = row.id;
  const where = { rigId };
  const profile = await EscProfileModel.findByPk(row.escProfileId, { rejectOnEmpty: true, transaction });
  yield {
    path: 'rig.json',
    bytes: document({
      format: 'live-tune/rig',
      version: VERSION,
      rig: row.document,
      escProfileId: profile.profileKey,
    }),
  };
  const seen = await seenOf(rigId, transaction);
  yield { path: 'seen.json', bytes: json(seen.rows) };
  const sheets: ArchivedBench['sheets'] = [];
  for (let after = 0; ;) {
    const some = await SheetModel.findAll({
      where: { rigId, number: { [Op.gt]: after } },
      order: ['number'],
      limit: AT_A_TIME,
      transaction,
    });
    for (const { number, origin, keptAt, observedUpTo, document: sheet } of some) {
      sheets.push({
        number,
        origin,
        keptAt: keptAt.toISOString(),
        seenBefore: seen.countUpTo(Number(observedUpTo)),
      });
      yield {
        path: `sheets/${number}.json`,
        bytes: document({ format: 'live-tune/sheet', version: VERSION, ...sheet }),
      };
    }
    if (some.length < AT_A_TIME) break;
    after = some.at(-1)!.number;
  }
  const setUps = await SetUpModel.findAll({ where, order: ['keptOrder'], transaction });
  for (const { document: setUp } of setUps)
    yield {
      path: `set-ups/${setUp.id}.json`,
      bytes: document({ format: 'live-tune/set-up', version: VERSION, setUp }),
    };
  const runs = await RunModel.findAll({ where, order: ['number'], transaction });
  for (const { number, document: run } of runs)
    yield {
      path: `runs/${number}.json`,
      bytes: document({ format: 'live-tune/run', version: VERSION, run }),
    };
  // One at a time: a log may have tens of megabytes.
  const logged = await RunLogModel.findAll({ where, order: ['number'], attributes: ['number'], transaction });
  for (const { number } of logged) {
    const log = await RunLogModel.findOne({ where: { rigId, number }, rejectOnEmpty: true, transaction });
    yield { path: `runs/${number}.log.json`, bytes: json(log.document) };
    yield { path: `runs/${number}.log`, bytes: log.samples };
  }
  const asked = await AskedModel.findAll({ where, order: ['keptOrder'], transaction });
  if (asked.length > 0)
    yield {
      path: 'asked.json',
      bytes: json(
        asked.map(({ document: one, closedAt }) => ({
          asked: one,
          closedAt: closedAt?.toISOString() ?? null,
        })),
      ),
    };
  yield { path: 'notes.json', bytes: json(await notesOf(rigId, transaction)) };
  const picture = await RigPictureModel.findByPk(rigId, { transaction });
  if (picture) yield { path: 'picture.webp', bytes: picture.image };
  yield {
    path: 'bench.json',
    bytes: json(
      await benchOf(
        row,
        profile,
        { sheets, setUps, runs, logs: logged.map(({ number }) => number) },
        transaction,
      ),
    ),
  };
}

async function benchOf(
  row: RigModel,
  { profileKey, revision }: EscProfileModel,
  {
    sheets,
    setUps,
    runs,
    logs,
  }: { sheets: ArchivedBench['sheets']; setUps: SetUpModel[]; runs: RunModel[]; logs: number[] },
  transaction: Transaction,
): Promise<ArchivedBench> {
  const where = { rigId: row.id };
  const draft = await DraftModel.findByPk(row.id, { rejectOnEmpty: true, transaction });
  const checks = await BuildCheckModel.findAll({ where, order: ['line'], transaction });
  const memories = await SimulatedEscModel.findAll({ where, order: ['escNumber'], transaction });
  const iso = (date: Date | null | undefined): string | null => date?.toISOString() ?? null;
  return {
    profileId: profileKey,
    profileRevision: revision,
    rigRevision: row.revision,
    archivedAt: iso(row.archivedAt),
    deletedAt: iso(row.deletedAt),
    updatedAt: row.updatedAt.toISOString(),
    goals: row.goals ?? null,
    rulesId: row.eventRulesId ?? null,
    draft: draft.document,
    draftRevision: draft.revision,
    buildChecks: checks.map(({ line, checkedAt }) => ({ line, checkedAt: checkedAt.toISOString() })),
    memories: memories.map(({ escNumber, memory, writes }) => ({
      escNumber,
      memory,
      writes: Number(writes),
    })),
    sheets,
    setUps: setUps.map(({ documentKey, archivedAt }) => ({ id: documentKey, archivedAt: iso(archivedAt) })),
    // Archives of before there were runs say nothing of them: a rig without any is still the same.
    ...(runs.length === 0 ? {} : { runs: runs.map(({ number }) => number) }),
    ...(logs.length === 0 ? {} : { logs }),
  };
}

/** All that was seen on the ESCs of a rig, oldest first, and how much of it there was up to an id. */
async function seenOf(
  rigId: string,
  transaction: Transaction,
): Promise<{ rows: SeenRow[]; countUpTo: (id: number) => number }> {
  const found = await ObservationModel.findAll({
    where: { rigId },
    order: ['id'],
    raw: true,
    transaction,
  });
  const ids = found.map(({ id }) => Number(id));
  return {
    rows: found.map(({ escNumber, itemKey, stopKey, basis, observedAt }): SeenRow => [
      escNumber,
      itemKey,
      stopKey,
      basis,
      new Date(observedAt).toISOString(),
    ]),
    countUpTo: (id) => {
      let [low, high] = [0, ids.length];
      while (low < high) {
        const middle = (low + high) >> 1;
        if (ids[middle]! <= id) low = middle + 1;
        else high = middle;
      }
      return low;
    },
  };
}

/** Calibrations and tests in the one order in which they were kept. */
async function notesOf(rigId: string, transaction: Transaction): Promise<object[]> {
  const [calibrations, tests] = await Promise.all([
    CalibrationModel.findAll({ where: { rigId }, transaction }),
    BenchTestModel.findAll({ where: { rigId }, transaction }),
  ]);
  return [
    ...calibrations.map(({ keptOrder, document: kept }) => ({ keptOrder, kind: 'calibration', kept })),
    ...tests.map(({ keptOrder, document: kept }) => ({ keptOrder, kind: 'benchTest', kept })),
  ]
    .toSorted((a, b) => Number(a.keptOrder) - Number(b.keptOrder))
    .map(({ kind, kept }) => ({ kind, kept }));
}

export const sha256Of = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

/** One sum for all files of a rig, whatever their order. */
export const digestOf = (files: readonly { path: string; sha256: string }[]): string =>
  sha256Of(
    Buffer.from(
      files
        .map(({ path, sha256 }) => `${path} ${sha256}`)
        .toSorted()
        .join('\n'),
    ),
  );

/** The sum of a rig as it is in the garage. */
export async function digestOfRig(row: RigModel, transaction: Transaction): Promise<string> {
  const files = [];
  for await (const { path, bytes } of filesOfRig(row, transaction))
    files.push({ path, sha256: sha256Of(bytes) });
  return digestOf(files);
}

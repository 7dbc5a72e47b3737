/** Everything of a garage in one file: a zip of open documents with a manifest, written as a stream. */
import {
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  type ArchivedFile,
  type ArchivedRig,
  type Manifest,
} from '#formats/archive';
import { VERSION, writeDocument } from '#formats/document';
import { Op, Transaction } from 'sequelize';
import { setImmediate as nextTurn } from 'node:timers/promises';
import { Readable, type PassThrough } from 'node:stream';
import { ZipFile } from 'yazl';
import { database } from '../database';
import { DayModel, PackEntryModel, PackModel } from '../dayModels';
import { practiceFiles } from '../repositories/practice';
import { AlikeModel, EscProfileModel, EventRulesModel, RigModel } from '../models';
import { digestOf, filesOfRig, sha256Of } from './rigFiles';

const RIGS_AT_A_TIME = 50;

/**
 * Writes a garage as it is at this moment; what is changed meanwhile is not in it.
 * @returns the bytes of the archive, and when they are all written; a failure destroys the stream
 */
export function saveGarage(garageId: string): { bytes: Readable; done: Promise<Manifest> } {
  const zip = new ZipFile();
  const bytes = zip.outputStream as PassThrough;
  // Whoever reads hears of it by the stream's end; unheard, it would end this process.
  bytes.on('error', () => undefined);
  const done = writeAll(garageId, zip, bytes);
  done.catch((error: unknown) => bytes.destroy(error as Error));
  return { bytes, done };
}

async function writeAll(garageId: string, zip: ZipFile, bytes: PassThrough): Promise<Manifest> {
  const files: ArchivedFile[] = [];
  const rigs: ArchivedRig[] = [];
  const put = putInto(zip, bytes);
  const add = async (path: string, content: Buffer): Promise<void> => {
    files.push({ path, bytes: content.byteLength, sha256: sha256Of(content) });
    await put(path, content);
    // Whoever else asks comes in between.
    await nextTurn();
  };
  const isolationLevel = Transaction.ISOLATION_LEVELS.REPEATABLE_READ;
  await database().transaction({ isolationLevel, readOnly: true }, async (transaction) => {
    await addShared(garageId, add, transaction);
    for await (const row of rigsOf(garageId, transaction)) {
      const own: { path: string; sha256: string }[] = [];
      for await (const { path, bytes: content } of filesOfRig(row, transaction)) {
        own.push({ path, sha256: sha256Of(content) });
        await add(`rigs/${row.id}/${path}`, content);
      }
      rigs.push({ id: row.id, name: row.name, digest: digestOf(own) });
    }
  });
  const manifest: Manifest = {
    format: ARCHIVE_FORMAT,
    version: ARCHIVE_VERSION,
    madeAt: new Date().toISOString(),
    files,
    rigs,
  };
  zip.addBuffer(Buffer.from(`${JSON.stringify(manifest, null, 1)}\n`), 'manifest.json');
  zip.end();
  return manifest;
}

/**
 * One file behind the other, each once the one before it is written: what a buffer at a time would keep until the end is let
 * go of at once.
 */
function putInto(zip: ZipFile, bytes: PassThrough): (path: string, content: Buffer) => Promise<void> {
  let giveUp: (() => void) | undefined;
  bytes.once('close', () => giveUp?.());
  return (path, content) =>
    new Promise((resolve, reject) => {
      giveUp = () => reject(new Error('nobody takes the archive any more'));
      if (bytes.destroyed) giveUp();
      else
        zip.addReadStreamLazy(path, {}, (hand) => {
          const source = Readable.from([content]);
          source.once('end', resolve).once('error', reject);
          hand(null, source);
        });
    });
}

/** What rigs share: ESC profiles in all their revisions, the rules of events, and which rigs should match. */
async function addShared(
  garageId: string,
  add: (path: string, content: Buffer) => Promise<void>,
  transaction: Transaction,
): Promise<void> {
  const profiles = await EscProfileModel.findAll({
    where: { garageId },
    order: ['profileKey', 'revision'],
    transaction,
  });
  for (const { profileKey, revision, document } of profiles)
    await add(
      `profiles/${profileKey}-${revision}.json`,
      Buffer.from(writeDocument({ format: 'live-tune/esc-profile', version: VERSION, ...document })),
    );
  const rules = await EventRulesModel.findAll({ where: { garageId }, order: ['id'], transaction });
  for (const { id, document } of rules)
    await add(`rules/${id}.json`, Buffer.from(`${JSON.stringify({ id, rules: document })}\n`));
  const groups = await AlikeModel.findAll({ where: { garageId }, order: ['id'], transaction });
  for (const { id, document } of groups)
    await add(`alike/${id}.json`, Buffer.from(`${JSON.stringify({ id, group: document })}\n`));
  await addPacksDaysAndPractice(garageId, add, transaction);
}

async function addPacksDaysAndPractice(
  garageId: string,
  add: (path: string, content: Buffer) => Promise<void>,
  transaction: Transaction,
): Promise<void> {
  const write = (body: Parameters<typeof writeDocument>[0]): Buffer => Buffer.from(writeDocument(body));
  const packs = await PackModel.findAll({ where: { garageId }, order: ['documentKey'], transaction });
  for (const { id: packId, documentKey, document: pack } of packs) {
    const rows = await PackEntryModel.findAll({ where: { packId }, order: ['keptOrder'], transaction });
    const entries = rows.map(({ document }) => document);
    await add(
      `packs/${documentKey}.json`,
      write({ format: 'live-tune/pack', version: VERSION, pack, entries }),
    );
  }
  const days = await DayModel.findAll({ where: { garageId }, order: ['documentKey'], transaction });
  for (const { documentKey, document: day } of days)
    await add(`days/${documentKey}.json`, write({ format: 'live-tune/day', version: VERSION, day }));
  for (const [place, file] of (await practiceFiles(garageId, transaction)).entries())
    await add(
      `practice/${place + 1}.json`,
      write({ format: 'live-tune/practice', version: VERSION, ...file }),
    );
}

/** All rigs, archived and deleted ones, too; those that were touched first come first. */
async function* rigsOf(garageId: string, transaction: Transaction): AsyncGenerator<RigModel> {
  for (let after = 0; ;) {
    const some = await RigModel.findAll({
      where: { garageId, touched: { [Op.gt]: after } },
      order: ['touched'],
      limit: RIGS_AT_A_TIME,
      transaction,
    });
    yield* some;
    if (some.length < RIGS_AT_A_TIME) return;
    after = Number(some.at(-1)!.touched);
  }
}

/** Reads an archive from disk: every file of it is looked at before anything of it counts. */
import { usualGoals } from '#core/advice/goals';
import { readGoals } from '#core/advice/readGoals';
import type { BenchTest } from '#core/calibration/benchTest';
import type { Calibration } from '#core/calibration/calibration';
import type { EscProfile } from '#core/esc/profile';
import type { EventRules } from '#core/rig/eventRules';
import type { Rig } from '#core/rig/rig';
import type { NumberedRun } from '#core/runs/run';
import type { AlikeGroup } from '#core/setUps/alike';
import type { LogMeta } from '#core/runs/log/meta';
import { unpackLog } from '#core/runs/log/packed';
import type { SetUp } from '#core/setUps/setUp';
import type { Sheet } from '#core/sheet/sheet';
import { dataFault } from '#core/units/dataFault';
import {
  archivedAlikeSchema,
  archivedAskedSchema,
  archivedRulesSchema,
  benchSchema,
  isSeen,
  manifestSchema,
  type ArchivedAsked,
  type ArchivedBench,
  type Manifest,
  type SeenRow,
} from '#formats/archive';
import type { Day } from '#core/days/day';
import type { PackFile } from '#formats/pack';
import type { PracticeFile } from '#formats/practice';
import { benchTestSchema } from '#formats/benchTest';
import { calibrationSchema } from '#formats/calibration';
import { logMetaSchema } from '#formats/keptLog';
import { problemsOf, readDocument, type Format } from '#formats/document';
import { once } from 'node:events';
import { setImmediate as nextTurn } from 'node:timers/promises';
import type { Readable } from 'node:stream';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { digestOf, sha256Of } from './rigFiles';

/** A sentence for whoever chose the file. */
export class BadArchive extends Error {}

const MOST_BYTES = 100_000_000;

/** An archive whose files were all found whole and sound. */
export interface OpenArchive {
  manifest: Manifest;
  profiles: EscProfile[];
  rules: { id: string; rules: EventRules }[];
  /** Rigs that should match. */
  alike: { id: string; group: AlikeGroup }[];
  packs: PackFile[];
  days: Day[];
  practice: PracticeFile[];
  /** Reads a rig anew each time: a thousand of them need not fit in memory. */
  rig: (rigId: string) => Promise<WholeRig>;
  close: () => void;
}

export interface WholeRig {
  id: string;
  rig: Rig;
  bench: ArchivedBench;
  seen: SeenRow[];
  notes: Note[];
  setUps: SetUp[];
  asked: ArchivedAsked[];
  picture: Buffer | undefined;
  /** One at a time, in the order of their numbers. */
  sheets: () => AsyncGenerator<Sheet>;
  /** As the sheets. */
  runs: () => AsyncGenerator<NumberedRun>;
  logs: () => AsyncGenerator<ArchivedLog>;
}

export interface ArchivedLog {
  number: number;
  meta: LogMeta;
  samples: Buffer;
}

export type Note = { kind: 'calibration'; kept: Calibration } | { kind: 'benchTest'; kept: BenchTest };

/**
 * Opens an archive and looks at all of it.
 * @throws {BadArchive} where it is none, newer than this Live Tune, incomplete, changed or unsound
 */
export async function openArchive(file: string): Promise<OpenArchive> {
  const zip = await opened(file);
  try {
    const entries = await entriesOf(zip);
    const manifest = await manifestIn(zip, entries);
    await checkSums(zip, entries, manifest);
    const read = (path: string): Promise<Buffer> => bytesOf(zip, entries, path);
    const shared = await sharedOf(manifest, read);
    const rig = (rigId: string): Promise<WholeRig> =>
      wholeRig(rigId, read, (path) => entries.has(`rigs/${rigId}/${path}`));
    for (const { id } of manifest.rigs) await checkRig(await rig(id), shared);
    return { manifest, ...shared, rig, close: () => zip.close() };
  } catch (error) {
    zip.close();
    throw error;
  }
}

async function opened(file: string): Promise<ZipFile> {
  try {
    return await new Promise<ZipFile>((resolve, reject) => {
      yauzl.open(file, { lazyEntries: true, autoClose: false }, (error, zip) =>
        error ? reject(error) : resolve(zip),
      );
    });
  } catch {
    throw new BadArchive('This is not a Live Tune archive, or it is incomplete.');
  }
}

async function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  const entries = new Map<string, Entry>();
  zip.on('entry', (entry: Entry) => {
    entries.set(entry.fileName, entry);
    zip.readEntry();
  });
  zip.readEntry();
  try {
    await once(zip, 'end');
  } catch {
    throw new BadArchive('The archive is damaged: its list of files cannot be read.');
  }
  return entries;
}

async function bytesOf(zip: ZipFile, entries: Map<string, Entry>, path: string): Promise<Buffer> {
  const entry = entries.get(path);
  if (!entry) throw new BadArchive(`The archive lacks ${path}.`);
  if (entry.uncompressedSize > MOST_BYTES) throw new BadArchive(`${path} is larger than anything kept here.`);
  try {
    const stream = await new Promise<Readable>((resolve, reject) => {
      zip.openReadStream(entry, (error, opening) => (error ? reject(error) : resolve(opening)));
    });
    const chunks: Buffer[] = [];
    for await (const chunk of stream) chunks.push(chunk as Buffer);
    return Buffer.concat(chunks);
  } catch {
    throw new BadArchive(`${path} in the archive is damaged.`);
  }
}

async function manifestIn(zip: ZipFile, entries: Map<string, Entry>): Promise<Manifest> {
  if (!entries.has('manifest.json')) throw new BadArchive('This is a zip file, but not a Live Tune archive.');
  const manifest = parsed('manifest.json', await bytesOf(zip, entries, 'manifest.json'));
  const { version } = manifest as { version?: unknown };
  if (typeof version === 'number' && version > 1)
    throw new BadArchive(
      `The archive is of version ${version}; this Live Tune reads version 1. Use a newer one.`,
    );
  sound('manifest.json', problemsOf(manifestSchema, manifest));
  return manifest as Manifest;
}

async function checkSums(zip: ZipFile, entries: Map<string, Entry>, { files }: Manifest): Promise<void> {
  const known = new Set(files.map(({ path }) => path));
  const extra = [...entries.keys()].find((path) => path !== 'manifest.json' && !known.has(path));
  if (extra !== undefined)
    throw new BadArchive(`The archive has a file that its manifest does not know: ${extra}.`);
  for (const { path, bytes, sha256 } of files) {
    const content = await bytesOf(zip, entries, path);
    if (content.byteLength !== bytes || sha256Of(content) !== sha256)
      throw new BadArchive(`${path} is not as it was saved: its check sum is wrong.`);
    await nextTurn();
  }
}

type Read = (path: string) => Promise<Buffer>;

async function sharedOf({ files }: Manifest, read: Read) {
  const profiles: EscProfile[] = [];
  const rules: OpenArchive['rules'] = [];
  const alike: OpenArchive['alike'] = [];
  const packs: OpenArchive['packs'] = [];
  const days: OpenArchive['days'] = [];
  const practice: OpenArchive['practice'] = [];
  for (const { path } of files) {
    if (path.startsWith('profiles/')) {
      const {
        format: _format,
        version: _version,
        ...profile
      } = documentIn(path, await read(path), 'live-tune/esc-profile');
      profiles.push(profile);
    }
    if (path.startsWith('rules/')) {
      const one = parsed(path, await read(path));
      sound(path, problemsOf(archivedRulesSchema, one));
      rules.push(one as OpenArchive['rules'][0]);
    }
    if (path.startsWith('packs/')) packs.push(documentIn(path, await read(path), 'live-tune/pack'));
    if (path.startsWith('days/')) days.push(documentIn(path, await read(path), 'live-tune/day').day);
    if (path.startsWith('practice/')) practice.push(documentIn(path, await read(path), 'live-tune/practice'));
    if (path.startsWith('alike/')) {
      const one = parsed(path, await read(path));
      sound(path, problemsOf(archivedAlikeSchema, one));
      alike.push(one as OpenArchive['alike'][0]);
    }
  }
  return { profiles, rules, alike, packs, days, practice };
}

async function wholeRig(id: string, read: Read, has: (path: string) => boolean): Promise<WholeRig> {
  const folder = `rigs/${id}/`;
  const at = (path: string): Promise<Buffer> => read(folder + path);
  const bench = parsed(`${folder}bench.json`, await at('bench.json')) as ArchivedBench;
  sound(`${folder}bench.json`, problemsOf(benchSchema, bench));
  const seen = parsed(`${folder}seen.json`, await at('seen.json'));
  if (!isSeen(seen)) throw new BadArchive(`${folder}seen.json holds something else than observations.`);
  const setUps: SetUp[] = [];
  for (const one of bench.setUps)
    setUps.push(
      documentIn(`${folder}set-ups/${one.id}.json`, await at(`set-ups/${one.id}.json`), 'live-tune/set-up')
        .setUp,
    );
  return {
    id,
    rig: documentIn(`${folder}rig.json`, await at('rig.json'), 'live-tune/rig').rig,
    bench,
    seen,
    notes: notesIn(`${folder}notes.json`, await at('notes.json')),
    setUps,
    asked: has('asked.json') ? askedIn(`${folder}asked.json`, await at('asked.json')) : [],
    picture: has('picture.webp') ? await at('picture.webp') : undefined,
    async *sheets() {
      for (const { number } of bench.sheets) {
        const path = `sheets/${number}.json`;
        const {
          format: _format,
          version: _version,
          ...sheet
        } = documentIn(folder + path, await at(path), 'live-tune/sheet');
        yield sheet;
      }
    },
    async *runs() {
      for (const number of bench.runs ?? []) {
        const path = `${folder}runs/${number}.json`;
        yield { number, run: documentIn(path, await read(path), 'live-tune/run').run };
      }
    },
    async *logs() {
      for (const number of bench.logs ?? []) yield logIn(`${folder}runs/${number}.log`, number, read);
    },
  };
}

/** What no schema of one document can see. */
async function checkRig(
  whole: WholeRig,
  { profiles, rules }: Pick<OpenArchive, 'profiles' | 'rules'>,
): Promise<void> {
  const { id, rig, bench } = whole;
  const isThere = profiles.some(
    (profile) => profile.id === bench.profileId && profile.revision === bench.profileRevision,
  );
  if (!isThere)
    throw new BadArchive(`The ESC profile “${bench.profileId}” of “${rig.name}” is not in the archive.`);
  if (bench.rulesId !== null && !rules.some((one) => one.id === bench.rulesId))
    throw new BadArchive(`The event rules of “${rig.name}” are not in the archive.`);
  if (bench.goals !== null && !readGoals({ ...usualGoals(rig.vehicleClass), ...bench.goals }))
    throw new BadArchive(`The goals of “${rig.name}” are unsound.`);
  if (bench.memories.length < rig.motorCount)
    throw new BadArchive(
      `“${rig.name}” has ${rig.motorCount} motors, and the archive fewer ESCs: rigs/${id}/bench.json.`,
    );
  for await (const sheet of whole.sheets()) {
    if (sheet.values.length === 0) throw new BadArchive(`A sheet of “${rig.name}” is empty.`);
    await nextTurn();
  }
  const keys = new Set<string>();
  for await (const { number, run } of whole.runs()) {
    if (keys.has(run.id)) throw new BadArchive(`Run ${number} of “${rig.name}” is there twice.`);
    keys.add(run.id);
    await nextTurn();
  }
  const runs = new Set(bench.runs);
  for await (const { number } of whole.logs())
    if (!runs.has(number))
      throw new BadArchive(`“${rig.name}” has a log of a run ${number}, but no such run.`);
}

function notesIn(path: string, bytes: Buffer): Note[] {
  const notes = parsed(path, bytes);
  if (!Array.isArray(notes)) throw new BadArchive(`${path} is not a list.`);
  for (const { kind, kept } of notes as Partial<Note>[]) {
    if (kind !== 'calibration' && kind !== 'benchTest')
      throw new BadArchive(`${path} holds something unknown.`);
    const schema = kind === 'calibration' ? calibrationSchema : benchTestSchema;
    sound(path, problemsOf(schema as Parameters<typeof problemsOf>[0], kept));
  }
  return notes as Note[];
}

async function logIn(path: string, number: number, read: Read): Promise<ArchivedLog> {
  const meta = parsed(`${path}.json`, await read(`${path}.json`));
  sound(`${path}.json`, problemsOf(logMetaSchema, meta));
  const samples = await read(path);
  const log = unpackLog(new Uint8Array(samples));
  if (!log.ok) throw new BadArchive(`${path}: ${log.problems[0]!.sentence}`);
  return { number, meta: meta as LogMeta, samples };
}

function askedIn(path: string, bytes: Buffer): ArchivedAsked[] {
  const all = parsed(path, bytes);
  if (!Array.isArray(all)) throw new BadArchive(`${path} is not a list.`);
  for (const one of all) sound(path, problemsOf(archivedAskedSchema, one));
  return all as ArchivedAsked[];
}

function documentIn<F extends Format>(path: string, bytes: Buffer, format: F) {
  const read = readDocument(bytes.toString('utf8'));
  if (!read.ok) throw new BadArchive(`${path}: ${read.problems[0]!.path} ${read.problems[0]!.sentence}`);
  if (read.value.format !== format)
    throw new BadArchive(`${path} is a ${read.value.format}, not a ${format}.`);
  return read.value as Extract<typeof read.value, { format: F }>;
}

function parsed(path: string, bytes: Buffer): unknown {
  let data: unknown;
  try {
    data = JSON.parse(bytes.toString('utf8'));
  } catch {
    throw new BadArchive(`${path} in the archive is not JSON.`);
  }
  const fault = dataFault(data);
  if (fault !== undefined) throw new BadArchive(`${path}: ${fault}`);
  return data;
}

function sound(path: string, [problem]: readonly { path: string; sentence: string }[]): void {
  if (problem) throw new BadArchive(`${path}: ${problem.path} ${problem.sentence}`);
}

/** The sum of each rig's own files, by its id: what the manifest says of a rig itself may be wrong. */
export function digestsIn({ files }: Manifest): Map<string, string> {
  const own = new Map<string, { path: string; sha256: string }[]>();
  for (const { path, sha256 } of files) {
    const [, id, rest] = /^rigs\/([^/]+)\/(.+)$/.exec(path) ?? [];
    if (id === undefined || rest === undefined) continue;
    const its = own.get(id) ?? [];
    its.push({ path: rest, sha256 });
    own.set(id, its);
  }
  return new Map([...own].map(([id, its]) => [id, digestOf(its)]));
}

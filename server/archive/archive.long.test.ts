import { createWriteStream } from 'node:fs';
import { copyFile, mkdir, open, readdir, readFile, rm, truncate, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Asked } from '#core/runs/asked';
import type { LogMeta } from '#core/runs/log/meta';
import { packLog } from '#core/runs/log/packed';
import type { PracticeResult } from '#core/rehearsal/results';
import { EMPTY_NOTE } from '#core/runs/run';
import type { Manifest } from '#formats/archive';
import { ZipFile } from 'yazl';
import { openTestDatabase, type TestDatabase } from '../database.fixture';
import { DayModel, PackModel } from '../dayModels';
import { PracticeModel, SignsModel } from '../practiceModels';
import { AlikeModel, EscProfileModel, EventRulesModel, RigModel } from '../models';
import { runFrom, type NotedRun } from '../runFrom';
import { askedOf, keepAsked } from '../repositories/asked';
import { keepLog, logMetaOf, logSamples } from '../repositories/runLogs';
import { findRun, keepRun } from '../repositories/runs';
import { DEMO_PACKS } from '../../demo/days/makeDays';
import { keepAlike } from '../repositories/alike';
import { findDay, saveDay } from '../repositories/days';
import { MOST_RESULTS } from '#formats/practice';
import { keepResult, keepSigns, practiceOf, takePractice } from '../repositories/practice';
import { dropPackEntry, findPack, keepPack, packLives } from '../repositories/packs';
import { keepSheet } from '../repositories/bench';
import { saveDraft } from '../repositories/drafts';
import { chooseRules, keepRules, listRules } from '../repositories/eventRules';
import { findBench, keepPassCode, placeRig } from '../repositories/rigs';
import { archiveSetUp, setUpsOf } from '../repositories/setUps';
import { keepPicture } from '../repositories/rigPictures';
import { compareArchive } from './compareArchive';
import { copiesIn, keepDailyCopy } from './dailyCopies';
import { BadArchive, openArchive } from './readArchive';
import { restoreArchive, type Choice } from './restoreArchive';
import { saveGarage } from './saveGarage';

const FOLDER = '.data/archives';
const PASS_CODE = 4711;
let test: TestDatabase;
let whole: string;

/** A run with something of everything that it can say. */
const NOTED: NotedRun = {
  id: 'run-of-a-test',
  drivenAt: '2026-05-01T10:00:00.000Z',
  note: {
    ...EMPTY_NOTE,
    minutes: 6,
    felt: { brake: 'more', pullAway: 'right' },
    troubles: ['weakSlowBrake'],
    readings: [{ kind: 'canCelsius', value: 71, from: 'hand' }],
    words: 'low tide',
  },
  byHand: { pinionTeeth: 21 },
  question: { id: 'which', side: 'B' },
};
const rehearsed = (id: string): PracticeResult => ({
  id,
  profileId: 'pattern-one-key',
  lessonId: 'changeOne',
  family: 'oneKey',
  mode: 'exam',
  at: '2026-05-01T10:00:00.000Z',
  passed: true,
  seconds: 61.5,
  planSeconds: 58,
  speed: 0.5,
  surprise: 'trimOff',
  slips: [{ kind: 'missed', count: 2 }],
});
const SIGNS = { turn: 3, learned: { 'tone long': { level: 2, dueAt: 9 } } };
const STOPS = {
  from: { stopId: 'stopper-7', stopNumber: 7, label: '85 %' },
  to: { stopId: 'stopper-8', stopNumber: 8, label: '100 %' },
};
const OF_STOPPER = {
  madeAt: '2026-05-01T10:00:00.000Z',
  itemId: 'stopper',
  itemNumber: 6,
  itemLabel: 'Stopper',
};
const ASKED: Asked[] = [
  {
    kind: 'change',
    ...OF_STOPPER,
    ...STOPS,
    id: 'tried',
    afterRun: 1,
    aim: { kind: 'moment', moment: 'brake', wanted: 'more' },
    because: 'Brake: more wanted.',
    lookFor: 'Shorter.',
    predicted: { told: ['brake', 'stop'], name: 'Stop', unit: 'm', decimals: 2, before: 6, after: 5 },
  },
  {
    kind: 'compare',
    ...OF_STOPPER,
    id: 'which',
    words: 'Does 100 % stop shorter?',
    reading: 'stopMetres',
    a: STOPS.from,
    b: STOPS.to,
  },
];

/** The demo’s buggy has a season of a dozen runs already. */
const NOTED_NUMBER = 13;
const LOGGED = Buffer.from(
  packLog({
    seconds: Float64Array.of(0, 0.1, 0.2),
    channels: [{ kind: 'rpm', name: 'Motor rpm', unit: 'rpm', values: Float32Array.of(0, NaN, 9000) }],
  }),
);
const LOG_META: LogMeta = {
  source: 'file',
  fileName: 'quay.csv',
  headKey: 'time|s;rpm|',
  uses: ['time', 'rpm'],
  units: ['', ''],
  problems: [],
  samples: 3,
  seconds: 0.2,
  channels: [{ kind: 'rpm', name: 'Motor rpm', unit: 'rpm' }],
};

const save = async (name: string): Promise<Manifest> => {
  const { bytes, done } = saveGarage(test.garageId);
  const [manifest] = await Promise.all([done, pipeline(bytes, createWriteStream(join(FOLDER, name)))]);
  return manifest;
};

const restore = async (file: string, choice: Choice) => {
  const archive = await openArchive(file);
  try {
    return await restoreArchive(test.garageId, archive, choice);
  } finally {
    archive.close();
  }
};

const empty = async (): Promise<void> => {
  await RigModel.destroy({ where: { garageId: test.garageId } });
  await EscProfileModel.destroy({ where: { garageId: test.garageId } });
  await EventRulesModel.destroy({ where: { garageId: test.garageId } });
  await AlikeModel.destroy({ where: { garageId: test.garageId } });
  await PackModel.destroy({ where: { garageId: test.garageId } });
  await DayModel.destroy({ where: { garageId: test.garageId } });
  await PracticeModel.destroy({ where: { garageId: test.garageId } });
  await SignsModel.destroy({ where: { garageId: test.garageId } });
};

const sums = ({ files }: Manifest) => Object.fromEntries(files.map(({ path, sha256 }) => [path, sha256]));
const rigIds = async () => (await RigModel.findAll({ order: ['touched'] })).map(({ id }) => id);
const buggy = async (): Promise<RigModel> =>
  RigModel.findOne({ where: { name: 'Kelp-beach buggy' }, rejectOnEmpty: true });

beforeAll(async () => {
  await rm(FOLDER, { recursive: true, force: true });
  await mkdir(FOLDER, { recursive: true });
  test = await openTestDatabase('.data/unit-archive');
  const { id } = await buggy();
  const bench = (await findBench(test.garageId, id))!;
  await saveDraft(id, bench.draftRevision, {
    stops: { stopper: 'stopper-2' },
    byHand: { pinionTeeth: 21 },
    reasons: { stopper: 'wet sand' },
    setUpId: 'island-race',
  });
  for (const note of ['first', 'second'])
    await keepSheet((await findBench(test.garageId, id))!, {
      origin: 'loaded',
      medium: 'oneKey',
      simulated: true,
      changedItemIds: ['stopper'],
      note,
    });
  await keepRules(test.garageId, undefined, {
    name: 'Island race',
    noAdvance: true,
    noReverse: false,
    mostCells: 2,
    note: '',
  });
  await chooseRules(test.garageId, id, (await listRules(test.garageId))[0]!.id);
  await keepRun(id, await runFrom((await findBench(test.garageId, id))!, NOTED));
  for (const asked of ASKED) await keepAsked(id, asked);
  await keepLog(id, NOTED_NUMBER, LOG_META, LOGGED);
  await keepPassCode(id, PASS_CODE);
  await keepPicture(id, Buffer.from('no picture, but bytes'));
  await archiveSetUp(id, 'dry-sand', true);
  await keepAlike(test.garageId, undefined, { name: 'The pair', rigIds: [id], target: null });
  const crawler = await RigModel.findOne({ where: { name: 'Cliff-path crawler' }, rejectOnEmpty: true });
  await placeRig(test.garageId, crawler.id, 'archive');
  whole = join(FOLDER, 'whole.zip');
  await save('whole.zip');
}, 120_000);

afterAll(async () => {
  await test.close();
  await rm(FOLDER, { recursive: true, force: true });
});

describe('everything saved', () => {
  it('comes back into an empty garage, equal document by document and in the same order', async () => {
    const before = await save('before.zip');
    const order = await rigIds();
    await empty();
    expect((await restore(join(FOLDER, 'before.zip'), 'keep')).restored).toBe(order.length);
    const after = await save('after.zip');
    expect(sums(after)).toEqual(sums(before));
    expect(after.rigs).toEqual(before.rigs);
    expect(await rigIds()).toEqual(order);
    const { id } = await buggy();
    const bench = (await findBench(test.garageId, id))!;
    expect(bench.draft.reasons).toEqual({ stopper: 'wet sand' });
    expect(bench.runs).toMatchObject({
      count: NOTED_NUMBER,
      last: NOTED_NUMBER,
      tried: { stopId: 'stopper-8' },
    });
    expect((await findRun(id, NOTED_NUMBER))!.run.readings).toEqual(NOTED.note.readings);
    expect((await logSamples(id, NOTED_NUMBER))!.equals(LOGGED)).toBe(true);
    expect(await logMetaOf(id, NOTED_NUMBER)).toEqual(LOG_META);
    // The demo asks one thing of it, too.
    expect((await askedOf(id)).map(({ asked }) => asked).slice(0, ASKED.length)).toEqual(ASKED.toReversed());
    expect((await setUpsOf(id)).map(({ setUp, archived }) => [setUp.id, archived])).toContainEqual([
      'dry-sand',
      true,
    ]);
  });

  it('restored twice changes nothing', async () => {
    const before = await save('before.zip');
    const { restored, compared } = await restore(join(FOLDER, 'before.zip'), 'replace');
    expect(restored).toBe(0);
    expect(
      new Set(
        Object.values({ ...compared, madeAt: [] })
          .flat()
          .map(({ standing }) => standing),
      ),
    ).toEqual(new Set(['same']));
    expect(sums(await save('after.zip'))).toEqual(sums(before));
  });

  it('has no pass code in it', async () => {
    const archive = await openArchive(whole);
    const { id } = await buggy();
    expect(JSON.stringify((await archive.rig(id)).bench)).not.toContain(String(PASS_CODE));
    archive.close();
  });

  it.each([
    ['keep', ['Kelp-beach buggy changed']],
    ['both', ['Kelp-beach buggy (saved copy)', 'Kelp-beach buggy changed']],
    ['replace', ['Kelp-beach buggy']],
  ] as const)('into a garage with another of that id: %s', async (choice, names) => {
    await empty();
    await restore(whole, 'keep');
    const row = await buggy();
    await row.update({
      name: 'Kelp-beach buggy changed',
      document: { ...row.document, name: 'Kelp-beach buggy changed' },
    });
    const archive = await openArchive(whole);
    const compared = await compareArchive(test.garageId, archive);
    archive.close();
    expect(compared.rigs.filter(({ standing }) => standing === 'different').map(({ name }) => name)).toEqual([
      'Kelp-beach buggy',
    ]);
    await restore(whole, choice);
    const found = (await RigModel.findAll())
      .map(({ name }) => name)
      .filter((name) => name.startsWith('Kelp'));
    expect(found.toSorted()).toEqual(names);
  });

  it('an ESC profile that is another here is kept beside it, and its rig goes on with its own', async () => {
    await empty();
    await restore(whole, 'keep');
    const profile = await EscProfileModel.findOne({
      where: { profileKey: 'tamsel-r60' },
      rejectOnEmpty: true,
    });
    await (await buggy()).destroy();
    await profile.update({ document: { ...profile.document, bootMs: profile.document.bootMs + 1 } });
    await restore(whole, 'keep');
    const bench = (await findBench(test.garageId, (await buggy()).id))!;
    expect(bench.profile.id).toMatch(/^tamsel-r60-[0-9a-f]{6}$/);
    expect(bench.heldSheetNumber).toBe(2);
  });
});

describe('packs and days', () => {
  it('a pack that lives on here learns what the archive knows, and a day stays as it is here', async () => {
    await empty();
    await restore(whole, 'keep');
    const pack = await findPack(test.garageId, 'demo-blue');
    await dropPackEntry(test.garageId, 'demo-blue', pack!.entries[0]!.id);
    const stored = (await findDay(test.garageId, 'demo-race-day'))!;
    await saveDay(test.garageId, { ...stored.day, name: 'Moved to May' }, stored.revision);
    const { compared } = await restore(whole, 'keep');
    expect(compared.packs.filter(({ standing }) => standing === 'different')).toHaveLength(1);
    expect((await findPack(test.garageId, 'demo-blue'))!.entries).toEqual(pack!.entries);
    expect((await findDay(test.garageId, 'demo-race-day'))!.day.name).toBe('Moved to May');
  });

  it('rehearsals come back once, and what was practised here meanwhile stays', async () => {
    await empty();
    await keepResult(test.garageId, rehearsed('before'));
    await keepSigns(test.garageId, 'pattern-one-key', SIGNS);
    await save('rehearsed');
    await empty();
    await keepResult(test.garageId, rehearsed('meanwhile'));
    for (const standing of ['new', 'same'] as const) {
      const { compared } = await restore(join(FOLDER, 'rehearsed'), 'keep');
      expect(compared.practice.map((one) => one.standing)).toEqual([standing]);
    }
    const { results, signs } = await practiceOf(test.garageId, 'pattern-one-key');
    expect(results.map(({ id }) => id).toSorted()).toEqual(['before', 'meanwhile']);
    expect(signs).toEqual(SIGNS);
  });

  it('of more rehearsals than are kept the oldest goes', async () => {
    await empty();
    const results = Array.from({ length: MOST_RESULTS }, (_, n) => rehearsed(`number ${n}`));
    await takePractice(test.garageId, { profileId: 'pattern-one-key', results, turn: 0, signs: [] });
    await keepResult(test.garageId, rehearsed('the newest'));
    const kept = (await practiceOf(test.garageId, 'pattern-one-key')).results.map(({ id }) => id);
    expect(kept).toHaveLength(MOST_RESULTS);
    expect([kept[0], kept.at(-1)]).toEqual(['number 1', 'the newest']);
  });

  it('a pack whose label is another’s here keeps its life under a label of its own', async () => {
    await empty();
    const other = { ...DEMO_PACKS[0]!.pack, id: 'another-blue' };
    await keepPack(test.garageId, other);
    await restore(whole, 'keep');
    const labels = (await packLives(test.garageId)).map(({ pack }) => pack.label);
    expect(labels).toContain('Blue');
    expect(labels.some((label) => /^Blue \(saved [0-9a-f]{6}\)$/.test(label))).toBe(true);
  });

  it('a day that somebody else saved in between is not written over', async () => {
    await empty();
    await restore(whole, 'keep');
    const { day, revision } = (await findDay(test.garageId, 'demo-test-day'))!;
    expect(await saveDay(test.garageId, { ...day, name: 'First' }, revision)).toEqual({
      revision: revision + 1,
    });
    expect(await saveDay(test.garageId, { ...day, name: 'Second' }, revision)).toBe('changed');
    expect((await findDay(test.garageId, 'demo-test-day'))!.day.name).toBe('First');
  });

  it('a label that runs name cannot be changed, and is found by runs of the same cells', async () => {
    const blue = (await findPack(test.garageId, 'demo-blue'))!;
    expect(blue.runs.length).toBeGreaterThan(3);
    expect(await keepPack(test.garageId, { ...blue.pack, label: 'Azure' })).toBe('used');
    expect(await keepPack(test.garageId, { ...blue.pack, label: 'Red' })).toBe('sameLabel');
    expect(await keepPack(test.garageId, { ...blue.pack, note: 'new plug' })).toBe('kept');
  });
});

describe('a broken archive changes nothing', () => {
  const broken = join(FOLDER, 'broken.zip');
  const isRefused = async (): Promise<void> => {
    const before = await rigIds();
    await expect(openArchive(broken).then((archive) => archive.close())).rejects.toBeInstanceOf(BadArchive);
    expect(await rigIds()).toEqual(before);
  };

  it('cut off anywhere, with a byte changed anywhere, or some other file', async () => {
    const { length } = await readFile(whole);
    await fc.assert(
      fc.asyncProperty(fc.nat(length - 1), fc.boolean(), async (at, isCut) => {
        await copyFile(whole, broken);
        if (isCut) await truncate(broken, at);
        else {
          const file = await open(broken, 'r+');
          const { buffer } = await file.read(Buffer.alloc(1), 0, 1, at);
          await file.write(Buffer.from([buffer[0]! ^ 0xff]), 0, 1, at);
          await file.close();
        }
        // A date or an attribute of the zip itself may be anything: then all that counts is still whole.
        const archive = await openArchive(broken).catch((error: unknown) => error);
        if (archive instanceof Error) expect(archive).toBeInstanceOf(BadArchive);
        else {
          const { compared } = await restoreArchive(
            test.garageId,
            archive as Awaited<ReturnType<typeof openArchive>>,
            'keep',
          );
          expect(compared.rigs).toHaveLength(4);
          (archive as { close: () => void }).close();
        }
      }),
      { numRuns: 60 },
    );
    await writeFile(broken, 'not a zip at all');
    await isRefused();
  });

  it.each([
    ['of a newer version', (manifest: Manifest) => ({ ...manifest, version: 2 }), undefined],
    ['with a file that nobody knows', (manifest: Manifest) => manifest, 'rigs/other.json'],
    [
      'that lacks a file',
      (manifest: Manifest) => ({
        ...manifest,
        files: [...manifest.files, { path: 'x', bytes: 1, sha256: 'a'.repeat(64) }],
      }),
      undefined,
    ],
    ['whose manifest is something else', () => ({ format: 'live-tune/archive', version: 1 }), undefined],
  ])('%s', async (_what, change, extra) => {
    const zip = new ZipFile();
    const manifest: Manifest = {
      format: 'live-tune/archive',
      version: 1,
      madeAt: '2026-01-01T00:00:00.000Z',
      files: [],
      rigs: [],
    };
    zip.addBuffer(Buffer.from(JSON.stringify(change(manifest))), 'manifest.json');
    if (extra) zip.addBuffer(Buffer.from('{}'), extra);
    zip.end();
    await pipeline(zip.outputStream, createWriteStream(broken));
    await isRefused();
  });
});

describe('daily copies', () => {
  const folder = join(FOLDER, 'copies');
  const plenty = () => Promise.resolve(1e12);

  it('are kept once a day, the last seven, and each can be restored', async () => {
    await mkdir(folder, { recursive: true });
    const days = Array.from({ length: 9 }, (_, day) => `2026-03-0${day + 1}`);
    for (const day of days) expect(await keepDailyCopy(test.garageId, folder, day, plenty)).toBe('kept');
    expect(await keepDailyCopy(test.garageId, folder, days.at(-1)!, plenty)).toBe('there already');
    expect((await copiesIn(folder)).kept.map(({ day }) => day)).toEqual(days.slice(2).toReversed());
    expect((await restore(join(folder, `live-tune-${days[8]!}.zip`), 'keep')).restored).toBe(0);
  });

  it('are skipped, and it is said, where the disk is short', async () => {
    const none = () => Promise.resolve(1000);
    expect(await keepDailyCopy(test.garageId, folder, '2026-04-01', none)).toBe('no room');
    expect((await copiesIn(folder)).skipped).toContain('too full');
    expect(await readdir(folder)).not.toContain('making.part');
    expect(await keepDailyCopy(test.garageId, folder, '2026-04-01', plenty)).toBe('kept');
    expect((await copiesIn(folder)).skipped).toBe('');
  });
});

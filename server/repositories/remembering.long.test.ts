/** A bench that is remembered must never be older than what is kept. */
import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { database } from '../database';
import { openTestDatabase, type TestDatabase } from '../database.fixture';
import { tickBuildCheck } from './bench';
import { findProfileByKey, keepProfile } from './escProfiles';
import { pageOfRigs } from './garageList';
import { remembering } from './remembering';
import { keepPicture, deletePicture } from './rigPictures';
import { createRig, findBench, keepGoals, keepPassCode, placeRig, type Bench } from './rigs';

let test: TestDatabase;
let rigId: string;
beforeAll(async () => {
  test = await openTestDatabase('.data/unit-remembered');
  const typed = { shelf: 'kept', typed: 'kelp-beach', sort: 'touched', page: 1 } as const;
  rigId = (await pageOfRigs(test.garageId, typed)).lines[0]!.id;
}, 60_000);
afterAll(() => test.close());

const bench = async (): Promise<Bench> => (await findBench(test.garageId, rigId))!;

it('is the same while nothing is written, also for many who ask at once, and nobody can change it', async () => {
  const [first, ...others] = await Promise.all(Array.from({ length: 20 }, bench));
  for (const other of others) expect(other).toBe(first);
  expect(() => ((first!.rig as { name: string }).name = 'Mine')).toThrow(TypeError);
});

it('shows each thing that is written at once', async () => {
  const line = 'a line of the first power';
  await tickBuildCheck(rigId, line, true);
  expect((await bench()).buildChecks).toContain(line);
  await tickBuildCheck(rigId, line, false);
  expect((await bench()).buildChecks).not.toContain(line);
  await keepPicture(rigId, Buffer.from('a picture'));
  expect((await bench()).hasPicture).toBe(true);
  await deletePicture(rigId);
  expect((await bench()).hasPicture).toBe(false);
  await keepPassCode(rigId, 4711);
  expect((await bench()).linkPassCode).toBe(4711);
  const { goals } = await bench();
  await keepGoals(test.garageId, rigId, {
    ...goals,
    surface: goals.surface === 'loose' ? 'grippy' : 'loose',
  });
  expect((await bench()).goals).not.toEqual(goals);
  await placeRig(test.garageId, rigId, 'archive');
  expect((await bench()).archived).toBe(true);
  await placeRig(test.garageId, rigId, 'unarchive');
  expect((await bench()).archived).toBe(false);
});

it('learns of a newer revision of its ESC, and of what else hangs on the garage', async () => {
  const stored = (await findProfileByKey(test.garageId, (await bench()).profile.id))!;
  const next = { ...stored.profile, revision: stored.profile.revision + 1 };
  await keepProfile(test.garageId, next);
  expect((await bench()).newerRevision).toBe(next.revision);
});

it('every table that a bench is read from counts what is written, whatever it is', async () => {
  const rows = await database().query<{ table: string; deed: string }>(
    `SELECT DISTINCT event_object_table AS table, event_manipulation AS deed FROM information_schema.triggers`,
    { type: QueryTypes.SELECT },
  );
  const counted = rows.map(({ table, deed }) => `${deed} ${table}`);
  const tables = ['drafts', 'simulated_escs', 'observations', 'calibrations', 'bench_tests', 'build_checks'];
  for (const table of [...tables, 'sheets', 'rig_pictures', 'runs', 'asked_of_runs'])
    for (const deed of ['INSERT', 'DELETE']) expect(counted).toContain(`${deed} ${table}`);
  for (const table of ['drafts', 'simulated_escs', 'sheets', 'runs', 'asked_of_runs', 'event_rules', 'rigs'])
    expect(counted).toContain(`UPDATE ${table}`);
});

it('is not mixed up with another of the same id, and is not there once it is deleted', async () => {
  const stored = (await findProfileByKey(test.garageId, 'tamsel-r60'))!;
  const id = await createRig(test.garageId, { ...(await bench()).rig, name: 'Short life' }, stored);
  expect((await findBench(test.garageId, id))?.rig.name).toBe('Short life');
  expect(await findBench('00000000-0000-4000-8000-000000000000', id)).toBeUndefined();
  await placeRig(test.garageId, id, 'delete');
  expect(await findBench(test.garageId, id)).toBeUndefined();
});

it('what could not be read is tried again', async () => {
  const recall = remembering<string>();
  const fails = () => Promise.reject(new Error('the database is away'));
  await expect(recall('one', '1', fails)).rejects.toThrow('away');
  expect(await recall('one', '1', () => Promise.resolve('read'))).toBe('read');
});

import { factoryStops } from '#core/esc/profile';
import type { LoadBeginning, LoadWord } from '#core/plan/ownLoad';
import { holdingsOf } from '#core/sheet/evidence';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { askedBy, type Principal } from '../access/who';
import { openTestDatabase, type TestDatabase } from '../database.fixture';
import { beginOpenLoad, endLoad, openLoadsOf, sayOfLoad, takeLoad } from './openLoads';
import { findProfileByKey } from './escProfiles';
import { moveToRevision } from './revisions';
import { findBench, findRigs, type Bench } from './rigs';

let database: TestDatabase;
let rigId: string;
const ANNA = randomUUID();
const BEN = randomUUID();

beforeAll(async () => {
  database = await openTestDatabase('.data/open-loads');
  const rigs = await findRigs(database.garageId);
  rigId = rigs.find(({ rig }) => rig.name === 'Kelp-beach buggy')!.rigId;
}, 60_000);
afterAll(() => database.close());

const device = (deviceId: string, name: string): Principal => ({
  garageId: database.garageId,
  role: 'helper',
  name,
  deviceId,
  sees: undefined,
});
const asAnna = <T>(work: () => Promise<T>): Promise<T> => askedBy(device(ANNA, 'Anna’s phone'), work);
const asBen = <T>(work: () => Promise<T>): Promise<T> => askedBy(device(BEN, 'Ben’s phone'), work);
const bench = async (): Promise<Bench> => (await findBench(database.garageId, rigId))!;
const esc = () => ({ rigId, escNumber: 1 });

async function begin(): Promise<{ id: string; itemId: string }> {
  const { profile } = await bench();
  const item = profile.items.find(({ setting }) => setting === 'brakeStrength')!;
  const held = factoryStops(profile);
  const beginning: LoadBeginning = {
    family: 'oneKey',
    showsStored: true,
    precaution: 'wheels up',
    intents: { [item.id]: item.stops.at(-1)!.id },
    after: {},
    alongside: [],
    held,
    uncounted: [],
    memory: { stops: held, range: { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 } },
    neutralMicros: 1500,
  };
  const id = randomUUID();
  await asAnna(() => beginOpenLoad(esc(), id, beginning));
  return { id, itemId: item.id };
}

const say = async (id: string, word: LoadWord, place: number, wordId: string = randomUUID()) =>
  sayOfLoad(await bench(), id, { id: wordId, word }, place);
const DONE: LoadWord = { say: 'done', inputs: [{ type: 'power', on: true }] };
const words = async () => (await asAnna(() => openLoadsOf(rigId)))[0]!.words;

it('one device works a load; another is refused until it takes it over, and then the first', async () => {
  const { id } = await begin();
  expect(await asAnna(() => say(id, DONE, 0))).toBe('noted');
  expect(await asBen(() => say(id, DONE, 1))).toBe('notYourTurn');
  expect(await asBen(() => takeLoad(esc(), id))).toBe('noted');
  expect(await asBen(() => say(id, DONE, 1))).toBe('noted');
  expect(await asAnna(() => say(id, DONE, 2))).toBe('notYourTurn');
  const [seen] = await asAnna(() => openLoadsOf(rigId));
  expect(seen).toMatchObject({ doer: 'Ben’s phone', isMine: false });
  expect(seen!.words.map(({ by }) => by)).toEqual(['Anna’s phone', 'Ben’s phone']);
});

it('of twenty ticks of one step at once one is noted, the others hear that they were overtaken', async () => {
  const { id } = await begin();
  const said = await asAnna(() => Promise.all(Array.from({ length: 20 }, () => say(id, DONE, 0))));
  expect(said.filter((one) => one === 'noted')).toHaveLength(1);
  expect(said.filter((one) => one === 'overtaken')).toHaveLength(19);
  expect(await words()).toHaveLength(1);
});

it('a word that is sent twice, since its answer was lost, counts once', async () => {
  const { id } = await begin();
  const wordId = randomUUID();
  expect(await asAnna(() => say(id, DONE, 0, wordId))).toBe('noted');
  expect(await asAnna(() => say(id, DONE, 0, wordId))).toBe('noted');
  expect(await words()).toHaveLength(1);
});

it('what is learned of the ESC is kept with the word, or neither is', async () => {
  const { id, itemId } = await begin();
  const lost: LoadWord = { say: 'lost', itemId };
  expect(await asAnna(() => say(id, lost, 0))).toBe('noted');
  const { profile, observations } = await bench();
  expect(holdingsOf(profile, observations)[itemId]).toMatchObject({ stopId: null, basis: 'interrupted' });
  const counted: LoadWord = { say: 'counted', itemId, flashes: 2 };
  expect(await asAnna(() => say(id, counted, 5))).toBe('overtaken');
  expect(holdingsOf(profile, (await bench()).observations)[itemId]?.stopId).toBeNull();
});

it('ends when the rig gets another revision of its ESC: its menu may be another', async () => {
  const { id } = await begin();
  const { rigId: sameRig, profile } = await bench();
  const stored = (await findProfileByKey(database.garageId, profile.id))!;
  await moveToRevision({ rigId: sameRig, profile }, stored, 'correction');
  expect(await asAnna(() => say(id, DONE, 0))).toBe('gone');
});

it('ends where more is said than hands do in any load', async () => {
  const { id } = await begin();
  const inputs = Array.from({ length: 2000 }, () => ({ type: 'elapsed', ms: 1 }) as const);
  for (let place = 0; place < 10; place += 1)
    expect(await asAnna(() => say(id, { say: 'done', inputs }, place))).toBe('noted');
  expect(await asAnna(() => say(id, { say: 'done', inputs }, 10))).toBe('gone');
});

it('begun again it is another, and nothing is noted of one that is over', async () => {
  const { id: first } = await begin();
  const { id: second } = await begin();
  expect(await asAnna(() => say(first, DONE, 0))).toBe('gone');
  await asAnna(() => endLoad(esc(), first));
  expect(await asAnna(() => openLoadsOf(rigId))).toHaveLength(1);
  await asAnna(() => endLoad(esc(), second));
  expect(await asAnna(() => say(second, DONE, 0))).toBe('gone');
  expect(await asAnna(() => openLoadsOf(rigId))).toEqual([]);
});

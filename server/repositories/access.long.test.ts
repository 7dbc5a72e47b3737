import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestDatabase, type TestDatabase } from '../database.fixture';
import { deedsOf, noteDeed } from './deeds';
import { addDevice, devicesOf, removeDevice, removeDevices, whoShows } from './devices';
import { addGarage, garageToSignInTo } from './garages';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;
const START = new Date();
const after = (ms: number): Date => new Date(START.getTime() + ms);

let database: TestDatabase;
beforeAll(async () => {
  database = await openTestDatabase('.data/access');
}, 60_000);
afterAll(() => database.close());

const pairOne = async (): Promise<string> => {
  const token = await addDevice({
    garageId: database.garageId,
    role: 'helper',
    name: 'Phone',
    sees: undefined,
  });
  return token!;
};
/** Who it is, and what has to be shown from then on. */
const shows = async (token: string, ms: number): Promise<string | undefined> => {
  const known = await whoShows(token, after(ms));
  return known && (known.token ?? token);
};

describe('a session', () => {
  it('knows the device that shows its token, and no other', async () => {
    const token = await pairOne();
    expect((await whoShows(token))?.principal).toMatchObject({ role: 'helper', name: 'Phone' });
    expect(await whoShows(`${token}x`)).toBeUndefined();
    expect(await whoShows('')).toBeUndefined();
  });

  it('gets another token after an hour; the old one is over two minutes after the new one was shown', async () => {
    const first = await pairOne();
    expect(await shows(first, 10 * MINUTE)).toBe(first);
    const second = await shows(first, HOUR + MINUTE);
    expect(second).not.toBe(first);
    expect(await shows(second!, HOUR + 2 * MINUTE)).toBe(second);
    expect(await shows(first, HOUR + 3 * MINUTE)).toBe(first);
    expect(await shows(first, HOUR + 5 * MINUTE)).toBeUndefined();
    expect(await shows(second!, HOUR + 5 * MINUTE)).toBe(second);
  });

  it('goes on with the old token where the answer with the new one was lost', async () => {
    const first = await pairOne();
    const lost = await shows(first, HOUR + MINUTE);
    const third = await shows(first, HOUR + 10 * MINUTE);
    expect(third).not.toBe(first);
    expect(await shows(lost!, HOUR + 11 * MINUTE)).toBeUndefined();
    expect(await shows(third!, HOUR + 11 * MINUTE)).toBe(third);
  });

  it('of many requests at once one turns the token, and all are let in', async () => {
    const first = await pairOne();
    const answers = await Promise.all(Array.from({ length: 8 }, () => whoShows(first, after(HOUR + MINUTE))));
    expect(answers.every((known) => known !== undefined)).toBe(true);
    expect(answers.filter((known) => known?.token !== undefined)).toHaveLength(1);
  });

  it('ends after thirty days without being seen, and after half a year in any case', async () => {
    const idle = await pairOne();
    expect(await shows(idle, 31 * DAY)).toBeUndefined();
    expect(await shows(idle, MINUTE)).toBeUndefined();
    let busy = await pairOne();
    for (let day = 20; day <= 180; day += 20) busy = (await shows(busy, day * DAY))!;
    expect(await shows(busy, 181 * DAY)).toBeUndefined();
  });

  it('ends with its device, or with all of the garage', async () => {
    await removeDevices(database.garageId, undefined);
    const [one, two] = [await pairOne(), await pairOne()];
    const [device] = await devicesOf(database.garageId);
    expect(await removeDevice(database.garageId, device!.id)).toBe(true);
    expect(await removeDevice('00000000-0000-4000-8000-000000000000', device!.id)).toBe(false);
    const left = [await whoShows(one), await whoShows(two)].filter(Boolean);
    expect(left).toHaveLength(1);
    await removeDevices(database.garageId, undefined);
    expect([await whoShows(one), await whoShows(two)]).toEqual([undefined, undefined]);
  });
});

it('a garage has fifty devices at most', async () => {
  await removeDevices(database.garageId, undefined);
  const added = await Promise.all(Array.from({ length: 55 }, () => pairOne()));
  expect(added.filter(Boolean)).toHaveLength(50);
  await removeDevices(database.garageId, undefined);
});

it('garages are told apart by their names, whatever their letters', async () => {
  expect((await addGarage('Club bench two', 'x')).outcome).toBe('made');
  expect((await addGarage('club BENCH two', 'x')).outcome).toBe('taken');
  expect((await garageToSignInTo(' CLUB bench two '))?.name).toBe('Club bench two');
  expect(await garageToSignInTo('no such')).toBeUndefined();
});

it('what a device does again and again is one line, and five hundred lines are kept', async () => {
  const helper = {
    garageId: database.garageId,
    role: 'helper',
    name: 'Phone',
    deviceId: undefined,
    sees: undefined,
  } as const;
  await noteDeed(helper, 'noted a run', null, after(0));
  await noteDeed(helper, 'noted a run', null, after(9 * MINUTE));
  await noteDeed(helper, 'noted a run', null, after(30 * MINUTE));
  const lines = await deedsOf(database.garageId, 10);
  expect(lines.map(({ times }) => times)).toEqual([1, 2]);
  for (let n = 0; n < 510; n += 1) await noteDeed(helper, `deed ${n}`, null, after(HOUR));
  expect(await deedsOf(database.garageId, 1000)).toHaveLength(500);
});

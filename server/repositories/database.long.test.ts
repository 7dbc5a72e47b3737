/** What the repositories promise, against a real database. */
import { factoryStops, type EscProfile } from '#core/esc/profile';
import { EMPTY_TRAVEL_TEST } from '#core/calibration/travelTest';
import type { Calibration } from '#core/calibration/calibration';
import { seededNumbers } from '#core/units/seeded';
import type { EventRules } from '#core/rig/eventRules';
import { EMPTY_DRAFT } from '#core/sheet/draft';
import { holdingsOf, type EvidenceBasis, type Observation } from '#core/sheet/evidence';
import { writeSheet } from '#core/sheet/sheet';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { database } from '../database';
import { openTestDatabase, type TestDatabase } from '../database.fixture';
import { BenchTestModel } from '../models';
import { keepBenchTest, keepCalibration, keepSheet, recordBench } from './bench';
import { saveDraft } from './drafts';
import { findProfileByKey, keepProfile, type StoredProfile } from './escProfiles';
import { firstEsc } from './escOfRig';
import { chooseRules, keepRules, listRules } from './eventRules';
import { pageOfRigs, type GarageQuery } from './garageList';
import { addObservations, newestObservations, stopsAtSheet } from './observations';
import { moveToRevision } from './revisions';
import {
  changeRig,
  createRig,
  findBench,
  forgetRig,
  keepGoals,
  placeRig,
  updateRig,
  type Bench,
} from './rigs';
import { findSheet, importSheet, pageOfSheets, sheetBeforeUpdate } from './sheets';
import { takeMemory } from './simulatedEscs';
import { startUp } from '../startUp';
import { settleDoubts } from './standings';

let test: TestDatabase;
let tamsel: StoredProfile;
let demo: Bench;
beforeAll(async () => {
  test = await openTestDatabase();
  tamsel = (await findProfileByKey(test.garageId, 'tamsel-r60'))!;
  const [first] = (await list({ typed: 'kelp-beach' })).lines;
  demo = await benchOf(first!.id);
}, 60_000);
afterAll(() => test.close());

const benchOf = async (rigId: string): Promise<Bench> => (await findBench(test.garageId, rigId))!;
const newRig = (name: string): Promise<string> => createRig(test.garageId, { ...demo.rig, name }, tamsel);
const list = (query: Partial<GarageQuery> = {}) =>
  pageOfRigs(test.garageId, { shelf: 'kept', typed: '', sort: 'touched', page: 1, ...query });
const names = async (query: Partial<GarageQuery>): Promise<string[]> =>
  (await list(query)).lines.map(({ name }) => name);
const ofRig = async (rigId: string) => (await list()).lines.find(({ id }) => id === rigId);
/** As a new build finds them. */
const doubtStandings = () => run(`UPDATE rigs SET standing_build = 'an older one'`);
const run = (sql: string, replacements: Record<string, unknown> = {}) =>
  database().query(sql, { replacements });

const NO_RULES: EventRules = { name: '', noAdvance: false, noReverse: false, mostCells: null, note: '' };

const seen = (
  itemId: string,
  stopId: string | null,
  minute: number,
  basis: EvidenceBasis = 'countedBack',
): Observation => ({
  itemId,
  stopId,
  basis,
  // The clock runs backwards: it has no say in what came first.
  at: new Date(Date.UTC(2026, 0, 1, 12, 59 - minute)).toISOString(),
});
const keep = async (rigId: string, changedItemIds: string[], origin: 'loaded' | 'backup' = 'loaded') =>
  keepSheet(await benchOf(rigId), { origin, medium: null, simulated: null, changedItemIds, note: '' });

it('a sheet that nobody says it of is of the same ESC as the one before', async () => {
  const rigId = await newRig('Once simulated');
  const sheetOf = async (simulated: boolean | null): Promise<boolean | null> => {
    const bench = await benchOf(rigId);
    const occasion = { origin: 'loaded' as const, medium: null, simulated, changedItemIds: [], note: '' };
    return (await findSheet(rigId, await keepSheet(bench, occasion)))!.sheet.simulated;
  };
  expect([await sheetOf(null), await sheetOf(true), await sheetOf(null), await sheetOf(false)]).toEqual([
    null,
    true,
    true,
    false,
  ]);
});

describe('several ESCs of a model', () => {
  const heldBy = (bench: Bench, escNumber: number, itemId: string): string | null | undefined =>
    holdingsOf(bench.profile, bench.escs[escNumber - 1]!.observations)[itemId]?.stopId;

  it('each has its own history and memory, and a sheet lists them all', async () => {
    const rigId = await createRig(test.garageId, { ...demo.rig, name: 'Two of them', motorCount: 2 }, tamsel);
    const before = await benchOf(rigId);
    const { profile, memory } = before;
    const second = { rigId, escNumber: 2 };
    await recordBench(second, { ...memory, stops: { ...memory.stops, stopper: 'stopper-2' } }, [
      seen('stopper', 'stopper-2', 1),
    ]);
    const after = await benchOf(rigId);
    expect(heldBy(after, 1, 'stopper')).toBe(factoryStops(profile).stopper);
    expect(heldBy(after, 2, 'stopper')).toBe('stopper-2');
    expect(after.escs.map((esc) => esc.memory.stops.stopper)).toEqual([memory.stops.stopper, 'stopper-2']);
    expect(await stopsAtSheet(second, ['stopper'], undefined)).toEqual({
      stopper: factoryStops(profile).stopper,
    });
    const { sheet } = (await findSheet(rigId, await keep(rigId, [])))!;
    const listed = [sheet, ...sheet.otherEscs].map(
      ({ values }) => values.find(({ itemId }) => itemId === 'stopper')!.stopId,
    );
    expect(listed).toEqual([factoryStops(profile).stopper, 'stopper-2']);
  });

  it('one that is added comes fresh from its box, and one that is taken away is no longer counted', async () => {
    const rigId = await newRig('Grows');
    const { rig } = await benchOf(rigId);
    const withMotors = (motorCount: number) =>
      updateRig(test.garageId, rigId, { ...rig, motorCount }, tamsel, undefined);
    await withMotors(2);
    expect(heldBy(await benchOf(rigId), 2, 'stopper')).toBe(factoryStops(tamsel.profile).stopper);
    await withMotors(1);
    expect((await benchOf(rigId)).escs).toHaveLength(1);
  });
});

describe('the order of things does not hang on the clock', () => {
  const calibration = (after: number, keptAt: string): Calibration => ({
    family: 'keyConfirmed',
    escNumber: 1,
    profileId: 'tamsel-r60',
    source: 'radio',
    how: 'onYourWord',
    precaution: '',
    channel: demo.rig.channel,
    before: demo.memory.range,
    after: { ...demo.memory.range, forwardMicros: after },
    keptAt,
  });

  it('the newest calibration is the one that was kept last, and a bench test after it counts', async () => {
    const rigId = await newRig('Set back');
    await keepCalibration(rigId, calibration(1900, '2026-06-01T00:00:00.000Z'), demo.memory);
    await keepCalibration(rigId, calibration(1910, '2020-01-01T00:00:00.000Z'), demo.memory);
    await keepBenchTest(rigId, {
      kind: 'travel',
      escNumber: 1,
      keptAt: '2019-01-01T00:00:00.000Z',
      test: EMPTY_TRAVEL_TEST,
    });
    const { calibrations, benchTests } = await benchOf(rigId);
    expect(calibrations.map(({ after }) => after.forwardMicros)).toEqual([1910, 1900]);
    expect(benchTests[0]!.order).toBeGreaterThan(calibrations[0]!.order);
    expect(await BenchTestModel.count({ where: { rigId } })).toBe(1);
  });

  it('the rig that was touched last stands first, whatever its date', async () => {
    const rigId = await newRig('From tomorrow');
    await run(`UPDATE rigs SET updated_at = now() + interval '1 year' WHERE id = :rigId`, { rigId });
    const touched = await newRig('Touched just now');
    expect((await list()).lines[0]!.id).toBe(touched);
    await changeRig(rigId, (rig) => ({ ...rig, name: 'Touched again' }));
    expect((await names({}))[0]).toBe('Touched again');
  });

  it('a deleted rig stays in the bin whatever the day is, until it is taken out by hand', async () => {
    const rigId = await newRig('Old iron');
    expect(await forgetRig(test.garageId, rigId)).toBe(false);
    await placeRig(test.garageId, rigId, 'delete');
    await run(`UPDATE rigs SET deleted_at = now() - interval '10 years' WHERE id = :rigId`, { rigId });
    await startUp();
    expect(await names({ shelf: 'deleted' })).toEqual(['Old iron']);
    expect(await forgetRig(test.garageId, rigId)).toBe(true);
    expect(await names({ shelf: 'deleted' })).toEqual([]);
  });
});

describe('before a load an item held', () => {
  it('what was known when the sheet before was kept, also where a wrong value was stored on the way', async () => {
    const rigId = await newRig('Undone');
    await addObservations(firstEsc(rigId), [seen('stopper', 'stopper-2', 1)]);
    const before = await keep(rigId, []);
    await addObservations(firstEsc(rigId), [
      seen('stopper', 'stopper-5', 2),
      seen('stopper', null, 3),
      seen('stopper', 'stopper-4', 4),
    ]);
    expect(await stopsAtSheet(firstEsc(rigId), ['stopper'], before)).toEqual({ stopper: 'stopper-2' });
  });

  it('what it was first known to hold, where no sheet is older or none of it was known by then', async () => {
    const rigId = await newRig('Never kept');
    await run('DELETE FROM observations WHERE rig_id = :rigId', { rigId });
    await addObservations(firstEsc(rigId), [seen('stopper', null, 0)]);
    const before = await keep(rigId, []);
    expect(await stopsAtSheet(firstEsc(rigId), ['stopper'], before)).toEqual({});
    await addObservations(firstEsc(rigId), [
      seen('stopper', 'stopper-3', 1),
      seen('stopper', 'stopper-5', 2),
      seen('pounce', 'pounce-1', 3),
    ]);
    expect(await stopsAtSheet(firstEsc(rigId), ['stopper'], before)).toEqual({ stopper: 'stopper-3' });
    expect(await stopsAtSheet(firstEsc(rigId), ['stopper'], undefined)).toEqual({ stopper: 'stopper-3' });
    expect(await stopsAtSheet(firstEsc(rigId), [], before)).toEqual({});
  });
});

describe('the sheet to hold an update against', () => {
  const update = (rigId: string, stopId: string) =>
    addObservations(firstEsc(rigId), [
      seen('stopper', null, 5, 'firmwareUpdate'),
      seen('stopper', stopId, 6),
    ]);

  it('is the newest before it, and no import; where there was no update, the newest', async () => {
    const rigId = await newRig('Updated');
    expect(await sheetBeforeUpdate(rigId)).toBeUndefined();
    const first = await keep(rigId, [], 'backup');
    const second = await keep(rigId, [], 'backup');
    expect((await sheetBeforeUpdate(rigId))?.number).toBe(second);
    await importSheet(
      rigId,
      writeSheet(
        tamsel.profile,
        {},
        { ...(await pageOfSheets(rigId, '', 1)).lines[0]!.sheet, id: randomUUID() },
      ),
    );
    expect((await sheetBeforeUpdate(rigId))?.number).toBe(second);
    await update(rigId, 'stopper-1');
    await keep(rigId, [], 'backup');
    expect((await sheetBeforeUpdate(rigId))?.number).toBe(second);
    expect(first).toBeLessThan(second);
  });

  it('has what loads changed since as the last of them left it', async () => {
    const rigId = await newRig('Updated and loaded');
    await addObservations(firstEsc(rigId), [seen('stopper', 'stopper-2', 1), seen('pounce', 'pounce-2', 1)]);
    await keep(rigId, [], 'backup');
    await update(rigId, 'stopper-1');
    for (const stop of ['stopper-3', 'stopper-4', 'stopper-3']) {
      await addObservations(firstEsc(rigId), [seen('stopper', stop, 7), seen('pounce', 'pounce-1', 7)]);
      await keep(rigId, ['stopper']);
    }
    const values = (await sheetBeforeUpdate(rigId))!.sheet.values;
    const stopOf = (id: string) => values.find(({ itemId }) => itemId === id)?.stopId;
    expect([stopOf('stopper'), stopOf('pounce')]).toEqual(['stopper-3', 'pounce-2']);
  });
});

it('the newest observations say what the whole history says', async () => {
  const next = seededNumbers(7);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
  const items = [...tamsel.profile.items.slice(0, 3), { id: 'foreign', stops: [{ id: 'x' }] }];
  for (let round = 0; round < 12; round += 1) {
    const rigId = await newRig(`History ${round}`);
    await run('DELETE FROM observations WHERE rig_id = :rigId', { rigId });
    const history = Array.from({ length: 1 + Math.floor(next() * 14) }, (_, n): Observation => {
      const item = pick(items);
      return seen(item.id, pick([null, null, 'gone', ...item.stops.map(({ id }) => id)]), n % 60);
    });
    await addObservations(firstEsc(rigId), history);
    const newest = await newestObservations(firstEsc(rigId), tamsel.profile);
    expect(holdingsOf(tamsel.profile, newest)).toEqual(holdingsOf(tamsel.profile, history));
  }
});

describe('where a rig stands', () => {
  it('follows every fact that is written, without being told', async () => {
    const rigId = await newRig('Followed');
    const { profile } = tamsel;
    const other = profile.items[0]!.stops.find(
      ({ id }) => id !== factoryStops(profile)[profile.items[0]!.id],
    )!.id;
    await keepRules(test.garageId, undefined, { ...NO_RULES, name: 'Spec', mostCells: 5 });
    const rulesId = (await listRules(test.garageId)).find(({ rules }) => rules.name === 'Spec')!.id;
    const writes: Record<string, () => Promise<unknown>> = {
      draft: () => saveDraft(rigId, 0, { ...EMPTY_DRAFT, stops: { [profile.items[0]!.id]: other } }),
      observation: () => addObservations(firstEsc(rigId), [seen(profile.items[0]!.id, other, 1)]),
      sheet: () => keep(rigId, []),
      calibration: () =>
        keepCalibration(
          rigId,
          {
            family: 'keyConfirmed',
            escNumber: 1,
            profileId: profile.id,
            source: 'radio',
            how: 'onYourWord',
            precaution: '',
            channel: demo.rig.channel,
            before: demo.memory.range,
            after: demo.memory.range,
            keptAt: new Date().toISOString(),
          },
          demo.memory,
        ),
      memory: () =>
        recordBench(
          firstEsc(rigId),
          { ...demo.memory, range: { ...demo.memory.range, forwardMicros: 1700 } },
          [],
        ),
      rig: () => changeRig(rigId, (rig) => ({ ...rig, pack: { ...rig.pack, cells: 6 } })),
      rules: () => chooseRules(test.garageId, rigId, rulesId),
      'changed rules': () => keepRules(test.garageId, rulesId, { ...NO_RULES, name: 'Spec' }),
    };
    for (const [what, write] of Object.entries(writes)) {
      const before = (await ofRig(rigId))!.standing;
      await write();
      const after = (await ofRig(rigId))!.standing;
      expect(after, what).not.toEqual(before);
      await doubtStandings();
      expect((await ofRig(rigId))!.standing, what).toEqual(after);
    }
  });

  it('is not worked out again while nothing was written', async () => {
    const rigId = await newRig('At rest');
    await ofRig(rigId);
    await run(`UPDATE rigs SET standing = jsonb_set(standing, '{what}', '"as kept"') WHERE id = :rigId`, {
      rigId,
    });
    expect((await ofRig(rigId))!.standing!.what).toBe('as kept');
    await keepGoals(test.garageId, rigId, (await benchOf(rigId)).goals);
    expect((await ofRig(rigId))!.standing!.what).not.toBe('as kept');
  });

  it('a rig that cannot be read takes no other with it, and is there again once it can', async () => {
    const rigId = await newRig('Damaged');
    const beside = await newRig('Sound');
    await run(`UPDATE simulated_escs SET memory = '[]' WHERE rig_id = :rigId`, { rigId });
    expect((await ofRig(rigId))!.standing).toBeUndefined();
    expect((await ofRig(beside))!.standing).toBeDefined();
    await recordBench(firstEsc(rigId), demo.memory, []);
    expect((await ofRig(rigId))!.standing).toBeDefined();
  });

  it('is kept as it was where the database fails: that says nothing of the rig', async () => {
    const rigId = await newRig('Cut off');
    await changeRig(rigId, (rig) => rig);
    await run('ALTER TABLE observations RENAME TO observations_away');
    await expect(list()).rejects.toThrow();
    await run('ALTER TABLE observations_away RENAME TO observations');
    expect((await ofRig(rigId))!.standing).toBeDefined();
  });

  it('is worked out again where another build did it, as soon as it is shown', async () => {
    const rigId = await newRig('Seen otherwise');
    await ofRig(rigId);
    await run(
      `UPDATE rigs SET standing = jsonb_set(standing, '{what}', '"as seen then"') WHERE id = :rigId`,
      {
        rigId,
      },
    );
    await doubtStandings();
    expect((await ofRig(rigId))!.standing!.what).toBe('Tenth-scale buggy');
  });

  it('is doubted by another build and settled behind the first answers', async () => {
    const rigId = await newRig('Doubted');
    await ofRig(rigId);
    await run(`UPDATE rigs SET standing = jsonb_set(standing, '{urgency}', '99') WHERE id = :rigId`, {
      rigId,
    });
    await doubtStandings();
    await settleDoubts();
    const [rows] = await run(`SELECT standing->'urgency' AS urgency FROM rigs WHERE id = :rigId`, { rigId });
    expect((rows as { urgency: number }[])[0]!.urgency).toBeLessThan(99);
  }, 60_000);
});

describe('long lists', () => {
  it('come in pages, in the order asked for, and are searched by every word', async () => {
    for (let n = 60; n >= 1; n -= 1) await newRig(`Fleet ${n}`);
    const first = await list({ typed: 'fleet', sort: 'name' });
    expect(first).toMatchObject({ page: 1, pages: 3, found: 60, offset: 0 });
    expect(first.lines.slice(0, 11).map(({ name }) => name)).toEqual(
      Array.from({ length: 11 }, (_, n) => `Fleet ${n + 1}`),
    );
    expect(await names({ typed: 'fleet', sort: 'name', page: 3 })).toHaveLength(10);
    expect(await names({ typed: 'FLEET tamsel 17' })).toEqual(['Fleet 17']);
    expect(await names({ typed: '100%_' })).toEqual([]);
    expect(await names({ typed: 'fleet zeppelin' })).toEqual([]);
  });

  it('most to do stands first', async () => {
    const rigId = await newRig('Urgent');
    // Far more cells than the ESC bears.
    await changeRig(rigId, (rig) => ({ ...rig, pack: { ...rig.pack, cells: 12 } }));
    const { lines } = await list({ sort: 'due' });
    const urgencies = lines.map(({ standing }) => standing?.urgency ?? 99);
    expect(urgencies).toEqual(urgencies.toSorted((a, b) => b - a));
    expect(lines.some(({ id }) => id === rigId)).toBe(true);
  });

  it('sheets come ten at a time, each with what the model had when it was loaded before', async () => {
    const rigId = await newRig('Well kept');
    for (let n = 1; n <= 12; n += 1) {
      await changeRig(rigId, (rig) => ({
        ...rig,
        channel: { ...rig.channel, forwardEndPointPercent: 80 + n },
      }));
      await keep(rigId, [], n === 11 ? 'backup' : 'loaded');
    }
    const newest = await pageOfSheets(rigId, '', 1);
    expect(newest).toMatchObject({ page: 1, pages: 2, found: 12 });
    // Sheet 11 was kept in the middle of a load: it is not what the model was loaded with.
    expect(newest.lines[0]!.byHandBefore).toMatchObject({ forwardEndPointPercent: 90 });
    const last = (await pageOfSheets(rigId, '', 2)).lines;
    expect(last.map(({ number }) => number)).toEqual([2, 1]);
    expect(last[1]!.byHandBefore).toEqual({});
    await importSheet(rigId, { ...newest.lines[0]!.sheet, id: randomUUID() });
    // A sheet from elsewhere may be of another model: nothing of this one was before it.
    expect((await pageOfSheets(rigId, '', 1)).lines[0]!.byHandBefore).toEqual({});
    expect((await pageOfSheets(rigId, 'well 7', 1)).lines.map(({ number }) => number)).toEqual([7]);
  });
});

describe('who writes at once', () => {
  it('waits for each other: no lock is taken in another order', async () => {
    const rigId = await newRig('Busy');
    const bench = await benchOf(rigId);
    await Promise.all(
      Array.from({ length: 12 }, (_, n) => [
        saveDraft(rigId, n, EMPTY_DRAFT),
        keep(rigId, []),
        recordBench(firstEsc(rigId), bench.memory, [seen('stopper', 'stopper-2', n)]),
        takeMemory(firstEsc(rigId), { memory: bench.memory, writes: n }),
        changeRig(rigId, (rig) => rig),
      ]).flat(),
    );
    expect((await benchOf(rigId)).sheetCount).toBe(12);
  });

  it('moves to a revision with what is there by then, not with what a page had seen', async () => {
    const rigId = await newRig('Revised');
    const stale = await benchOf(rigId);
    const next: EscProfile = { ...tamsel.profile, revision: 77 };
    await keepProfile(test.garageId, next);
    const stored = (await findProfileByKey(test.garageId, next.id))!;
    const [item] = tamsel.profile.items;
    const stop = item!.stops.at(-1)!.id;
    await saveDraft(rigId, 0, { ...EMPTY_DRAFT, stops: { [item!.id]: stop } });
    await recordBench(
      firstEsc(rigId),
      { ...stale.memory, stops: { ...stale.memory.stops, [item!.id]: stop } },
      [],
    );
    await moveToRevision(stale, stored, 'correction');
    const moved = await benchOf(rigId);
    expect(moved.profile.revision).toBe(77);
    expect(moved.draft.stops).toEqual({ [item!.id]: stop });
    expect(moved.memory.stops[item!.id]).toBe(stop);
  });
});

import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { bytesOf, readSummary, sumOf, type LogSummary } from '../link/escLog';
import { FACTORY_PASS_CODE, readIdentity, type Request } from '../link/protocol';
import { answer, isOpenTo, plugIn, restart, save, type LinkedEsc } from './linkedEsc';
import { factoryMemory } from './simulatedEsc';

const profile = smallProfile();
const esc = (): LinkedEsc => plugIn(profile, 'serial-1', factoryMemory(profile));
/** Several requests one after the other; the replies of all, and the ESC at the end. */
const asked = (start: LinkedEsc, ...requests: Request[]) =>
  requests.reduce(
    ({ esc: before, replies }, request) => {
      const { esc: after, reply } = answer(before, request);
      return { esc: after, replies: [...replies, reply] };
    },
    { esc: start, replies: [] as unknown[] },
  );
const said = (...words: string[]) => ({ ok: true, words });
const no = (refusal: string) => ({ ok: false, refusal });

describe('an ESC on its link', () => {
  it('reads what it keeps, and what was written as soon as it was', () => {
    const { replies, esc: after } = asked(
      esc(),
      { verb: 'READ', item: 3 },
      { verb: 'WRITE', item: 3, stop: 5 },
      { verb: 'READ', item: 3 },
    );
    expect(replies).toEqual([said('3', '2'), said('3', '5'), said('3', '5')]);
    expect(after.kept.stops.bite).toBe('bite-2');
    expect(after.unsaved).toEqual({ bite: 'bite-5' });
  });

  it('keeps what was saved, and forgets the rest when it is switched off', () => {
    const written = asked(
      esc(),
      { verb: 'WRITE', item: 3, stop: 5 },
      { verb: 'WRITE', item: 2, stop: 1 },
    ).esc;
    const saved = asked(written, { verb: 'SAVE' });
    expect(saved.replies).toEqual([said('2')]);
    expect(saved.esc.kept.stops).toMatchObject({ bite: 'bite-5', leap: 'leap-1', floor: 'floor-2' });
    expect(saved.esc.unsaved).toEqual({});
    const forgotten = asked(written, { verb: 'RESTART' }, { verb: 'READ', item: 3 });
    expect(forgotten.replies).toEqual([said(), said('3', '2')]);
    expect(restart(written).starts).toBe(written.starts + 1);
  });

  it('keeps only the first few where the power goes in the middle of a save', () => {
    const written = asked(
      esc(),
      { verb: 'WRITE', item: 3, stop: 5 },
      { verb: 'WRITE', item: 2, stop: 1 },
    ).esc;
    expect(save(written, 1).kept.stops).toMatchObject({ bite: 'bite-5', leap: 'leap-2' });
    expect(save(written, 0).kept.stops).toEqual(factoryMemory(profile).stops);
  });

  it('says no to items and stops that it does not have, and changes nothing', () => {
    const { replies, esc: after } = asked(
      esc(),
      { verb: 'READ', item: 5 },
      { verb: 'WRITE', item: 5, stop: 1 },
      { verb: 'WRITE', item: 3, stop: 6 },
      { verb: 'WRITE', item: 3, stop: 0 },
    );
    expect(replies).toEqual([no('noItem'), no('noItem'), no('noStop'), no('noStop')]);
    expect(after).toEqual(esc());
    const broken = { ...esc(), kept: { ...esc().kept, stops: { bite: 'bite-77' } } };
    expect(asked(broken, { verb: 'READ', item: 3 }).replies).toEqual([no('noStop')]);
  });

  it('tells who it is, and how much is not saved', () => {
    const { replies } = asked(esc(), { verb: 'WRITE', item: 3, stop: 5 }, { verb: 'ID' });
    const { words } = replies[1] as { words: string[] };
    expect(readIdentity(words)).toEqual({
      version: 2,
      profileId: 'small',
      profileRevision: 1,
      serial: 'serial-1',
      starts: 1,
      unsaved: 1,
    });
  });

  it('lets in whoever says the pass code, which can be changed', () => {
    const pair = (code: number): Request => ({ verb: 'PAIR', code });
    const { replies } = asked(
      esc(),
      pair(FACTORY_PASS_CODE),
      pair(2468),
      { verb: 'PASS', code: 2468 },
      pair(2468),
      pair(FACTORY_PASS_CODE),
    );
    expect(replies).toEqual([said(), no('locked'), said(), said(), no('locked')]);
  });

  it('hears only who it is and the pass code before that was said', () => {
    expect(isOpenTo({ verb: 'ID' })).toBe(true);
    expect(isOpenTo({ verb: 'PAIR', code: 1 })).toBe(true);
    expect(isOpenTo({ verb: 'READ', item: 1 })).toBe(false);
    expect(isOpenTo({ verb: 'SAVE' })).toBe(false);
  });
});

describe('the log of an ESC', () => {
  const bytes = Uint8Array.from({ length: 250 }, (_, n) => n);
  const summary: LogSummary = {
    log: 7,
    bytes: 250,
    sum: sumOf(bytes),
    isFull: true,
    isStale: false,
    seconds: 180,
    leastVolts: 7.25,
    mostRpm: 27_000,
    mostMotorCelsius: 64,
    mostEscCelsius: 41,
  };
  const logged = (): LinkedEsc =>
    plugIn(profile, 'serial-1', factoryMemory(profile), undefined, { summary, bytes });

  it('is told in a few numbers, then block by block, and nothing behind the last', () => {
    const { replies } = asked(
      logged(),
      { verb: 'SUMMARY' },
      { verb: 'LOG', block: 1 },
      { verb: 'LOG', block: 3 },
      { verb: 'LOG', block: 4 },
    );
    expect(readSummary((replies[0] as { words: string[] }).words)).toEqual(summary);
    expect(bytesOf((replies[1] as { words: string[] }).words[1]!)).toEqual(bytes.subarray(0, 100));
    expect(bytesOf((replies[2] as { words: string[] }).words[1]!)).toEqual(bytes.subarray(200));
    expect(replies[3]).toEqual(no('noLog'));
  });

  it('is cleared by its own number only, and outlives a restart until then', () => {
    const { replies, esc: after } = asked(
      restart(logged()),
      { verb: 'CLEAR', log: 6 },
      { verb: 'SUMMARY' },
      { verb: 'CLEAR', log: 7 },
      { verb: 'SUMMARY' },
    );
    expect(replies.map((reply) => (reply as { ok: boolean }).ok)).toEqual([false, true, true, false]);
    expect(after.log).toBeUndefined();
  });

  it('is stale once other values are saved, and not where the same are', () => {
    const saved = (stop: number) =>
      asked(logged(), { verb: 'WRITE', item: 3, stop }, { verb: 'SAVE' }).esc.log!.summary.isStale;
    expect([saved(2), saved(5)]).toEqual([false, true]);
  });

  it('is told of to whoever speaks the version that knows logs; whoever names none gets the oldest', () => {
    const { replies } = asked(
      logged(),
      { verb: 'ID' },
      { verb: 'ID', version: 3 },
      { verb: 'ID', version: 9 },
    );
    const versions = replies.map((reply) => readIdentity((reply as { words: string[] }).words)!.version);
    expect(versions).toEqual([2, 3, 3]);
  });
});

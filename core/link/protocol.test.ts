import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { factoryMemory } from '../device/simulatedEsc';
import { answer, isOpenTo, plugIn, restart, save } from '../device/linkedEsc';
import { smallProfile } from '../esc/smallProfile.fixture';
import {
  checksum,
  FACTORY_PASS_CODE,
  isPassCode,
  readIdentity,
  readReply,
  readRequest,
  replyLine,
  requestLine,
  type Request,
} from './protocol';

const anyRequest: fc.Arbitrary<Request> = fc.oneof(
  fc.constantFrom<Request>(
    { verb: 'ID' },
    { verb: 'ID', version: 3 },
    { verb: 'SAVE' },
    { verb: 'SUMMARY' },
    { verb: 'LIVE' },
    { verb: 'RESTART' },
  ),
  fc.record({ verb: fc.constant('LOG' as const), block: fc.integer({ min: 1, max: 9999 }) }),
  fc.record({ verb: fc.constant('CLEAR' as const), log: fc.integer({ min: 1, max: 9999 }) }),
  fc.record({
    verb: fc.constantFrom('PAIR' as const, 'PASS' as const),
    code: fc.integer({ min: 1000, max: 9999 }),
  }),
  fc.record({ verb: fc.constant('READ' as const), item: fc.integer({ min: 1, max: 99 }) }),
  fc.record({
    verb: fc.constant('WRITE' as const),
    item: fc.integer({ min: 1, max: 99 }),
    stop: fc.integer({ min: 1, max: 99 }),
  }),
);

describe('the words on the line', () => {
  it('carry the published checksum: "123456789" gives 29B1 (CRC-16/IBM-3740)', () => {
    expect(checksum('123456789')).toBe('29B1');
  });

  it('a request is read back as it was written', () => {
    fc.assert(
      fc.property(anyRequest, fc.integer({ min: 1, max: 9999 }), (body, number) => {
        expect(readRequest(requestLine({ number, body }).trimEnd())).toEqual({ number, body });
      }),
    );
  });

  it('one changed letter is always noticed', () => {
    fc.assert(
      fc.property(anyRequest, fc.nat(), fc.integer({ min: 1, max: 94 }), (body, place, by) => {
        const line = requestLine({ number: 7, body }).trimEnd();
        const at = place % line.length;
        const letter = String.fromCharCode(32 + ((line.charCodeAt(at) - 32 + by) % 95));
        fc.pre(letter !== line[at]);
        expect(readRequest(line.slice(0, at) + letter + line.slice(at + 1))).toBeUndefined();
      }),
    );
  });

  it('a line that was cut short is no line', () => {
    const line = replyLine({ number: 7, body: { ok: true, words: ['6', '5'] } }).trimEnd();
    for (let bytes = 0; bytes < line.length; bytes += 1)
      expect(readReply(line.slice(0, bytes))).toBeUndefined();
    expect(readReply(line)).toEqual({ number: 7, body: { ok: true, words: ['6', '5'] } });
  });

  it('a whole line that is no request is told apart from a garbled one', () => {
    const odd = '7 SING 4';
    expect(readRequest(`${odd} *${checksum(odd)}`)).toEqual({ number: 7, body: undefined });
  });
});

describe('an ESC on its link', () => {
  const fresh = plugIn(smallProfile(), 'esc-1', factoryMemory(smallProfile()));
  const write = (item: number, stop: number) => answer(fresh, { verb: 'WRITE', item, stop });

  it('reads what was written, but keeps it only when saved', () => {
    const written = write(3, 5).esc;
    expect(answer(written, { verb: 'READ', item: 3 }).reply).toEqual({ ok: true, words: ['3', '5'] });
    expect(restart(written).kept.stops.bite).toBe('bite-2');
    expect(restart(answer(written, { verb: 'SAVE' }).esc).kept.stops.bite).toBe('bite-5');
  });

  it('says how many values are not saved, and counts its starts', () => {
    const { reply } = answer(write(3, 5).esc, { verb: 'ID' });
    expect(reply.ok && readIdentity(reply.words)).toMatchObject({ serial: 'esc-1', starts: 1, unsaved: 1 });
    expect(restart(write(3, 5).esc)).toMatchObject({ starts: 2, unsaved: {} });
  });

  it('keeps only a part when the power goes while it saves', () => {
    const two = answer(write(3, 5).esc, { verb: 'WRITE', item: 4, stop: 3 }).esc;
    expect(save(two, 1).kept.stops).toMatchObject({ bite: 'bite-5', floor: 'floor-2' });
  });

  it.each([
    [{ verb: 'READ', item: 9 } as const, 'noItem'],
    [{ verb: 'WRITE', item: 1, stop: 3 } as const, 'noStop'],
  ])('refuses %o', (request, refusal) => {
    expect(answer(fresh, request).reply).toEqual({ ok: false, refusal });
  });
});

describe('the pass code of an ESC on its link', () => {
  const profile = smallProfile();
  const fresh = plugIn(profile, 'esc-1', factoryMemory(profile));
  const pair = (esc: typeof fresh, code: number) => answer(esc, { verb: 'PAIR', code }).reply;

  it('is the factory’s until it is changed, and then only the new one lets in', () => {
    expect(pair(fresh, FACTORY_PASS_CODE)).toEqual({ ok: true, words: [] });
    expect(pair(fresh, 4711)).toEqual({ ok: false, refusal: 'locked' });
    const { esc } = answer(fresh, { verb: 'PASS', code: 4711 });
    expect(pair(esc, 4711).ok).toBe(true);
    expect(pair(esc, FACTORY_PASS_CODE)).toEqual({ ok: false, refusal: 'locked' });
  });

  it('outlives a restart, as what was written and not saved does not', () => {
    const changed = answer(fresh, { verb: 'PASS', code: 4711 }).esc;
    const { esc } = answer(changed, { verb: 'WRITE', item: 3, stop: 5 });
    expect(restart(esc)).toMatchObject({ passCode: 4711, unsaved: {} });
  });

  it('a wrong one changes nothing', () => {
    expect(answer(fresh, { verb: 'PAIR', code: 4711 }).esc).toBe(fresh);
  });

  it('is not asked for by whoever only wants to know who it is', () => {
    const verbs: Request[] = [
      { verb: 'ID' },
      { verb: 'PAIR', code: 1111 },
      { verb: 'PASS', code: 4711 },
      { verb: 'READ', item: 1 },
      { verb: 'WRITE', item: 1, stop: 1 },
      { verb: 'SAVE' },
      { verb: 'RESTART' },
    ];
    expect(verbs.filter(isOpenTo).map(({ verb }) => verb)).toEqual(['ID', 'PAIR']);
  });

  it.each([
    [1000, true],
    [9999, true],
    [999, false],
    [10000, false],
    [1234.5, false],
    [Number.NaN, false],
  ])('%d as a code: %s', (code, fits) => {
    expect(isPassCode(code)).toBe(fits);
  });

  it.each(['PASS', 'PASS 12', 'PASS 0123', 'PAIR 1111 2222', 'PAIR -111'])(
    'a line of “%s” is whole, and no request',
    (words) => {
      const line = `7 ${words}`;
      expect(readRequest(`${line} *${checksum(line)}`)).toEqual({ number: 7, body: undefined });
    },
  );
});

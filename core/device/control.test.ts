import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { isMemoryOf, isSerial, readControlReply, readCountedMemory } from './control';
import { factoryMemory } from './simulatedEsc';

const profile = smallProfile();
const memory = factoryMemory(profile);
const withStops = (stops: Record<string, string>) => ({ ...memory, stops: { ...memory.stops, ...stops } });

describe('a memory from outside', () => {
  it('is counted from zero, in whole numbers', () => {
    expect(readCountedMemory({ memory, writes: 0 })).toEqual({ memory, writes: 0 });
    for (const writes of [-1, 1.5, NaN, '3', null, 2 ** 53])
      expect(readCountedMemory({ memory, writes })).toBeUndefined();
  });

  it('has a whole range, in numbers', () => {
    for (const change of [{ brakeMicros: '1000' }, { neutralMicros: null }, { forwardMicros: Infinity }])
      expect(
        readCountedMemory({ memory: { ...memory, range: { ...memory.range, ...change } }, writes: 1 }),
      ).toBeUndefined();
  });

  it('is one of an ESC where it has a stop of each of its items, and nothing else', () => {
    expect(isMemoryOf(profile, memory)).toBe(true);
    expect(isMemoryOf(profile, withStops({ bite: 'floor-1' }))).toBe(false);
    expect(isMemoryOf(profile, withStops({ another: 'bite-1' }))).toBe(false);
    const { bite: _bite, ...fewer } = memory.stops;
    expect(isMemoryOf(profile, { ...memory, stops: fewer })).toBe(false);
  });
});

it('a serial number is the name of a file, and of no folder', () => {
  for (const serial of ['a', '0f-3.b_C', 'x'.repeat(64)]) expect(isSerial(serial)).toBe(true);
  for (const serial of ['', '.', '..', 'a/b', 'x'.repeat(65), 7]) expect(isSerial(serial)).toBe(false);
});

it('a reply may come without a memory, and not with half of one', () => {
  expect(readControlReply('{"ok":true}')).toEqual({ ok: true });
  expect(readControlReply('{"ok":true,"memory":{"writes":1}}')).toBeUndefined();
  expect(readControlReply('{"ok":false,"sentence":7}')).toBeUndefined();
});

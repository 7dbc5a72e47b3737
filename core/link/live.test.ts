import { describe, expect, it } from 'vitest';
import { liveWords, readLive } from './live';

describe('numbers of a drive on the line', () => {
  const values = {
    trigger: -35,
    packVolts: 7.41,
    amps: 12.3,
    rpm: 21_340,
    canCelsius: 61,
    escCelsius: 44,
    usedMah: 310,
  };

  it('come out as they went in, to the parts that are told', () => {
    expect(readLive(liveWords({ seconds: 12, values }))).toEqual({ seconds: 12, values });
  });

  it('a sensor that says nothing is no zero', () => {
    const { canCelsius: _lost, ...seen } = values;
    expect(readLive(liveWords({ seconds: 12, values: seen }))!.values).not.toHaveProperty('canCelsius');
  });

  it.each([
    [[]],
    [['1', '2']],
    [['x', '0', '0', '0', '0', '0', '0', '0']],
    [['1', '', '0', '0', '0', '0', '0', '0']],
  ])('%j are none', (words) => expect(readLive(words)).toBeUndefined());
});

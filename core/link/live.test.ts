import { describe, expect, it } from 'vitest';
import { liveWords, readLive, withMoment } from './live';

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

it('ends keep the lowest and the highest of each number, also of one that is not told each time', () => {
  const moments = [{ packVolts: 7.4, rpm: 900 }, { packVolts: 6.1 }, { packVolts: 8.2, rpm: 300 }];
  expect(moments.reduce((ends, values) => withMoment(ends, { seconds: 0, values }), {})).toEqual({
    packVolts: { least: 6.1, most: 8.2 },
    rpm: { least: 300, most: 900 },
  });
});

import { describe, expect, it } from 'vitest';
import { compareRuns } from './compareRuns';
import { whatDiffers } from './differences';
import { read, smallRun } from './runs.fixture';

describe('two runs', () => {
  const repeated = [5, 5.4, 5.2].map((stopMetres, n) => smallRun(n + 10, read({ stopMetres })));

  it('of one set-up differ by what this rig scatters: the interval holds nought', () => {
    const [a, b] = [smallRun(1, read({ stopMetres: 5 })).run, smallRun(2, read({ stopMetres: 5.3 })).run];
    const { numbers, cause } = compareRuns(a, b, repeated);
    expect(cause).toBeUndefined();
    expect(numbers[0]!.interval!.low).toBeLessThan(0);
    expect(numbers[0]!.interval!.high).toBeGreaterThan(0);
    // Two degrees of freedom: 4.303 (NIST table) times √2 times a spread of 0.2.
    expect(numbers[0]!.interval!.high - 0.3).toBeCloseTo(4.303 * Math.SQRT2 * 0.2, 3);
  });

  it('have no interval where nothing was repeated', () => {
    const [a, b] = [smallRun(1, read({ stopMetres: 5 })).run, smallRun(2, read({ stopMetres: 4 })).run];
    expect(compareRuns(a, b, []).numbers[0]!.interval).toBeUndefined();
  });

  it('with one thing changed have a cause, with two none, and what to drive is said', () => {
    const { run: a } = smallRun(1);
    expect(compareRuns(a, smallRun(2, {}, { bite: 'bite-4' }).run, []).cause?.name).toBe('bite');
    const both = compareRuns(a, smallRun(2, { pack: 'Red' }, { bite: 'bite-4' }).run, []);
    expect(both.cause).toBeUndefined();
    expect(both.toSeparate).toContain('bite');
  });

  it('what was not noted on one of them is told and blamed for nothing', () => {
    const [difference] = whatDiffers(smallRun(1).run, smallRun(2, { place: 'The quay' }).run);
    expect(difference).toMatchObject({ name: 'Place', from: 'not noted', matters: false });
  });

  it('minutes and air within what does not matter are the same', () => {
    const { run } = smallRun(1, { minutes: 6, airCelsius: 20 });
    expect(whatDiffers(run, { ...run, minutes: 6.5, airCelsius: 22 })).toEqual([]);
    expect(whatDiffers(run, { ...run, minutes: 8 }).map(({ name }) => name)).toEqual(['Time']);
    expect(whatDiffers(run, { ...run, airCelsius: 30 }).map(({ name }) => name)).toEqual(['Air']);
  });
});

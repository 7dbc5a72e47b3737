import { describe, expect, it } from 'vitest';
import { usualGoals } from '../../advice/goals';
import { smallProfile } from '../../esc/smallProfile.fixture';
import { rangeOf } from '../../radio/pulse';
import { quantityAt } from '../../rig/fields';
import { handValuesOf } from '../../rig/handValues';
import { spreadsOf } from '../../rig/spreads';
import { channelOf } from '../log/channels';
import { testRig } from '../runs.fixture';
import { drive, logOf } from './drive';
import { trueModel } from './trueModel';

const order = (number: number) => ({
  number,
  profile: smallProfile(),
  stops: {},
  range: rangeOf(testRig.channel),
  use: usualGoals('tenthBuggy').use,
  run: { byHand: handValuesOf(testRig), airCelsius: 20 },
  minutes: 0.5,
});
const model = trueModel(testRig, 3);
const log = (number: number) => logOf(model, drive(model, order(number)), number);
const valuesOf = (number: number, kind: 'trigger' | 'rpm') => [...channelOf(log(number), kind)!.values];

describe('a true model', () => {
  it('is the same for the same seed, and another for another', () => {
    expect(trueModel(testRig, 3)).toEqual(model);
    expect(quantityAt(trueModel(testRig, 4).rig, 'motor.kvRpmPerVolt').value).not.toBe(
      quantityAt(model.rig, 'motor.kvRpmPerVolt').value,
    );
  });

  it('is off in every number that may be off, by no more than a guess may be', () => {
    for (const { path, share } of spreadsOf(testRig)) {
      const off = quantityAt(model.rig, path).value / quantityAt(testRig, path).value;
      expect(off).not.toBe(1);
      expect(Math.abs(Math.log(off))).toBeLessThan(2 * share);
    }
  });
});

describe('its drives', () => {
  it('are the same each time they are driven, and no two alike', () => {
    expect(valuesOf(1, 'rpm')).toEqual(valuesOf(1, 'rpm'));
    expect(valuesOf(1, 'trigger')).not.toEqual(valuesOf(2, 'trigger'));
  });

  it('are logged with gaps, and a clock that only goes forward', () => {
    const { seconds, channels } = log(1);
    expect(channels.some(({ values }) => values.some(Number.isNaN))).toBe(true);
    expect(seconds.every((second, n) => n === 0 || second > seconds[n - 1]!)).toBe(true);
    expect(seconds.at(-1)).toBeCloseTo(30, 0);
  });
});

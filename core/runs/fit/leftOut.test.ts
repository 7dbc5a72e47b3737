import { describe, expect, it } from 'vitest';
import type { Log } from '../log/channels';
import { endOfMeans } from './endOfMeans';
import { countsMoreAmps, predictedLeftOut } from './leftOut';
import { nearness } from './nearness';
import { recoveryOf } from './recovery.fixture';

describe('an end of a channel', () => {
  const STEADY = [5, 5, 5, 5, 5, 5];
  it('is none of a single sample that stands out', () => {
    const spiked = Float32Array.from([...STEADY, 50, ...STEADY]);
    expect(endOfMeans(spiked, 0.1, 'most')).toBeCloseTo(14);
    expect(endOfMeans(spiked, 0.1, 'least')).toBeCloseTo(5);
  });

  it('passes over blanks, and is none of nothing', () => {
    expect(endOfMeans(Float32Array.from([NaN, 7, NaN]), 0.1, 'most')).toBe(7);
    expect(endOfMeans(Float32Array.from([NaN]), 0.1, 'most')).toBeUndefined();
  });
});

describe('a count of what was used', () => {
  const logOf = (amps: number[], usedMah: number[]): Log => ({
    seconds: Float64Array.from(amps, (_, n) => 36 * n),
    channels: [
      { kind: 'amps', name: 'Pack current', unit: 'A', values: Float32Array.from(amps) },
      { kind: 'usedMah', name: 'Used', unit: 'mAh', values: Float32Array.from(usedMah) },
    ],
  });

  it('goes on by as much more as its ammeter does not show', () => {
    // 10 A for a hundredth of an hour are 100 mAh; 110 are 11 A.
    expect(countsMoreAmps(logOf([10, 10, 10], [0, 100, 200]))).toBeCloseTo(0);
    expect(countsMoreAmps(logOf([10, 10, 10], [50, 160, 270]))).toBeCloseTo(1);
  });

  it('says nothing where the log has none', () => {
    const { seconds, channels } = logOf([10, 10], [0, 100]);
    expect(countsMoreAmps({ seconds, channels: channels.slice(0, 1) })).toBeUndefined();
  });
});

describe('used charge as a log counts it', () => {
  const { on, runs } = recoveryOf({ vehicleClass: 'sportPlane', seed: 1, by: 'log', runs: 1, minutes: 0.5 });
  const none = {
    ampsGain: 0,
    ampsZero: 0,
    voltsGain: 0,
    canOffset: 0,
    escOffset: 0,
    servoAmps: 0,
    countsMoreAmps: 0,
  };
  const used = (sensors: Partial<typeof none>) => {
    const numbers = predictedLeftOut(on, on.rig, on.rig, { ...none, ...sensors }, runs[0]!);
    const { before, after } = numbers.find(({ kind }) => kind === 'putBackMah')!;
    return { before, after };
  };

  it('is what the motor took, where sensors show what is there', () => {
    const { before, after } = used({});
    expect(after).toBeCloseTo(before);
  });

  it('has what servos took: an ampere for half a minute is 8.3 mAh', () => {
    const { before, after } = used({ servoAmps: 1 });
    expect(after - before).toBeCloseTo(30 / 3.6, 0);
  });

  it('is more where the ammeter shows too much', () => {
    const { before, after } = used({ ampsGain: 0.1 });
    expect(after / before).toBeCloseTo(1.1);
  });

  it('has nothing of a zero that its count leaves out', () => {
    const { before, after } = used({ ampsZero: 0.5, countsMoreAmps: -0.5 });
    expect(after).toBeCloseTo(before);
  });
});

describe('a number of a run that was left out', () => {
  const of = (before: number, after: number) =>
    nearness({ kind: 'canCelsius', measured: 60, error: 3, before, after });

  it('is nearer or further off, whichever side it was on', () => {
    expect(of(66, 61)).toBe('nearer');
    expect(of(54, 61)).toBe('nearer');
    expect(of(61, 54)).toBe('further off');
  });

  it('is as near where the thermometer itself cannot tell', () => {
    expect(of(61, 62)).toBe('as near');
    expect(of(62, 61)).toBe('as near');
  });
});

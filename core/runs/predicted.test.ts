import { describe, expect, it } from 'vitest';
import { usualGoals } from '../advice/goals';
import { smallProfile } from '../esc/smallProfile.fixture';
import { rangeOf } from '../radio/pulse';
import { predictedReadings } from './predicted';
import type { ReadingId } from './readings';
import type { Run } from './run';
import { smallRun, testRig } from './runs.fixture';

const on = {
  rig: testRig,
  profile: smallProfile(),
  range: rangeOf(testRig.channel),
  goals: usualGoals('tenthBuggy'),
};
const predicted = (kind: ReadingId, change: Partial<Run> = {}, stops = {}): number | undefined =>
  predictedReadings(on, smallRun(1, change, stops).run, [kind])[kind];

describe('what the model says of a run', () => {
  it('a longer run uses more, gets hotter and ends lower', () => {
    expect(predicted('putBackMah', { minutes: 4 })! / predicted('putBackMah', { minutes: 2 })!).toBeCloseTo(
      2,
      0,
    );
    expect(predicted('canCelsius', { minutes: 6 })!).toBeGreaterThan(
      predicted('canCelsius', { minutes: 2 })!,
    );
    expect(predicted('lowestVolts', { minutes: 6 })!).toBeLessThan(predicted('lowestVolts', { minutes: 2 })!);
  });

  it('volts are those of the whole pack', () => {
    const volts = predicted('lowestVolts', { minutes: 2 })!;
    expect(volts).toBeGreaterThan(3 * testRig.pack.cells);
    expect(volts).toBeLessThan(4.2 * testRig.pack.cells);
  });

  it('warmer air is felt by the can', () => {
    const cold = predicted('canCelsius', { airCelsius: 10 })!;
    expect(predicted('canCelsius', { airCelsius: 30 })! - cold).toBeGreaterThan(10);
  });

  it('uses what the ESC held then', () => {
    expect(predicted('stopMetres', {}, { bite: 'bite-5' })!).toBeLessThan(
      predicted('stopMetres', {}, { bite: 'bite-1' })!,
    );
  });

  it('of a run without minutes says nothing that depends on how long it was', () => {
    expect(predicted('canCelsius', { minutes: null })).toBeUndefined();
    expect(predicted('topSpeedKmh', { minutes: null })).toBeGreaterThan(0);
  });

  it('has no number for a lap', () => {
    expect(predicted('lapSeconds')).toBeUndefined();
  });
});

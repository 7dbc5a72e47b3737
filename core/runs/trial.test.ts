import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { nextChanges } from './nextChange';
import { EMPTY_NOTE, unknownIn, type NumberedRun, type RunNote } from './run';
import { read, seenBuggy, smallRun } from './runs.fixture';
import { outcomeOf, trialOf, type Trial } from './trial';

const asked = (note: Partial<RunNote>, stops = {}) =>
  nextChanges({ ...EMPTY_NOTE, ...note }, seenBuggy(stops));

describe('the next change', () => {
  it('brakes more by one stop where more brake is wanted, and says what the model predicts', () => {
    const [change] = asked({ felt: { brake: 'more' } });
    expect(change!.change).toMatchObject({ kind: 'move', itemId: 'bite', stopId: 'bite-3' });
    expect(change!.effect!.after.value!).toBeLessThan(change!.effect!.before.value!);
    expect(change!.because).toContain('Brake: more wanted');
  });

  it('brakes less where less is wanted', () => {
    const [change] = asked({ felt: { brake: 'less' } });
    expect(change!.change).toMatchObject({ itemId: 'bite', stopId: 'bite-1' });
  });

  it('pulls away softer by one stop where less is wanted there', () => {
    const [change] = asked({ felt: { pullAway: 'less' } });
    expect(change!.change).toMatchObject({ itemId: 'leap', stopId: 'leap-3' });
  });

  it('asks for nothing where all is right', () => {
    expect(asked({ felt: { brake: 'right', pullAway: 'right' } })).toEqual([]);
  });

  it('goes no further than the ESC does', () => {
    expect(asked({ felt: { brake: 'more' } }, { bite: 'bite-5' })).toEqual([]);
  });

  it('what got too hot comes before what was felt', () => {
    const [change] = asked({ felt: { brake: 'more' }, ...read({ canCelsius: 104 }) });
    expect(change!.aim).toEqual({ kind: 'trouble', trouble: 'hot' });
    expect(change!.because).toContain('104');
  });

  it('heat below the limit asks for nothing', () => {
    expect(asked(read({ canCelsius: 70 }))).toEqual([]);
  });
});

describe('a change that was tried', () => {
  const profile = smallProfile();
  const before = (note: Partial<RunNote> = {}): NumberedRun =>
    smallRun(1, { felt: { brake: 'more' }, ...note });
  const [change] = asked({ felt: { brake: 'more' } });
  const trial: Trial = trialOf(change!, {
    profile,
    stops: { bite: 'bite-2' },
    afterRun: 1,
    id: 't',
    madeAt: '2026-05-01T10:00:00.000Z',
  });
  const after = (note: Partial<RunNote>, stops = {}): NumberedRun =>
    smallRun(2, note, { bite: 'bite-3', ...stops });
  const outcome = (...runs: NumberedRun[]) => outcomeOf(trial, runs, 'wheels');

  it('waits until a run was driven with it', () => {
    expect(outcome(before())).toEqual({ state: 'waiting' });
    expect(outcome(before(), smallRun(2, { felt: { brake: 'right' } }))).toEqual({ state: 'waiting' });
  });

  it('held where it feels right then', () => {
    expect(outcome(before(), after({ felt: { brake: 'right' } }))).toMatchObject({ state: 'held', run: 2 });
  });

  it('was not felt where the same is wanted still, and too much where the opposite is', () => {
    expect(outcome(before(), after({ felt: { brake: 'more' } }))).toMatchObject({ state: 'notFelt' });
    expect(outcome(before(), after({ felt: { brake: 'less' } }))).toMatchObject({ state: 'tooMuch' });
  });

  it('is judged by the number itself where both runs have it', () => {
    expect(trial.predicted).toMatchObject({ told: ['brake', 'stopSlow'] });
    const outcomeWith = (slowStopMetres: number) =>
      outcome(
        before(read({ slowStopMetres: 0.3 })),
        after({ felt: { brake: 'right' }, ...read({ slowStopMetres }) }),
      );
    expect(outcomeWith(0.31)).toMatchObject({ state: 'notFelt' });
    expect(outcomeWith(0.24)).toMatchObject({ state: 'held' });
  });

  it('what was read too hot is judged by being read again', () => {
    const hot = { ...trial, aim: { kind: 'trouble', trouble: 'hot' }, predicted: null } as const;
    const outcomeAt = (celsius: number | undefined) =>
      outcomeOf(
        hot,
        [
          before(read({ canCelsius: 104 })),
          after(celsius === undefined ? {} : read({ canCelsius: celsius })),
        ],
        'wheels',
      );
    expect(outcomeAt(88)).toMatchObject({ state: 'held' });
    expect(outcomeAt(103)).toMatchObject({ state: 'notFelt' });
    expect(outcomeAt(undefined)).toEqual({ state: 'notSaid', run: 2 });
  });

  it('names no cause where something else was changed as well', () => {
    const both = after({ felt: { brake: 'right' } }, { leap: 'leap-3' });
    expect(outcome(before(), both)).toEqual({ state: 'twoChanged', run: 2, others: ['leap'] });
  });

  it('a silent run, or one with something else changed, leaves the word to the next', () => {
    const third = smallRun(3, { felt: { brake: 'right' } }, { bite: 'bite-3' });
    expect(outcome(before(), after({ words: 'rain' }))).toEqual({ state: 'notSaid', run: 2 });
    expect(outcome(before(), after({ words: 'rain' }), third)).toMatchObject({ state: 'held', run: 3 });
    const both = after({ felt: { brake: 'more' } }, { leap: 'leap-3' });
    expect(outcome(before(), both, third)).toMatchObject({ state: 'held', run: 3 });
  });

  it('is not judged without the run that asked for it', () => {
    expect(outcome(after({ felt: { brake: 'right' } }))).toEqual({ state: 'notSaid', run: 2 });
  });

  it('passes over a run that does not count', () => {
    const loose = after({ felt: { brake: 'right' }, leftOut: 'a wheel was loose' });
    expect(outcome(before(), loose)).toEqual({ state: 'waiting' });
  });
});

describe('a run whose set-up is not known', () => {
  const profile = smallProfile();
  it('says which item; all is known where each was read back', () => {
    expect(unknownIn(profile, smallRun(1).run)).toEqual([]);
    const { run } = smallRun(1);
    const held = run.held.map((value) =>
      value.itemId === 'bite' ? { ...value, basis: 'assumedFactory' as const } : value,
    );
    expect(unknownIn(profile, { ...run, held })).toEqual(['bite']);
    const gone = run.held.map((value) => (value.itemId === 'bite' ? { ...value, stopId: 'bite-9' } : value));
    expect(unknownIn(profile, { ...run, held: gone })).toEqual(['bite']);
    expect(unknownIn(profile, { ...run, profileId: 'other' })).toEqual(['another ESC']);
  });
});

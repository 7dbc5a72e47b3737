import { describe, expect, it } from 'vitest';
import { countInWords, formatDuration, formatNumber, timesInWords, withUnit } from '../units/format';
import { cutoffVoltsPerCell } from './cutoff';
import { comparableNumber, describeValue } from './value';
import { MOMENTS, momentName, momentsOf, type MomentId } from './moments';
import { VOCABULARY } from './vocabulary';

describe('values in words', () => {
  it.each([
    ['brakeStrength', { kind: 'number', value: 62.5 }, '62.5\u00a0%'],
    ['advance', { kind: 'number', value: 3.75 }, '3.75\u00a0°'],
    ['cutoff', { kind: 'packVolts', value: 9.6 }, '9.6\u00a0V for the pack'],
    ['cutoff', { kind: 'off' }, 'off'],
    ['runningMode', { kind: 'choice', choice: 'forwardBrake' }, 'forward and brake'],
    ['cellCount', { kind: 'choice', choice: 'auto' }, 'counted by itself'],
  ] as const)('%s %j is %s', (setting, value, words) => {
    expect(describeValue(VOCABULARY[setting], value)).toBe(words);
  });

  it('compares cutoffs per cell and for the pack on the same scale', () => {
    expect(comparableNumber({ kind: 'packVolts', value: 9.6 }, 3)).toBeCloseTo(3.2, 9);
    expect(comparableNumber({ kind: 'number', value: 3.2 }, 3)).toBe(3.2);
    expect(comparableNumber({ kind: 'off' }, 3)).toBe(0);
    expect(comparableNumber({ kind: 'choice', choice: 'auto' }, 3)).toBeUndefined();
  });

  it('a cutoff that is off is zero, one that is not there is nothing', () => {
    expect(cutoffVoltsPerCell({ kind: 'off' }, 3)).toBe(0);
    expect(cutoffVoltsPerCell(undefined, 3)).toBeUndefined();
  });
});

describe('the vocabulary', () => {
  it('says in words what lower and higher do, or what the choices are', () => {
    for (const { id, choices, lower, higher, summary } of Object.values(VOCABULARY)) {
      expect([id, summary.endsWith('.')]).toEqual([id, true]);
      if (!choices) expect([id, lower !== '' && higher !== '']).toEqual([id, true]);
    }
  });

  it('a flight climbs before it cruises, and names its moments so; a pull of the trigger does not', () => {
    expect(
      momentsOf('propeller')
        .slice(0, 4)
        .map((id) => momentName(id, 'propeller')),
    ).toEqual(['Spool up', 'Climb', 'Cruise', 'Cut']);
    expect(momentsOf('wheels')).toEqual(Object.keys(MOMENTS) as MomentId[]);
    expect(new Set(momentsOf('propeller'))).toEqual(new Set(momentsOf('wheels')));
  });
});

describe('numbers in words', () => {
  it.each([
    [9.6, 2, '9.6'],
    [9.6049, 2, '9.6'],
    [-0.001, 2, '0'],
    [-3, 0, '\u22123'],
    [0.5, 0, '1'],
  ])('%f to %i decimals is %s', (value, decimals, text) => {
    expect(formatNumber(value, decimals)).toBe(text);
  });

  it('counts in words as far as a voice would', () => {
    expect([1, 2, 3, 12, 13].map(countInWords)).toEqual(['one', 'two', 'three', 'twelve', '13']);
    expect([1, 2, 5, 14].map(timesInWords)).toEqual(['once', 'twice', 'five times', '14 times']);
  });

  it('keeps a number and its unit on one line, and adds none where there is none', () => {
    expect(withUnit(6, 'V', 1)).toBe('6\u00a0V');
    expect(withUnit(3, '', 0)).toBe('3');
  });

  it.each([
    [40.4, '40\u00a0s'],
    [59.7, '1\u00a0min'],
    [125, '2\u00a0min 5\u00a0s'],
  ])('%f s is %s', (seconds, words) => {
    expect(formatDuration(seconds)).toBe(words);
  });
});

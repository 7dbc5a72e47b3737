import { describe, expect, it } from 'vitest';
import type { Scale } from '../esc/scale';
import { VOCABULARY, type SettingId } from '../settings/vocabulary';
import { assumedLevel } from './levels';
import { choiceFor } from './choices';
import { meaningOf } from './meaning';
import { leadingNumber, saysOff, saysPack } from './printedNumber';

describe('a number as manuals print it', () => {
  it.each<[string, number, string]>([
    ['75 %', 75, '%'],
    ['3,2V/cell', 3.2, 'V/cell'],
    ['.5', 0.5, ''],
    ['−5', -5, ''],
    ['11.25°', 11.25, '°'],
    ['~ 8 kHz', 8, 'kHz'],
    ['+10%', 10, '%'],
  ])('%s is %f', (text, number, rest) => {
    expect(leadingNumber(text)).toEqual({ number, rest });
  });

  it.each(['', 'soft', 'Level three', '%', 'Mode B2b'])('%j begins with none', (text) => {
    expect(leadingNumber(text)).toBeUndefined();
  });

  it('off is off in many words, and a number is never off', () => {
    expect(['Off', 'none', 'Disabled', '-', ' no '].every(saysOff)).toBe(true);
    expect(['0', 'Soft', 'on', 'Off-road'].some(saysOff)).toBe(false);
    expect([saysPack('9.6 V pack'), saysPack('whole battery 12.8'), saysPack('3.2 V')]).toEqual([
      true,
      true,
      false,
    ]);
  });
});

describe('a printed choice', () => {
  it.each<[SettingId, string, string | undefined]>([
    ['runningMode', 'Fwd/Brk/Rev (brake)', 'forwardBrakeReverse'],
    ['runningMode', 'F/B', 'forwardBrake'],
    ['runningMode', 'Rock crawler', 'forwardReverse'],
    ['runningMode', 'Forward only', 'forward'],
    ['runningMode', 'forward and brake', 'forwardBrake'],
    ['rotation', 'CCW', 'reversed'],
    ['rotation', 'Normal', 'normal'],
    ['motorType', 'Sensored start, then sensorless', 'sensoredStart'],
    ['motorType', 'Sensorless', 'sensorless'],
    ['motorType', 'Sensored', 'sensored'],
    ['cutoffAction', 'Soft cut', 'reduce'],
    ['cutoffAction', 'Hard cut', 'stop'],
    ['chemistry', 'LiPo HV', 'lihv'],
    ['chemistry', 'NiMH', 'nimh'],
    ['chemistry', 'LiFe', 'life'],
    ['cellCount', 'Auto Calc.', 'auto'],
    ['cellCount', '3S', '3'],
    ['cellCount', '99', undefined],
    ['idleBeeps', 'Enabled', 'on'],
    ['idleBeeps', 'OFF', 'off'],
    ['idleBeeps', 'purple', undefined],
    ['freewheel', 'Non-damped', 'off'],
    ['reverseEntry', 'Double tap', 'doubleTap'],
    ['governor', 'Off', 'off'],
    ['calibrationLock', 'Locked', 'off'],
    ['fan', 'Temp. controlled', 'auto'],
  ])('%s “%s” is %s', (setting, words, choice) => {
    expect(choiceFor(VOCABULARY[setting], words)).toBe(choice);
  });

  it('every choice is understood by its own words', () => {
    for (const setting of Object.values(VOCABULARY))
      for (const [choice, words] of Object.entries(setting.choices ?? {}))
        expect([setting.id, words, choiceFor(setting, words)]).toEqual([setting.id, words, choice]);
  });
});

describe('what a stop means', () => {
  it.each<[SettingId, Scale, string, unknown]>([
    ['brakeStrength', 'percent', '62,5 %', { kind: 'number', value: 62.5 }],
    ['cutoff', 'voltsPerCell', 'Off', { kind: 'off' }],
    ['cutoff', 'voltsPerCell', 'Whole pack: 9,6 V', { kind: 'packVolts', value: 9.6 }],
    ['cutoff', 'voltsPerCell', '9.6 pack', { kind: 'packVolts', value: 9.6 }],
    ['cutoff', 'packVolts', '9.6', { kind: 'packVolts', value: 9.6 }],
    ['initialBrake', 'percent', '= Drag brake', { kind: 'choice', choice: 'sameAsDrag' }],
    ['turboDelay', 'seconds', 'Instant', { kind: 'choice', choice: 'instant' }],
    ['boost', 'degrees', 'Auto', { kind: 'choice', choice: 'auto' }],
    [
      'throttleCurve',
      'curve',
      '30→10, 70→30',
      {
        kind: 'curve',
        points: [
          [30, 10],
          [70, 30],
        ],
      },
    ],
    ['throttleCurve', 'curve', '30 10 70', undefined],
    ['other', 'named', 'Blue', { kind: 'label' }],
    ['dragBrake', 'percent', 'purple', undefined],
  ])('%s on %s: “%s”', (setting, scale, text, value) => {
    expect(meaningOf(VOCABULARY[setting], scale, text)).toEqual(value);
  });
});

describe('a bare level', () => {
  it('is spread over what is usual, and nothing is guessed for volts of a BEC or a temperature', () => {
    expect([0, 1, 2].map((rank) => assumedLevel('launchStrength', rank, 3))).toEqual([100, 550, 1000]);
    expect(assumedLevel('errorBeeps', 0, 2)).toBeUndefined();
    expect(assumedLevel('becVolts', 0, 3)).toBeUndefined();
    expect(assumedLevel('escTemperatureLimit', 0, 3)).toBeUndefined();
  });

  it('never lies outside what ESCs offer', () => {
    for (const { id, bounds } of Object.values(VOCABULARY))
      for (const place of [0, 1, 2]) {
        const size = assumedLevel(id, place, 3);
        if (size !== undefined) expect([id, size >= bounds[0] && size <= bounds[1]]).toEqual([id, true]);
      }
  });
});

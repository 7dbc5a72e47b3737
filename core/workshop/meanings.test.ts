import { describe, expect, it } from 'vitest';
import { answered } from './answer';
import { choiceFor } from './choices';
import { readSketch } from './readSketch';
import { orderOf, senseOf } from './sizeWords';
import { newItem, type SketchItem } from './sketch';
import { withLine } from './stopsLine';
import { sketchOf } from './sketchOf';
import { smallProfile } from '../esc/smallProfile.fixture';
import { suggested } from './suggest';
import { VOCABULARY } from '../settings/vocabulary';
import type { SettingId } from '../settings/vocabulary';

const printed = (label: string, line: string): SketchItem =>
  suggested(withLine(newItem('one', label), line), 'wheels');
const asks = (item: SketchItem): string[] => item.asked.map(({ about }) => about);
/** The item with the answer that these words stand in. */
function told(item: SketchItem, words: string): SketchItem {
  for (const question of item.asked)
    for (const answer of question.answers)
      if (answer.words.includes(words)) return answered(item, question, answer);
  throw new Error(`nobody asks for “${words}”: ${JSON.stringify(item.asked)}`);
}
/** What each stop of the item means, once it is confirmed; problems instead where it is not in order. */
function meanings(item: SketchItem): unknown[] {
  const base = sketchOf(smallProfile(), 'copy');
  const read = readSketch({ ...base, name: 'One', presets: [], items: [{ ...item, suggestion: '' }] });
  if (!read.ok) return read.problems.map(({ sentence }) => sentence);
  return read.value.items[0]!.stops.map(({ value, basis }) =>
    value.kind === 'number'
      ? `${value.value} ${basis}`
      : value.kind === 'packVolts'
        ? `${value.value} pack ${basis}`
        : value.kind === 'choice'
          ? value.choice
          : value.kind,
  );
}

describe('bare numbers are levels', () => {
  it.each([
    ['Punch', '1 / 5* / 10 / 15 / 30', 'launchStrength'],
    ['Dead Band', '1 / 10* / 20 / 40', 'deadband'],
    ['Turbo On Rate', '1 / 3 / 5*', 'turboOnRate'],
    ['Start Power', '1 / 2* / 3', 'startPower'],
  ])('%s %s', (label, line, setting) => {
    const item = printed(label, line);
    expect([item.setting, item.scale, asks(item)]).toEqual([setting, 'level', []]);
    expect(meanings(item).every((meaning) => String(meaning).endsWith('assumed'))).toBe(true);
  });

  it('unless a unit is printed in the stop, in the name or at the head of the column', () => {
    expect(printed('Turbo On Rate (°/0.1s)', '3 / 6* / 12')).toMatchObject({
      scale: 'degreeRate',
      asked: [],
    });
    expect(meanings(printed('Boost Start RPM', '5 / 8* / 12'))).not.toContain('5 stated');
    expect(printed('Max Brake', '25 % / 50 %* / 100 %').scale).toBe('percent');
    expect(printed('Brake Percentage', '25 / 50* / 100')).toMatchObject({
      setting: 'brakeStrength',
      scale: 'percent',
    });
  });

  it('where makers often leave the unit away, both readings are asked', () => {
    const item = printed('Max Brake', '25 / 50* / 75 / 100');
    expect(asks(item)).toEqual(['scale']);
    expect(meanings(told(item, 'per cent'))).toEqual(['25 stated', '50 stated', '75 stated', '100 stated']);
    expect(meanings(told(item, 'bare levels'))[0]).toBe('0 assumed');
  });

  it('a unit that a stop prints counts before that of its neighbours', () => {
    expect(meanings(printed('Drive Frequency', '800 Hz / 2 kHz* / 8 kHz'))).toEqual([
      '0.8 stated',
      '2 stated',
      '8 stated',
    ]);
  });

  it.each([
    ['Drag Brake', '5 min / 10 min*'],
    ['Reverse Delay', '1 min / 2 min*'],
  ])('a unit that is none of its own is no size: %s %s', (label, line) => {
    expect(
      meanings({
        ...printed(label, line),
        setting: label === 'Drag Brake' ? 'dragBrake' : 'reverseDelay',
        asked: [],
      }).join(),
    ).not.toContain('stated');
  });
});

describe('a cutoff', () => {
  it('“2S 3S 4S” is cells times a voltage, asked; of the whole pack, whatever is plugged in', () => {
    const item = printed('Cutoff Voltage', 'Off / 2S* / 3S / 4S');
    expect([item.setting, asks(item)]).toEqual(['cutoff', ['stops']]);
    expect(meanings(item).join()).toContain('names the pack it is for');
    expect(meanings(told(item, '3.0 V a cell'))).toEqual([
      'off',
      '6 pack stated',
      '9 pack stated',
      '12 pack stated',
    ]);
    expect(meanings(told(item, 'does not say'))[2]).toBe('9.6 pack assumed');
  });

  it('“2, 3, 4” is asked, whatever it is called: volts, cells or levels', () => {
    const item = printed('Cutoff Voltage', '2 / 3* / 4');
    expect(item.asked[0]!.answers.map(({ words }) => words)).toEqual([
      'bare levels',
      'volts per cell',
      'Cells of the pack',
    ]);
    expect(meanings(told(item, 'Cells'))).toEqual([
      '6.4 pack assumed',
      '9.6 pack assumed',
      '12.8 pack assumed',
    ]);
    expect(printed('LVC', '6 / 8* / 9').asked[0]!.answers[1]!.words).toBe('volts of the whole pack');
    expect(asks(printed('Cutoff Voltage', '1 / 2* / 3'))).toEqual([]);
  });

  it('volts too high for a cell are the pack’s; kinds of cells say no volts, and are asked', () => {
    expect(meanings(printed('Cutoff Voltage', 'Off / 3.2 V* / 6.0 V'))).toEqual([
      'off',
      '3.2 stated',
      '6 pack stated',
    ]);
    const mixed = meanings(printed('Low Voltage Cutoff Threshold', 'Auto (lithium)* / NiMH / 3.2 V / Off'));
    expect(mixed.filter((said) => String(said).includes('say what it means'))).toHaveLength(2);
  });

  it('its type, mode or method is its action', () => {
    expect(printed('Cut-off Method', 'Soft / Hard*').setting).toBe('cutoffAction');
    expect(meanings(printed('Cutoff Type', 'Reduce power* / Stop motor'))).toEqual(['reduce', 'stop']);
  });
});

describe('which way it runs', () => {
  it('“very slow … very fast” of a ramp are many seconds first', () => {
    const ramp = printed('Drag Brake Rate', 'Very slow* / Slow / Medium / Fast / Very fast');
    expect([ramp.setting, ramp.sense, asks(ramp)]).toEqual(['dragRamp', 'inverted', []]);
    const seconds = meanings(ramp).map((said) => Number.parseFloat(String(said)));
    expect(seconds).toEqual(seconds.toSorted((a, b) => b - a));
  });

  it('“high, medium, low” falls, and “normal, soft, very soft” too', () => {
    expect(meanings(printed('Cutoff Voltage', 'High* / Medium / Low'))).toEqual([
      '3.4 assumed',
      '3.2 assumed',
      '3 assumed',
    ]);
    expect(orderOf(['Normal', 'Soft', 'Very soft'])).toMatchObject({ by: 'words', axis: 'force', runs: -1 });
  });

  it('bare levels of what may run either way are asked, and the answer decides', () => {
    const ramp = printed('Drag Brake Rate', '1* / 2 / 3');
    expect(asks(ramp)).toEqual(['direction']);
    const [atOnce] = meanings(told(ramp, VOCABULARY.dragRamp.lower)).slice(-1);
    const [gently] = meanings(told(ramp, VOCABULARY.dragRamp.higher)).slice(-1);
    expect([atOnce, gently]).toEqual(['0.05 assumed', '1 assumed']);
    expect(asks(printed('Throttle Linearity', '1* / 2 / 3'))).toEqual(['direction']);
    expect(asks(printed('Punch Limit', 'Soft / Hard*'))).toEqual(['direction']);
  });

  it.each<[SettingId, string[], 'direct' | 'inverted' | undefined]>([
    ['reverseDelay', ['Short', 'Long'], 'direct'],
    ['reverseDelay', ['Fast', 'Slow'], 'direct'],
    ['earlySoftening', ['Soft', 'Hard'], 'inverted'],
    ['launchStrength', ['Soft', 'Hard'], 'direct'],
    ['turboOffRate', ['Low', 'High'], undefined],
    ['deadband', ['Narrow', 'Wide'], 'direct'],
    ['brakeStrength', ['Slow', 'Fast'], undefined],
  ])('%s from %j', (setting, labels, sense) => {
    expect(senseOf(setting, orderOf(labels))).toBe(sense);
  });

  it.each([
    [['Low', 'Medium low', 'Medium', 'Medium high', 'High']],
    [['Slightly soft', 'Soft', 'Very soft']],
  ])('%j goes one way', (labels) => {
    expect(orderOf(labels).by).toBe('words');
    expect(orderOf([labels[1]!, labels[0]!, ...labels.slice(2)])).toEqual({ by: 'none' });
  });

  it('an answer to the scale leaves no direction to be asked, and another leaves it', () => {
    const linearity = printed('Throttle Linearity', '10* / 30 / 50');
    expect(asks(linearity)).toEqual(['scale', 'direction']);
    expect(asks(told(linearity, 'per cent'))).toEqual([]);
    expect(asks(told(linearity, 'bare levels'))).toEqual(['direction']);
  });

  it('sizes that fall run the other way', () => {
    expect(printed('Max Brake', '100 % / 75 %* / 50 %').sense).toBe('inverted');
    expect(printed('Max Brake', 'Off / 50 %* / 75 %').sense).toBe('direct');
  });

  it('names that go back and forth have no assumed sizes', () => {
    expect(
      meanings(printed('Start Power', 'High / Low* / Medium')).every((said) =>
        String(said).includes('say what it means'),
      ),
    ).toBe(true);
    expect(senseOf('startPower', orderOf(['High', 'Low', 'Medium']))).toBeUndefined();
  });

  it('“off” is none of the levels', () => {
    expect(meanings(printed('Drag Brake', 'Off* / Low / Medium / High'))).toEqual([
      'off',
      '0 assumed',
      '50 assumed',
      '100 assumed',
    ]);
  });
});

describe('running modes in every usual writing', () => {
  it.each([
    ['F/R/B', 'forwardBrakeReverse'],
    ['F/B/R', 'forwardBrakeReverse'],
    ['Fwd-Brk-Rev', 'forwardBrakeReverse'],
    ['F+B then R', 'forwardBrakeReverse'],
    ['Forward, brake & reverse', 'forwardBrakeReverse'],
    ['With reverse', 'forwardBrakeReverse'],
    ['Forward/brake with reverse', 'forwardBrakeReverse'],
    ['Without reverse', 'forwardBrake'],
    ['No Reverse', 'forwardBrake'],
    ['Fwd-Brk', 'forwardBrake'],
    ['Brake + forward', 'forwardBrake'],
    ['Fwd/Rev', 'forwardReverse'],
    ['F <-> R', 'forwardReverse'],
    ['Direct reverse', 'forwardReverse'],
    ['Rock crawler', 'forwardReverse'],
    ['Forward only', 'forward'],
    ['Fwd', 'forward'],
    ['One-way', 'forward'],
    ['Forward without brake', 'forward'],
    ['Forward without reverse', undefined],
    ['Brushless, forward only', undefined],
    ['Forward, brake, direct reverse', undefined],
    ['Reverse', undefined],
    ['Race', undefined],
    ['2', undefined],
    ['Off', undefined],
  ])('“%s” is %s', (label, mode) => {
    expect(choiceFor(VOCABULARY.runningMode, label)).toBe(mode);
  });

  it('forward and reverse without a mode beside it that brakes is asked', () => {
    const item = printed('Running Mode', 'Forward / Forward/Reverse*'.replace('Forward/Reverse', 'Fwd-Rev'));
    expect(asks(item)).toEqual(['stops']);
    expect(meanings(told(item, 'brakes first'))).toEqual(['forward', 'forwardBrakeReverse']);
    expect(asks(printed('Running Mode', 'Fwd-Brk | Fwd-Brk-Rev* | Fwd-Rev'))).toEqual([]);
  });
});

describe('counts, sides and degrees of two kinds', () => {
  it('poles are not pairs: asked, with the count', () => {
    const poles = printed('Motor Poles', '2 / 4* / 14');
    expect(asks(poles)).toEqual(['scale']);
    expect(poles.asked[0]!.answers.map(({ consequence }) => consequence)).toEqual([
      '“14” is 7 pairs.',
      '“14” is 14 pairs.',
    ]);
    expect(asks(printed('Pole Pairs', '1 / 2* / 7'))).toEqual([]);
  });

  it('a deadband in ms is of each side or of both: asked', () => {
    const band = printed('Dead Band', '0.05 ms / 0.1 ms*');
    expect(meanings(told(band, 'each side'))).toEqual(['50 stated', '100 stated']);
    expect(meanings(told(band, 'both sides'))).toEqual(['25 stated', '50 stated']);
  });

  it('105 is Celsius, 221 Fahrenheit, and 140 may be either', () => {
    const limit = (line: string) => printed('ESC Temperature Limit', line);
    expect(meanings(limit('95.5 / 105.5*'))).toEqual(['95.5 stated', '105.5 stated']);
    expect(limit('95 / 105*').asked[0]!.answers.map(({ words }) => words)).toEqual(['bare levels', '°C']);
    expect(limit('201 / 221*').asked[0]!.answers.map(({ words }) => words)).toEqual(['bare levels', '°F']);
    expect(limit('140 / 150*').asked[0]!.answers.map(({ words }) => words)).toEqual([
      'bare levels',
      '°C',
      '°F',
    ]);
  });
});

describe('printed choices', () => {
  it.each<[SettingId, string, string | undefined]>([
    ['cutoffAction', 'Off', undefined],
    ['calibrationLock', 'On', undefined],
    ['chemistry', 'Union', undefined],
    ['motorType', 'Brushless', undefined],
    ['motorType', 'Auto detect', undefined],
    ['fan', 'Off', 'off'],
    ['rotation', 'Bidirectional', 'twoWay'],
    ['boostActivation', 'RPM', 'rpm'],
    ['auxiliaryLead', 'Telemetry output', 'telemetry'],
    ['cellCount', 'Level 3', undefined],
  ])('%s “%s” is %s', (setting, words, choice) => {
    expect(choiceFor(VOCABULARY[setting], words)).toBe(choice);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_PROFILES } from '../../demo/demo';
import { parseTable } from '../../formats/csvTable';
import { problemsOf, readDocument } from '../../formats/document';
import { escProfileSchema } from '../../formats/escProfile';
import { ARCHETYPES } from '../archetypes/archetypes';
import { textBoxPattern } from '../archetypes/cars';
import { menusProfile } from '../plan/menus.fixture';
import type { EscProfile } from '../esc/profile';
import { validateProfile } from '../esc/validateProfile';
import { madeForBy } from './madeFor';
import { previewOf } from './previewOf';
import { readSketch } from './readSketch';
import { newItem, newStop, type Sketch, type SketchItem } from './sketch';
import { lineOfStops, markedCell, stopsFromLine, withLine } from './stopsLine';
import { sketchOf } from './sketchOf';
import { readPrinted, suggested } from './suggest';
import { answered } from './answer';
import { readTable } from './table';

const demos = Object.values(DEMO_PROFILES).map((text): EscProfile => {
  const read = readDocument(text);
  if (!read.ok || read.value.format !== 'live-tune/esc-profile') throw new Error('a demo profile is unsound');
  const { format: _format, version: _version, ...profile } = read.value;
  return profile;
});
const profiles = [...ARCHETYPES.map(({ profile }) => profile), ...demos, menusProfile(textBoxPattern)];
const base: Sketch = { ...sketchOf(ARCHETYPES[0]!.profile, 'copy'), presets: [] };

/** An item with the first answer to each of its questions. */
function answeredFirst(item: SketchItem): SketchItem {
  const [question] = item.asked;
  return question ? answeredFirst(answered(item, question, question.answers[0]!)) : item;
}

/** A sketch as its user leaves it: every suggestion looked at and confirmed, every question answered. */
const confirmed = (items: readonly SketchItem[], changes: Partial<Sketch> = {}): Sketch => ({
  ...base,
  name: 'Mine',
  ...changes,
  items: items.map((item) => ({ ...answeredFirst(item), suggestion: '' })),
});

const problemsAt = (sketch: Sketch): string[] => {
  const read = readSketch(sketch);
  return read.ok ? [] : read.problems.map(({ path }) => path);
};
const sentences = (sketch: Sketch): string => {
  const read = readSketch(sketch);
  return read.ok ? '' : read.problems.map(({ sentence }) => sentence).join('\n');
};

describe('a profile as a sketch', () => {
  it.each(profiles.map((profile) => [profile.name, profile] as const))(
    '%s comes back as it was',
    (_name, profile) => {
      const read = readSketch(sketchOf(profile, 'revision'));
      expect(read).toEqual({ ok: true, value: { ...profile, revision: profile.revision + 1 } });
    },
  );

  it('a copy has an id and a history of its own', () => {
    const read = readSketch({ ...base, name: 'Öl & Salz 40' });
    expect(read).toMatchObject({ ok: true, value: { id: 'o-l-salz-40', revision: 1, name: 'Öl & Salz 40' } });
  });
});

// One page of a manual, fifteen items, made up; typed in three ways.
const PAGE: [name: string, stops: string[], factory: number][] = [
  ['Running Mode', ['Forward/Brake', 'Forward/Brake/Reverse', 'Forward/Reverse'], 2],
  ['Drag Brake', ['0 %', '5 %', '10 %', '20 %', '40 %', '60 %', '80 %', '100 %'], 1],
  ['Cutoff Voltage', ['Off', '3.0 V', '3.2 V', '3.4 V'], 3],
  ['Start Power', ['1', '2', '3', '4', '5'], 3],
  ['Max Brake', ['25 %', '37.5 %', '50 %', '62.5 %', '75 %', '87.5 %', '100 %'], 5],
  ['Max Reverse', ['25 %', '50 %', '75 %', '100 %'], 2],
  ['Initial Brake', ['Same as drag', '0 %', '20 %', '40 %'], 1],
  ['Dead Band', ['0.05 ms', '0.1 ms', '0.15 ms'], 2],
  ['Timing', ['0°', '3.75°', '7.5°', '11.25°', '15°'], 3],
  ['PWM Frequency', ['8 kHz', '12 kHz', '16 kHz'], 1],
  ['Lipo Cells', ['Auto', '2', '3', '4'], 1],
  ['BEC Voltage', ['6.0 V', '7.4 V'], 1],
  ['Motor Rotation', ['Normal', 'Reverse'], 1],
  ['Overheat Protection', ['95 °C', '105 °C', '115 °C'], 2],
  ['Idle Beep', ['On', 'Off'], 1],
];
const comma = (text: string): string => text.replace('.', ',');

const TABLES: Record<string, string> = {
  'an item a row, stop numbers above, tabs, stars': [
    ['No.', 'Item', '1', '2', '3', '4', '5', '6', '7', '8'].join('\t'),
    ...PAGE.map(([name, stops, factory], n) =>
      [String(n + 1), name, ...stops.map((stop, place) => (place + 1 === factory ? `${stop}*` : stop))].join(
        '\t',
      ),
    ),
  ].join('\n'),
  'an item a column, semicolons, decimal commas, brackets': Array.from({ length: 9 }, (_, r) =>
    PAGE.map(([name, stops, factory]) => {
      if (r === 0) return name;
      const stop = comma(stops[r - 1] ?? '');
      return r === factory ? `(${stop})` : stop;
    }).join(';'),
  ).join('\r\n'),
  'a stop a row, quoted, a column for the default': [
    'Item,Stop,Value,Default',
    ...PAGE.flatMap(([name, stops, factory]) =>
      stops.map((stop, place) => `"${name}",${place + 1},"${stop}",${place + 1 === factory ? 'yes' : ''}`),
    ),
  ].join('\n'),
};

describe.each(Object.entries(TABLES))('a manual’s page typed as %s', (_name, text) => {
  const cells = parseTable(text);
  if (!cells.ok) throw new Error(cells.problems[0]!.sentence);
  const table = readTable(cells.value);

  it('is read without a problem, and says why it was read so', () => {
    expect(table.problems).toEqual([]);
    expect(table.reason).not.toBe('');
    expect(table.items.map(({ label }) => label)).toEqual(PAGE.map(([name]) => name));
    expect(table.items.map(({ factory }) => factory)).toEqual(PAGE.map(([, , factory]) => [factory - 1]));
  });

  it('suggests the right setting where it is certain, asks where not, and stores none of them unasked', () => {
    expect(table.items.map(({ setting }) => setting)).toEqual([
      'runningMode',
      'dragBrake',
      'cutoff',
      'startPower',
      'brakeStrength',
      'reversePower',
      'initialBrake',
      'deadband',
      'advance',
      'driveFrequency',
      'cellCount',
      'becVolts',
      'rotation',
      '',
      'idleBeeps',
    ]);
    expect(table.items.flatMap(({ asked }) => asked.map(({ words }) => words))).toEqual([
      expect.stringMatching(/each side of neutral, or over both/),
      'What does “Overheat Protection” set?',
    ]);
    const unasked = problemsAt({ ...base, name: 'Mine', items: table.items });
    expect(unasked.filter((path) => path.endsWith('.setting'))).toHaveLength(15);
  });

  it('confirmed, becomes a working profile with the printed values', () => {
    const read = readSketch(confirmed(table.items));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const byId = Object.fromEntries(read.value.items.map((item) => [item.setting, item]));
    expect(byId.brakeStrength!.stops[3]!.value).toEqual({ kind: 'number', value: 62.5 });
    expect(byId.advance!.stops[3]!.value).toEqual({ kind: 'number', value: 11.25 });
    expect(byId.deadband!.stops[1]!.value).toEqual({ kind: 'number', value: 100 });
    expect(byId.cutoff!.stops.map(({ value }) => value.kind)).toEqual(['off', 'number', 'number', 'number']);
    expect(byId.runningMode!.stops[1]!.value).toEqual({ kind: 'choice', choice: 'forwardBrakeReverse' });
    expect(byId.initialBrake!.stops[0]!.value).toEqual({ kind: 'choice', choice: 'sameAsDrag' });
    // A bare level has no size of its own: what it is taken to mean is marked.
    expect(byId.startPower!.stops.map(({ basis }) => basis)).toEqual(Array(5).fill('assumed'));
    expect(byId.startPower!.scale).toBe('level');
  });
});

describe('a table that is wrong', () => {
  const reading = (...rows: string[]) => readTable(rows.map((row) => row.split('|')));
  it.each([
    ['two defaults', ['1|Drag Brake|0 %*|10 %|20 %*'], '2 stops are marked'],
    ['none at all', ['1|Drag Brake|0 %|10 %'], 'no factory stop is marked'],
    ['a star on nothing', ['1|Drag Brake|0 %|*|20 %'], 'a star stands alone at stop 2'],
    ['a gap between stops', ['1|Drag Brake|0 %*||20 %'], 'there is an empty cell between'],
    ['stop numbers out of order', ['No.|Item|1|3|2', '1|Drag Brake|0 %*|20 %|10 %'], 'Stop numbers run 1, 3'],
    ['item numbers out of order', ['1|Drag Brake|0 %*|9 %', '3|Max Brake|50 %*|90 %'], '2 comes next'],
    ['one stop only', ['1|Drag Brake|0 %*'], 'at least two'],
    [
      'a default that is none of them',
      ['Item|Default|1|2', 'Drag Brake|50 %|0 %|10 %'],
      'not one of its stops',
    ],
    ['a cell full of text', [`1|${'x'.repeat(99)}|0 %*|9 %`], '99 letters'],
    ['nothing', [''], 'empty'],
  ])('%s is said with its place', (_what, rows, words) => {
    const { problems, open } = reading(...rows);
    expect([...problems, ...open].map(({ sentence }) => sentence).join('\n')).toContain(words);
  });

  it('what only the table can tell must be mended there; what the item asks again may wait', () => {
    expect(reading('1|Drag Brake|0 %*||20 %').problems).toHaveLength(1);
    expect(reading('No.|Item|1|3|2', '1|Drag Brake|0 %*|20 %|10 %').problems).toHaveLength(1);
    const unmarked = reading('1|Drag Brake|0 %|10 %');
    expect([unmarked.problems.length, unmarked.open.length]).toEqual([0, 1]);
  });

  it('a column of units goes to the numbers that stand bare', () => {
    const table = reading(
      'No.|Item|Unit|Default|1|2|3',
      '1|Drag Brake|%|20|Off|10|20',
      '2|Timing|°|0|0|5|10',
    );
    expect([...table.problems, ...table.open]).toEqual([]);
    expect(table.items.map((item) => lineOfStops(item))).toEqual(['Off / 10 % / 20 %*', '0 °* / 5 ° / 10 °']);
    expect(table.items.map(({ setting, scale }) => [setting, scale])).toEqual([
      ['dragBrake', 'percent'],
      ['advance', 'degrees'],
    ]);
  });

  it('few items with many stops that sound like settings are still read row by row', () => {
    const table = reading(
      'Running Mode|Forward/Brake|Forward/Brake/Reverse*|Forward/Reverse',
      'Drag Brake|0 %*|9 %|20 %',
    );
    expect(table.items.map(({ label }) => label)).toEqual(['Running Mode', 'Drag Brake']);
    expect(table.reason).toBe('“Running Mode” and “Drag Brake” stand one below the other.');
  });

  it('two megabytes of nonsense are refused at once, and so is what is not text', () => {
    expect(parseTable('x,'.repeat(1_000_000))).toMatchObject({ ok: false });
    expect(parseTable('a\u0000b,c')).toMatchObject({ ok: false });
    expect(readTable(Array.from({ length: 900 }, () => ['a', 'b'])).problems[0]!.sentence).toContain(
      '900 rows',
    );
  });

  it('never breaks the reader, whatever the cells hold', () => {
    const cell = fc.oneof(
      fc.string({ maxLength: 12 }),
      fc.constantFrom(
        '*',
        '',
        '1',
        '2',
        '(3)',
        'Default',
        'Item',
        'Value',
        'Brake',
        'Timing',
        '5 %',
        '3,2 V',
        'off',
      ),
    );
    fc.assert(
      fc.property(fc.array(fc.array(cell, { maxLength: 8 }), { maxLength: 12 }), (cells) => {
        const table = readTable(cells);
        // Either something was found, or a sentence says what is missing.
        expect(table.items.length + table.problems.length + table.open.length).toBeGreaterThan(0);
        const read = readSketch(confirmed(table.items));
        if (!read.ok) expect(read.problems.every(({ sentence }) => sentence.length > 10)).toBe(true);
        else {
          expect(validateProfile(read.value)).toEqual([]);
          expect(problemsOf(escProfileSchema, read.value)).toEqual([]);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('never breaks the CSV reader', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400, unit: 'binary' }), (text) => {
        const cells = parseTable(text);
        if (cells.ok) readTable(cells.value);
      }),
      { numRuns: 150 },
    );
  });
});

describe('suggestions', () => {
  const item = (label: string, stops: readonly string[]): SketchItem =>
    withLine(newItem('one', label), stops.map((stop, n) => (n === 0 ? `${stop}*` : stop)).join(' | '));

  it('what is certain is suggested with its reason, and waits', () => {
    const punch = suggested(item('Punch', ['1', '2', '3']), '');
    expect(punch).toMatchObject({ setting: 'launchStrength', scale: 'level', asked: [] });
    expect(punch.suggestion).toContain('“Punch”');
  });

  it('nothing is guessed for a name that says nothing', () => {
    expect(suggested(item('Zorb', ['1', '2']), '')).toMatchObject({ setting: '', suggestion: '', asked: [] });
  });

  it('stops decide between what a name may be, where they are the choices or the units of one alone', () => {
    const reads = (label: string, ...stops: string[]) => readPrinted(label, stops, '');
    expect(reads('Low Voltage Cutoff', '3.0 V', '3.2 V')).toEqual({ kind: 'is', setting: 'cutoff' });
    expect(reads('Low Voltage Cutoff', 'Soft cut', 'Hard cut')).toEqual({
      kind: 'is',
      setting: 'cutoffAction',
    });
    expect(reads('Boost Trigger', '5000 rpm', '9000 rpm')).toEqual({ kind: 'is', setting: 'boostStart' });
    expect(reads('Boost Trigger', '50 %', '75 %')).toEqual({ kind: 'is', setting: 'boostFromThrottle' });
    expect(reads('Punch Control', '0 %', '30 %').kind).toBe('ask');
    // One reading is in doubt, too: numbers that could be its own make it no surer.
    expect(reads('Hold Brake', '25 %', '50 %')).toEqual({ kind: 'ask', settings: ['dragBrake'] });
    expect(reads('Operating Mode', 'Fwd-Brk', 'Fwd-Brk-Rev')).toEqual({ kind: 'is', setting: 'runningMode' });
    // A certain name with units that are not its own is certain no more.
    expect(reads('Drag Brake', '0.2 s', '0.4 s').kind).toBe('ask');
  });

  it.each([
    [['Drag Brake', 'Timing'], 'wheels'],
    [['Propeller Brake', 'Timing'], 'air'],
    [['Timing'], ''],
    [['Drag Brake', 'Governor Mode'], ''],
  ])('%j is made for “%s”', (labels, madeFor) => {
    expect(madeForBy(labels)).toBe(madeFor);
  });

  it('what the ESC is made for decides what a brake is', () => {
    const reads = (madeFor: 'wheels' | 'air' | '') => readPrinted('Brake Force', ['25 %', '50 %'], madeFor);
    expect(reads('wheels')).toEqual({ kind: 'is', setting: 'brakeStrength' });
    expect(reads('air')).toEqual({ kind: 'is', setting: 'propellerBrake' });
    expect(reads('').kind).toBe('ask');
    expect(readPrinted('Drag Brake', [], 'air').kind).toBe('unknown');
    expect(readPrinted('Propeller Brake', [], 'wheels').kind).toBe('unknown');
  });
});

describe('a sketch that is wrong', () => {
  const first = base.items[0]!;
  const withItem = (change: Partial<SketchItem>): Sketch => confirmed([{ ...first, ...change }]);
  it.each<[string, Sketch, string, string]>([
    [
      'cells that cannot be',
      confirmed(base.items, { limits: { ...base.limits, maxCells: '99' } }),
      'limits.maxCells',
      'between 1 and 30',
    ],
    [
      'cells in halves',
      confirmed(base.items, { limits: { ...base.limits, maxCells: '4,5' } }),
      'limits.maxCells',
      'use whole cells',
    ],
    [
      'fewest above most',
      confirmed(base.items, { limits: { ...base.limits, minCells: '8' } }),
      'limits.minCells',
      'Swap the two',
    ],
    ['a word in a number', confirmed(base.items, { bootMs: 'soon' }), 'bootMs', '“soon”'],
    ['no name', confirmed(base.items, { name: ' ' }), 'name', 'no name'],
    ['a script in a name', withItem({ label: '<script>alert(1)</script>' }), 'items.0.label', 'markup'],
    [
      'a total where volts per cell are meant',
      withItem(withLine(first, 'Off / 9.6* / 12')),
      'items.0.stops.1.meaning',
      'the whole pack',
    ],
    [
      'two factory stops',
      withItem(withLine(first, 'Off* / 3.2* / 3.4')),
      'items.0.factory',
      '2 stops are marked',
    ],
    ['no factory stop', withItem(withLine(first, 'Off / 3.2 / 3.4')), 'items.0.factory', 'Put a star'],
    ['an item without a setting', withItem({ setting: '' }), 'items.0.setting', 'say which setting'],
    [
      'a stop that says nothing',
      withItem(withLine(first, 'Off* / purple')),
      'items.0.stops.1.meaning',
      'say what it means',
    ],
    ['nothing at all', confirmed([]), 'items', 'no item yet'],
    ['no medium', confirmed(base.items, { media: [] }), 'media', 'way to set this ESC'],
  ])('%s', (_what, sketch, path, words) => {
    expect(problemsAt(sketch)).toContain(path);
    expect(sentences(sketch)).toContain(words);
  });

  it('bare levels are spread upwards, or downwards where higher numbers mean less', () => {
    const levels = withLine({ ...first, setting: 'launchStrength', scale: 'level', stops: [] }, '1 / 2* / 3');
    const sizes = (sense: SketchItem['sense']): unknown[] => {
      const read = readSketch(confirmed([{ ...levels, sense }]));
      return read.ok ? read.value.items[0]!.stops.map(({ value }) => value) : [];
    };
    const number = (value: number) => ({ kind: 'number', value });
    expect(sizes('direct')).toEqual([number(100), number(550), number(1000)]);
    expect(sizes('inverted')).toEqual([number(1000), number(550), number(100)]);
  });

  it('a stop of the whole pack among stops of a cell is taken as such when it says so', () => {
    const read = readSketch(withItem(withLine(first, 'Off / 3.2 V* / 9.6 V pack')));
    expect(read.ok && read.value.items[0]!.stops[2]!.value).toEqual({ kind: 'packVolts', value: 9.6 });
  });
});

describe('a preview', () => {
  it('shows suggestions as they stand, before anybody has confirmed them or typed a name', () => {
    const { items } = readTable([
      ['1', 'Drag Brake', '0 %*', '9 %'],
      ['2', 'Timing', '0°*', '5°'],
    ]);
    const preview = previewOf({ ...base, name: '', items })!;
    expect(preview.left).toBe(0);
    expect(preview.profile.items.map(({ setting }) => setting)).toEqual(['dragBrake', 'advance']);
  });

  it('leaves out what is not in order yet, and what spoke of it', () => {
    const broken = base.items.map((item) =>
      item.id === 'trigger' ? { ...item, setting: '' as const } : item,
    );
    const preview = previewOf({ ...base, items: broken })!;
    expect(preview.left).toBe(1);
    expect(preview.profile.items).toHaveLength(base.items.length - 1);
    expect(preview.profile.items.every(({ inactiveWhen }) => inactiveWhen.length === 0)).toBe(true);
  });

  it('is none where there is nothing to show', () => {
    expect(previewOf({ ...base, items: [] })).toBeUndefined();
    expect(previewOf({ ...base, limits: { ...base.limits, maxCells: 'many' } })).toBeUndefined();
  });
});

describe('stops on one line', () => {
  it.each([
    ['25 / 37,5* / 50', ['25', '37,5', '50'], [1]],
    ['Low, Middle*, High', ['Low', 'Middle', 'High'], [1]],
    ['3,0; (3,2); 3,4', ['3,0', '3,2', '3,4'], [1]],
    ['*Off | On', ['Off', 'On'], [0]],
    ['25/50*/75', ['25', '50', '75'], [1]],
    [
      'Forward/Brake / Forward/Brake/Reverse* / Forward',
      ['Forward/Brake', 'Forward/Brake/Reverse', 'Forward'],
      [1],
    ],
    ['Forward/Brake, Forward/Reverse*', ['Forward/Brake', 'Forward/Reverse'], [1]],
    ['3,25, 3,50*', ['3,25', '3,50'], [1]],
  ])('%s', (line, labels, factory) => {
    const read = stopsFromLine(line);
    expect(read.stops.map(({ label }) => label)).toEqual(labels);
    expect(read.factory).toEqual(factory);
    expect(stopsFromLine(lineOfStops(read))).toEqual(read);
  });

  it('come back as they were, whatever is printed on them', () => {
    const word = fc.constantFrom('Forward/Brake', 'a / b', '3,2 V', 'x; y', 'Soft', '62.5 %', 'Off');
    fc.assert(
      fc.property(fc.uniqueArray(word, { minLength: 2 }), fc.nat(), (labels, mark) => {
        const item = { stops: labels.map(newStop), number: null, factory: [mark % labels.length] };
        expect(stopsFromLine(lineOfStops(item))).toEqual(item);
      }),
    );
  });

  it('a stop that stays keeps its id when the line is edited', () => {
    const edited = withLine(base.items[1]!, lineOfStops(base.items[1]!) + ' / Extra');
    expect(edited.stops.slice(0, -1)).toEqual(base.items[1]!.stops);
    expect(new Set(edited.stops.map(({ id }) => id)).size).toBe(edited.stops.length);
    expect(markedCell('[75 %]')).toEqual({ label: '75 %', isFactory: true });
  });
});

import { describe, expect, it } from 'vitest';
import { problemsOf } from '../../formats/document';
import { escProfileSchema } from '../../formats/escProfile';
import { ARCHETYPES } from '../archetypes/archetypes';
import { FAMILY_WORDS, MEDIA, type EndPointFamily, type MediumFamily } from '../esc/media';
import type { EscProfile } from '../esc/profile';
import { factoryMemory, placeOnBench } from '../device/simulatedEsc';
import { CALIBRATION_FIELDS, MEDIUM_FIELDS, usualPart } from './partFields';
import { LIMIT_KEYS, limitField, readSketch } from './readSketch';
import { newItem, newStop, type Sketch, type SketchItem } from './sketch';
import { withLine } from './stopsLine';
import { turnedRound } from './turnRound';
import { sketchOf } from './sketchOf';

const sketchFor = (id: string): Sketch => ({
  ...sketchOf(ARCHETYPES.find(({ profile }) => profile.id === id)!.profile, 'copy'),
  presets: [],
  name: 'Mine',
});
const settled = (sketch: Sketch): Sketch => ({
  ...sketch,
  items: sketch.items.map((item) => ({ ...item, typedAs: 'stopNumber' })),
});
const oneKey = settled(sketchFor('pattern-one-key'));
const tones = sketchFor('pattern-stick-tones');
const read = (sketch: Sketch): EscProfile => {
  const result = readSketch(sketch);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const wrong = (sketch: Sketch): string => {
  const result = readSketch(sketch);
  return result.ok ? '' : result.problems.map(({ path, sentence }) => `${path}: ${sentence}`).join('\n');
};
const medium = (sketch: Sketch, values: Record<string, string>): Sketch => ({
  ...sketch,
  media: sketch.media.map((part) => ({ ...part, values: { ...part.values, ...values } })),
});

describe('how an ESC is set, as typed', () => {
  const families = Object.keys(MEDIA) as MediumFamily[];

  it.each(families)('%s with what is usual in every field makes a working ESC', (family) => {
    const isHeard = family === 'stickTones' || family === 'stickToggle';
    const base = isHeard ? sketchFor('pattern-stick-toggle') : oneKey;
    const profile = read({ ...base, media: [usualPart(family, MEDIUM_FIELDS[family])] });
    expect(profile.media[0]!.family).toBe(family);
    expect(placeOnBench(profile, factoryMemory(profile), 1500).config.state).toBe('off');
  });

  it.each(Object.keys(FAMILY_WORDS) as EndPointFamily['family'][])('%s, too', (family) => {
    const usual = { ...oneKey, calibration: usualPart(family, CALIBRATION_FIELDS[family]) };
    expect(read(usual).calibration.family).toBe(family);
  });

  it('notes that nobody typed are counted: one group an item, and none twice', () => {
    const profile = read(medium(tones, { itemNotes: '', stopNotes: '' }));
    const heard = profile.media[0] as Extract<EscProfile['media'][number], { family: 'stickTones' }>;
    expect(heard.itemNotes.slice(0, 4)).toEqual(['lh', 'lhh', 'lhhh', 'llh']);
    expect(new Set(heard.itemNotes).size).toBe(profile.items.length);
    expect(heard.stopNotes.every((notes) => notes.startsWith('h'))).toBe(true);
  });

  it('items that are asked about once more are named by their printed numbers', () => {
    const radio = sketchFor('pattern-transmitter-menu');
    expect(radio.media[0]!.values.confirmedItemIds).toBe('9');
    const both = read(medium(radio, { confirmedItemIds: '4, 9' }));
    expect(both.media[0]).toMatchObject({ confirmedItemIds: ['low-volts', 'servo-volts'] });
    expect(wrong(medium(radio, { confirmedItemIds: '99' }))).toContain("no item '99'");
  });

  it.each<[string, Sketch, string]>([
    [
      'a hold of a minute and a half',
      medium(oneKey, { openHoldMs: '90000' }),
      'media.0.values.openHoldMs: Hold to open an item is “90000”',
    ],
    ['a time in words', medium(oneKey, { openHoldMs: 'long' }), '“long”; it must be a number'],
    [
      'a key without a name',
      medium(oneKey, { keyName: ' ' }),
      'media.0.values.keyName: Printed on the key: type what is printed.',
    ],
    ['notes that are none', medium(tones, { itemNotes: 'beep boop' }), '“beep” is not a group of notes'],
    [
      'too few notes',
      medium(tones, { itemNotes: 'lh lhh' }),
      'media.0.values.itemNotes: There are 2 groups of notes for 9 items',
    ],
    [
      'a tone menu without its calibration',
      { ...oneKey, media: tones.media },
      'follows the stick-up calibration',
    ],
    [
      'a range the wrong way round',
      { ...oneKey, range: { ...oneKey.range, neutralMicros: '600' } },
      'range.neutralMicros: The factory range runs',
    ],
    [
      'ms in a field of µs',
      { ...oneKey, range: { ...oneKey.range, forwardMicros: '1.9' } },
      'Full forward is “1.9”; it must be a number between 500 and 2500 µs.',
    ],
  ])('%s is refused at its field', (_what, sketch, words) => {
    expect(wrong(sketch)).toContain(words);
  });
});

describe('what an ESC stands, as typed', () => {
  it('milliohm become ohm, an empty temperature is not stated', () => {
    const limits = { ...oneKey.limits, bridgeOhm: '1,5', temperatureLimitC: '' };
    expect(read({ ...oneKey, limits }).limits).toMatchObject({ bridgeOhm: 0.0015, temperatureLimitC: null });
  });

  it.each(LIMIT_KEYS)('%s beyond anything is refused', (key) => {
    const limits = { ...oneKey.limits, [key]: '99999' };
    expect(wrong({ ...oneKey, limits })).toContain(`limits.${key}: ${limitField(key).label} is “99999”`);
  });
});

describe('ids', () => {
  it('a new profile gets one unlike those that are there, a revision keeps its own', () => {
    const taken = readSketch(oneKey, ['mine', 'mine-2']);
    expect(taken.ok && taken.value.id).toBe('mine-3');
    const revision = sketchOf(ARCHETYPES[0]!.profile, 'revision');
    const kept = readSketch(revision, [revision.id]);
    expect(kept.ok && kept.value.id).toBe('pattern-one-key');
  });
});

describe('the bounds of every part', () => {
  const parts = [
    ...Object.entries(MEDIUM_FIELDS).map(([family, fields]) => ({ family, fields, isMedium: true })),
    ...Object.entries(CALIBRATION_FIELDS).map(([family, fields]) => ({ family, fields, isMedium: false })),
  ];
  const numbers = parts.flatMap(({ family, fields, isMedium }) =>
    fields.filter(({ bounds }) => bounds).map((field) => ({ family, field, isMedium })),
  );
  /** A profile with one number of one part set, as the workshop would send it, and what the workshop says. */
  const withNumber = (family: string, isMedium: boolean, key: string, value: number) => {
    const isHeard = family === 'stickTones' || family === 'stickToggle';
    const base = isHeard ? sketchFor('pattern-stick-toggle') : oneKey;
    const part = isMedium
      ? usualPart(family as MediumFamily, MEDIUM_FIELDS[family as MediumFamily])
      : usualPart(family as 'keyConfirmed', CALIBRATION_FIELDS[family as 'keyConfirmed']);
    const changed = { ...part, values: { ...part.values, [key]: String(value) } };
    const sketch = isMedium
      ? { ...base, media: [changed as Sketch['media'][number]] }
      : { ...base, calibration: changed as Sketch['calibration'] };
    const asked = readSketch(sketch);
    const sound = read(
      isMedium
        ? { ...base, media: [part as Sketch['media'][number]] }
        : { ...base, calibration: part as Sketch['calibration'] },
    );
    const spoiled = isMedium
      ? { ...sound, media: [{ ...sound.media[0]!, [key]: value }] }
      : { ...sound, calibration: { ...sound.calibration, [key]: value } };
    const atField = asked.ok ? [] : asked.problems.filter(({ path }) => path.endsWith(`.values.${key}`));
    return { workshop: atField.length, format: problemsOf(escProfileSchema, spoiled).length };
  };

  it.each(numbers.map(({ family, field, isMedium }) => [family, field.key, field, isMedium] as const))(
    '%s, %s: the workshop refuses what the open format refuses, and nothing else',
    (family, key, { bounds, whole }, isMedium) => {
      const [least, most] = bounds!;
      const step = 1;
      expect(withNumber(family, isMedium, key, most + step)).toEqual({ workshop: 1, format: 1 });
      if (least > 0)
        expect(withNumber(family, isMedium, key, least - step)).toEqual({ workshop: 1, format: 1 });
      expect(withNumber(family, isMedium, key, most).format).toBe(0);
      expect(withNumber(family, isMedium, key, least).format).toBe(0);
      if (whole) expect(withNumber(family, isMedium, key, least + 0.5)).toEqual({ workshop: 1, format: 1 });
    },
  );
});

describe('what comes from the pattern', () => {
  it('is missing until somebody has compared it with the manual', () => {
    const result = readSketch({ ...oneKey, presets: ['limits', 'calibration'] });
    expect(result.ok ? [] : result.problems.map(({ path }) => path)).toEqual([
      'presets.limits',
      'presets.calibration',
    ]);
    expect(readSketch(oneKey).ok).toBe(true);
  });

  it('a BEC that gives 7.4 V has no stop of 8.4', () => {
    const place = oneKey.items.findIndex(({ setting }) => setting === 'becVolts');
    const items = oneKey.items.map((item, n) => (n === place ? withLine(item, '6.0 V* / 8.4 V') : item));
    const result = readSketch({ ...oneKey, limits: { ...oneKey.limits, becMostVolts: '7.4' }, items });
    if (result.ok) throw new Error('a stop that the BEC cannot give is in order');
    expect(result.problems.map(({ path }) => path)).toEqual([`items.${place}.stops.1.meaning`]);
    expect(result.problems[0]!.sentence).toContain('one of the two is wrong');
  });
});

describe('a direction that is changed later', () => {
  const ramp = (basis: 'assumed' | 'measured'): SketchItem => ({
    ...withLine(newItem('ramp', 'Ramp'), '1* / 2 / 3'),
    setting: 'dragRamp',
    scale: 'level',
    stops: ['= 0.05', '= 0.5', '= 1'].map((meaning, n) => ({
      ...newStop(String(n + 1)),
      id: `s${n}`,
      meaning,
      basis,
    })),
  });

  it('takes assumed sizes with it and says which', () => {
    const { item, changed } = turnedRound(ramp('assumed'), 'inverted');
    expect(item.stops.map(({ meaning }) => meaning)).toEqual(['= 1', '= 0.5', '= 0.05']);
    expect(changed).toEqual(['1', '3']);
  });

  it('leaves measured and stated ones where they are', () => {
    const { item, changed } = turnedRound(ramp('measured'), 'inverted');
    expect(item.stops).toEqual(ramp('measured').stops);
    expect([item.sense, changed]).toEqual(['inverted', []]);
  });
});

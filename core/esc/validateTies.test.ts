import { describe, expect, it } from 'vitest';
import { keyPadPattern, stickTogglePattern, transmitterMenuPattern } from '../archetypes/aircraft';
import type { EscProfile, ProfileItem } from './profile';
import { smallProfile } from './smallProfile.fixture';
import { validateProfile } from './validateProfile';

/** The problems of a copy that was changed. */
function problemsAfter(change: (profile: EscProfile) => void, of: EscProfile = smallProfile()): string[] {
  const copy = structuredClone(of);
  change(copy);
  return validateProfile(copy).map(({ path, sentence }) => `${path}: ${sentence}`);
}
const item = (profile: EscProfile, id: string): ProfileItem => profile.items.find((one) => one.id === id)!;

describe('what an item says of others', () => {
  it('is sound where it names what is there', () => {
    const problems = problemsAfter((p) => {
      item(p, 'bite').inactiveWhen = [{ kind: 'stops', itemId: 'way', stopIds: ['way-2'] }];
      item(p, 'bite').overwrites = [{ stopId: 'bite-5', sets: { leap: 'leap-1', floor: 'floor-3' } }];
      item(p, 'floor').switchedOffBy = { itemId: 'way', stopId: 'way-1' };
    });
    expect(problems).toEqual([]);
  });

  it.each<[string, (p: EscProfile) => void, string, string]>([
    [
      'an item that is gone',
      (p) => (item(p, 'bite').inactiveWhen = [{ kind: 'stops', itemId: 'gone', stopIds: ['x'] }]),
      'items.2.inactiveWhen.0',
      "an item 'gone' that does not exist",
    ],
    [
      'a stop that is gone',
      (p) => (item(p, 'bite').overwrites = [{ stopId: 'bite-1', sets: { way: 'way-9' } }]),
      'items.2.overwrites.0',
      "a stop 'way-9'",
    ],
    [
      'a stop of its own that is gone',
      (p) => (item(p, 'bite').overwrites = [{ stopId: 'bite-9', sets: { way: 'way-1' } }]),
      'items.2.overwrites.0',
      "no stop 'bite-9'",
    ],
    [
      'itself',
      (p) => (item(p, 'bite').switchedOffBy = { itemId: 'bite', stopId: 'bite-1' }),
      'items.2.switchedOffBy',
      'cannot depend on itself',
    ],
    [
      'a ring of items that set each other',
      (p) => {
        item(p, 'way').overwrites = [{ stopId: 'way-1', sets: { leap: 'leap-1' } }];
        item(p, 'leap').overwrites = [{ stopId: 'leap-1', sets: { way: 'way-2' } }];
      },
      'items.0.overwrites.0',
      'That would never end',
    ],
  ])('%s is refused at its place', (_what, change, path, words) => {
    const found = problemsAfter(change).find((problem) => problem.startsWith(`${path}:`));
    expect(found).toContain(words);
  });
});

describe('scales and settings', () => {
  it('a setting written in a unit that it never has is refused', () => {
    expect(problemsAfter((p) => (item(p, 'bite').scale = 'volts'))[0]).toContain(
      'Brake strength is not written in volts',
    );
  });

  it('two items of one setting are refused, two that have no word are not', () => {
    expect(problemsAfter((p) => (item(p, 'leap').setting = 'cutoff')).join()).toContain(
      '“leap” and “floor” both set Cutoff',
    );
    const wordless = problemsAfter((p) => {
      for (const id of ['leap', 'bite']) {
        item(p, id).setting = 'other';
        item(p, id).stops.forEach((stop) => (stop.value = { kind: 'label' }));
      }
    });
    expect(wordless).toEqual([]);
  });

  it.each<[string, ProfileItem['stops'][number]['value'], string]>([
    ['a share above all', { kind: 'number', value: 120 }, 'it must be between 0 and 100 %'],
    ['a printed word only', { kind: 'label' }, 'needs a meaning'],
    ['a curve', { kind: 'curve', points: [[50, 20]] }, 'this setting is not a curve'],
    ['pack volts', { kind: 'packVolts', value: 9.6 }, 'Only a cutoff can be'],
    ['a choice', { kind: 'choice', choice: 'on' }, 'must be a number in %'],
  ])('a brake strength of %s is refused', (_what, value, words) => {
    expect(problemsAfter((p) => (item(p, 'bite').stops[0]!.value = value))[0]).toContain(words);
  });

  it('a curve must rise', () => {
    const bent = (points: [number, number][]) =>
      problemsAfter((p) => {
        Object.assign(item(p, 'bite'), { setting: 'throttleCurve', scale: 'curve' });
        item(p, 'bite').stops[0]!.value = { kind: 'curve', points };
      });
    expect(
      bent([
        [30, 10],
        [70, 30],
      ]),
    ).toEqual([]);
    expect(
      bent([
        [70, 30],
        [30, 10],
      ])[0],
    ).toContain('do not rise');
  });
});

describe('BEC and media', () => {
  it.each<[string, (p: EscProfile) => void, string]>([
    ['no BEC that gives volts', (p) => (p.limits.becKind = 'none'), 'Set both to 0'],
    ['a BEC from high to low', (p) => (p.limits.becLeastVolts = 9), 'Swap the two'],
    [
      'a BEC of one volt',
      (p) => Object.assign(p.limits, { becLeastVolts: 1, becMostVolts: 1 }),
      'at least 3 V',
    ],
  ])('%s', (_what, change, words) => {
    expect(problemsAfter(change)[0]).toContain(words);
  });

  it('two media that want the same key or socket are refused', () => {
    const problems = problemsAfter((p) =>
      p.media.push({
        family: 'twoKeys',
        itemKeyName: 'a',
        valueKeyName: 'b',
        itemLamps: 'x',
        valueLamps: 'y',
        storeWaitMs: 2000,
        idleTimeoutMs: 9000,
      }),
    );
    expect(problems[0]).toContain('two menus with the same press');
  });

  it('a toggle knows two stops', () => {
    const more = problemsAfter((p) => {
      const { stops } = p.items[0]!;
      stops.push({ ...stops[0]!, id: 'third', number: 3 });
    }, stickTogglePattern);
    expect(more.join()).toContain('a toggled item has two');
  });

  it('a key pad needs digits enough, and different ones for each stop', () => {
    const few = problemsAfter((p) => Object.assign(p.media[0]!, { digits: 1 }), keyPadPattern);
    expect(few.join()).toContain('1 digits are too few for item');
    const same = problemsAfter((p) => (p.items[5]!.stops[1]!.typed = '102'), keyPadPattern);
    expect(same.join()).toContain('Two stops of “Low volts” have the code 102');
  });

  it('only items that are there can be asked about once more', () => {
    const strange = problemsAfter(
      (p) => Object.assign(p.media[0]!, { confirmedItemIds: ['gone'] }),
      transmitterMenuPattern,
    );
    expect(strange[0]).toContain("no item 'gone'");
  });
});

import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { smallProfile } from '#core/esc/smallProfile.fixture';
import { defaultRig } from '#core/rig/defaults';
import { readDocument, VERSION, writeDocument } from './document';

const profileFile = () => ({
  format: 'live-tune/esc-profile' as const,
  version: VERSION,
  ...smallProfile(),
});
const problemsOf = (data: unknown): { path: string; sentence: string }[] => {
  const result = readDocument(typeof data === 'string' ? data : JSON.stringify(data));
  return result.ok ? [] : result.problems;
};

describe('reading a document', () => {
  it('reads back what it wrote', () => {
    expect(readDocument(writeDocument(profileFile()))).toEqual({ ok: true, value: profileFile() });
  });

  it.each([
    ['not JSON', 'hello', '', 'is not JSON'],
    ['a list', [], '', 'must be an object'],
    [
      'an unknown format',
      { format: 'toaster', version: 1 },
      'format',
      'Known formats: live-tune/esc-profile',
    ],
    [
      'a version from the future',
      { ...profileFile(), version: VERSION + 1 },
      'version',
      'A newer Live Tune may be needed',
    ],
    ['a field nobody knows', { ...profileFile(), colour: 'red' }, '', 'colour'],
  ])('refuses %s in words', (_what, data, path, words) => {
    const [first] = problemsOf(data);
    expect(first?.path).toBe(path);
    expect(first?.sentence).toContain(words);
  });

  it('says where each wrong number is', () => {
    const profile = profileFile();
    profile.items[2]!.stops[1]!.number = 2.5;
    profile.bootMs = -4;
    const paths = problemsOf(profile).map((p) => p.path);
    expect(paths).toContain('items.2.stops.1.number');
    expect(paths).toContain('bootMs');
  });

  it('catches a mass in grams', () => {
    const rig = { ...defaultRig('crawler'), name: 'Goat' };
    rig.vehicle.massKg = { value: 2600, basis: 'measured' };
    const [first] = problemsOf({ format: 'live-tune/rig', version: VERSION, rig, escProfileId: 'small' });
    expect(first).toEqual({
      path: 'rig.vehicle.massKg.value',
      sentence: 'is 2600; it must be between 0.05 and 60',
    });
  });

  it('looks deeper into a profile than its shape', () => {
    const profile = profileFile();
    profile.items[3]!.stops[2]!.value = { kind: 'number', value: 9.6 };
    expect(problemsOf(profile)[0]?.sentence).toContain('enter it as pack volts');
  });
});

describe('files that are not what they say', () => {
  const current = () => readFileSync('demo/tamsel-r60.esc-profile.json', 'utf8');
  it('version 1 with the body of the newest', () => {
    const read = readDocument(JSON.stringify({ ...(JSON.parse(current()) as object), version: 1 }));
    expect(read).toMatchObject({ ok: false });
  });

  it.each([null, [], 'x', 7, {}])('any version with %j for its parts', (part) => {
    for (const format of ['live-tune/esc-profile', 'live-tune/rig', 'live-tune/sheet'])
      for (const version of [1, 2, 3, 4, 5])
        expect(
          readDocument(
            JSON.stringify({
              format,
              version,
              limits: part,
              items: [part],
              rig: part,
              media: [part],
              calibration: part,
              escProfile: part,
              values: [part],
            }),
          ),
        ).toMatchObject({ ok: false });
  });

  it('ids that every object has', () => {
    const read = readDocument(current().replaceAll('"trigger-back"', '"__proto__"'));
    expect(read).toMatchObject({
      ok: false,
      problems: [{ sentence: expect.stringContaining('__proto__') as string }],
    });
  });
});

import { Ajv2020 } from 'ajv/dist/2020.js';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '#core/archetypes/archetypes';
import { smallProfile } from '#core/esc/smallProfile.fixture';
import { assumeFactory, holdingsOf } from '#core/sheet/evidence';
import { writeSheet } from '#core/sheet/sheet';
import { DEMO_FILES } from '../demo/demo';
import { FORMATS, readDocument, VERSION, writeDocument, type Format } from './document';
import { jsonSchemaOf } from './jsonSchema';

// `date-time` is the one format used; ajv takes formats from a package of its own, which one word does not need.
const ajv = new Ajv2020({
  allErrors: true,
  formats: { 'date-time': (text: string) => !Number.isNaN(Date.parse(text)) },
});
const validators = Object.fromEntries(
  (Object.keys(FORMATS) as Format[]).map((format) => [format, ajv.compile(jsonSchemaOf(format))]),
) as Record<Format, ReturnType<typeof ajv.compile>>;

const profile = smallProfile();
const sheet = writeSheet(profile, holdingsOf(profile, assumeFactory(profile, '2026-01-01T00:00:00.000Z')), {
  id: 'sheet-1',
  rigName: 'Test',
  keptAt: '2026-01-01T00:00:00.000Z',
  medium: 'oneKey',
  simulated: null,
  changedItemIds: [],
  byHand: {},
  setUp: null,
  reasons: {},
  note: '',
});
const EXPORTS = [
  ...DEMO_FILES,
  ...ARCHETYPES.map(({ profile: archetype }) =>
    writeDocument({ format: 'live-tune/esc-profile', version: VERSION, ...archetype }),
  ),
  writeDocument({ format: 'live-tune/sheet', version: VERSION, ...sheet }),
  writeDocument({ format: 'live-tune/esc-profile', version: VERSION, ...profile }),
];

describe('the published schemas', () => {
  it.each(Object.keys(FORMATS) as Format[])('%s is the one in docs/formats', async (format) => {
    const file = `../docs/formats/${format.replace('live-tune/', '')}-${VERSION}.schema.json`;
    await expect(`${JSON.stringify(jsonSchemaOf(format), null, 2)}\n`).toMatchFileSnapshot(file);
  });

  it.each(EXPORTS.map((text, place) => [place, text] as const))(
    'exported file %i validates with a general validator',
    (_place, text) => {
      const document = JSON.parse(text) as { format: Format };
      const valid = validators[document.format](document);
      expect(validators[document.format].errors ?? []).toEqual([]);
      expect(valid).toBe(true);
    },
  );

  it('refuse what the application refuses: any field taken out, renamed or set to something else', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...EXPORTS),
        fc.nat(),
        fc.constantFrom('delete', 'rename', null, [], {}, 'x'.repeat(3000)),
        (text, place, change) => {
          const document = JSON.parse(text) as Record<string, unknown>;
          const format = document.format as Format;
          const spots = spotsIn(document).filter(({ key }) => key !== 'format' && key !== 'version');
          const { holder, key } = spots[place % spots.length]!;
          if (change === 'delete' || change === 'rename') {
            if (change === 'rename') holder[`${key}x`] = holder[key];
            if (Array.isArray(holder)) return;
            Reflect.deleteProperty(holder, key);
          } else holder[key] = change;
          const read = readDocument(JSON.stringify(document));
          // The application knows more than a schema can say, never less.
          if (!validators[format](document)) expect(read.ok).toBe(false);
          if (read.ok) expect(validators[format](read.value)).toBe(true);
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('older versions', () => {
  it.each(['esc-profile-1', 'rig-1', 'sheet-1', 'esc-profile-2', 'rig-2', 'sheet-2'])(
    '%s is upgraded to what the newest schema asks',
    (file) => {
      const read = readDocument(readFileSync(`formats/older/${file}.json`, 'utf8'));
      expect(read).toMatchObject({ ok: true, value: { version: VERSION } });
      if (read.ok) expect(validators[read.value.format](read.value)).toBe(true);
    },
  );

  it('keep what they said', () => {
    const read = readDocument(readFileSync('formats/older/esc-profile-1.json', 'utf8'));
    expect(read).toMatchObject({
      ok: true,
      value: {
        media: [{ family: 'oneKey', keyName: 'set', menuLamp: 'violet' }],
        calibration: { family: 'keyConfirmed', keyName: 'set', lamp: 'violet', holdAtPowerOnMs: 3000 },
      },
    });
  });
});

type Holder = Record<string, unknown>;

/** Every place in a document, with what holds it. */
function spotsIn(value: unknown): { holder: Holder; key: string }[] {
  if (typeof value !== 'object' || value === null) return [];
  const holder = value as Holder;
  return Object.keys(holder).flatMap((key) => [{ holder, key }, ...spotsIn(holder[key])]);
}

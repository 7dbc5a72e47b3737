import { describe, expect, it } from 'vitest';
import { readDocument, writeDocument } from '#formats/document';
import { problemsOf } from '#formats/document';
import { daySchema } from '#formats/day';
import { packFileSchema } from '#formats/pack';
import { askedSchema } from '#formats/question';
import { DEMO_PACKS, DEMO_QUESTIONS, demoDays } from './days/makeDays';
import { DEMO_FILES, DEMO_SET_UPS } from './demo';

describe('the demo files', () => {
  it.each([...DEMO_FILES, ...DEMO_SET_UPS].map((text, index) => [index, text] as const))(
    'file %i is read, written and read again the same',
    (_i, text) => {
      const first = readDocument(text);
      expect(first).toMatchObject({ ok: true });
      if (!first.ok) return;
      expect(readDocument(writeDocument(first.value))).toEqual(first);
    },
  );
});

describe('the demo’s days', () => {
  const schema = (one: unknown) => one as Parameters<typeof problemsOf>[0];

  it('are sound, on the weekend that comes, as are their packs and questions', () => {
    const days = demoDays('2026-11-24', { buggy: 'b', crawler: 'c' });
    expect(days.map(({ date }) => date)).toEqual(['2026-11-28', '2026-11-29']);
    for (const day of days) expect(problemsOf(schema(daySchema), day)).toEqual([]);
    for (const pack of DEMO_PACKS) expect(problemsOf(packFileSchema, pack)).toEqual([]);
    for (const { asked } of DEMO_QUESTIONS) expect(problemsOf(schema(askedSchema), asked)).toEqual([]);
  });
});

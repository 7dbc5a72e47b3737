import { describe, expect, it } from 'vitest';
import { readDocument, writeDocument } from '#formats/document';
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

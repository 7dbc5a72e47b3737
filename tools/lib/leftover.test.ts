import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { leftoverOn } from './leftover.mjs';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'cluster-'));
});
afterEach(() => rmSync(folder, { recursive: true }));

const left = (text: string, words: string[]) => {
  writeFileSync(join(folder, 'postmaster.pid'), text);
  return leftoverOn(folder, (pid) => (pid === 4711 ? words : []));
};
const postgres = (of: string): string[] => ['/usr/lib/postgresql/15/bin/postgres', '-D', of, '-p', '5000'];

describe('what was left behind on a folder', () => {
  it('is nothing without a file', () => {
    expect(leftoverOn(folder)).toBe('none');
  });

  it('is ours where the file, the process and its folder say the same', () => {
    expect(left(`4711\n${folder}\n`, postgres(folder))).toBe('ours');
  });

  it.each([
    ['an empty file', '', () => postgres('')],
    ['no number', 'many\n', () => postgres('')],
    [
      'the file of another folder',
      '4711\n/var/lib/postgresql/15/main\n',
      () => postgres('/var/lib/postgresql/15/main'),
    ],
  ])('is stale with %s', (_, text, words) => {
    expect(left(text, words())).toBe('stale');
  });

  it('is stale where the number belongs to something else by now', () => {
    expect(left(`4711\n${folder}\n`, ['/usr/bin/editor', '-D', folder])).toBe('stale');
    expect(left(`4711\n${folder}\n`, postgres('/var/lib/postgresql/15/main'))).toBe('stale');
    expect(left(`4712\n${folder}\n`, postgres(folder))).toBe('stale');
  });
});

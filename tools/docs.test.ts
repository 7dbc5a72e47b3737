import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const tracked = spawnSync('git', ['ls-files', '-co', '--exclude-standard'], { encoding: 'utf8' })
  .stdout.split('\n')
  .filter(Boolean);
const sources = tracked.filter((file) => /\.(ts|tsx|mjs|cjs|sh)$/.test(file));
const words = new Set(sources.flatMap((file) => readIfThere(file).match(/[A-Za-z_]\w*/g) ?? []));

/** A file that was just deleted is still tracked. */
function readIfThere(file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return '';
  }
}

/** What a page sets in code letters. */
const namesIn = (page: string): string[] =>
  [...readFileSync(page, 'utf8').matchAll(/`([^`\n]+)`/g)].map(([, name]) => name!);

const FILE = /^[\w./*-]+\.(ts|tsx|mjs|cjs|json|csv|sh|css)$/;
const FOLDER = /^[\w./-]+\/$/;
const IDENTIFIER = /^[A-Za-z_]\w*$/;

function isThere(name: string): boolean {
  if (FILE.test(name)) return tracked.some((file) => file === name || file.endsWith(`/${name}`));
  if (FOLDER.test(name)) return tracked.some((file) => file.startsWith(name) || file.includes(`/${name}`));
  return words.has(name);
}

describe.each(['docs/architecture.md', 'docs/adding.md', 'docs/testing.md'])('%s', (page) => {
  it('names only files, folders and functions that there are', () => {
    const named = namesIn(page).filter(
      (name) => FILE.test(name) || FOLDER.test(name) || IDENTIFIER.test(name),
    );
    expect(named.length).toBeGreaterThan(5);
    expect(named.filter((name) => !isThere(name) && !name.includes('*'))).toEqual([]);
  });
});

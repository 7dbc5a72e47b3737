import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

/** What this folder makes for itself. */
const MADE = readFileSync('.gitignore', 'utf8').split('\n').filter(Boolean);
const LEFT_OUT = new Set(['.git', ...MADE.map((line) => line.replaceAll('/', ''))]);

const filesBelow = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true })
    .filter(({ name }) => !LEFT_OUT.has(name))
    .flatMap((entry) => {
      const path = folder === '.' ? entry.name : `${folder}/${entry.name}`;
      return entry.isDirectory() ? filesBelow(path) : [path];
    });

const files = filesBelow('.');
const sources = files.filter((file) => /\.(ts|tsx|mjs|cjs|sh)$/.test(file));
const words = new Set(sources.flatMap((file) => readFileSync(file, 'utf8').match(/[A-Za-z_]\w*/g) ?? []));

/** What a page sets in code letters. */
const namesIn = (page: string): string[] =>
  [...readFileSync(page, 'utf8').matchAll(/`([^`\n]+)`/g)].map(([, name]) => name!);

const PAGES = [
  'architecture',
  'adding',
  'testing',
  'physics',
  'performance',
  'formats',
  'ear',
  'how-settings-enter',
  'voice',
  'lists',
  'set-up-code',
  'copies',
  'link-protocol',
].map((page) => `docs/${page}.md`);
const FILE = /^[\w./*-]+\.(ts|tsx|mjs|cjs|json|csv|sh|css)$/;
const FOLDER = /^[\w./-]+\/$/;
const IDENTIFIER = /^[A-Za-z_]\w*$/;

function isThere(name: string): boolean {
  if (MADE.some((made) => name.startsWith(made))) return true;
  if (FILE.test(name)) return files.some((file) => file === name || file.endsWith(`/${name}`));
  if (FOLDER.test(name)) return files.some((file) => file.startsWith(name) || file.includes(`/${name}`));
  return words.has(name);
}

describe.each(PAGES)('%s', (page) => {
  it('names only files, folders and functions that there are', () => {
    const named = namesIn(page).filter(
      (name) => FILE.test(name) || FOLDER.test(name) || IDENTIFIER.test(name),
    );
    expect(named.length).toBeGreaterThan(0);
    expect(named.filter((name) => !isThere(name) && !name.includes('*'))).toEqual([]);
  });
});

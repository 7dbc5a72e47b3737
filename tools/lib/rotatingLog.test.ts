import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { RotatingLog } from './rotatingLog.mjs';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'log-'));
});
afterEach(() => rmSync(folder, { recursive: true }));

it('begins again at its size, and keeps two old ones', () => {
  const file = join(folder, 'web.log');
  const log = new RotatingLog(file, () => undefined, 10);
  for (const line of ['first 123\n', 'second 12\n', 'third 123\n', 'fourth 12\n']) log.write(line);
  const kept = ['', '.1', '.2'].map((end) => readFileSync(file + end, 'utf8').slice(0, -1));
  expect(kept).toEqual(['fourth 12', 'third 123', 'second 12']);
  expect(existsSync(`${file}.3`)).toBe(false);
});

it('goes on with what is there already', () => {
  const file = join(folder, 'web.log');
  new RotatingLog(file, () => undefined, 10).write('12345678\n');
  new RotatingLog(file, () => undefined, 10).write('new\n');
  expect(readFileSync(file, 'utf8')).toBe('new\n');
});

// A device of the kernel on which every write fails for want of space.
it.runIf(existsSync('/dev/full'))('on a full disk nothing but the log is lost, and it is said once', () => {
  const said: string[] = [];
  const log = new RotatingLog('/dev/full', (why) => said.push(why));
  for (let n = 0; n < 5; n += 1) log.write('a line\n');
  expect(said).toEqual([expect.stringContaining('ENOSPC')]);
});

/** Whether a PostgreSQL still runs on a folder, by its postmaster.pid and by what the process says of itself. */
import { existsSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';

/** @param {number} pid */
const commandOf = (pid) => {
  const file = `/proc/${pid}/cmdline`;
  return existsSync(file) ? readFileSync(file, 'utf8').split('\0') : [];
};

/**
 * @param {string} folder of the cluster
 * @param {(pid: number) => string[]} [command] the words with which a process was started; none where there is no such process
 * @returns {'none' | 'ours' | 'stale'} ours: a PostgreSQL of this very folder. Stale: the file is empty, of another folder,
 * or of a process that is something else by now; nobody may be signalled for it
 */
export function leftoverOn(folder, command = commandOf) {
  const file = join(folder, 'postmaster.pid');
  if (!existsSync(file)) return 'none';
  const [pid = '', directory = ''] = readFileSync(file, 'utf8').split('\n');
  if (!/^\d+$/.test(pid.trim()) || resolve(directory.trim()) !== resolve(folder)) return 'stale';
  const words = command(Number(pid));
  const place = words.indexOf('-D');
  const isPostgres = /(^|\/)postgres$/.test(words[0] ?? '');
  return isPostgres && place !== -1 && resolve(words[place + 1] ?? '') === resolve(folder) ? 'ours' : 'stale';
}

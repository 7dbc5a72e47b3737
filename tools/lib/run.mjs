import { spawnSync } from 'node:child_process';

/** An error that the user can do something about: shown as its sentence, without a stack. */
export class Plain extends Error {}

/** @param {string} sentence */
export function say(sentence) {
  console.log(sentence);
}

/**
 * Runs a command to its end and shows its output only when it fails.
 * @param {string} command
 * @param {string[]} args
 * @param {import('node:child_process').SpawnSyncOptions} [options]
 * @returns {{ ok: boolean, output: string }}
 */
export function quietly(command, args, options = {}) {
  const result = spawnSync(command, args, { encoding: 'utf8', maxBuffer: 1 << 26, ...options });
  const output = `${result.stdout ?? ''}${result.stderr ?? ''}${result.error ? String(result.error) : ''}`;
  return { ok: result.status === 0, output };
}

/** @param {number} ms */
export const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

export const isRoot = process.getuid?.() === 0;

/** Node processes of our own: each tells when it is ready, and dies with the process that started it. */
import { spawn } from 'node:child_process';
import { Plain, say } from './run.mjs';
import { RotatingLog } from './rotatingLog.mjs';

const READY_WITHIN_MS = 60_000;

/**
 * @param {string} name in words, for messages
 * @param {string} program
 * @param {Record<string, string>} env added to our own
 * @param {string} logFile
 * @returns {Promise<{ child: import('node:child_process').ChildProcess, told: Record<string, unknown> }>} once it is ready, and what it
 *   told then
 */
export async function startChild(name, program, env, logFile) {
  const log = new RotatingLog(logFile, (why) =>
    say(`The log ${logFile} cannot be written (${why}). Live Tune goes on.`),
  );
  const child = spawn('setpriv', ['--pdeathsig', 'TERM', process.execPath, program], {
    env: { ...process.env, ...env, NODE_ENV: 'production' },
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
    detached: true,
  });
  for (const stream of [child.stdout, child.stderr]) stream?.on('data', (text) => log.write(text));
  /** @param {string} why */
  const failed = (why) => new Plain(`${name} did not start: ${why}. Its log is ${logFile}.`);
  const told = await new Promise((resolve, reject) => {
    const late = setTimeout(() => reject(failed('it was not ready in time')), READY_WITHIN_MS);
    child.once('message', (message) => {
      clearTimeout(late);
      resolve(message);
    });
    child.once('exit', (code) => {
      clearTimeout(late);
      reject(failed(`it ended with code ${code}`));
    });
  });
  child.removeAllListeners('exit');
  return { child, told };
}

/** @param {import('node:child_process').ChildProcess | undefined} child */
export async function stopChild(child) {
  if (!child || child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGTERM');
  await gone;
}

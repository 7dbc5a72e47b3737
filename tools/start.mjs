/** Starts Live Tune: installs, builds, database, stand-in ESC, web server; stops all of it cleanly. Called by ./start. */
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { parseArgs } from 'node:util';
import { eraseCluster, startCluster } from './lib/cluster.mjs';
import { buildApplication, buildForNode, installNpmPackages } from './lib/install.mjs';
import { startChild, stopChild } from './lib/child.mjs';
import { firstFreePort, freePort } from './lib/ports.mjs';
import { Restarts } from './lib/restarts.mjs';
import { Plain, say, sleep } from './lib/run.mjs';

const HELP = `./start            start Live Tune and print its address
./start --fresh    erase every rig, sheet and draft first, after asking (--yes: without asking)
./start --port N   listen on port N and no other
./start --share    show the bench to paired phones nearby, too, by HTTPS (--share-port N: on port N)
./start --open-garage NAME   open this garage on this machine without its password

DATABASE_URL       use this PostgreSQL database instead of a private one
LIVE_TUNE_DATA     keep database and logs in this folder instead of .data`;

const DEFAULT_PORT = 4180;
const DEFAULT_SHARE_PORT = 4443;
const PORTS_TRIED = 20;

const data = process.env.LIVE_TUNE_DATA ?? '.data';
/** @type {import('./lib/cluster.mjs').Cluster | undefined} */
let cluster;
/** @type {import('node:child_process').ChildProcess | undefined} */
let web;
/** @type {import('node:child_process').ChildProcess | undefined} */
let standIn;
/** Where the stand-in ESC listens; the same after each of its restarts. */
let standInPorts = { STAND_IN_LINK_PORT: '', STAND_IN_CONTROL_PORT: '' };
/** How the web server is shown to phones nearby, where it is. @type {unknown} */
let shared;
let stopping = false;

async function main() {
  const options = readOptions();
  if (options.help) return say(HELP);
  process.on('SIGINT', () => void stop(0));
  process.on('SIGTERM', () => void stop(0));
  process.on('SIGHUP', () => void stop(0));

  mkdirSync(join(data, 'logs'), { recursive: true });
  const port = await choosePort(options.port, '--port', DEFAULT_PORT);
  installNpmPackages();
  if (options.fresh) await erase(options.yes);
  buildApplication();
  buildForNode();
  if (stopping) return;

  let url = process.env.DATABASE_URL;
  if (url) {
    say('Using the database that DATABASE_URL names.');
  } else {
    say('Starting the database …');
    cluster = await startCluster(data);
    superviseCluster(cluster);
    url = cluster.url;
  }
  standInPorts = {
    STAND_IN_LINK_PORT: String(await freePort()),
    STAND_IN_CONTROL_PORT: String(await freePort()),
  };
  say('Starting the stand-in ESC …');
  await startStandIn();
  say('Starting the web server …');
  await startWeb({
    ...standInPorts,
    DATABASE_URL: url,
    PORT: String(port),
    LIVE_TUNE_COPIES: resolve(data, 'copies'),
    ...(options.share && (await shareSettings(options['share-port']))),
    ...(options['open-garage'] !== undefined && { OPEN_GARAGE: options['open-garage'] }),
  });
  const address = `http://127.0.0.1:${port}`;
  writeFileSync(join(data, 'address'), address);
  say(`\nLive Tune is ready: ${address}`);
  if (options.share) await sayShared(address);
  say('Ctrl-C stops it.');
}

/**
 * @param {string | undefined} wanted
 * @returns {Promise<Record<string, string>>} what the web server has to know to open its door to the network
 */
async function shareSettings(wanted) {
  const port = await choosePort(wanted, '--share-port', DEFAULT_SHARE_PORT);
  return { SHARE_PORT: String(port), LIVE_TUNE_SHARE_FOLDER: resolve(data, 'share') };
}

/**
 * Where phones find the bench, as text and as a picture to point them at.
 * @param {string} address of the machine itself
 */
async function sayShared(address) {
  const { addresses = [] } = /** @type {{ addresses?: string[] }} */ (shared ?? {});
  const [plainest] = addresses;
  if (plainest === undefined)
    return say(
      'This machine is in no private network now: nothing nearby can reach it. Join one and start again.',
    );
  say(`\nPhones in the same network reach it at:\n${addresses.map((one) => `  ${one}`).join('\n')}`);
  const { default: QRCode } = await import('qrcode');
  say(await QRCode.toString(`${plainest}/pair`, { type: 'terminal', small: true }));
  say(`Only paired devices get in. Make a pairing code at ${address}/pit`);
}

function readOptions() {
  try {
    const { values } = parseArgs({
      options: {
        fresh: { type: 'boolean', default: false },
        yes: { type: 'boolean', default: false },
        help: { type: 'boolean', default: false },
        port: { type: 'string' },
        share: { type: 'boolean', default: false },
        'share-port': { type: 'string' },
        'open-garage': { type: 'string' },
      },
    });
    if (values['share-port'] !== undefined && !values.share) throw new Error('--share-port needs --share.');
    return values;
  } catch (error) {
    throw new Plain(`${/** @type {Error} */ (error).message}\n\n${HELP}`);
  }
}

/**
 * @param {string | undefined} wanted
 * @param {string} option by which it is named
 * @param {number} usual
 */
async function choosePort(wanted, option, usual) {
  if (wanted !== undefined) {
    const port = Number(wanted);
    if (!Number.isInteger(port) || port < 1 || port > 65535)
      throw new Plain(`${option} takes a number from 1 to 65535, not “${wanted}”.`);
    if ((await firstFreePort(port, 1)) === undefined) {
      throw new Plain(
        `Port ${port} is in use by another program. Leave ${option} away and Live Tune finds a free one.`,
      );
    }
    return port;
  }
  const port = await firstFreePort(usual, PORTS_TRIED);
  if (port === undefined)
    throw new Plain(
      `Ports ${usual} to ${usual + PORTS_TRIED - 1} are all in use. Name a free one with ${option}.`,
    );
  if (port !== usual) say(`Port ${usual} is in use by another program; taking ${port}.`);
  return port;
}

/** @param {boolean} withoutAsking */
async function erase(withoutAsking) {
  if (process.env.DATABASE_URL) {
    throw new Plain(
      '--fresh does not erase a database of your own. Empty the one that DATABASE_URL names yourself, or unset the variable.',
    );
  }
  if (!withoutAsking) {
    if (!process.stdin.isTTY)
      throw new Plain('--fresh erases every rig, sheet and draft. Add --yes to say that you mean it.');
    const terminal = createInterface({ input: process.stdin, output: process.stdout });
    const answer = await terminal.question(
      'This erases every rig, sheet and draft kept here. Type fresh to go on: ',
    );
    terminal.close();
    if (answer.trim() !== 'fresh') throw new Plain('Nothing was erased.');
  }
  say('Erasing …');
  await eraseCluster(data);
  rmSync(join(data, 'stand-in'), { recursive: true, force: true });
}

/** @param {Record<string, string>} env */
async function startWeb(env) {
  const started = await startChild(
    'The web server',
    'build/server/index.js',
    env,
    join(data, 'logs', 'web.log'),
  );
  web = started.child;
  shared = started.told.shared;
  web.once('exit', () => void bringBack('The web server', () => startWeb(env)));
  writeProcesses();
}

async function startStandIn() {
  const own = { ...standInPorts, STAND_IN_FOLDER: join(data, 'stand-in') };
  ({ child: standIn } = await startChild(
    'The stand-in ESC',
    'build/node/standIn.js',
    own,
    join(data, 'logs', 'stand-in.log'),
  ));
  standIn.once('exit', () => void bringBack('The stand-in ESC', startStandIn));
  writeProcesses();
}

/** Writes down who runs and where, for whoever watches or tests this Live Tune. */
function writeProcesses() {
  const processes = {
    web: web?.pid,
    standIn: standIn?.pid,
    database: cluster?.process.pid,
    linkPort: Number(standInPorts.STAND_IN_LINK_PORT),
    controlPort: Number(standInPorts.STAND_IN_CONTROL_PORT),
  };
  writeFileSync(join(data, 'processes.json'), JSON.stringify(processes));
}

/** @param {import('./lib/cluster.mjs').Cluster} kept */
function superviseCluster(kept) {
  kept.process.once('exit', () => {
    void bringBack('The database', async () => {
      await kept.restart();
      superviseCluster(kept);
      writeProcesses();
    });
  });
}

/** @type {Map<string, Restarts>} */
const restartsOf = new Map();
/** Of which it was said that they ended, and not yet that they are back. */
const isToldOf = new Set();

/**
 * Starts a part again that ended without being asked to, as often as it takes: a disk that is full, say, is emptied some time.
 * @param {string} what
 * @param {() => Promise<void>} again
 */
async function bringBack(what, again) {
  const restarts = restartsOf.get(what) ?? new Restarts();
  restartsOf.set(what, restarts);
  while (!stopping) {
    const { pauseMs, isFirst } = restarts.next(Date.now());
    if (isFirst) {
      isToldOf.add(what);
      say(
        `${what} ended unexpectedly; starting it again, with growing pauses until it stays. The logs are in ${join(data, 'logs')}.`,
      );
    }
    await sleep(pauseMs);
    if (stopping) return;
    try {
      await again();
      if (isToldOf.delete(what)) say(`${what} is back.`);
      return;
    } catch (error) {
      if (!(error instanceof Plain)) console.error(error);
    }
  }
}

/** @param {number} code */
async function stop(code) {
  if (stopping) return;
  stopping = true;
  const running = web !== undefined || cluster !== undefined;
  if (running) say('\nStopping …');
  await stopChild(web);
  await stopChild(standIn);
  await cluster?.stop();
  rmSync(join(data, 'address'), { force: true });
  if (running) say('Stopped. Everything is kept.');
  process.exit(code);
}

/** What keeps a folder from being written, in words. */
const UNWRITABLE = {
  EROFS: 'it is read-only',
  EACCES: 'you may not write there',
  EPERM: 'you may not write there',
  ENOSPC: 'there is no space left',
  EDQUOT: 'there is no space left for you',
};

/** @param {unknown} error */
function fail(error) {
  const { code, path, syscall = '' } = /** @type {NodeJS.ErrnoException} */ (error ?? {});
  const why =
    code !== undefined && !syscall.startsWith('spawn') && Object.hasOwn(UNWRITABLE, code)
      ? UNWRITABLE[/** @type {keyof typeof UNWRITABLE} */ (code)]
      : undefined;
  if (why !== undefined)
    console.error(
      `Live Tune cannot write ${path ?? `into ${data}`}: ${why}. Make room there, or name another folder: LIVE_TUNE_DATA=/some/folder ./start`,
    );
  else console.error(error instanceof Plain ? error.message : error);
  void stop(1);
}

try {
  await main();
} catch (error) {
  fail(error);
}

/** Puts in place what a fresh machine lacks: Debian packages, npm packages, the build. */
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Plain, isRoot, quietly, say } from './run.mjs';

/**
 * Installs Debian packages, or says how to.
 * @param {string[]} packages
 * @param {string} purpose what they are for, in words
 */
export function installDebianPackages(packages, purpose) {
  const names = packages.join(' ');
  if (!isRoot) {
    throw new Plain(
      `${purpose} is missing. Install it with\n\n  sudo apt-get install --no-install-recommends ${names}\n\nand start again.`,
    );
  }
  say(`Installing ${purpose} from Debian’s packages (${names}) …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const update = quietly('apt-get', ['update', '-q'], { env });
  const install = quietly('apt-get', ['install', '-yq', '--no-install-recommends', ...packages], { env });
  if (install.ok) return;
  const why = (update.ok ? install : update).output.trim().split('\n').slice(-5).join('\n');
  throw new Plain(
    `${purpose} could not be installed with apt-get:\n\n${why}\n\nInstall ${names} and start again.`,
  );
}

const LOCK = 'package-lock.json';
const INSTALLED = 'node_modules/.live-tune-installed';

/** Installs the npm packages that the lock file names, unless exactly these are there. */
export function installNpmPackages() {
  const wanted = hashOf([LOCK]);
  if (existsSync(INSTALLED) && readFileSync(INSTALLED, 'utf8') === wanted) return;
  say('Installing npm packages …');
  const result = quietly('npm', ['ci', '--no-audit', '--no-fund']);
  if (!result.ok) {
    throw new Plain(
      `The npm packages could not be installed:\n\n${result.output.trim().split('\n').slice(-8).join('\n')}`,
    );
  }
  writeFileSync(INSTALLED, wanted);
}

const CONFIGURATION = [
  LOCK,
  'package.json',
  'vite.config.ts',
  'vite.node.config.ts',
  'vite.offline.config.ts',
  'react-router.config.ts',
];

/** Builds the web application, unless this very source was built already. */
export function buildApplication() {
  const sources = ['app', 'core', 'formats', 'server', 'demo', ...CONFIGURATION];
  const worker = ['vite', 'build', '-c', 'vite.offline.config.ts', '--logLevel', 'warn'];
  build('build/.application-built', sources, ['react-router', 'build'], worker);
}

/** Builds what runs beside it under Node: the stand-in ESC and the command line. */
export function buildForNode() {
  const sources = ['core', 'formats', 'stand-in', 'cli', ...CONFIGURATION];
  build('build/node/.built', sources, ['vite', 'build', '-c', 'vite.node.config.ts', '--logLevel', 'warn']);
}

/**
 * @param {string} mark remembers which source was built
 * @param {string[]} sources
 * @param {...string[]} commands one after the other
 */
function build(mark, sources, ...commands) {
  const wanted = hashOf(sources.flatMap(filesBelow));
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return;
  say('Building …');
  const env = { ...process.env, NODE_ENV: 'production' };
  for (const command of commands) {
    const result = quietly('npx', ['--no-install', ...command], { env });
    if (!result.ok) throw new Plain(`The build failed:\n\n${result.output}`);
  }
  writeFileSync(mark, wanted);
}

/**
 * @param {string} path
 * @returns {string[]}
 */
function filesBelow(path) {
  if (!statSync(path).isDirectory()) return [path];
  return readdirSync(path)
    .sort()
    .flatMap((name) => filesBelow(join(path, name)));
}

/** @param {string[]} files */
function hashOf(files) {
  const hash = createHash('sha256');
  for (const file of files) hash.update(file).update('\0').update(readFileSync(file)).update('\0');
  return hash.digest('hex');
}

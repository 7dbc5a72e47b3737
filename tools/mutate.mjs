/**
 * Tries whether the tests bite: changes the source in one small place, and runs the tests that stand nearest to it.
 * Called by hand, and may be broken off and called again: `node tools/mutate.mjs core/advice core/plan --sample 60`;
 * without folders, the files of core that were changed since the last commit.
 */
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { cpSync, existsSync, mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { mutantsOf } from './lib/mutants.mjs';

const CACHE = '.cache/mutants';
const KEPT = `${CACHE}/results.json`;
/** A mutant whose tests take longer than this has made something endless. */
const ENDLESS_MS = 150_000;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    sample: { type: 'string', default: '60' },
    /** Another sample: what tests were written for proves nothing about the next. */
    seed: { type: 'string', default: '2026' },
    workers: { type: 'string', default: String(availableParallelism()) },
    /** Tries what survived before once more, after tests were added. */
    again: { type: 'boolean', default: false },
    /** Gives what the nearest tests let live to all tests of core that reach the file. */
    far: { type: 'boolean', default: false },
  },
});

/** @typedef {import('./lib/mutants.mjs').Mutant} Mutant */

/** @type {Record<string, 'killed' | 'survived' | 'survived far'>} */
const results = existsSync(KEPT) ? JSON.parse(readFileSync(KEPT, 'utf8')) : {};

/** @type {Map<string, string>} */
const hashes = new Map();
/** What the source was when this began. @param {string} file */
function hashOf(file) {
  const known = hashes.get(file);
  if (known) return known;
  const hash = createHash('sha256').update(readFileSync(file)).digest('hex').slice(0, 8);
  hashes.set(file, hash);
  return hash;
}

/** The changed source decides whether a result still holds. @param {Mutant} mutant */
const keyOf = ({ file, from, text }) => `${file} ${from} ${text} ${hashOf(file)}`;

/** @param {string[]} args */
const git = (args) => spawnSync('git', args, { encoding: 'utf8' }).stdout.split('\n').filter(Boolean);
/** @param {string} file */
const isSource = (file) => /^core\/.*\.ts$/.test(file) && !/\.(test|fixture)\.ts$/.test(file);

function mutantsToTry() {
  const groups =
    positionals.length > 0
      ? positionals.map((folder) => git(['ls-files', folder]).filter(isSource))
      : [git(['diff', '--name-only', 'HEAD']).filter(isSource)];
  return groups.map((files) => {
    const all = files.flatMap((file) => mutantsOf(file, readFileSync(file, 'utf8')));
    return shuffled(all).slice(0, Number(values.sample));
  });
}

/** In an order that the seed alone decides. @param {Mutant[]} mutants */
function shuffled(mutants) {
  let state = Number(values.seed);
  const random = () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
  return mutants
    .map((mutant) => ({ mutant, at: random() }))
    .sort((a, b) => a.at - b.at)
    .map(({ mutant }) => mutant);
}

/** A copy of what the tests need, so that the tree itself stays as it is. @param {number} number */
function makeTree(number) {
  const tree = join(tmpdir(), `live-tune-mutants-${number}`);
  rmSync(tree, { recursive: true, force: true });
  mkdirSync(tree, { recursive: true });
  for (const part of [
    'core',
    'formats',
    'demo',
    'package.json',
    'tsconfig.json',
    'tsconfig.base.json',
    'vitest.config.ts',
  ])
    cpSync(part, join(tree, part), { recursive: true });
  symlinkSync(resolve('node_modules'), join(tree, 'node_modules'));
  return tree;
}

/**
 * @param {string} tree
 * @param {Mutant} mutant
 * @returns {Promise<'killed' | 'survived'>}
 */
async function tried(tree, { file, from, to, text }) {
  // The copy stays as it was when this began, whatever is edited meanwhile.
  const source = readFileSync(join(tree, file), 'utf8');
  const sound = await soundBefore(tree, file);
  if (!sound) throw new Error(`the tests nearest to ${file} fail before anything is changed`);
  writeFileSync(join(tree, file), source.slice(0, from) + text + source.slice(to));
  const passed = await passes(tree, nearestTo(file));
  writeFileSync(join(tree, file), source);
  return passed ? 'survived' : 'killed';
}

/** The room of core in which a file lies. @param {string} file */
const roomOf = (file) => file.split('/').slice(0, 2).join('/');

/** Tests that would make every mutant wait for tens of seconds; the other long ones bite, too. */
const TOO_SLOW = ['absurd', 'anyMenu', 'anyProfile', 'ear', 'schools'];

/** @param {string} file */
const nearestTo = (file) => [
  ...(values.far ? ['related', file, '--run'] : ['run', `${roomOf(file)}/`]),
  ...[
    '--bail=1',
    '--maxWorkers=1',
    '--reporter=dot',
    ...TOO_SLOW.map((name) => `--exclude=**/${name}.long.test.ts`),
  ],
];

/** @type {Map<string, Promise<boolean>>} */
const sounded = new Map();
/** Whether the same tests pass on the source as it is: otherwise every mutant would seem to be killed. */
const soundBefore = (/** @type {string} */ tree, /** @type {string} */ file) => {
  const room = roomOf(file);
  const known = sounded.get(room) ?? passes(tree, nearestTo(file));
  sounded.set(room, known);
  return known;
};

/**
 * @param {string} cwd
 * @param {string[]} args
 * @returns {Promise<boolean>}
 */
function passes(cwd, args) {
  return new Promise((done) => {
    const child = spawn('node_modules/.bin/vitest', args, { cwd, stdio: 'ignore', detached: true });
    const endless = setTimeout(() => process.kill(-(child.pid ?? 0), 'SIGKILL'), ENDLESS_MS);
    child.on('close', (code) => {
      clearTimeout(endless);
      done(code === 0);
    });
  });
}

const groups = mutantsToTry();
const open = groups.flat().filter((mutant) => {
  const before = results[keyOf(mutant)];
  if (before === undefined) return true;
  return before !== 'killed' && (values.again || (values.far && before === 'survived'));
});
mkdirSync(CACHE, { recursive: true });
console.log(`${open.length} mutants to try`);
await Promise.all(
  Array.from({ length: Number(values.workers) }, async (_, number) => {
    const tree = makeTree(number);
    for (let mutant = open.shift(); mutant; mutant = open.shift()) {
      const result = await tried(tree, mutant);
      results[keyOf(mutant)] = result === 'survived' && values.far ? 'survived far' : result;
      writeFileSync(KEPT, JSON.stringify(results, null, 1));
      if (result === 'survived') console.log(`survived  ${mutant.what}`);
    }
  }),
);

console.log('\n| folder | mutants | killed |\n| --- | ---: | ---: |');
for (const group of groups.filter(({ length }) => length > 0)) {
  const killed = group.filter((mutant) => results[keyOf(mutant)] === 'killed').length;
  const folder = positionals[groups.indexOf(group)] ?? 'what was changed';
  console.log(`| ${folder} | ${group.length} | ${killed} (${Math.round((100 * killed) / group.length)} %) |`);
}

import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runLt } from './lt';

const read = (path: string): string => readFileSync(path, 'utf8');
const lt = (...args: string[]) => runLt(args, read);
const json = (output: string) => JSON.parse(output) as Record<string, unknown>;

const BUGGY = 'demo/kelp-beach-buggy.rig.json';
const TAMSEL = 'demo/tamsel-r60.esc-profile.json';

const demoFiles = readdirSync('demo').filter((name) => name.endsWith('.json'));
const profiles = Object.fromEntries(
  demoFiles
    .filter((name) => name.includes('.esc-profile.'))
    .map((name) => [name.split('.')[0]!, `demo/${name}`]),
);
/** The other documents that one needs. */
function companions(file: string): string[] {
  const { escProfileId, setUp } = JSON.parse(read(file)) as {
    escProfileId?: string;
    setUp?: { profileId: string };
  };
  const needed = escProfileId ?? setUp?.profileId;
  return needed === undefined ? [] : ['--with', profiles[needed]!];
}

describe.each(demoFiles.map((name) => `demo/${name}`))('on %s', (file) => {
  it.each(['check', 'verdicts', 'plan', 'simulate'])('%s has an answer in JSON', (verb) => {
    const { exitCode, output } = lt(verb, file, ...companions(file));
    expect(json(output)).toMatchObject({ ok: true, verb });
    expect(exitCode).toBe(0);
  });

  it('convert gives the same document, and a table', () => {
    expect(json(lt('convert', file).output)).toEqual(JSON.parse(read(file)));
    const lines = lt('convert', file, '--to', 'csv').output.split('\r\n');
    expect(lines.length).toBeGreaterThan(5);
    expect(lines.at(-1)).toBe('');
  });
});

describe('lt', () => {
  it('simulate leaves exactly what was wanted', () => {
    const { output } = lt('simulate', BUGGY, '--with', TAMSEL, '--set', 'Stopper=65%', '--set', '5=#4');
    expect(json(output)).toMatchObject({ reachedTarget: true, state: 'driving' });
    const holds = json(output).holds as { label: string; value: string }[];
    expect(holds.find(({ label }) => label === 'Stopper')?.value).toBe('65 %');
    expect(holds.find(({ label }) => label === 'Roll-off')?.value).toBe('12 %');
  });

  it('a table holds nothing that a spreadsheet would take for a formula', () => {
    const document = JSON.parse(read('demo/island-race.set-up.json')) as { setUp: Record<string, unknown> };
    const files: Record<string, string> = {
      'x.json': JSON.stringify({
        ...document,
        setUp: {
          ...document.setUp,
          reasons: { pounce: '=HYPERLINK("http://elsewhere")', lead: '-1+2', turn: '@x' },
        },
      }),
    };
    const { output } = runLt(['convert', 'x.json', '--to', 'csv'], (path) => files[path]!);
    const cells = output.split(/[\r\n,]+/).map((cell) => cell.replace(/^"/, ''));
    expect(output).toContain("'=HYPERLINK");
    expect(cells.filter((cell) => /^[=+@-]/.test(cell))).toEqual([]);
  });

  it('translate goes by meaning, says why, and exits with 1 where something is left to choose', () => {
    const { exitCode, output } = lt(
      'translate',
      'demo/island-race.set-up.json',
      ...['--with', TAMSEL, '--onto', 'demo/brackel-t40.esc-profile.json'],
    );
    expect(exitCode).toBe(1);
    const rows = json(output).rows as { label: string; to: { value: string } | null; outcome: string }[];
    const row = (label: string) => rows.find((one) => one.label === label);
    expect(row('Stopper')).toMatchObject({ outcome: 'means the same', to: { value: '85 %' } });
    // 12° is not there; less advance is the safe side.
    expect(row('Lead')).toMatchObject({ outcome: 'nearest on the safe side', to: { value: '10°' } });
    expect(row('Turn')?.to).toBeNull();
    expect(lt('translate', 'demo/island-race.set-up.json', '--with', TAMSEL).exitCode).toBe(2);
  });

  it('verdicts exits with 1 where a hazard is open', () => {
    const { exitCode, output } = lt('verdicts', BUGGY, '--with', TAMSEL, '--set', 'Floor=Pack 9.9 V');
    expect(exitCode).toBe(1);
    expect(json(output).verdicts).toMatchObject([{ id: 'cutoffOutOfRange', grade: 'hazard' }]);
  });

  it('reads older versions, and convert writes the newest', () => {
    expect(json(lt('check', 'formats/older/rig-1.json').output)).toMatchObject({
      version: 1,
      newestVersion: 10,
    });
    expect(json(lt('convert', 'formats/older/rig-1.json').output)).toMatchObject({ version: 10 });
  });

  it('a table keeps commas and quotes as RFC 4180 has them', () => {
    const odd = JSON.parse(read(TAMSEL)) as { items: { label: string }[] };
    odd.items[0]!.label = 'Way, "back"';
    const { output } = runLt(['convert', 'x', '--to', 'csv'], () => JSON.stringify(odd));
    expect(output.split('\r\n')[1]).toMatch(/^1,"Way, ""back""",/);
  });

  it.each([
    [['sing', BUGGY], 'sing', 'is not a command'],
    [['check'], 'no file', 'needs a file'],
    [['check', 'no-such-file.json'], 'a missing file', 'cannot be read: ENOENT'],
    [['check', BUGGY, TAMSEL], 'two files', 'Name one file only'],
    [['verdicts', BUGGY], 'a rig without its profile', "'tamsel-r60' is needed too"],
    [['plan', BUGGY, '--with', profiles['sondry-a45']!], 'another profile', "another is 'sondry-a45'"],
    [['plan', TAMSEL, '--set', 'Stopper'], 'a set without a stop', 'item=stop'],
    [['plan', TAMSEL, '--set', 'Stopper=66 %'], 'a stop that is not there', '#5 65 %'],
    [['plan', TAMSEL, '--set', 'Hooter=loud'], 'an item that is not there', '6 Stopper'],
    [['convert', BUGGY, '--to', 'stone'], 'a format that is not there', 'json or csv'],
    [['check', BUGGY, '--hurry'], 'an option that is not there', '--help'],
  ])('refuses %j (%s) in words', (args, _what, words) => {
    const { exitCode, output } = lt(...args);
    expect(exitCode).toBe(2);
    expect(json(output).sentence).toContain(words);
  });

  it('teaches with --help and with nothing at all', () => {
    for (const args of [['--help'], []]) {
      expect(lt(...args)).toMatchObject({ exitCode: 0 });
      expect(lt(...args).output).toContain('npm run -s lt -- plan');
    }
  });

  it('explains every problem of a broken file with its path, and never throws', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...demoFiles.map((name) => read(`demo/${name}`))),
        fc.constantFrom('check', 'verdicts', 'plan', 'simulate', 'convert'),
        fc.nat(),
        fc.oneof(fc.json(), fc.string(), fc.constantFrom('', '0', '-1', '1e999', '"', '}', 'null', '[]')),
        (text, verb, place, junk) => {
          const at = place % text.length;
          const broken = text.slice(0, at) + junk + text.slice(at + (place % 40));
          const { exitCode, output } = runLt(
            [
              verb,
              'broken.json',
              ...Object.values(profiles)
                .slice(0, 1)
                .flatMap((p) => ['--with', p]),
            ],
            (path) => (path === 'broken.json' ? broken : read(path)),
          );
          expect([0, 1, 2]).toContain(exitCode);
          expect(output).not.toMatch(/\n\s+at /);
          if (exitCode === 1 && verb === 'check') {
            const problems = json(output).problems as { path: string; sentence: string }[];
            expect(problems.length).toBeGreaterThan(0);
            for (const { path, sentence } of problems) {
              expect(typeof path).toBe('string');
              expect(sentence.length).toBeGreaterThan(5);
            }
          }
        },
      ),
      { numRuns: 400 },
    );
  });
});

/** The command line for the core: the same documents, the same code as the app, JSON out. */
import { readDocument, type LiveTuneDocument } from '#formats/document';
import { parseArgs } from 'node:util';
import { contextOf } from './context';
import { Refused } from './refused';
import { check } from './verbs/check';
import { convert } from './verbs/convert';
import { plan } from './verbs/plan';
import { simulate } from './verbs/simulate';
import { translate } from './verbs/translate';
import { verdicts } from './verbs/verdicts';

const VERBS = ['check', 'verdicts', 'plan', 'simulate', 'translate', 'convert'] as const;
type Verb = (typeof VERBS)[number];

const HELP = `npm run -s lt -- <verb> <file> [options]

Reads the documents that Live Tune exports (rig, ESC profile, sheet, set-up) and prints JSON.

  check     Checks the file. Prints what it is, or every problem with its path.
  verdicts  Prints what is dangerous or unwise about these values on this rig.
  plan      Prints the presses that take the ESC from what it holds to what you want.
  simulate  Carries out the plan on a simulated ESC. Prints what it then holds and how the model drives.
  translate Prints the values for another ESC, by their meaning, each with why: --onto FILE.
  convert   Prints the document in its newest version, or as a table: --to json or --to csv.

  --with FILE       Adds a document that belongs to it: a profile, a rig, or the sheet of the ESC. Repeat as needed.
  --set ITEM=STOP   Sets a wanted value: --set "Stopper=65 %" or --set 6=#5. Repeat as needed.
                    Without it, plan and simulate use the advice.
  --onto FILE       For translate: the profile of the other ESC.
  --to FORMAT       For convert: json (default) or csv.

  save FILE         Saves everything of the Live Tune that runs here into one archive.
  restore FILE      Brings an archive back. Rigs that differ: --differing keep (default), both or replace.

Without a rig, default values are used and marked assumed. Without a sheet or set-up, factory values are used.

Exit code: 0 all is well. 1 there are problems or hazards, or a target was not reached. 2 the command failed.

  npm run -s lt -- check demo/kelp-beach-buggy.rig.json
  npm run -s lt -- plan demo/kelp-beach-buggy.rig.json --with demo/tamsel-r60.esc-profile.json --set 6=#5
`;

export interface Outcome {
  exitCode: 0 | 1 | 2;
  output: string;
}

/**
 * Runs one command.
 * @param args as typed behind the program's name
 * @param readText reads a file; its errors are reported as the user's
 */
export function runLt(args: string[], readText: (path: string) => string): Outcome {
  try {
    return run(args, readText);
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    const { message: sentence, problems } = error;
    return { exitCode: problems.length > 0 ? 1 : 2, output: json({ ok: false, sentence, problems }) };
  }
}

function run(args: string[], readText: (path: string) => string): Outcome {
  const { positionals, values } = parse(args);
  if (values.help || args.length === 0) return { exitCode: 0, output: HELP };
  const [verb, file, ...rest] = positionals;
  if (!VERBS.includes(verb as Verb))
    throw new Refused(`'${verb ?? ''}' is not a command. Commands: ${VERBS.join(', ')}. See --help.`);
  if (file === undefined) throw new Refused(`${verb ?? ''} needs a file. See --help.`);
  if (rest.length > 0)
    throw new Refused(`Name one file only; '${rest[0] ?? ''}' is too many. Add others with --with.`);

  const main = read(file, readText);
  const done = (extra: object, good = true): Outcome => ({
    exitCode: good ? 0 : 1,
    output: json({ ok: good, verb, file, ...extra }),
  });
  if (verb === 'check') return done(check({ main: main.document }, main.version));
  if (verb === 'convert') return { exitCode: 0, output: convert(main.document, values.to) };

  const context = contextOf(
    main.document,
    values.with.map((path) => read(path, readText).document),
  );
  switch (verb) {
    case 'verdicts': {
      const { hazards, output } = verdicts(context, values.set);
      return done(output, hazards === 0);
    }
    case 'plan':
      return done(plan(context, values.set));
    case 'translate': {
      const onto = values.onto === undefined ? undefined : read(values.onto, readText).document;
      const { clear, output } = translate(context, onto);
      return done(output, clear);
    }
    default: {
      const { reached, output } = simulate(context, values.set);
      return done(output, reached);
    }
  }
}

function parse(args: string[]) {
  try {
    return parseArgs({
      args,
      allowPositionals: true,
      options: {
        help: { type: 'boolean', default: false, short: 'h' },
        with: { type: 'string', multiple: true, default: [] },
        set: { type: 'string', multiple: true, default: [] },
        onto: { type: 'string' },
        to: { type: 'string', default: 'json' },
      },
    });
  } catch (error) {
    throw new Refused(`${(error as Error).message} See --help.`);
  }
}

function read(
  path: string,
  readText: (path: string) => string,
): { document: LiveTuneDocument; version: number } {
  let text: string;
  try {
    text = readText(path);
  } catch (error) {
    throw new Refused(
      `'${path}' cannot be read: ${(error as NodeJS.ErrnoException).code ?? 'unknown reason'}.`,
    );
  }
  const result = readDocument(text);
  if (!result.ok) throw new Refused(`'${path}' has problems.`, result.problems);
  return { document: result.value, version: (JSON.parse(text) as { version: number }).version };
}

const json = (value: object): string => `${JSON.stringify(value, null, 2)}\n`;

/**
 * The open documents: JSON with a `format` and a `version`, SI units with the unit in the key.
 * One place reads and writes them all; `docs/formats.md` describes them.
 */
import { dataFault } from '#core/units/dataFault';
import type { EscProfile } from '#core/esc/profile';
import { validateProfile } from '#core/esc/validateProfile';
import type { Sheet } from '#core/sheet/sheet';
import type { Problem, Result } from '#core/units/problem';
import { ValidationError, type ObjectSchema } from 'yup';
import { escProfileSchema, escProfileUpgrades } from './escProfile';
import { dayFileSchema, type DayFile } from './day';
import { packFileSchema, type PackFile } from './pack';
import { practiceFileSchema, type PracticeFile } from './practice';
import { runFileSchema, type RunFile } from './run';
import { rigFileSchema, rigUpgrades, type RigFile } from './rig';
import { setUpFileSchema, type SetUpFile } from './setUp';
import { sheetSchema, sheetUpgrades } from './sheet';
import type { Upgrade } from './upgrade';

export type LiveTuneDocument =
  | ({ format: 'live-tune/esc-profile'; version: typeof VERSION } & EscProfile)
  | ({ format: 'live-tune/rig'; version: typeof VERSION } & RigFile)
  | ({ format: 'live-tune/sheet'; version: typeof VERSION } & Sheet)
  | ({ format: 'live-tune/set-up'; version: typeof VERSION } & SetUpFile)
  | ({ format: 'live-tune/run'; version: typeof VERSION } & RunFile)
  | ({ format: 'live-tune/pack'; version: typeof VERSION } & PackFile)
  | ({ format: 'live-tune/day'; version: typeof VERSION } & DayFile)
  | ({ format: 'live-tune/practice'; version: typeof VERSION } & PracticeFile);

export type Format = LiveTuneDocument['format'];

/** The newest version of every format. */
export const VERSION = 10 as const;

interface FormatRules {
  schema: ObjectSchema<object>;
  /** The version with which the format began. */
  since: number;
  /** From each older version to the next, the first first. */
  upgrades: readonly Upgrade[];
}

export const FORMATS: Record<Format, FormatRules> = {
  'live-tune/esc-profile': { schema: escProfileSchema, since: 1, upgrades: escProfileUpgrades },
  'live-tune/rig': { schema: rigFileSchema, since: 1, upgrades: rigUpgrades },
  'live-tune/sheet': { schema: sheetSchema, since: 1, upgrades: sheetUpgrades },
  'live-tune/set-up': { schema: setUpFileSchema, since: 9, upgrades: [(body) => body] },
  'live-tune/run': { schema: runFileSchema, since: 9, upgrades: [(body) => body] },
  'live-tune/pack': { schema: packFileSchema, since: 10, upgrades: [] },
  'live-tune/day': { schema: dayFileSchema, since: 10, upgrades: [] },
  'live-tune/practice': { schema: practiceFileSchema, since: 10, upgrades: [] },
};

/** Documents of this size are far beyond any that Live Tune writes. */
export const LARGEST_DOCUMENT_BYTES = 1_000_000;

/** A document as text, with stable key order and a line end, ready to be saved. */
export const writeDocument = (document: LiveTuneDocument): string => `${JSON.stringify(document, null, 2)}\n`;

/**
 * Reads a document from untrusted text.
 * @returns the document, or every problem with its path, in sentences
 */
export function readDocument(text: string): Result<LiveTuneDocument> {
  if (text.length > LARGEST_DOCUMENT_BYTES)
    return problem('', 'The file is larger than any Live Tune document.');
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return problem(
      '',
      `The file is not JSON: ${(error as Error).message}. Choose a file that Live Tune exported.`,
    );
  }
  const fault = dataFault(data);
  if (fault !== undefined) return problem('', fault);
  if (typeof data !== 'object' || data === null || Array.isArray(data)) {
    return problem('', 'The file holds JSON, but not a Live Tune document: it must be an object.');
  }
  const { format, version, ...body } = data as Record<string, unknown>;
  if (typeof format !== 'string' || !Object.hasOwn(FORMATS, format)) {
    return problem(
      'format',
      `The format is ${JSON.stringify(format)}. Known formats: ${Object.keys(FORMATS).join(', ')}.`,
    );
  }
  const { schema, since, upgrades } = FORMATS[format as Format];
  if (!Number.isInteger(version) || (version as number) < since || (version as number) > VERSION) {
    return problem(
      'version',
      `This is version ${JSON.stringify(version)} of ${format}; this Live Tune reads versions ${since} to ${VERSION}. A newer Live Tune may be needed.`,
    );
  }
  const newest = upgradedFrom(body, upgrades.slice((version as number) - since));
  if (!newest)
    return problem(
      'version',
      `The file says it is version ${String(version)} of ${format}, but its contents do not match. Choose a file that Live Tune exported.`,
    );
  const problems = problemsOf(schema, newest);
  if (problems.length > 0) return { ok: false, problems };
  const document = { format, version: VERSION, ...newest } as LiveTuneDocument;
  const deeper = profileIn(document).flatMap(({ path, profile }) =>
    validateProfile(profile).map((found) => ({ ...found, path: path + found.path })),
  );
  return deeper.length > 0 ? { ok: false, problems: deeper } : { ok: true, value: document };
}

/** @returns undefined where a body is so far from what its version says that an upgrade stumbles over it */
function upgradedFrom(
  body: Record<string, unknown>,
  upgrades: readonly Upgrade[],
): Record<string, unknown> | undefined {
  try {
    return upgrades.reduce((old, upgrade) => upgrade(old), body);
  } catch (error) {
    if (error instanceof TypeError) return undefined;
    throw error;
  }
}

/** The ESC profile that a document is or brings along, with its place. */
function profileIn(document: LiveTuneDocument): { path: string; profile: EscProfile }[] {
  if (document.format === 'live-tune/esc-profile') return [{ path: '', profile: document }];
  if ('escProfile' in document && document.escProfile)
    return [{ path: 'escProfile.', profile: document.escProfile }];
  return [];
}

/** What a schema finds wrong with a value: one problem for each place. */
export function problemsOf(schema: ObjectSchema<object>, value: unknown): Problem[] {
  try {
    schema.validateSync(value, { abortEarly: false, strict: true });
    return [];
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const all = error.inner.length > 0 ? error.inner : [error];
    return all.map(({ path, message }) => ({ path: plainPath(path ?? ''), sentence: message }));
  }
}

const plainPath = (path: string): string =>
  path.replaceAll(/\[(\d+)\]/g, '.$1').replaceAll(/\["([^"]+)"\]/g, '.$1');

const problem = (path: string, sentence: string): Result<never> => ({
  ok: false,
  problems: [{ path, sentence }],
});

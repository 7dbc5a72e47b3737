/** What lies in an archive beside the open documents: its manifest, and what a rig has that no document of its own says. */
import type { Goals } from '#core/advice/goals';
import type { EscMemory } from '#core/procedure/language';
import type { EventRules } from '#core/rig/eventRules';
import { EVIDENCE, type EvidenceBasis } from '#core/sheet/evidence';
import { readHandValues } from '#core/rig/handValues';
import { readReasons } from '#core/sheet/intents';
import type { Draft } from '#core/sheet/draft';
import type { Asked } from '#core/runs/asked';
import type { AlikeGroup } from '#core/setUps/alike';
import * as yup from 'yup';
import { alikeSchema } from './alike';
import {
  between,
  idField,
  instant,
  listOf,
  nameField,
  oneOf,
  record,
  stopByItem,
  textField,
  whole,
  yesNo,
} from './fields';
import { askedSchema } from './question';
import { learnedRangeSchema } from './radio';

export const ARCHIVE_FORMAT = 'live-tune/archive';
export const ARCHIVE_VERSION = 1;

/** One file of an archive. */
export interface ArchivedFile {
  path: string;
  bytes: number;
  sha256: string;
}

export interface ArchivedRig {
  id: string;
  name: string;
  /** Of all its files: equal where two rigs are equal, document by document. */
  digest: string;
}

export interface Manifest {
  format: typeof ARCHIVE_FORMAT;
  version: typeof ARCHIVE_VERSION;
  madeAt: string;
  files: ArchivedFile[];
  /** Those that were touched first come first. */
  rigs: ArchivedRig[];
}

const uuid = (): yup.StringSchema<string> =>
  idField().matches(/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/, 'must be a UUID');
const sha256 = (): yup.StringSchema<string> => idField().matches(/^[0-9a-f]{64}$/, 'must be a SHA-256 sum');
const MOST_FILES = 5_000_000;

export const manifestSchema: yup.ObjectSchema<Manifest> = record({
  format: oneOf([ARCHIVE_FORMAT] as const),
  version: yup.number<typeof ARCHIVE_VERSION>().strict().required('is missing').oneOf([ARCHIVE_VERSION]),
  madeAt: instant(),
  files: listOf(
    record({
      path: textField().matches(/^[A-Za-z0-9._/-]{1,300}$/, 'is no path'),
      bytes: whole(0, 100_000_000),
      sha256: sha256(),
    }),
    0,
    MOST_FILES,
  ),
  rigs: listOf(record({ id: uuid(), name: nameField(), digest: sha256() }), 0, 1_000_000),
});

/** What of a rig is no document of its own. Pass codes are left out. */
export interface ArchivedBench {
  profileId: string;
  profileRevision: number;
  rigRevision: number;
  archivedAt: string | null;
  deletedAt: string | null;
  updatedAt: string;
  goals: Partial<Goals> | null;
  rulesId: string | null;
  draft: Draft;
  draftRevision: number;
  buildChecks: { line: string; checkedAt: string }[];
  memories: { escNumber: number; writes: number; memory: EscMemory }[];
  sheets: {
    number: number;
    origin: 'loaded' | 'imported' | 'backup';
    keptAt: string;
    /** How many of the observations there were when it was kept. */
    seenBefore: number;
  }[];
  setUps: { id: string; archivedAt: string | null }[];
  /** Their numbers; left out where there are none. */
  runs?: number[];
  /** The numbers of the runs that have a log; left out where none has. */
  logs?: number[];
}

const at = () => instant().nullable().defined();
/** Goals of before a question was asked lack it: read as a whole with what is usual for the rest. */
const goals = yup
  .mixed<Partial<Goals>>()
  .nullable()
  .defined('is missing')
  .test('goals', 'are no goals', (value) => value === null || typeof value === 'object');
const draft = record({
  stops: stopByItem(),
  byHand: yup
    .mixed()
    .test('hands', 'are no numbers of a model', (value) => readHandValues(value) !== undefined),
  reasons: yup.mixed().test('reasons', 'are no reasons', (value) => readReasons(value) !== undefined),
  setUpId: idField().nullable().defined(),
});

export const benchSchema = record({
  profileId: idField(),
  profileRevision: whole(1, 1_000_000),
  rigRevision: whole(0, 1_000_000_000),
  archivedAt: at(),
  deletedAt: at(),
  updatedAt: instant(),
  goals,
  rulesId: uuid().nullable().defined(),
  draft,
  draftRevision: whole(0, 1_000_000_000),
  buildChecks: listOf(record({ line: textField(), checkedAt: instant() }), 0, 500),
  memories: listOf(
    record({
      escNumber: whole(1, 12),
      writes: between(0, 1e15, ''),
      memory: record({ stops: stopByItem(), range: learnedRangeSchema }),
    }),
    1,
    12,
  ),
  sheets: listOf(
    record({
      number: whole(1, 10_000_000),
      origin: oneOf(['loaded', 'imported', 'backup'] as const),
      keptAt: instant(),
      seenBefore: whole(0, 1_000_000_000),
    }),
    0,
    MOST_FILES,
  ),
  setUps: listOf(record({ id: idField(), archivedAt: at() }), 0, 1000),
  runs: listOf(whole(1, 10_000_000), 0, MOST_FILES).notRequired().default(undefined),
  logs: listOf(whole(1, 10_000_000), 0, MOST_FILES).notRequired().default(undefined),
}) as unknown as yup.ObjectSchema<ArchivedBench>;

/** What was asked of the runs of a rig, and when it was laid aside. */
export interface ArchivedAsked {
  asked: Asked;
  closedAt: string | null;
}

export const archivedAskedSchema: yup.ObjectSchema<ArchivedAsked> = record({
  asked: askedSchema,
  closedAt: at(),
});

/** One observation: ESC, item, stop or null, how it is known, when. */
export type SeenRow = readonly [
  escNumber: number,
  itemId: string,
  stopId: string | null,
  basis: EvidenceBasis,
  at: string,
];

/** Whether data are observations as an archive has them. Tens of thousands of them: checked by hand. */
export const isSeen = (data: unknown): data is SeenRow[] =>
  Array.isArray(data) &&
  data.every(
    (row) =>
      Array.isArray(row) &&
      row.length === 5 &&
      Number.isInteger(row[0]) &&
      typeof row[1] === 'string' &&
      (row[2] === null || typeof row[2] === 'string') &&
      Object.hasOwn(EVIDENCE, String(row[3])) &&
      !Number.isNaN(Date.parse(String(row[4]))),
  );

export const archivedRulesSchema: yup.ObjectSchema<{ id: string; rules: EventRules }> = record({
  id: uuid(),
  rules: record({
    name: nameField(),
    noAdvance: yesNo(),
    noReverse: yesNo(),
    mostCells: whole(1, 100).nullable().defined(),
    note: textField(),
  }),
});

export const archivedAlikeSchema: yup.ObjectSchema<{ id: string; group: AlikeGroup }> = record({
  id: uuid(),
  group: alikeSchema,
});

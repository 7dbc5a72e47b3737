/** What happened to a rig, newest first, from everything that is kept of it. */
import type { BenchTest } from '#core/calibration/benchTest';
import type { Calibration } from '#core/calibration/calibration';
import type { Run } from '#core/runs/run';
import type { SetUp } from '#core/setUps/setUp';
import type { EvidenceBasis } from '#core/sheet/evidence';
import type { Sheet } from '#core/sheet/sheet';
import { QueryTypes } from 'sequelize';
import { database } from '../database';
import type { SheetOrigin } from '../models';
import { placeOf, type Paged } from './paging';

export type Happened = { at: string } & (
  | { kind: 'sheet'; number: number; origin: SheetOrigin; sheet: Sheet }
  | { kind: 'calibration'; calibration: Calibration }
  | { kind: 'benchTest'; test: BenchTest }
  | { kind: 'setUp'; setUp: SetUp }
  | { kind: 'run'; number: number; run: Run }
  /** New firmware: from here on nothing was known. */
  | { kind: 'firmware' }
);

const ON_A_PAGE = 20;

const ALL = `
  SELECT 'sheet' AS kind, kept_at AS at, number, origin, document FROM sheets WHERE rig_id = :rigId
  UNION ALL SELECT 'calibration', kept_at, NULL, NULL, document FROM calibrations WHERE rig_id = :rigId
  UNION ALL SELECT 'benchTest', kept_at, NULL, NULL, document FROM bench_tests WHERE rig_id = :rigId
  UNION ALL SELECT 'setUp', (document->>'madeAt')::timestamptz, NULL, NULL, document FROM set_ups WHERE rig_id = :rigId
  UNION ALL SELECT 'run', driven_at, number, NULL, document FROM runs WHERE rig_id = :rigId
  UNION ALL SELECT 'firmware', observed_at, NULL, NULL, NULL FROM observations
    WHERE rig_id = :rigId AND basis = 'firmwareUpdate' AND esc_number = 1 GROUP BY observed_at`;

interface Row {
  kind: Happened['kind'];
  at: Date;
  number: number | null;
  origin: SheetOrigin | null;
  document: unknown;
}

/** A page of all that happened to a rig. @param page from 1 */
export async function pageOfHistory(rigId: string, page: number): Promise<Paged<Happened>> {
  const [counted] = await database().query<{ found: number }>(
    `SELECT count(*)::int AS found FROM (${ALL}) a`,
    {
      type: QueryTypes.SELECT,
      replacements: { rigId },
    },
  );
  const place = placeOf(page, counted!.found, ON_A_PAGE);
  const rows = await database().query<Row>(
    `SELECT * FROM (${ALL}) a ORDER BY at DESC, number DESC LIMIT :limit OFFSET :offset`,
    { type: QueryTypes.SELECT, replacements: { rigId, limit: ON_A_PAGE, offset: place.offset } },
  );
  return { ...place, lines: rows.map(happened) };
}

function happened({ kind, at, number, origin, document }: Row): Happened {
  const when = at.toISOString();
  switch (kind) {
    case 'sheet':
      return { at: when, kind, number: number!, origin: origin!, sheet: document as Sheet };
    case 'calibration':
      return { at: when, kind, calibration: document as Calibration };
    case 'benchTest':
      return { at: when, kind, test: document as BenchTest };
    case 'setUp':
      return { at: when, kind, setUp: document as SetUp };
    case 'run':
      return { at: when, kind, number: number!, run: document as Run };
    case 'firmware':
      return { at: when, kind };
  }
}

/** When a value became what it was. */
export interface BecameSo {
  at: string;
  /** Stop id, or the number of a hand value in words; null where nobody knew. */
  from: string | null;
  to: string;
  /** How it was known; null for what hands change. */
  basis: EvidenceBasis | null;
  /** The load that did it, where one did. */
  sheetNumber: number | null;
  reason: string;
  note: string;
  setUpName: string | null;
}

/** More changes of one value than anybody goes through. */
const MOST_CHANGES = 100;

/** Every change of one item of the first ESC, newest first: when, from what, by which load, and why. */
export async function changesOfItem(rigId: string, itemId: string): Promise<BecameSo[]> {
  const rows = await database().query<ChangeRow>(
    `WITH seen AS (
       SELECT id, stop_key, basis, observed_at, lag(stop_key) OVER (ORDER BY id) AS before FROM observations
       WHERE rig_id = :rigId AND esc_number = 1 AND item_key = :itemId AND stop_key IS NOT NULL
     )
     SELECT seen.observed_at AS at, seen.before AS "from", seen.stop_key AS "to", seen.basis, s.number,
       s.document->'reasons'->>:itemId AS reason, s.document->>'note' AS note, s.document->'setUp'->>'name' AS set_up
     FROM seen LEFT JOIN LATERAL (
       SELECT number, document FROM sheets WHERE rig_id = :rigId AND origin = 'loaded' AND observed_up_to >= seen.id
         AND jsonb_exists(document->'changedItemIds', :itemId) ORDER BY number LIMIT 1
     ) s ON seen.basis <> 'assumedFactory'
     WHERE before IS DISTINCT FROM stop_key ORDER BY seen.id DESC LIMIT :most`,
    { type: QueryTypes.SELECT, replacements: { rigId, itemId, most: MOST_CHANGES } },
  );
  return rows.map(becameSo);
}

/** Every change of a number of the model or its radio, as sheets have it, newest first. */
export async function changesOfHandValue(rigId: string, key: string): Promise<BecameSo[]> {
  const rows = await database().query<ChangeRow>(
    `WITH had AS (
       SELECT number, kept_at, document, document->'byHand'->>:key AS value,
         lag(document->'byHand'->>:key) OVER (ORDER BY number) AS before
       FROM sheets WHERE rig_id = :rigId AND origin = 'loaded' AND document->'byHand'->>:key IS NOT NULL
     )
     SELECT kept_at AS at, before AS "from", value AS "to", NULL AS basis, number,
       document->'reasons'->>:key AS reason, document->>'note' AS note, document->'setUp'->>'name' AS set_up
     FROM had WHERE before IS DISTINCT FROM value ORDER BY number DESC LIMIT :most`,
    { type: QueryTypes.SELECT, replacements: { rigId, key, most: MOST_CHANGES } },
  );
  return rows.map(becameSo);
}

interface ChangeRow {
  at: Date;
  from: string | null;
  to: string;
  basis: EvidenceBasis | null;
  number: number | null;
  reason: string | null;
  note: string | null;
  set_up: string | null;
}

const becameSo = ({ at, from, to, basis, number, reason, note, set_up }: ChangeRow): BecameSo => ({
  at: at.toISOString(),
  from,
  to,
  basis,
  sheetNumber: number,
  reason: reason ?? '',
  note: note ?? '',
  setUpName: set_up,
});

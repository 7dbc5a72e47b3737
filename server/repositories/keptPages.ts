/** Which pages a device keeps for when the bench is away, and how far what they show was written. */
import { QueryTypes } from 'sequelize';
import type { Principal } from '../access/who';
import { database } from '../database';
import { today } from '../today';

export interface KeptPage {
  path: string;
  /** Another word for it, and the page shows something else. */
  written: string;
}

/** As many models as anybody takes to a track, and days ahead. */
const RIGS = 6;
const DAYS = 4;

const OF_RIG = ['load', 'tune', 'runs', 'set-ups'];
const OF_RIG_FOR_VISITORS = ['tune', 'esc', 'set-ups', 'sheets'];
/** What this device has kept: it stands for every page that it has not. */
const ALWAYS = '/kept';

/** What is worth to be kept, the most needed first. */
export async function keptPagesFor({ garageId, role, sees }: Principal): Promise<KeptPage[]> {
  const always = { path: ALWAYS, written: today() };
  if (sees?.setUpId !== undefined)
    return [always, { path: '/set-up', written: await garageWritten(garageId) }];
  const rigs = await lastRigs(garageId, sees?.rigId);
  const addresses = role === 'visitor' ? OF_RIG_FOR_VISITORS : OF_RIG;
  const ofRigs = rigs.flatMap(({ id, facts }) =>
    addresses.map((address) => ({ path: `/rigs/${id}/${address}`, written: `${facts} ${today()}` })),
  );
  if (role === 'visitor') return [always, ...ofRigs];
  const written = await garageWritten(garageId);
  const days = await nextDays(garageId);
  return [
    ...['/', '/days', ...days.map((key) => `/days/${key}`)].map((path) => ({ path, written })),
    ...ofRigs,
    always,
  ];
}

/** @param only the one that a visitor sees */
const lastRigs = (garageId: string, only: string | undefined): Promise<{ id: string; facts: string }[]> =>
  database().query(
    `SELECT id, facts FROM rigs WHERE garage_id = :garageId AND archived_at IS NULL AND deleted_at IS NULL
       AND (:only IS NULL OR id::text = :only) ORDER BY touched DESC LIMIT ${RIGS}`,
    { type: QueryTypes.SELECT, replacements: { garageId, only: only ?? null } },
  );

async function nextDays(garageId: string): Promise<string[]> {
  const rows = await database().query<{ document_key: string }>(
    `SELECT document_key FROM days WHERE garage_id = :garageId AND day >= to_char(:today::date - 1, 'YYYY-MM-DD') ORDER BY day LIMIT ${DAYS}`,
    { type: QueryTypes.SELECT, replacements: { garageId, today: today() } },
  );
  return rows.map(({ document_key }) => document_key);
}

/** How far anything that lists and days show was written. */
async function garageWritten(garageId: string): Promise<string> {
  const [row] = await database().query<{ written: string }>(
    `SELECT concat_ws(' ',
       (SELECT max(facts) FROM rigs WHERE garage_id = :garageId),
       (SELECT sum(revision) + count(*) FROM days WHERE garage_id = :garageId),
       (SELECT md5(string_agg(document::text, '' ORDER BY id)) FROM packs WHERE garage_id = :garageId),
       (SELECT concat(count(*), '/', max(e.kept_order)) FROM pack_entries e JOIN packs p ON p.id = e.pack_id
        WHERE p.garage_id = :garageId)) AS written`,
    { type: QueryTypes.SELECT, replacements: { garageId } },
  );
  return `${row?.written ?? ''} ${today()}`;
}

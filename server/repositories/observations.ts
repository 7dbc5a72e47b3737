/** The history of what was seen on the ESC of a rig. It only ever grows, and its order is that of its ids: clocks are set back. */
import type { EscProfile, StopByItem } from '#core/esc/profile';
import type { EvidenceBasis, Observation } from '#core/sheet/evidence';
import { QueryTypes, type Transaction } from 'sequelize';
import { database } from '../database';
import { ObservationModel } from '../models';
import type { EscOfRig } from './escOfRig';

/** Adds to the history of what was seen on an ESC. */
export async function addObservations(
  { rigId, escNumber }: EscOfRig,
  observations: Observation[],
  transaction?: Transaction,
): Promise<void> {
  await ObservationModel.bulkCreate(
    observations.map(({ itemId, stopId, basis, at }) => ({
      rigId,
      escNumber,
      itemKey: itemId,
      stopKey: stopId,
      basis,
      observedAt: new Date(at),
    })),
    { transaction },
  );
}

interface Row {
  item_key: string;
  stop_key: string | null;
  basis: EvidenceBasis;
  observed_at: Date;
}

/**
 * Of each item of a profile the newest observation, and the newest of a stop that it has: what `holdingsOf` makes of the
 * whole history follows from them.
 * @param until only what was seen up to then, ISO 8601
 * @returns oldest first
 */
export async function newestObservations(
  { rigId, escNumber }: EscOfRig,
  { items }: EscProfile,
  until?: string,
): Promise<Observation[]> {
  const wanted = items.map(({ id, stops, freeCurve }) => ({
    item: id,
    stops: stops.map((stop) => stop.id),
    drawn: freeCurve !== null,
  }));
  const seenBy = until === undefined ? '' : 'AND observed_at <= :until';
  const rows = await database().query<Row>(
    `SELECT o.item_key, o.stop_key, o.basis, o.observed_at
     FROM jsonb_to_recordset(:wanted) AS k(item text, stops text[], drawn boolean)
     CROSS JOIN LATERAL (
       (SELECT * FROM observations WHERE rig_id = :rigId AND esc_number = :escNumber AND item_key = k.item ${seenBy}
        ORDER BY id DESC LIMIT 1)
       UNION
       (SELECT * FROM observations WHERE rig_id = :rigId AND esc_number = :escNumber AND item_key = k.item ${seenBy}
          AND (stop_key = ANY (k.stops) OR (k.drawn AND stop_key LIKE 'curve-%'))
        ORDER BY id DESC LIMIT 1)
     ) o ORDER BY o.id`,
    { type: QueryTypes.SELECT, replacements: { rigId, escNumber, until, wanted: JSON.stringify(wanted) } },
  );
  return rows.map(({ item_key, stop_key, basis, observed_at }) => ({
    itemId: item_key,
    stopId: stop_key,
    basis,
    at: observed_at.toISOString(),
  }));
}

/** How far the history of a rig has come. */
export async function observedUpTo(rigId: string, transaction: Transaction): Promise<string> {
  return (
    (await ObservationModel.max<string | null, ObservationModel>('id', { where: { rigId }, transaction })) ??
    '0'
  );
}

/**
 * What items held when a sheet was kept, or, where nobody had seen them by then, when they were first seen.
 * @param sheetNumber undefined for what they were first seen to hold
 * @returns only items of which somebody has ever known it
 */
export async function stopsAtSheet(
  { rigId, escNumber }: EscOfRig,
  itemIds: readonly string[],
  sheetNumber: number | undefined,
): Promise<StopByItem> {
  if (itemIds.length === 0) return {};
  const rows = await database().query<{ item: string; stop: string | null }>(
    `SELECT k.item, coalesce(
       (SELECT stop_key FROM observations WHERE rig_id = :rigId AND esc_number = :escNumber AND item_key = k.item
          AND stop_key IS NOT NULL AND id <= (SELECT observed_up_to FROM sheets WHERE rig_id = :rigId AND number = :number)
        ORDER BY id DESC LIMIT 1),
       (SELECT stop_key FROM observations WHERE rig_id = :rigId AND esc_number = :escNumber AND item_key = k.item
          AND stop_key IS NOT NULL ORDER BY id LIMIT 1)
     ) AS stop FROM unnest(ARRAY[:itemIds]) AS k(item)`,
    {
      type: QueryTypes.SELECT,
      replacements: { rigId, escNumber, itemIds: [...itemIds], number: sheetNumber ?? null },
    },
  );
  return Object.fromEntries(rows.flatMap(({ item, stop }) => (stop === null ? [] : [[item, stop] as const])));
}

/** What else in the garage a rig can be compared with. */
import { QueryTypes } from 'sequelize';
import { database } from '../database';

export interface OtherRig {
  rigId: string;
  name: string;
  setUps: { id: string; name: string }[];
}

/** More than a list to choose from holds; the ones that were touched last. */
const MOST_OFFERED = 40;

/** The other rigs of a garage that are in use, the last touched first, with their set-ups. */
export async function otherRigs(garageId: string, rigId: string): Promise<OtherRig[]> {
  const rows = await database().query<{ rig_id: string; name: string; set_ups: OtherRig['setUps'] | null }>(
    `SELECT r.id AS rig_id, r.name, s.set_ups
     FROM (SELECT id, name, touched FROM rigs
           WHERE garage_id = :garageId AND id <> :rigId AND archived_at IS NULL AND deleted_at IS NULL
           ORDER BY touched DESC LIMIT :most) AS r
     LEFT JOIN LATERAL (
       SELECT jsonb_agg(jsonb_build_object('id', document_key, 'name', document->>'name') ORDER BY kept_order) AS set_ups
       FROM set_ups WHERE rig_id = r.id AND archived_at IS NULL
     ) AS s ON true
     ORDER BY r.touched DESC`,
    { type: QueryTypes.SELECT, replacements: { garageId, rigId, most: MOST_OFFERED } },
  );
  return rows.map(({ rig_id, name, set_ups }) => ({ rigId: rig_id, name, setUps: set_ups ?? [] }));
}

/** The list of all rigs of a garage, each with where it stands. A handful of queries, however many rigs there are. */
import { usualGoals, type Goals } from '#core/advice/goals';
import { standingOf } from '#core/advice/standing';
import type { StationId, StationState } from '#core/advice/stationStates';
import type { EscMemory } from '#core/procedure/language';
import type { Rig } from '#core/rig/rig';
import type { Calibration } from '#core/calibration/calibration';
import { fittingDraft, type Draft } from '#core/sheet/draft';
import { holdingsOf, type EvidenceBasis, type Observation } from '#core/sheet/evidence';
import type { EscProfile } from '#core/esc/profile';
import type { EventRules } from '#core/rig/eventRules';
import { Op, QueryTypes } from 'sequelize';
import { database } from '../database';
import { today } from '../today';
import { EscProfileModel, RigModel } from '../models';

export interface ListedRig {
  id: string;
  rig: Rig;
  profileName: string;
  updatedAt: string;
  archived: boolean;
  hasPicture: boolean;
  changes: number;
  stations: Record<StationId, { state: StationState; why: string }>;
}

interface Row {
  id: string;
  document: Rig;
  esc_profile_id: string;
  updated_at: Date;
  archived_at: Date | null;
  draft: Draft;
  memory: EscMemory;
  calibrations: Calibration[];
  rules: EventRules | null;
  goals: Partial<Goals> | null;
  sheets: number;
  has_picture: boolean;
}

/** All rigs that are not deleted, the one touched last first. */
export async function listGarage(garageId: string): Promise<ListedRig[]> {
  const rows = await database().query<Row>(
    `SELECT r.id, r.document, r.esc_profile_id, r.updated_at, r.archived_at,
       d.document AS draft, e.memory, v.document AS rules, r.goals,
       (SELECT coalesce(jsonb_agg(c.document), '[]') FROM (
         SELECT DISTINCT ON (document->>'escNumber') document FROM calibrations
         WHERE rig_id = r.id ORDER BY document->>'escNumber', kept_at DESC
       ) c) AS calibrations,
       (SELECT count(*)::int FROM sheets s WHERE s.rig_id = r.id) AS sheets,
       EXISTS (SELECT FROM rig_pictures p WHERE p.rig_id = r.id) AS has_picture
     FROM rigs r
     JOIN drafts d ON d.rig_id = r.id
     JOIN simulated_escs e ON e.rig_id = r.id
     LEFT JOIN event_rules v ON v.id = r.event_rules_id
     WHERE r.garage_id = :garageId AND r.deleted_at IS NULL
     ORDER BY r.updated_at DESC`,
    { type: QueryTypes.SELECT, replacements: { garageId } },
  );
  const [profiles, observations] = await Promise.all([
    profilesOf(rows.map((row) => row.esc_profile_id)),
    latestObservations(garageId),
  ]);
  return rows.map((row) => listed(row, profiles.get(row.esc_profile_id)!, observations.get(row.id) ?? []));
}

function listed(row: Row, profile: EscProfile, observations: Observation[]): ListedRig {
  const { stations, changes, handChanges } = standingOf({
    rig: row.document,
    profile,
    holdings: holdingsOf(profile, observations),
    draft: fittingDraft(profile, row.draft),
    range: row.memory.range,
    calibrations: row.calibrations,
    sheetCount: row.sheets,
    rules: row.rules ?? undefined,
    goals: { ...usualGoals(row.document.vehicleClass), ...row.goals },
    today: today(),
  });
  return {
    id: row.id,
    rig: row.document,
    profileName: profile.name,
    updatedAt: row.updated_at.toISOString(),
    archived: row.archived_at !== null,
    hasPicture: row.has_picture,
    changes: changes.length + handChanges.length,
    stations,
  };
}

async function profilesOf(ids: string[]): Promise<Map<string, EscProfile>> {
  const rows = await EscProfileModel.findAll({ where: { id: [...new Set(ids)] } });
  return new Map(rows.map(({ id, document }) => [id, document]));
}

/** Only the last of each item: the states need no more. */
async function latestObservations(garageId: string): Promise<Map<string, Observation[]>> {
  const rows = await database().query<{
    rig_id: string;
    item_key: string;
    stop_key: string | null;
    basis: EvidenceBasis;
    observed_at: Date;
  }>(
    `SELECT DISTINCT ON (o.rig_id, o.item_key) o.rig_id, o.item_key, o.stop_key, o.basis, o.observed_at
     FROM observations o JOIN rigs r ON r.id = o.rig_id
     WHERE r.garage_id = :garageId AND r.deleted_at IS NULL
     ORDER BY o.rig_id, o.item_key, o.id DESC`,
    { type: QueryTypes.SELECT, replacements: { garageId } },
  );
  const byRig = new Map<string, Observation[]>();
  for (const { rig_id, item_key, stop_key, basis, observed_at } of rows) {
    const list = byRig.get(rig_id) ?? [];
    list.push({ itemId: item_key, stopId: stop_key, basis, at: observed_at.toISOString() });
    byRig.set(rig_id, list);
  }
  return byRig;
}

/** Rigs that were deleted and can still be brought back, the last one first. */
export async function listDeleted(garageId: string): Promise<{ id: string; name: string }[]> {
  const rows = await RigModel.findAll({
    where: { garageId, deletedAt: { [Op.ne]: null } },
    order: [['deletedAt', 'DESC']],
    attributes: ['id', 'name'],
  });
  return rows.map(({ id, name }) => ({ id, name }));
}

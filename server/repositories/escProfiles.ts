import type { EscProfile } from '#core/esc/profile';
import { QueryTypes } from 'sequelize';
import { database } from '../database';
import { LONGEST_NAME } from '#core/units/text';
import { EscProfileModel } from '../models';
import { isKey } from './ids';
import { lockGarage } from './locks';

export interface StoredProfile {
  id: string;
  profile: EscProfile;
}

const plain = ({ id, document }: EscProfileModel): StoredProfile => ({ id, profile: document });

/** The newest revision of every ESC profile of a garage, by name. */
export async function listProfiles(garageId: string): Promise<StoredProfile[]> {
  const rows = await EscProfileModel.findAll({
    where: { garageId },
    order: [
      ['name', 'ASC'],
      ['revision', 'DESC'],
    ],
  });
  const newest = new Map<string, EscProfileModel>();
  for (const row of rows) if (!newest.has(row.profileKey)) newest.set(row.profileKey, row);
  return [...newest.values()].map(plain);
}

/** The newest revision of the profile with this permanent id. */
export async function findProfileByKey(
  garageId: string,
  profileKey: string,
): Promise<StoredProfile | undefined> {
  if (!isKey(profileKey)) return undefined;
  const row = await EscProfileModel.findOne({
    where: { garageId, profileKey },
    order: [['revision', 'DESC']],
  });
  return row ? plain(row) : undefined;
}

/** One revision of a profile; undefined where the garage does not have it. */
export async function findProfileRevision(
  garageId: string,
  profileKey: string,
  revision: number,
): Promise<EscProfile | undefined> {
  return (await EscProfileModel.findOne({ where: { garageId, profileKey, revision } }))?.document;
}

/** Keeps a profile revision. Revisions are never edited: the same one again must be equal. */
export async function keepProfile(
  garageId: string,
  profile: EscProfile,
): Promise<'kept' | 'already there' | 'differs'> {
  return database().transaction(async (transaction) => {
    await lockGarage(garageId, transaction);
    const where = { garageId, profileKey: profile.id, revision: profile.revision };
    const known = await EscProfileModel.findOne({ where, transaction });
    if (known) return sameJson(known.document, profile) ? 'already there' : 'differs';
    await EscProfileModel.create({ ...where, name: profile.name, document: profile }, { transaction });
    return 'kept';
  });
}

export interface TakenProfile {
  stored: StoredProfile;
  /** What it was kept as: as it came, or, where the garage has another one of its id and revision, as an ESC of its own. */
  as: 'known' | 'new' | 'otherEsc';
}

/**
 * The profile that a rig brings along. What the garage has under its id and revision is compared: an equal one is used,
 * another is no reason to tie the rig to what it was not made with.
 */
export async function takeProfile(garageId: string, brought: EscProfile): Promise<TakenProfile> {
  return database().transaction(async (transaction) => {
    await lockGarage(garageId, transaction);
    const rows = await EscProfileModel.findAll({ where: { garageId }, transaction });
    const same = rows.find(
      ({ document }) =>
        sameJson({ ...document, id: '', name: '' }, { ...brought, id: '', name: '' }) &&
        isNamedLike(document, brought),
    );
    if (same) return { stored: plain(same), as: same.profileKey === brought.id ? 'known' : 'otherEsc' };
    const isTaken = rows.some(
      ({ profileKey, revision }) => profileKey === brought.id && revision === brought.revision,
    );
    const profile = isTaken
      ? withFreeId(brought, new Set(rows.map(({ profileKey }) => profileKey)))
      : brought;
    const row = await EscProfileModel.create(
      { garageId, profileKey: profile.id, revision: profile.revision, name: profile.name, document: profile },
      { transaction },
    );
    return { stored: plain(row), as: isTaken ? 'otherEsc' : 'new' };
  });
}

/** As it came, or as an earlier import named it. */
const isNamedLike = (known: EscProfile, brought: EscProfile): boolean =>
  (known.id === brought.id && known.name === brought.name) ||
  (known.id.startsWith(`${brought.id}-`) && known.name.startsWith(`${brought.name} (`));

function withFreeId(profile: EscProfile, taken: ReadonlySet<string>): EscProfile {
  let number = 2;
  while (taken.has(`${profile.id}-${number}`)) number += 1;
  const suffix = ` (${number})`;
  return {
    ...profile,
    id: `${profile.id}-${number}`,
    name: profile.name.slice(0, LONGEST_NAME - suffix.length) + suffix,
  };
}

/** How many rigs use each profile, in whatever revision, by its permanent id. */
export async function rigsByProfile(garageId: string): Promise<Record<string, number>> {
  const rows = await database().query<{ profile_key: string; rigs: number }>(
    `SELECT p.profile_key, count(*)::int AS rigs FROM rigs r JOIN esc_profiles p ON p.id = r.esc_profile_id
     WHERE r.garage_id = :garageId GROUP BY p.profile_key`,
    { type: QueryTypes.SELECT, replacements: { garageId } },
  );
  return Object.fromEntries(rows.map(({ profile_key, rigs }) => [profile_key, rigs]));
}

/** Takes away a profile with all its revisions. @returns false where there is none, or a rig uses it */
export async function deleteProfile(garageId: string, profileKey: string): Promise<boolean> {
  if ((await rigsByProfile(garageId))[profileKey]) return false;
  return (await EscProfileModel.destroy({ where: { garageId, profileKey } })) > 0;
}

/** Equality of JSON values whatever the order of their keys, which JSONB does not keep. */
export function sameJson(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return a === b;
  const keys = Object.keys(a);
  if (keys.length !== Object.keys(b).length || Array.isArray(a) !== Array.isArray(b)) return false;
  return keys.every((key) =>
    sameJson((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]),
  );
}

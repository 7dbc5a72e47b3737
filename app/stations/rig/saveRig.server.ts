import { ARCHETYPES } from '#core/archetypes/archetypes';
import type { Rig } from '#core/rig/rig';
import type { Problem } from '#core/units/problem';
import { problemsOf } from '#formats/document';
import { rigSchema } from '#formats/rig';
import {
  findProfileByKey,
  keepProfile,
  listProfiles,
  type StoredProfile,
} from '#server/repositories/escProfiles';
import { readForm } from '#server/readBody';
import { isCount } from '#server/repositories/ids';
import { currentGarage } from '#server/repositories/garages';
import { readRigForm } from './rigForm';

/** The ESC profiles to choose from: the garage's own, and the archetypes that it does not have yet. */
export async function profileChoices() {
  const garage = await currentGarage();
  const own = (await listProfiles(garage.id)).map(({ profile }) => profile);
  const known = new Set(own.map(({ id }) => id));
  const archetypes = ARCHETYPES.map(({ profile }) => profile).filter(({ id }) => !known.has(id));
  return [...own, ...archetypes].map(({ id, name, limits, items }) => ({
    key: id,
    name,
    note: `${limits.minCells} to ${limits.maxCells} cells, ${items.length} items`,
  }));
}

/** The profile with this key; an archetype becomes one of the garage's own when it is first used. */
async function profileFor(garageId: string, key: string): Promise<StoredProfile | undefined> {
  const own = await findProfileByKey(garageId, key);
  const archetype = ARCHETYPES.find(({ profile }) => profile.id === key);
  if (own || !archetype) return own;
  await keepProfile(garageId, archetype.profile);
  return findProfileByKey(garageId, key);
}

type Read =
  | { ok: true; garageId: string; rig: Rig; stored: StoredProfile; baseRevision: number | undefined }
  | { ok: false; problems: Problem[] };

/** Reads the rig form of a request, with the ESC profile that it names. */
export async function rigFromRequest(request: Request, base: Rig): Promise<Read> {
  const form = await readForm(request);
  const { rig, problems } = readRigForm(form, base);
  const garage = await currentGarage();
  const profileKey = form.get('profileKey');
  const stored = typeof profileKey === 'string' ? await profileFor(garage.id, profileKey) : undefined;
  if (!stored)
    problems.push({ path: 'profileKey', sentence: 'Choose the ESC profile that this model uses.' });
  if (problems.length > 0 || !stored) return { ok: false, problems };
  const deeper = problemsOf(rigSchema, rig);
  return deeper.length > 0
    ? { ok: false, problems: deeper }
    : { ok: true, garageId: garage.id, rig, stored, baseRevision: baseRevisionOf(form) };
}

/** Of the rig that the form was filled from; undefined where whoever sends it means to write over whatever is there. */
function baseRevisionOf(form: FormData): number | undefined {
  if (form.get('over') !== null) return undefined;
  const sent = Number(form.get('baseRevision') ?? Number.NaN);
  return isCount(sent) ? sent : -1;
}

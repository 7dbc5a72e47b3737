import type { Rig } from '#core/rig/rig';
import type { Problem } from '#core/units/problem';
import { problemsOf } from '#formats/document';
import { rigSchema } from '#formats/rig';
import { findProfileByKey, listProfiles, type StoredProfile } from '#server/repositories/escProfiles';
import { currentGarage } from '#server/repositories/garages';
import { readRigForm } from './rigForm';

/** The ESC profiles to choose from. */
export async function profileChoices() {
  const garage = await currentGarage();
  const profiles = await listProfiles(garage.id);
  return profiles.map(({ profile }) => ({
    key: profile.id,
    kind: profile.calibration.family === 'stickAtPowerOn' ? ('propeller' as const) : ('wheels' as const),
    name: profile.name,
    note: `${profile.limits.minCells} to ${profile.limits.maxCells} cells, ${profile.items.length} items`,
  }));
}

type Read =
  { ok: true; garageId: string; rig: Rig; stored: StoredProfile } | { ok: false; problems: Problem[] };

/** Reads the rig form of a request, with the ESC profile that it names. */
export async function rigFromRequest(request: Request, base: Rig): Promise<Read> {
  const form = await request.formData();
  const { rig, problems } = readRigForm(form, base);
  const garage = await currentGarage();
  const profileKey = form.get('profileKey');
  const stored = typeof profileKey === 'string' ? await findProfileByKey(garage.id, profileKey) : undefined;
  if (!stored)
    problems.push({ path: 'profileKey', sentence: 'Choose the ESC profile that this model uses.' });
  if (problems.length > 0 || !stored) return { ok: false, problems };
  const deeper = problemsOf(rigSchema, rig);
  return deeper.length > 0 ? { ok: false, problems: deeper } : { ok: true, garageId: garage.id, rig, stored };
}

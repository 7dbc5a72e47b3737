import { whoAsks } from '../access/who';
import { GarageModel } from '../models';

export interface Garage {
  id: string;
  name: string;
  hasPassword: boolean;
}

/** The garage of whoever asks. Every query of a page is scoped to it. */
export async function currentGarage(): Promise<{ id: string }> {
  return Promise.resolve({ id: whoAsks().garageId });
}

/** The first garage of this installation, made when it is first asked for. */
export async function firstGarage(): Promise<{ id: string; demoLoaded: boolean }> {
  const garage =
    (await GarageModel.findOne({ order: OLDEST_FIRST })) ?? (await GarageModel.create({ name: 'My garage' }));
  return { id: garage.id, demoLoaded: garage.demoLoadedAt != null };
}

const OLDEST_FIRST: [string, string][] = [
  ['created_at', 'ASC'],
  ['id', 'ASC'],
];

/** All garages, the oldest first. */
export async function allGarages(): Promise<Garage[]> {
  return (await GarageModel.findAll({ order: OLDEST_FIRST })).map(garageOf);
}

/** The same, remembered: asked for at every request at the bench, also while the database does not answer. */
export async function garagesHere(): Promise<readonly Garage[]> {
  remembered ??= await allGarages();
  return remembered;
}

let remembered: readonly Garage[] | undefined;

const forgetRemembered = (): void => {
  remembered = undefined;
};

export async function garageById(id: string): Promise<Garage> {
  return garageOf(await GarageModel.findByPk(id, { rejectOnEmpty: true }));
}

const garageOf = ({ id, name, ownerPassword }: GarageModel): Garage => ({
  id,
  name,
  hasPassword: ownerPassword !== null,
});

/** The garage of a name, as somebody types it, with its password as it is kept. */
export async function garageToSignInTo(
  typed: string,
): Promise<{ id: string; name: string; ownerPassword: string | null } | undefined> {
  const name = typed.trim().toLowerCase();
  const garages = await GarageModel.findAll({ order: OLDEST_FIRST });
  return garages.find((garage) => garage.name.toLowerCase() === name);
}

/** As it is kept; null where none was chosen. */
export async function ownerPasswordOf(id: string): Promise<string | null> {
  return (await GarageModel.findByPk(id, { rejectOnEmpty: true })).ownerPassword ?? null;
}

export type NamedGarage = { outcome: 'made'; id: string } | { outcome: 'taken' | 'tooMany' };

/** More than any club has. */
const MOST_GARAGES = 50;

/** A new garage, with a password from the first moment. */
export async function addGarage(name: string, ownerPassword: string): Promise<NamedGarage> {
  const garages = await GarageModel.findAll();
  if (garages.length >= MOST_GARAGES) return { outcome: 'tooMany' };
  if (garages.some((garage) => garage.name.toLowerCase() === name.toLowerCase())) return { outcome: 'taken' };
  const garage = await GarageModel.create({ name, ownerPassword, demoLoadedAt: new Date() });
  forgetRemembered();
  return { outcome: 'made', id: garage.id };
}

/** @returns false where another garage has the name */
export async function renameGarage(id: string, name: string): Promise<boolean> {
  const garages = await GarageModel.findAll();
  if (garages.some((garage) => garage.id !== id && garage.name.toLowerCase() === name.toLowerCase()))
    return false;
  await GarageModel.update({ name }, { where: { id } });
  forgetRemembered();
  return true;
}

/** @param ownerPassword as it was hashed */
export async function keepOwnerPassword(id: string, ownerPassword: string): Promise<void> {
  await GarageModel.update({ ownerPassword }, { where: { id } });
  forgetRemembered();
}

/** Remembers that the demo was loaded, so that a deleted demo rig does not come back. */
export async function markDemoLoaded(garageId: string): Promise<void> {
  await GarageModel.update({ demoLoadedAt: new Date() }, { where: { id: garageId } });
}

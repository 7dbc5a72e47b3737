import { fitsRig, withShelfPack } from '#core/packs/intoModel';
import type { PackLife, ShelfPack } from '#core/packs/shelfPack';
import { problemsOf } from '#formats/document';
import { rigSchema } from '#formats/rig';
import { changeRig, findRigs } from '#server/repositories/rigs';

/** The rigs in use that a pack fits. */
export async function rigsForPack(
  garageId: string,
  pack: ShelfPack,
): Promise<{ rigId: string; name: string }[]> {
  const rigs = await findRigs(garageId);
  return rigs.filter(({ rig }) => fitsRig(pack, rig)).map(({ rigId, rig: { name } }) => ({ rigId, name }));
}

/** @returns the name of the rig; undefined where it takes no such pack */
export async function putIntoRig(
  garageId: string,
  rigId: string,
  life: PackLife,
): Promise<string | undefined> {
  const found = (await findRigs(garageId)).find((one) => one.rigId === rigId);
  if (!found || !fitsRig(life.pack, found.rig)) return undefined;
  if (problemsOf(rigSchema, withShelfPack(found.rig, life)).length > 0) return undefined;
  return (await changeRig(rigId, (rig) => withShelfPack(rig, life))) ? found.rig.name : undefined;
}

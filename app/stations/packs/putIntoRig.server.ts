import { fitsRig, withShelfPack } from '#core/packs/intoModel';
import type { PackLife, ShelfPack } from '#core/packs/shelfPack';
import { problemsOf } from '#formats/document';
import { rigSchema } from '#formats/rig';
import { changeRig, findBench, findRigs } from '#server/repositories/rigs';
import { escBehaviour } from '#core/physics/escChain';
import { believedStops, holdingsOf } from '#core/sheet/evidence';

export interface RigForPack {
  rigId: string;
  name: string;
  /** As its ESC counts it, by what it is believed to hold; 0 where it has none, or is not among the first. */
  cutoffVoltsPerCell: number;
}

/** Of so many the cutoff is looked up: the ones that were touched last. */
const CUTOFFS_LOOKED_UP = 8;

/** The rigs in use that a pack fits, the last touched first. */
export async function rigsForPack(garageId: string, pack: ShelfPack): Promise<RigForPack[]> {
  const rigs = (await findRigs(garageId)).filter(({ rig }) => fitsRig(pack, rig));
  return Promise.all(
    rigs.map(async ({ rigId, rig: { name } }, n) => ({
      rigId,
      name,
      cutoffVoltsPerCell: n < CUTOFFS_LOOKED_UP ? await cutoffOf(garageId, rigId) : 0,
    })),
  );
}

async function cutoffOf(garageId: string, rigId: string): Promise<number> {
  const bench = await findBench(garageId, rigId);
  if (!bench) return 0;
  const { rig, profile, memory, observations } = bench;
  const believed = believedStops(profile, holdingsOf(profile, observations));
  return escBehaviour(profile, believed, rig.channel, memory.range, rig.pack.cells).cutoffVoltsPerCell;
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

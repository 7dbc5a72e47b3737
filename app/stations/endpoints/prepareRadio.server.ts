import { currentGarage } from '#server/repositories/garages';
import { findProfileByKey } from '#server/repositories/escProfiles';
import { updateRig } from '#server/repositories/rigs';
import { benchOf } from '../bench/benchData.server';

/** Writes down that the radio was set as it should be before a calibration: full travel, no trims. */
export async function keepRadioPrepared(rigId: string): Promise<{ prepared: boolean }> {
  const { rig, profile } = await benchOf(rigId);
  const garage = await currentGarage();
  const stored = await findProfileByKey(garage.id, profile.id);
  if (!stored) throw new Error(`rig ${rigId} uses a profile that is not in its garage`);
  const channel = {
    ...rig.channel,
    forwardEndPointPercent: 100,
    brakeEndPointPercent: 100,
    subTrimMicros: 0,
    trimMicros: 0,
    expoPercent: 0,
  };
  return { prepared: await updateRig(garage.id, rigId, { ...rig, channel }, stored) };
}

import { changeRig } from '#server/repositories/rigs';
import { benchOf } from '../bench/benchData.server';

const PREPARED = {
  forwardEndPointPercent: 100,
  brakeEndPointPercent: 100,
  subTrimMicros: 0,
  trimMicros: 0,
  expoPercent: 0,
};

/** Writes down that the radio was set as it should be before a calibration: full travel, no trims. */
export async function keepRadioPrepared(rigId: string): Promise<{ prepared: boolean }> {
  await benchOf(rigId);
  return {
    prepared: await changeRig(rigId, (rig) => ({ ...rig, channel: { ...rig.channel, ...PREPARED } })),
  };
}

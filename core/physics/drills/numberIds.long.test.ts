import { describe, expect, it } from 'vitest';
import { smallProfile } from '../../esc/smallProfile.fixture';
import { defaultRig } from '../../rig/defaults';
import { resolveRig } from '../../rig/resolve';
import { VEHICLE_CLASSES, type VehicleClass } from '../../rig/vehicleClass';
import { plainEsc } from '../behaviour.fixture';
import { NUMBER_IDS } from './numberIds';
import { DRILLS, runDrill, type DrillId } from './runDrill';

/** With a cutoff that reduces power and with none, with and without turbo: some numbers are answered only then. */
const ESCS = [
  plainEsc({ dragBrake: 0.1, cutoffLeaves: 0.5 }),
  plainEsc({ cutoffVoltsPerCell: 0, advance: { ...plainEsc().advance, turbo: 10 } }),
];

/** What a drill answers on any kind of vehicle that has it. */
function answeredBy(id: DrillId): Set<string> {
  const answered = new Set<string>();
  for (const vehicleClass of Object.keys(VEHICLE_CLASSES) as VehicleClass[]) {
    const rig = resolveRig({ ...defaultRig(vehicleClass), name: 'Test' }, smallProfile());
    if (!(id in DRILLS[rig.kind])) continue;
    // For a race and for fun.
    for (const pack of [rig, { ...rig, raceMinutes: 5 }])
      for (const esc of ESCS)
        for (const { id: number } of runDrill(id, pack, esc).numbers) answered.add(number);
  }
  return answered;
}

describe('the numbers that are named', () => {
  it.each(Object.keys(NUMBER_IDS) as DrillId[])('of %s are those that it answers', (id) => {
    expect([...answeredBy(id)].sort()).toEqual([...NUMBER_IDS[id]].sort());
  });
});

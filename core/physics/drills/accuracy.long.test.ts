import { describe, expect, it } from 'vitest';
import { smallProfile, toneProfile } from '../../esc/smallProfile.fixture';
import { defaultRig } from '../../rig/defaults';
import { resolveRig } from '../../rig/resolve';
import type { VehicleClass } from '../../rig/vehicleClass';
import { plainEsc } from '../behaviour.fixture';
import { DRILLS, runDrill, type DrillId } from './runDrill';
import type { ResolvedRig } from '../resolved';

const rigOf = (vehicleClass: VehicleClass): ResolvedRig =>
  resolveRig(defaultRig(vehicleClass), vehicleClass.endsWith('Plane') ? toneProfile() : smallProfile());
const esc = plainEsc({ cutoffVoltsPerCell: 3.3, dragRampS: 0.1, startDuty: 0.05 });
const CLASSES: readonly VehicleClass[] = [
  'tenthBuggy',
  'crawler',
  'eighthBuggy',
  'basher',
  'sportPlane',
  'multirotor',
];

// A converged run: every step a hundred thousand times more exact, its events found on the steps all the same.
describe.each(CLASSES)('every number of every drill of a %s', (vehicleClass) => {
  const rig = rigOf(vehicleClass);
  it.each(Object.keys(DRILLS[rig.kind]) as DrillId[])('%s lies within 0.1 % of a converged run', (id) => {
    const quick = runDrill(id, rig, esc);
    const converged = runDrill(id, { ...rig, accuracy: id === 'stint' ? 1e-7 : 1e-8 }, esc);
    for (const [place, { value, decimals }] of quick.numbers.entries()) {
      const exact = converged.numbers[place]!;
      if (value === undefined || exact.value === undefined) {
        expect([exact.id, value]).toEqual([exact.id, exact.value]);
        continue;
      }
      // What is shown as nothing may differ by a tenth of what is shown last.
      const allowed =
        exact.id === 'firstMinute'
          ? // A difference of two voltages, in per cent of them.
            0.1
          : Math.max(0.001 * Math.abs(exact.value), 0.05 * 10 ** -decimals);
      expect(Math.abs(value - exact.value), exact.id).toBeLessThanOrEqual(allowed);
    }
  });
});

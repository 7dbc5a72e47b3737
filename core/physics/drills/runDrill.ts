import type { ResolvedRig } from '../../rig/resolve';
import type { VehicleKind } from '../../rig/rig';
import type { EscBehaviour } from '../escChain';
import type { Drill } from './drill';
import { cut, spoolUp, throttle } from './propellerDrills';
import { brake, launch, letGo } from './wheelDrills';

/** The manoeuvres of each kind of vehicle, in the order of one pull of the throttle. */
export const DRILLS = {
  wheels: { launch: 'Launch', letGo: 'Let go', brake: 'Brake' },
  propeller: { spoolUp: 'Spool up', throttle: 'Thrust', cut: 'Cut' },
} as const satisfies Record<VehicleKind, Record<string, string>>;
export type DrillId = keyof (typeof DRILLS)['wheels'] | keyof (typeof DRILLS)['propeller'];

const ON_WHEELS = { launch, letGo, brake };
const WITH_PROPELLER = { spoolUp, throttle, cut };

/**
 * Runs one drill. Pure; a few milliseconds.
 * @throws {Error} for a drill that this kind of vehicle does not have
 */
export function runDrill(id: DrillId, rig: ResolvedRig, esc: EscBehaviour): Drill {
  if (rig.kind === 'wheels' && id in ON_WHEELS) return ON_WHEELS[id as keyof typeof ON_WHEELS](rig, esc);
  if (rig.kind === 'propeller' && id in WITH_PROPELLER)
    return WITH_PROPELLER[id as keyof typeof WITH_PROPELLER](rig, esc);
  throw new Error(`a rig with ${rig.kind} has no drill '${id}'`);
}

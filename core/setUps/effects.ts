/** What taking one value over would do on this rig, in the numbers of the drill that tells. */
import { changedNumbers, previewOf, type Preview } from '../advice/preview';
import type { Situation } from '../advice/verdicts/verdict';
import { verdictsOn } from '../advice/verdicts/verdictsOn';
import { itemById } from '../esc/profile';
import { escBehaviour } from '../physics/escChain';
import { drillNumbers, type DrillId } from '../physics/drills/runDrill';
import { withHandValues, type HandValueKey } from '../rig/handValues';
import { resolveRig } from '../rig/resolve';
import type { Rig, VehicleKind } from '../rig/rig';
import type { ComparedRow } from './compare';

type Adopted = NonNullable<ComparedRow['adopts']>;

/** What one value does to a rig as it is: the numbers that it moves, and what would be said then. */
export function effectOf(situation: Situation, adopted: Adopted): Preview {
  if (adopted.kind === 'byHand') return handEffect(situation, adopted.key, adopted.value);
  const { setting } = itemById(situation.profile, adopted.itemId);
  return previewOf(situation, setting, { [adopted.itemId]: adopted.stopId });
}

const FELT_IN: Readonly<Record<HandValueKey, Record<VehicleKind, DrillId>>> = {
  pinionTeeth: { wheels: 'topSpeed', propeller: 'throttle' },
  spurTeeth: { wheels: 'topSpeed', propeller: 'throttle' },
  propellerDiameterInches: { wheels: 'topSpeed', propeller: 'throttle' },
  propellerPitchInches: { wheels: 'topSpeed', propeller: 'throttle' },
  packCells: { wheels: 'topSpeed', propeller: 'throttle' },
  packCapacityMah: { wheels: 'stint', propeller: 'stint' },
  forwardEndPointPercent: { wheels: 'topSpeed', propeller: 'throttle' },
  brakeEndPointPercent: { wheels: 'brake', propeller: 'cut' },
};

function handEffect(situation: Situation, key: HandValueKey, value: number): Preview {
  const { rig, profile, stops, range, goals } = situation;
  const drill = FELT_IN[key][rig.vehicle.kind];
  const moved = withHandValues(rig, { [key]: value });
  const told = (its: Rig) =>
    drillNumbers(
      drill,
      resolveRig(its, profile, goals.use),
      escBehaviour(profile, stops, its.channel, range, its.pack.cells),
    );
  const now = new Set(verdictsOn(situation).map(({ id }) => id));
  return {
    drill,
    changed: changedNumbers(told(rig), told(moved)),
    raised: verdictsOn({ ...situation, rig: moved }).filter(({ id }) => !now.has(id)),
  };
}

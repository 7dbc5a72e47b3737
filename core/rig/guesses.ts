/** What is only guessed follows what it is guessed from, until somebody gives or measures it. */
import { estimateCellResistance } from '../physics/pack';
import { estimateStaticCoefficients } from '../physics/propeller';
import { assumed, beforeFit, type Quantity } from '../units/provenance';
import { rigField, type QuantityPath } from './fields';
import type { Pack, PropellerVehicle, Rig } from './rig';

/** A guess that grew or shrank by as much as what it came from, within its field's bounds; what was given or measured stays. */
function grown(path: QuantityPath, guess: Quantity, before: number, after: number): Quantity {
  if (before === after) return guess;
  // What runs told is of what it was guessed from: another pack or propeller knows nothing of it.
  const known = beforeFit(guess);
  if (known.basis !== 'assumed') return known;
  const { least, most } = rigField(path);
  return assumed(Math.max(least, Math.min(most, (known.value * after) / before)));
}

/**
 * A rig after a change, with its guesses brought along: a cell's resistance goes with capacity and rating, a propeller's
 * coefficients with pitch over diameter.
 */
export const guessesFollow = (before: Rig, after: Rig): Rig => ({
  ...after,
  pack: packAfter(before.pack, after.pack),
  vehicle:
    before.vehicle.kind === 'propeller' && after.vehicle.kind === 'propeller'
      ? propellerAfter(before.vehicle, after.vehicle)
      : after.vehicle,
});

function packAfter(before: Pack, after: Pack): Pack {
  const guessed = ({ capacityAh, ratingC }: Pack): number =>
    estimateCellResistance(capacityAh.value, ratingC.value);
  return {
    ...after,
    cellResistanceOhm: grown(
      'pack.cellResistanceOhm',
      after.cellResistanceOhm,
      guessed(before),
      guessed(after),
    ),
  };
}

function propellerAfter(before: PropellerVehicle, after: PropellerVehicle): PropellerVehicle {
  const guessed = ({ propellerPitchM, propellerDiameterM }: PropellerVehicle) =>
    estimateStaticCoefficients(propellerPitchM.value / propellerDiameterM.value);
  const [was, is] = [guessed(before), guessed(after)];
  return {
    ...after,
    thrustCoefficient: grown('vehicle.thrustCoefficient', after.thrustCoefficient, was.thrust, is.thrust),
    powerCoefficient: grown('vehicle.powerCoefficient', after.powerCoefficient, was.power, is.power),
  };
}

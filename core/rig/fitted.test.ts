import { describe, expect, it } from 'vitest';
import { defaultRig } from './defaults';
import { guessesFollow } from './guesses';
import { HAND_VALUES } from './handValues';
import type { Rig } from './rig';
import { quantityAt } from './fields';
import { fittedFrom, fittedIn, unfitted, withFitted, type FittedNumber } from './fitted';

const rig = { ...defaultRig('tenthBuggy'), name: 'Taught' };
const fitted = (path: FittedNumber['path'], value: number): FittedNumber => ({
  path,
  quantity: {
    value,
    basis: 'fitted',
    fit: { runs: [3, 5, 6], within: 0.1, together: [], was: quantityAt(rig, path) as never },
  },
});
const KV = fitted('motor.kvRpmPerVolt', 3600);
const COOLING = fitted('inUse.motorCooling', 0.8);

describe('numbers that runs told', () => {
  const taught = withFitted(rig, [KV, COOLING]);

  it('are in the rig with where they come from', () => {
    expect(quantityAt(taught, 'motor.kvRpmPerVolt').value).toBe(3600);
    expect(fittedIn(taught)).toEqual([KV, COOLING]);
    expect(fittedFrom(KV.quantity.fit)).toBe('fitted from runs 3, 5 and 6');
    expect(fittedFrom({ runs: [4] })).toBe('fitted from run 4');
  });

  it('are taken back one by one, or all', () => {
    expect(fittedIn(unfitted(taught, 'motor.kvRpmPerVolt'))).toEqual([COOLING]);
    expect(unfitted(taught)).toEqual(rig);
  });

  it('go back to what they were guessed from where another pack or propeller comes: that was not in those runs', () => {
    const plane = { ...defaultRig('sportPlane'), name: 'Plane' };
    const was = quantityAt(plane, 'vehicle.powerCoefficient');
    const power: FittedNumber = {
      path: 'vehicle.powerCoefficient',
      quantity: { value: 2 * was.value, basis: 'fitted', fit: { ...KV.quantity.fit, was: was as never } },
    };
    const steeper = (rig: Rig): Rig => HAND_VALUES.propellerPitchInches.write(rig, 8);
    const taughtPlane = withFitted(plane, [power]);
    const swapped = guessesFollow(taughtPlane, steeper(taughtPlane));
    expect(quantityAt(swapped, 'vehicle.powerCoefficient')).toEqual(
      quantityAt(guessesFollow(plane, steeper(plane)), 'vehicle.powerCoefficient'),
    );
    expect(quantityAt(guessesFollow(taughtPlane, taughtPlane), 'vehicle.powerCoefficient')).toEqual(
      power.quantity,
    );
  });
});

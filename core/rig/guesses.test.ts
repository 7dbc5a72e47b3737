import { describe, expect, it } from 'vitest';
import { defaultRig } from './defaults';
import { withQuantity } from './fields';
import { guessesFollow } from './guesses';
import type { PropellerVehicle } from './rig';

describe('a guess', () => {
  const rig = defaultRig('sportPlane');

  it('of a cell’s resistance halves with twice the capacity, and falls with the rating', () => {
    const larger = withQuantity(rig, 'pack.capacityAh', { value: 6.6, basis: 'given' });
    expect(guessesFollow(rig, larger).pack.cellResistanceOhm.value).toBeCloseTo(
      rig.pack.cellResistanceOhm.value / 2,
      9,
    );
    const better = withQuantity(rig, 'pack.ratingC', { value: 100, basis: 'given' });
    expect(guessesFollow(rig, better).pack.cellResistanceOhm.value).toBeLessThan(
      rig.pack.cellResistanceOhm.value,
    );
  });

  it('of a propeller asks for more power with more pitch', () => {
    const steeper = withQuantity(rig, 'vehicle.propellerPitchM', { value: 0.25, basis: 'given' });
    const [before, after] = [rig, guessesFollow(rig, steeper)].map(
      ({ vehicle }) => (vehicle as PropellerVehicle).powerCoefficient,
    );
    expect(after!.value).toBeGreaterThan(1.2 * before!.value);
    expect(after!.basis).toBe('assumed');
  });

  it('gives way to what was given or measured', () => {
    const measured = withQuantity(rig, 'pack.cellResistanceOhm', { value: 0.004, basis: 'measured' });
    const larger = withQuantity(measured, 'pack.capacityAh', { value: 6.6, basis: 'given' });
    expect(guessesFollow(measured, larger).pack.cellResistanceOhm).toEqual({
      value: 0.004,
      basis: 'measured',
    });
  });
});

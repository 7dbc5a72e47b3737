import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { defaultRig } from './defaults';
import { fieldsOf, quantityAt, rigField, withQuantity } from './fields';
import { resolveRig } from './resolve';
import { kindOf, VEHICLE_CLASSES, type VehicleClass } from './vehicleClass';

const classes = Object.keys(VEHICLE_CLASSES) as VehicleClass[];

describe.each(classes)('the defaults of a %s', (vehicleClass) => {
  const rig = defaultRig(vehicleClass);

  it('are all assumed, and within the bounds of their fields', () => {
    for (const field of fieldsOf(rig)) {
      const { value, basis } = quantityAt(rig, field.path);
      expect([field.path, basis]).toEqual([field.path, 'assumed']);
      expect([field.path, value >= field.least && value <= field.most]).toEqual([field.path, true]);
    }
  });

  it('have a motor whose L/R lies between 0.3 and 1.6 ms (from memory: the sanity check of its class)', () => {
    const { inductanceH, resistanceOhm } = rig.motor;
    const milliseconds = (inductanceH.value / resistanceOhm.value) * 1000;
    expect(milliseconds).toBeGreaterThan(0.3);
    expect(milliseconds).toBeLessThan(1.6);
  });

  it('move as their kind does, and rest their throttle where it belongs', () => {
    expect(rig.vehicle.kind).toBe(kindOf(vehicleClass));
    const centred = rig.vehicle.kind === 'wheels' || ['workingBoat', 'fastBoat'].includes(vehicleClass);
    expect(rig.channel.rest).toBe(centred ? 'centre' : 'low');
    expect(resolveRig(rig, smallProfile()).kind).toBe(rig.vehicle.kind);
  });
});

describe('the fields of a rig', () => {
  it('are those that it has: a car has no propeller, an aeroplane no final drive', () => {
    const paths = (vehicleClass: VehicleClass) => fieldsOf(defaultRig(vehicleClass)).map(({ path }) => path);
    expect(paths('crawler')).not.toContain('vehicle.propellerDiameterM');
    expect(paths('sportPlane')).not.toContain('vehicle.finalDrive');
    expect(paths('sportPlane')).toContain('vehicle.massKg');
    expect(() => quantityAt(defaultRig('crawler'), 'vehicle.propellerPitchM')).toThrow('has no');
  });

  it('are shown in the trade’s unit: eleven inches are 0.2794 m', () => {
    expect(0.2794 * rigField('vehicle.propellerDiameterM').perSi).toBeCloseTo(11, 9);
  });

  it('can be replaced one at a time, and the rest stays the same', () => {
    const rig = defaultRig('basher');
    const heavier = withQuantity(rig, 'vehicle.massKg', { value: 9, basis: 'measured' });
    expect(quantityAt(heavier, 'vehicle.massKg')).toEqual({ value: 9, basis: 'measured' });
    expect({ ...heavier, vehicle: rig.vehicle }).toEqual(rig);
  });
});

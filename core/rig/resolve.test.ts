import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { plainEsc } from '../physics/behaviour.fixture';
import { runDrill } from '../physics/drills/runDrill';
import { airTorque, thrustNewtons } from '../physics/propeller';
import type { PropellerVehicle, Rig } from './rig';
import { defaultRig } from './defaults';
import { resolveRig } from './resolve';
import { CLASSES, fluidOf, type VehicleClass } from './vehicleClass';
import type { ResolvedPropeller, ResolvedWheels } from '../physics/resolved';

const plane = defaultRig('sportPlane');
const propellerOf = (change: Partial<PropellerVehicle>, rig: Partial<Rig> = {}): ResolvedPropeller =>
  resolveRig(
    { ...plane, ...rig, vehicle: { ...(plane.vehicle as PropellerVehicle), ...change } },
    smallProfile(),
  ) as ResolvedPropeller;
const given = (value: number) => ({ value, basis: 'given' as const });
const SPEED = 800;

describe('a propeller behind a gear', () => {
  const direct = propellerOf({}).propeller;
  const geared = propellerOf({ gearRatio: given(3) }).propeller;

  it('turns slower by the ratio: thrust at a shaft speed is that of a third of it', () => {
    expect(thrustNewtons(geared, SPEED)).toBeCloseTo(thrustNewtons(direct, SPEED / 3), 9);
  });

  it('asks the motor for a third of its own torque, so that power is kept', () => {
    const power = (at: typeof direct, speed: number): number => airTorque(at, speed) * speed;
    expect(power(geared, SPEED)).toBeCloseTo(power(direct, SPEED / 3), 9);
  });

  it('feels lighter to the motor by the square of the ratio', () => {
    const rotor = plane.motor.rotorInertiaKgM2.value;
    expect((geared.inertia - rotor) * 9).toBeCloseTo(direct.inertia - rotor, 12);
  });
});

const STANDARD = { altitudeM: given(0), airCelsius: given(15) };

describe('air', () => {
  it('at 2000 m carries 1.0065 ÷ 1.2250 of the thrust (ISO 2533, at its own temperature there)', () => {
    const high = propellerOf({ altitudeM: given(2000), airCelsius: given(2) }).propeller;
    const low = propellerOf(STANDARD).propeller;
    expect(thrustNewtons(high, SPEED) / thrustNewtons(low, SPEED)).toBeCloseTo(1.0065 / 1.225, 4);
  });

  it('does not weigh on a boat’s screw', () => {
    const at = (metres: number) => propellerOf({ fluid: 'water', altitudeM: given(metres) }).propeller;
    expect(at(1500).thrustCoefficient).toBe(at(0).thrustCoefficient);
  });
});

describe('water', () => {
  it('is some 815 times denser than air (998.2 against 1.225 kg/m³)', () => {
    const wet = propellerOf({ fluid: 'water' }).propeller;
    const dry = propellerOf(STANDARD).propeller;
    expect(thrustNewtons(wet, SPEED) / thrustNewtons(dry, SPEED)).toBeCloseTo(814.9, 0);
  });

  it('is where boats are', () => {
    const wet = (Object.keys(CLASSES) as VehicleClass[]).filter((id) => fluidOf(id) === 'water');
    expect(wet).toEqual(['fastBoat', 'workingBoat']);
  });
});

describe('several motors', () => {
  it('share the pack: each sees the sag of all of them', () => {
    expect(propellerOf({}, { motorCount: 4 }).packOhm).toBeCloseTo(4 * propellerOf({}).packOhm, 12);
  });

  it('share the mass that each has to move', () => {
    const truck = defaultRig('basher');
    const of = (motorCount: number) => resolveRig({ ...truck, motorCount }, smallProfile()) as ResolvedWheels;
    expect(of(2).massKg).toBeCloseTo(of(1).massKg / 2, 12);
    expect(of(2).wheelInertiaKgM2).toBeCloseTo(of(1).wheelInertiaKgM2 / 2, 12);
  });
});

describe('another kV from the same class', () => {
  it('has resistance and inductance by 1/kV², as the same copper wound again', () => {
    const spec = defaultRig('specCircuit').motor;
    const buggy = defaultRig('tenthBuggy').motor;
    const ratio = (buggy.kvRpmPerVolt.value / spec.kvRpmPerVolt.value) ** 2;
    expect(spec.resistanceOhm.value / buggy.resistanceOhm.value).toBeCloseTo(ratio, 9);
    expect(spec.inductanceH.value / buggy.inductanceH.value).toBeCloseTo(ratio, 9);
  });
});

describe('the end bell', () => {
  it('is advance that the motor has of itself: ten degrees on two pairs of poles do what twenty on the ESC do', () => {
    const rig = defaultRig('tenthBuggy');
    const withBell = (degrees: number): Rig => ({
      ...rig,
      motor: { ...rig.motor, polePairs: given(2), endBellDegrees: given(degrees) },
    });
    const top = (bell: number, fixed: number): number => {
      const esc = plainEsc({ advance: { ...plainEsc().advance, fixed } });
      return runDrill('topSpeed', resolveRig(withBell(bell), smallProfile()), esc).numbers[0]!.value!;
    };
    expect(top(10, 0)).toBeCloseTo(top(0, 20), 9);
    expect(top(10, 0)).toBeGreaterThan(1.02 * top(0, 0));
    expect(top(5, 10)).toBeCloseTo(top(0, 20), 9);
  });
});

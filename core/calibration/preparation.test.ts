import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { busLoad } from '../rig/busLoads';
import { defaultRig } from '../rig/defaults';
import type { Rig } from '../rig/rig';
import { firstPowerLines } from './firstPower';
import { preparationLines } from './preparation';

const car = (change: Partial<Rig['channel']> = {}): Rig => {
  const rig = { ...defaultRig('tenthBuggy'), name: 'Test' };
  return { ...rig, channel: { ...rig.channel, ...change } };
};
const lineOf = (rig: Rig, id: string) => preparationLines(rig, 'radio').find((one) => one.id === id)!;

describe('what is made ready on the radio', () => {
  it('is marked as done where the rig says so, and says what is off where it is not', () => {
    expect(lineOf(car(), 'endPoints')).toMatchObject({ right: true, what: 'End points at 100 % both ways' });
    for (const [change, said] of [
      [{ forwardEndPointPercent: 90 }, 'now 90 % forward, 100 % brake'],
      [{ brakeEndPointPercent: 80 }, 'now 100 % forward, 80 % brake'],
    ] as const) {
      expect(lineOf(car(change), 'endPoints').right).toBe(false);
      expect(lineOf(car(change), 'endPoints').what).toContain(said);
    }
    const { what, right } = lineOf(car({ trimMicros: 8, subTrimMicros: -4 }), 'trims');
    expect([right, what]).toEqual([false, 'Trim and sub-trim at zero: now 8 and -4 µs']);
    expect(lineOf(car({ trimMicros: 8 }), 'trims').right).toBe(false);
    expect(lineOf(car({ subTrimMicros: 8 }), 'trims').right).toBe(false);
    expect(lineOf(car(), 'trims')).toMatchObject({ right: true, what: 'Trim and sub-trim at zero' });
    expect(lineOf(car({ expoPercent: 30 }), 'curve')).toMatchObject({ right: false });
    expect(lineOf(car(), 'curve')).toMatchObject({ right: true, what: 'Throttle curve straight' });
    expect(lineOf(car(), 'hold').right).toBeUndefined();
  });

  it('a stick that rests low has a low end, not a brake', () => {
    const plane = defaultRig('sportPlane');
    const lowered = { ...plane, name: 'x', channel: { ...plane.channel, brakeEndPointPercent: 90 } };
    expect(lineOf(lowered, 'endPoints').what).toContain('90 % low');
  });

  it('is of what sends the pulses: a tester has no trims, a bus has its own lines', () => {
    const ids = (source: 'radio' | 'tester' | 'bus') => preparationLines(car(), source).map(({ id }) => id);
    expect(ids('tester')).toContain('testerEnds');
    expect(ids('tester')).not.toContain('trims');
    expect(ids('bus')).toEqual(expect.arrayContaining(['trims', 'busMode']));
    expect(ids('radio')).not.toContain('busMode');
  });

  it('asks for the stability aid only where there is one', () => {
    const ids = (gain: number | null) =>
      preparationLines({ ...car(), stabilityGainPercent: gain }, 'radio').map(({ id }) => id);
    expect(ids(40)).toContain('stability');
    expect(ids(null)).not.toContain('stability');
  });
});

describe('before the first power', () => {
  const whatOf = (rig: Rig, id: string) =>
    firstPowerLines(rig, smallProfile()).find((one) => one.id === id)?.what;

  it('wires are kept clear of what turns on this model', () => {
    const of = (vehicleClass: Rig['vehicleClass']) =>
      whatOf({ ...defaultRig(vehicleClass), name: 'x' }, 'wires');
    expect(of('tenthBuggy')).toBe('Wires clear of wheels and shafts');
    expect(of('fastBoat')).toBe('Wires clear of shaft and screw');
    expect(of('sportPlane')).toBe('Wires clear of the propeller');
  });

  it('servos are looked at where there are any: lights alone have no ends', () => {
    const withLoads = (...kinds: Parameters<typeof busLoad>[0][]) => ({
      ...car(),
      busLoads: kinds.map((kind) => busLoad(kind)),
    });
    expect(whatOf(withLoads('lights', 'standard'), 'servoEnds')).toBeDefined();
    expect(whatOf(withLoads('lights', 'receiver'), 'servoEnds')).toBeUndefined();
  });

  it('a motor with sensors has its lead looked at, and its wires are never exchanged', () => {
    const sensored = (is: boolean) => {
      const rig = car();
      return { ...rig, motor: { ...rig.motor, sensored: is } };
    };
    expect(whatOf(sensored(true), 'sensorLead')).toBeDefined();
    expect(whatOf(sensored(false), 'sensorLead')).toBeUndefined();
    const why = (is: boolean) =>
      firstPowerLines(sensored(is), smallProfile()).find(({ id }) => id === 'direction')!.why;
    expect(why(true)).toContain('Only in software');
    expect(why(false)).toContain('swap any two');
  });
});

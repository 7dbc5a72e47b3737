import { describe, expect, it } from 'vitest';
import { factoryStops, type ProfileItem, type StopByItem } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import { defaultRig } from '../rig/defaults';
import type { SettingId } from '../settings/vocabulary';
import { inactiveReason } from './inactive';

const profile = smallProfile();
const stops = factoryStops(profile);

const rig = defaultRig('tenthBuggy');
const any = profile.items[0]!;

const reason = (held: StopByItem, setting: SettingId, of = profile, item: Partial<ProfileItem> = {}) =>
  inactiveReason(rig, of, { ...stops, ...held }, { ...any, setting, ...item });

describe('settings that do nothing (common practice)', () => {
  it('brake strength, where pushing the trigger reverses at once and drag brake does the braking', () => {
    expect(reason({ way: 'way-2' }, 'brakeStrength')).toContain('drag brake');
    expect(reason({ way: 'way-1' }, 'brakeStrength')).toBeUndefined();
  });

  it('reverse power, where the running mode has no reverse', () => {
    expect(reason({ way: 'way-1' }, 'reversePower')).toContain('no reverse');
    expect(reason({ way: 'way-2' }, 'reversePower')).toBeUndefined();
  });

  it('nothing is greyed on an ESC without a running mode', () => {
    const without = { ...profile, items: profile.items.filter(({ id }) => id !== 'way') };
    expect(reason({}, 'reversePower', without)).toBeUndefined();
  });

  it('whatever the profile says does nothing, with its reason', () => {
    const item: Partial<ProfileItem> = {
      inactiveWhen: [
        { kind: 'stops', itemId: 'way', stopIds: ['way-2'] },
        { kind: 'model', fact: 'noFan' },
      ],
    };
    expect(reason({ way: 'way-2' }, 'fan', profile, item)).toBe('No effect: “way” is on “both ways”.');
    expect(reason({ way: 'way-1' }, 'fan', profile, item)).toBe('No effect: no fan is fitted.');
    const fanned = inactiveReason({ ...rig, fan: true }, profile, stops, { ...any, ...item });
    expect(fanned).toBeUndefined();
  });

  it('a motor temperature limit without a sensor in the motor', () => {
    expect(reason({}, 'motorTemperatureLimit')).toContain('no temperature sensor');
    const sensed = { ...rig, motor: { ...rig.motor, temperatureSensor: true } };
    expect(
      inactiveReason(sensed, profile, stops, { ...any, setting: 'motorTemperatureLimit' }),
    ).toBeUndefined();
  });

  it.each([
    ['sensorless', { sensored: false }, { sensored: true }],
    ['brushed', { type: 'brushed' }, { type: 'inrunner' }],
    ['noMotorTemperatureSensor', { temperatureSensor: false }, { temperatureSensor: true }],
  ] as const)('what hangs on a motor that is %s', (fact, holds, holdsNot) => {
    const item: ProfileItem = { ...any, inactiveWhen: [{ kind: 'model', fact }] };
    const on = (motor: Partial<typeof rig.motor>) =>
      inactiveReason({ ...rig, motor: { ...rig.motor, ...motor } }, profile, stops, item);
    expect(on(holds)).toMatch(/^No effect: /);
    expect(on(holdsNot)).toBeUndefined();
  });
});

import { describe, expect, it } from 'vitest';
import { factoryStops } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import { inactiveReason } from './inactive';

const profile = smallProfile();
const stops = factoryStops(profile);

describe('settings that do nothing (common practice)', () => {
  it('brake strength, where pushing the trigger reverses at once and drag brake does the braking', () => {
    expect(inactiveReason(profile, { ...stops, way: 'way-2' }, 'brakeStrength')).toContain('drag brake');
    expect(inactiveReason(profile, { ...stops, way: 'way-1' }, 'brakeStrength')).toBeUndefined();
  });

  it('reverse power, where the running mode has no reverse', () => {
    expect(inactiveReason(profile, { ...stops, way: 'way-1' }, 'reversePower')).toContain('no reverse');
    expect(inactiveReason(profile, { ...stops, way: 'way-2' }, 'reversePower')).toBeUndefined();
  });

  it('nothing is greyed on an ESC without a running mode', () => {
    const without = { ...profile, items: profile.items.filter(({ id }) => id !== 'way') };
    expect(inactiveReason(without, stops, 'reversePower')).toBeUndefined();
  });
});

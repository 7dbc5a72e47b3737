import { describe, expect, it } from 'vitest';
import { factoryStops, type EscProfile, type ProfileItem } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import type { ThrottleChannel } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { deadbandOf, escBehaviour, launchDuty } from './escChain';

const channel: ThrottleChannel = defaultRig('tenthBuggy').channel;
const full = { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 };

/** The small ESC with one more item, set to a number. */
function withItem(setting: ProfileItem['setting'], value: number): EscProfile {
  const profile = smallProfile();
  profile.items.push({
    id: 'extra',
    number: 5,
    label: 'extra',
    setting,
    sense: 'direct',
    factoryStopId: 'extra-1',
    stops: [{ id: 'extra-1', number: 1, label: 'x', value: { kind: 'number', value }, basis: 'stated' }],
  });
  return profile;
}
const behave = (profile: EscProfile, stops = factoryStops(profile), radio = channel, range = full) =>
  escBehaviour(profile, stops, radio, range, 2);

describe('from stops to what the bridge is asked for', () => {
  it('strength on the ESC times end point of the radio: 50 % × 80 % leaves 40 % (common practice)', () => {
    const weak = { ...channel, brakeEndPointPercent: 80 };
    // The deadband takes a little of the travel: without it the product is exact.
    const profile = { ...smallProfile(), deadbandMicrosEachSide: 0 };
    expect(behave(profile, { ...factoryStops(profile), bite: 'bite-2' }, weak).fullBrake).toBeCloseTo(0.4, 9);
  });

  it('80 % × 70 % leaves 56 % (common practice)', () => {
    const profile = { ...smallProfile(), deadbandMicrosEachSide: 0 };
    const weak = { ...channel, brakeEndPointPercent: 70 };
    expect(behave(profile, { ...factoryStops(profile), bite: 'bite-4' }, weak).fullBrake).toBeCloseTo(
      0.56,
      9,
    );
  });

  it('without a brake stage a full push brakes no more than drag does', () => {
    const profile = withItem('dragBrake', 70);
    expect(behave(profile, { ...factoryStops(profile), way: 'way-2' }).fullBrake).toBeCloseTo(0.7, 9);
    expect(behave(profile, { ...factoryStops(profile), way: 'way-1' }).fullBrake).toBeCloseTo(0.5, 9);
  });

  it('an ESC that learned less travel gets full from less: 60 % is full once calibrated so', () => {
    const lowered = { ...channel, forwardEndPointPercent: 60 };
    const relearned = { ...full, forwardMicros: 1800 };
    expect(behave(smallProfile(), undefined, lowered).forwardSignal).toBeLessThan(0.65);
    expect(behave(smallProfile(), undefined, lowered, relearned).forwardSignal).toBe(1);
  });

  it('power rises by the slowest of strength, start acceleration and launch limit', () => {
    const strength = behave(smallProfile()).rampPerSecond;
    expect(strength).toBeCloseTo(4, 9);
    expect(behave(withItem('startAcceleration', 2)).rampPerSecond).toBeCloseTo(0.5, 9);
    expect(behave(withItem('startAcceleration', 0.1)).rampPerSecond).toBe(strength);
    expect(behave(withItem('launchLimit', 50)).rampPerSecond).toBeCloseTo(2, 9);
    expect(behave(withItem('launchLimit', 0)).rampPerSecond).toBe(strength);
  });

  it('start force is there at once, the rest rises from it and ends at the signal', () => {
    const esc = { ...behave(withItem('startForce', 7)), rampPerSecond: 1, forwardSignal: 0.9 };
    expect(launchDuty(esc, 0)).toBeCloseTo(0.07, 9);
    expect(launchDuty(esc, 0.5)).toBeCloseTo(0.57, 9);
    expect(launchDuty(esc, 3)).toBe(0.9);
  });

  it('a cutoff for the whole pack is divided by its cells, and off is zero', () => {
    const profile = smallProfile();
    const cutoff = (floor: string): number =>
      behave(profile, { ...factoryStops(profile), floor }).cutoffVoltsPerCell;
    expect(cutoff('floor-4')).toBeCloseTo(3.2, 9);
    expect(cutoff('floor-3')).toBe(3.4);
    expect(cutoff('floor-1')).toBe(0);
  });

  it('the deadband is the item’s where there is one, the profile’s otherwise', () => {
    expect(deadbandOf(smallProfile(), factoryStops(smallProfile()))).toBe(30);
    const wide = withItem('deadband', 80);
    expect(deadbandOf(wide, factoryStops(wide))).toBe(80);
  });
});

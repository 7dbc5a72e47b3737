import { describe, expect, it } from 'vitest';
import { smallProfile } from '../../esc/smallProfile.fixture';
import { rangeOf } from '../../radio/pulse';
import { defaultRig } from '../../rig/defaults';
import { alarmsOf, watchedOn } from './watched';

const rig = defaultRig('tenthBuggy');
const watchedWith = (temperatureLimitC: number) => {
  const profile = smallProfile();
  const limits = { ...profile.limits, temperatureLimitC };
  return watchedOn({ rig, profile: { ...profile, limits }, range: rangeOf(rig.channel) }, {});
};

describe('alarms', () => {
  // Common practice: alarms at 70 to 80 °C where the limit is 100.
  it('of the ESC come at 80 °C where its limit is 100, and earlier where that is lower', () => {
    const at = (limit: number) =>
      watchedWith(limit).thresholds.find(({ channel }) => channel === 'escCelsius')!.most;
    expect([at(100), at(90)]).toEqual([80, 70]);
  });

  it('are none at a threshold, and one beyond it, in words', () => {
    const watched = watchedWith(100);
    expect(alarmsOf({ escCelsius: 80, canCelsius: 80, packVolts: 8 }, watched)).toEqual([]);
    expect(alarmsOf({ escCelsius: 81, canCelsius: 60 }, watched)).toMatchObject([
      { channel: 'escCelsius', words: 'ESC above 80\u00a0°C' },
    ]);
  });

  it('of the pack come below the cutoff of all its cells, and never where there is none', () => {
    const alarms = (packVolts: number, cutoffVolts: number) =>
      alarmsOf({ packVolts }, { cutoffVolts, thresholds: [] });
    expect(alarms(6.39, 6.4)).toMatchObject([
      { channel: 'packVolts', words: expect.stringContaining('6.4') as string },
    ]);
    expect(alarms(6.41, 6.4)).toEqual([]);
    expect(alarms(0.5, 0)).toEqual([]);
  });
});

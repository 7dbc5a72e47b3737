import { describe, expect, it } from 'vitest';
import { archetypeFor } from '../archetypes/archetypes';
import { everyItem } from '../archetypes/fortyItems.fixture';
import {
  factoryStops,
  UNTIED,
  type EscProfile,
  type ProfileItem,
  type Stop,
  type StopByItem,
} from '../esc/profile';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { CLASSES, type VehicleClass } from '../rig/vehicleClass';
import { adviceOn } from './advise';
import { essentials, whyItMayStay } from './essentials';
import { usualGoals } from './goals';
import { inactiveReason } from './inactive';
import { verdictsOn } from './verdicts/verdictsOn';

function essentialsOn(
  vehicleClass: VehicleClass,
  profile: EscProfile = archetypeFor(vehicleClass).profile,
  stops: StopByItem = factoryStops(profile),
) {
  const rig = { ...defaultRig(vehicleClass), name: 'Test' };
  const goals = usualGoals(vehicleClass);
  const verdicts = verdictsOn({ rig, profile, stops, range: rangeOf(rig.channel), rules: undefined, goals });
  const advice = adviceOn({ rig, goals, rules: undefined }, profile);
  const inactive = Object.fromEntries(
    profile.items.map((item) => [item.id, inactiveReason(rig, profile, stops, item)]),
  );
  const first = essentials({ vehicleClass, items: profile.items, inactive, verdicts, advice });
  const rest = profile.items
    .filter((item) => !first.includes(item))
    .map((item) => ({ item, why: whyItMayStay(item, inactive[item.id], advice[item.id], stops[item.id]!) }));
  return { advice, stops, first, rest };
}

const settings = (items: readonly { setting: string }[]) => items.map(({ setting }) => setting);

describe('what to set first', () => {
  it.each(Object.keys(CLASSES) as VehicleClass[])(
    '%s: three to five, and a reason for each other',
    (name) => {
      const { first, rest, advice, stops } = essentialsOn(name);
      expect(first.length).toBeGreaterThanOrEqual(3);
      expect(first.length).toBeLessThanOrEqual(5);
      for (const { item, why } of rest) {
        expect(why).toMatch(/\.$/);
        // Advice and “leave it” do not contradict.
        const its = advice[item.id];
        const isLeft = !/^“Take all advice” sets it to|^No effect/.test(why);
        if (its && !its.stopIds.includes(stops[item.id]!)) expect(isLeft).toBe(false);
      }
    },
  );

  it('the cutoff comes first wherever it works, since it ruins packs (common practice)', () => {
    expect(settings(essentialsOn('tenthBuggy').first)[0]).toBe('cutoff');
  });

  it('a crawler is about drag brake, a buggy about its brake', () => {
    const every = everyItem();
    expect(settings(essentialsOn('crawler', every).first)).toContain('dragBrake');
    expect(settings(essentialsOn('tenthBuggy', every).first)).toContain('brakeStrength');
  });

  it('what clears a hazard comes before all else', () => {
    const profile = archetypeFor('tenthBuggy').profile;
    const volume = (value: number): Stop => ({
      id: `volume-${value}`,
      number: value === 0 ? 1 : 2,
      label: `${value} %`,
      value: { kind: 'number', value },
      basis: 'stated',
      typed: null,
    });
    const beacon: ProfileItem = {
      ...profile.items[0]!,
      ...UNTIED,
      id: 'beacon',
      number: profile.items.length + 1,
      label: 'Beacon',
      setting: 'beaconVolume',
      factoryStopId: 'volume-0',
      stops: [volume(0), volume(100)],
    };
    const loud = { ...profile, items: [...profile.items, beacon] };
    const stops = { ...factoryStops(loud), beacon: 'volume-100' };
    expect(settings(essentialsOn('tenthBuggy', loud, stops).first)).toContain('beaconVolume');
    expect(settings(essentialsOn('tenthBuggy', loud).first)).not.toContain('beaconVolume');
  });

  it('what does nothing on this model is left alone, and says so', () => {
    const every = everyItem();
    const withoutFan = (item: ProfileItem): ProfileItem =>
      item.setting === 'brakeStrength' ? { ...item, inactiveWhen: [{ kind: 'model', fact: 'noFan' }] } : item;
    const { first, rest } = essentialsOn('tenthBuggy', { ...every, items: every.items.map(withoutFan) });
    expect(settings(first)).not.toContain('brakeStrength');
    expect(rest.find(({ item }) => item.setting === 'brakeStrength')!.why).toBe(
      'No effect: no fan is fitted.',
    );
  });
});

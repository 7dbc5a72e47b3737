import fc from 'fast-check';
import { ARCHETYPES } from '../archetypes/archetypes';
import { menuOf } from '../archetypes/menuOf.fixture';
import { isByHand, type MediumFamily } from '../esc/media';
import type { EscProfile } from '../esc/profile';
import { validateProfile } from '../esc/validateProfile';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import type { VehicleClass } from '../rig/vehicleClass';

const HAND_MEDIA = ARCHETYPES.flatMap(({ profile }) => profile.media).filter(isByHand);
const mediaOf = (...families: MediumFamily[]) => HAND_MEDIA.filter(({ family }) => families.includes(family));

/** One of each kind at most: two of a kind no ESC has. */
const anyMedia = fc
  .tuple(
    fc.option(fc.constantFrom(...mediaOf('oneKey', 'twoKeys'))),
    fc.option(fc.constantFrom(...mediaOf('lampCard', 'textBox'))),
    fc.option(fc.constantFrom(...mediaOf('stickTones', 'stickToggle'))),
    fc.option(fc.constantFrom(...mediaOf('keyPad'))),
    fc.option(fc.constantFrom(...mediaOf('transmitterMenu'))),
  )
  .map((media) => media.filter((medium) => medium !== null).slice(0, 3))
  .filter((media) => media.length > 0);

/** Any way to learn end points beside any media that go with it, a menu made up to order, calibrated or not. */
export const anyBench = fc
  .record({
    base: fc.constantFrom(...ARCHETYPES.map(({ profile }) => profile)),
    media: anyMedia,
    stopCounts: fc.array(fc.integer({ min: 2, max: 9 }), { minLength: 1, maxLength: 12 }),
    vehicleClass: fc.constantFrom<VehicleClass>(
      'tenthBuggy',
      'crawler',
      'sportPlane',
      'glider',
      'multirotor',
    ),
    isCalibrated: fc.boolean(),
    choice: fc.nat(2),
    item: fc.nat(11),
  })
  .map(({ base, media, stopCounts, vehicleClass, isCalibrated, choice, item }) => {
    const profile: EscProfile = menuOf({ ...base, media }, stopCounts);
    const { channel } = defaultRig(vehicleClass);
    const range = isCalibrated ? rangeOf(channel) : profile.factoryRange;
    const changed = profile.items[item % profile.items.length]!;
    const by = media[choice % media.length]!.family;
    return { profile, channel, range, by, changed };
  })
  .filter(({ profile }) => validateProfile(profile).length === 0);

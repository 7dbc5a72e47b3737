import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { menuOf } from '../archetypes/menuOf.fixture';
import type { HandMedium, MediumFamily } from '../esc/media';
import { factoryStops, type EscProfile } from '../esc/profile';
import { validateProfile } from '../esc/validateProfile';
import { escMachine } from '../procedure/escMachine';
import { initialConfig, stateOf, step } from '../procedure/step';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import type { VehicleClass } from '../rig/vehicleClass';
import { planCalibration } from './calibrationPlan';
import { legsFor, planLegs, planRestart } from './loadPlan';
import { isPlanned } from './search';

const HAND_MEDIA = ARCHETYPES.flatMap(({ profile }) => profile.media).filter(
  (medium): medium is HandMedium => medium.family !== 'link',
);
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
const anyBench = fc
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

describe('any ESC with one to three media, calibrated or not', () => {
  it('is answered: with plans that do what they say, by the chosen medium alone, or that there is no way', () => {
    let planned = 0;
    fc.assert(
      fc.property(anyBench, ({ profile, channel, range, by, changed }) => {
        const machine = escMachine(profile);
        const stick = rangeOf(channel);
        const memory = { stops: factoryStops(profile), range };
        const start = initialConfig(machine, memory, stick.neutralMicros);
        const toStopId = changed.stops.find(({ id }) => id !== changed.factoryStopId)!.id;
        const change = { itemId: changed.id, fromStopId: changed.factoryStopId, toStopId };

        const calibration = planCalibration(machine, start, channel);
        expect(calibration).not.toBe('gaveUp');
        const load = planLegs(machine, start, legsFor([change], false), stick, by);
        expect(load).not.toBe('gaveUp');
        if (!isPlanned(load)) {
          expect(planRestart(machine, start, stick, by)).not.toBe('gaveUp');
          return;
        }
        planned += 1;
        let config = start;
        for (const input of load.legs.flatMap(({ inputs }) => inputs)) {
          config = step(machine, config, input).config;
          expect([undefined, by]).toContain(stateOf(machine, config).medium);
        }
        expect(config.memory.stops).toEqual({ ...memory.stops, [changed.id]: toStopId });
        const restart = planRestart(machine, load.end, stick, by);
        expect(restart).not.toBe('gaveUp');
        if (!isPlanned(restart)) return;
        for (const input of restart.inputs) config = step(machine, config, input).config;
        expect(stateOf(machine, config).role).toBe('driving');
      }),
      { numRuns: 150 },
    );
    expect(planned).toBeGreaterThan(30);
  });
});

import { found } from '../plan/found.fixture';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readDocument, VERSION, writeDocument } from '../../formats/document';
import { act, actAll, factoryMemory, placeOnBench } from '../device/simulatedEsc';
import { isByHand, type HandMedium, MEDIA, type EndPointFamily } from '../esc/media';
import { factoryStops, handMediumOf, type EscProfile } from '../esc/profile';
import { validateProfile } from '../esc/validateProfile';
import { planCalibration } from '../plan/calibrationPlan';
import { legsFor, planLegs, planRestart } from '../plan/loadPlan';
import { gesturesOf } from '../plan/gestures';
import { instructionFor } from '../plan/instruction';
import { NOTHING_SEEN, watch } from '../plan/watch';
import { escMachine } from '../procedure/escMachine';
import { stateOf } from '../procedure/step';
import { playGolden } from '../procedure/golden';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { VEHICLE_CLASSES, type VehicleClass } from '../rig/vehicleClass';
import { changesInOrder } from '../sheet/draft';
import { ARCHETYPES, archetypeFor } from './archetypes';

// Written by hand from the description of each medium (common practice).
const GOLDEN: Record<HandMedium['family'], string> = {
  oneKey: `
    power on
    wait 1700
    = tone rising
    down
    wait 1300
    = lamp teal blinking
    up
    # three presses for item three
    press
    press
    press
    = count teal 3
    down
    wait 2600
    = count amber 1
    up
    press
    press
    = count amber 3
    down
    wait 2600
    = tone long
    up
    : stop slow-down slow-down-3
    power off
    : stop slow-down slow-down-3`,
  twoKeys: `
    power on
    wait 1600
    = tone rising
    # the item key opens the menu at the first lamp, a second press steps on
    press
    = lit upper lamps 1
    press
    = lit upper lamps 2
    # the first raise shows what is stored, the second raises it
    press value
    = lit lower lamps 2
    press value
    = lit lower lamps 3
    # going on before it was stored loses it
    press
    = lit upper lamps 3
    : stop astern-power astern-power-2
    press value
    = lit lower lamps 2
    press value
    = lit lower lamps 3
    wait 3000
    = tone long
    = lit upper lamps 3
    : stop spool-up spool-up-3
    # only shown, then left alone: nothing changes
    press value
    wait 3000
    : stop spool-up spool-up-3
    # the menu closes by itself
    wait 15000
    : state driving`,
  lampCard: `
    card in
    power on
    wait 900
    = lit left row 1
    = lit right row 1
    press item
    press item
    = lit left row 3
    = lit right row 8
    press value
    = lit right row 1
    # forgotten without the writing key
    power off
    : stop hold hold-8
    power on
    wait 900
    press item
    press item
    press value
    press ok
    = tone long
    : stop hold hold-1
    # the first line overwrites: trail sets hold and its rise along
    press item
    power off
    power on
    wait 900
    = lit left row 1
    press value
    press ok
    : stop ground ground-2
    : stop hold hold-5
    : stop hold-rise hold-rise-4`,
  textBox: `
    card in
    power on
    wait 1100
    = text the box 1
    # items wrap round the short way
    press itemBack
    = text the box 19
    = text the box 3
    press valueBack
    = text the box 2
    # another item before keeping: forgotten
    press itemBack
    : stop heat-stop heat-stop-3
    press item
    = text the box 19
    = text the box 3
    press value
    press ok
    = tone long
    : stop heat-stop heat-stop-4
    power off
    : stop heat-stop heat-stop-4`,
  keyPad: `
    power on
    wait 2200
    = tone rising
    press program
    = tone short
    press feature
    # item 11 with three digits, then 9.6 would not be there: 7.4 V is typed 074
    type 011
    = beeps beeps 11
    type 096
    = tone warning
    press feature
    type 011
    type 074
    = beeps beeps 13
    : stop servo-volts servo-volts-6
    press ok
    = tone long
    : stop servo-volts servo-volts-13
    # an item that is not there
    press feature
    type 040
    = tone warning
    press run
    = tone rising
    : state driving`,
  transmitterMenu: `
    power on
    wait 1800
    press menu
    = text the transmitter 1
    press item
    = text the transmitter 2
    press value
    = text the transmitter 3
    press ok
    = tone long
    : stop spool-up spool-up-3
    # servo volts are asked about once more
    press item
    press item
    press item
    press item
    press item
    press item
    press item
    = text the transmitter 9
    press value
    press ok
    = tone warning
    : stop servo-volts servo-volts-2
    press ok
    = tone long
    : stop servo-volts servo-volts-3
    press menu
    : state driving`,
  stickTones: `
    stick 1890
    power on
    wait 2000
    = tone short
    # up past the window
    wait 4800
    = group lh
    wait 3100
    = group lhh
    stick 1110
    = group hl
    wait 2700
    = group hll
    wait 2700
    = group hlll
    stick 1890
    = tone tune
    : stop low-volts low-volts-3`,
  stickToggle: `
    stick 1890
    power on
    wait 1300
    = tone short
    wait 4200
    = group lh
    wait 2600
    = group lhh
    # down during the second group: that item goes to its other stop at once
    stick 1110
    = beeps beeps 2
    = tone long
    : stop low-volts low-volts-2
    stick 1890
    wait 500
    = group lhhh
    wait 2600
    wait 2600
    wait 2600
    = group llhhh
    wait 2600
    = group LH
    stick 1110
    = tone falling
    : state driving`,
};

/** Each family in the order of points that its archetype has. */
const CALIBRATIONS: Record<EndPointFamily['family'], (pattern: EscProfile) => string> = {
  keyConfirmed: () => `
    down
    power on
    wait 3200
    = tone steady
    up
    stick 1506
    press
    = tone short
    stick 1930
    press
    = tone short
    stick 1070
    press
    = tone rising
    : range 1070 1506 1930`,
  heldStill: () => `
    power on
    wait 1700
    down mode
    wait 2400
    = lamp indigo blinking
    = tone tune
    up mode
    stick 1506
    wait 1200
    = tone tune
    stick 1930
    wait 1200
    = tone tune
    stick 1070
    wait 1200
    = tone tune
    : range 1070 1506 1930
    stick 1506
    wait 1700
    : state driving`,
  countedPoints: () => `
    power on
    wait 1600
    down mode
    wait 2200
    = lamp blue blinking
    up mode
    stick 1070
    wait 900
    = tone short
    stick 1930
    wait 900
    = tone short
    = tone short
    stick 1506
    wait 900
    = tone short
    = tone short
    = tone short
    : range 1070 1506 1930`,
  stickAtPowerOn: (pattern) => `
    stick 1875
    power on
    wait ${pattern.bootMs}
    = tone short
    stick 1120
    wait 950
    = tone rising
    : range 1120 1120 1875`,
  none: () => `
    stick 1875
    power on
    wait 9000
    = tone warning
    : state waitingForNeutral
    stick 1000
    : state driving
    : range 1000 1000 2000`,
};

describe('the archetypes', () => {
  it('have every family of calibration among them', () => {
    expect(new Set(ARCHETYPES.map(({ profile }) => profile.calibration.family)).size).toBe(5);
  });

  it('serve every class, each medium once', () => {
    for (const vehicleClass of Object.keys(VEHICLE_CLASSES) as VehicleClass[])
      expect(archetypeFor(vehicleClass).serves).toContain(vehicleClass);
    // What serves no class of its own shows another kind of items by a medium that is there already.
    const serving = ARCHETYPES.filter(({ serves }) => serves.length > 0);
    const families = serving.flatMap(({ profile }) => profile.media.map(({ family }) => family));
    expect([...families].sort()).toEqual(Object.keys(MEDIA).sort());
  });
});

describe.each(ARCHETYPES.map(({ profile, serves }) => [profile.name, profile, serves] as const))(
  '%s',
  (_name, profile, serves) => {
    const { channel } = defaultRig(serves[0] ?? 'tenthBuggy');
    const stick = rangeOf(channel);

    it('is sound, and goes through the open format unchanged', () => {
      expect(validateProfile(profile)).toEqual([]);
      const text = writeDocument({ format: 'live-tune/esc-profile', version: VERSION, ...profile });
      expect(readDocument(text)).toEqual({
        ok: true,
        value: { format: 'live-tune/esc-profile', version: VERSION, ...profile },
      });
    });

    // A link and a form are worked by no gestures: the words on the line and the list have tests of their own. What serves no
    // class has its scripts beside the kind of items that it shows.
    it.each(serves.length === 0 ? [] : profile.media.filter(isByHand).map(({ family }) => family))(
      'does what its golden scripts say: %s',
      (family) => {
        expect(playGolden(escMachine(profile), factoryMemory(profile), GOLDEN[family])).toEqual([]);
      },
    );

    it('does what its golden scripts say: its calibration', () => {
      const script = CALIBRATIONS[profile.calibration.family](profile);
      expect(playGolden(escMachine(profile), factoryMemory(profile), script)).toEqual([]);
    });

    const medium = handMediumOf(profile);
    if (!medium) return;

    it('plans lead its simulated ESC to any target, with words for every gesture, and a watcher sees it', () => {
      const target = fc.record(
        Object.fromEntries(
          profile.items.map(({ id, stops }) => [id, fc.constantFrom(...stops.map((s) => s.id))]),
        ),
      );
      fc.assert(
        fc.property(target, (wanted) => {
          const held = factoryStops(profile);
          const changes = Object.keys(wanted)
            .filter((itemId) => wanted[itemId] !== held[itemId])
            .map((itemId) => ({ itemId, fromStopId: held[itemId]!, toStopId: wanted[itemId]! }));
          const ordered = changesInOrder(profile, held, changes);
          const start = placeOnBench(
            profile,
            { ...factoryMemory(profile), range: stick },
            stick.neutralMicros,
          );
          const legs = legsFor(ordered, MEDIA[medium.family].showsStored);
          const plan = found(planLegs(start.machine, start.config, legs, stick, medium.family));
          let esc = start;
          const stored: string[] = [];
          let watched = NOTHING_SEEN;
          for (const leg of plan.legs) {
            for (const gesture of gesturesOf(esc.machine, esc.config, leg.inputs))
              expect(instructionFor(profile, channel, gesture).before).not.toBe('');
            for (const input of leg.inputs) {
              const next = act(esc, input);
              esc = next.esc;
              const seen = watch(profile, watched, next.observed);
              watched = seen.watched;
              stored.push(...seen.stored.map(({ itemId, stopId }) => `${itemId} ${stopId}`));
            }
          }
          expect(esc.config.memory.stops).toEqual(wanted);
          expect(stored).toEqual(ordered.map(({ itemId, toStopId }) => `${itemId} ${toStopId}`));
        }),
        { numRuns: 15 },
      );
    });
  },
);

/** What stands between a new rig and its first value: its end points, then a plan, then driving again. */
describe.each(
  ARCHETYPES.flatMap(({ profile, serves }) =>
    serves.map((vehicleClass) => [vehicleClass, profile.name, profile] as const),
  ),
)('a new %s on “%s”', (vehicleClass, _name, profile) => {
  const medium = handMediumOf(profile);
  const { channel } = defaultRig(vehicleClass);
  const stick = rangeOf(channel);

  it.runIf(medium)('is taught its end points where it learns any, takes one change, and drives again', () => {
    let esc = placeOnBench(profile, factoryMemory(profile), stick.neutralMicros);
    if (profile.calibration.family !== 'none') {
      const gestures = found(planCalibration(esc.machine, esc.config, rangeOf(channel)));
      esc = actAll(
        esc,
        gestures.flatMap(({ inputs }) => inputs),
      ).esc;
      expect(esc.config.memory.range).toEqual(stick);
    }
    const item = profile.items.find(({ stops }) => stops.length > 1)!;
    const toStopId = item.stops.find(({ id }) => id !== item.factoryStopId)!.id;
    const change = { itemId: item.id, fromStopId: item.factoryStopId, toStopId };
    const legs = legsFor([change], MEDIA[medium!.family].showsStored);
    const { legs: planned, end } = found(planLegs(esc.machine, esc.config, legs, stick, medium!.family));
    const { inputs } = found(planRestart(esc.machine, end, stick, medium!.family));
    esc = actAll(esc, [...planned.flatMap((leg) => leg.inputs), ...inputs]).esc;
    expect(esc.config.memory.stops[item.id]).toBe(toStopId);
    expect(stateOf(esc.machine, esc.config).role).toBe('driving');
  });
});

import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../../archetypes/archetypes';
import { factoryMemory } from '../../device/simulatedEsc';
import { escMachine } from '../escMachine';
import { playGolden } from '../golden';

// What goes wrong on the bench today, by medium: written from common practice, before the machines.
const TRAPS: [what: string, archetype: string, script: string][] = [
  [
    'a box that is plugged into a running ESC is not looked at',
    'pattern-text-box',
    `
    power on
    wait 1900
    card in
    press item
    : state drivingBox
    power off
    power on
    wait 1100
    : state boxItem`,
  ],
  [
    'a box that is pulled out before the value was kept leaves it as it was',
    'pattern-text-box',
    `
    card in
    power on
    wait 1100
    press item
    press value
    card out
    : stop reverse-wait reverse-wait-2
    card in
    press item
    = text the box 2
    : stop reverse-wait reverse-wait-2`,
  ],
  [
    'a box that stays in does not let the ESC drive after switching on',
    'pattern-text-box',
    `
    card in
    power on
    wait 9000
    : state boxItem`,
  ],
  [
    'two keys: switched off while the raised stop still waits, nothing is stored',
    'pattern-two-keys',
    `
    power on
    wait 1600
    press
    press value
    press value
    wait 2900
    power off
    : stop screw screw-1`,
  ],
  [
    'two keys: stops wrap round, so one press too many starts again',
    'pattern-two-keys',
    `
    power on
    wait 1600
    press
    press value
    = lit lower lamps 1
    press value
    = lit lower lamps 2
    press value
    = lit lower lamps 1
    wait 3000
    : stop screw screw-1`,
  ],
  [
    'a key pad that was not switched to its run key does not drive, and forgets a value without enter',
    'pattern-key-pad',
    `
    power on
    wait 2200
    press program
    press feature
    type 011
    type 084
    press feature
    type 001
    : state padValue
    : stop servo-volts servo-volts-6
    stick 1890
    : state padValue
    power off
    : stop servo-volts servo-volts-6`,
  ],
  [
    'a key pad takes stop numbers where no digits of their own are printed',
    'pattern-key-pad',
    `
    power on
    wait 2200
    press program
    press feature
    type 008
    type 004
    = beeps beeps 4
    type 001
    press ok
    = tone long
    : stop timing timing-4`,
  ],
  [
    'a transmitter menu: going on to the next item instead of enter loses what was chosen',
    'pattern-transmitter-menu',
    `
    power on
    wait 1800
    press menu
    press value
    press item
    press itemBack
    = text the transmitter 1
    = text the transmitter 2
    : stop follow follow-2`,
  ],
  [
    'a transmitter menu: backing out of the last question keeps the old servo volts',
    'pattern-transmitter-menu',
    `
    power on
    wait 1800
    press menu
    press itemBack
    press itemBack
    press itemBack
    press itemBack
    = text the transmitter 9
    press value
    press ok
    = tone warning
    press item
    : stop servo-volts servo-volts-2`,
  ],
  [
    'a toggle that is missed comes round again after the way out',
    'pattern-stick-toggle',
    `
    stick 1890
    power on
    wait 1300
    wait 4200
    = group lh
    wait 15600
    = group LH
    wait 2600
    = group lh
    : stop damping damping-1`,
  ],
  [
    'a toggle used twice is back where it was',
    'pattern-stick-toggle',
    `
    stick 1890
    power on
    wait 1300
    wait 4200
    stick 1110
    = beeps beeps 2
    stick 1890
    wait 500
    wait 15600
    = group lh
    : stop damping damping-2
    stick 1110
    = beeps beeps 1
    : stop damping damping-1`,
  ],
  [
    'a stick that comes down late misses the calibration and finds itself in the menu',
    'pattern-stick-toggle',
    `
    stick 1890
    power on
    wait 1300
    = tone short
    wait 4200
    : state toggleItem
    : range 1110 1110 1890`,
  ],
];

describe('the traps that real ones have', () => {
  it.each(TRAPS)('%s', (_what, id, script) => {
    const { profile } = ARCHETYPES.find((archetype) => archetype.profile.id === id)!;
    expect(playGolden(escMachine(profile), factoryMemory(profile), script)).toEqual([]);
  });
});

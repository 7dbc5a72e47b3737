import { describe, expect, it } from 'vitest';
import { numberBoxPattern } from '../../archetypes/cars';
import { factoryMemory } from '../../device/simulatedEsc';
import { mixedToneProfile, ownKeyProfile } from '../../esc/smallProfile.fixture';
import type { EscProfile } from '../../esc/profile';
import { escMachine } from '../escMachine';
import { playGolden } from '../golden';

// Written from common practice, not from the machines: gestures in, what is shown and kept out.
const SCRIPTS: [what: string, profile: EscProfile, script: string][] = [
  [
    'a number on a box: passed by like one stop, unlocked by a hold, run while held, stepped by presses, kept by its key',
    numberBoxPattern,
    `
    card in
    power on
    wait 900
    press item
    = text the box 2
    = text the box 3
    press valueBack
    press valueBack
    = text the box 1
    press valueBack
    = text the box 5
    : state boxChosen
    press value
    = text the box 1
    press valueBack
    = text the box 5
    down value
    wait 1399
    : state boxChosenDown_value
    wait 1
    wait 240
    = text the box 6
    = text the box 7
    up value
    : state boxNumber
    press value
    = text the box 8
    press valueBack
    = text the box 7
    : stop empty-at empty-at-3
    press ok
    = tone long
    : stop empty-at empty-at-7`,
  ],
  [
    'a number that is left before it is saved leaves the item as it was',
    numberBoxPattern,
    `
    card in
    power on
    wait 900
    press item
    press valueBack
    press valueBack
    press valueBack
    down value
    wait 1400
    wait 6000
    up value
    power off
    : stop empty-at empty-at-3`,
  ],
  [
    'a number stops at its ends, and a press that is too short to unlock it passes it by',
    numberBoxPattern,
    `
    card in
    power on
    wait 900
    press item
    press value
    press value
    = text the box 5
    down valueBack
    wait 1400
    wait 600
    = text the box 5
    up valueBack
    : state boxNumber
    press valueBack
    = text the box 5
    press item
    press itemBack
    = text the box 3`,
  ],
  [
    'a key pad with a key for each item: the key chooses, digits as printed, enter keeps',
    ownKeyProfile(),
    `
    power on
    wait 2000
    press program
    = tone short
    type BITE
    = beeps beeps 3
    type 65
    = beeps beeps 3
    type FLOOR
    = beeps beeps 4
    type 034
    = beeps beeps 3
    press ok
    = tone long
    : stop bite bite-2
    : stop floor floor-3
    type LEAP
    type 65
    = tone warning
    : state pad
    press run
    = tone rising`,
  ],
  [
    'a menu of tones in which one item toggles and the next opens its stops',
    mixedToneProfile(),
    `
    stick 1900
    power on
    wait 2000
    wait 5000
    = group lh
    stick 1100
    = beeps beeps 2
    = tone long
    : stop way way-2
    : state toneToggled
    stick 1900
    wait 800
    = group lhh
    stick 1100
    = group hl
    wait 2000
    wait 2000
    = group hll
    = group hhl
    stick 1900
    = tone tune
    : stop leap leap-3
    : stop way way-2`,
  ],
];

describe('kinds of items', () => {
  it.each(SCRIPTS)('%s', (_what, profile, script) => {
    expect(playGolden(escMachine(profile), factoryMemory(profile), script)).toEqual([]);
  });
});

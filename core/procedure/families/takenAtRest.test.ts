import { describe, expect, it } from 'vitest';
import { factoryMemory } from '../../device/simulatedEsc';
import type { EscProfile } from '../../esc/profile';
import { countedPointsProfile, heldStillProfile } from '../../esc/smallProfile.fixture';
import { escMachine } from '../escMachine';
import { playGolden } from '../golden';

const play = (profile: EscProfile, script: string): string[] =>
  playGolden(escMachine(profile), factoryMemory(profile), script);

// Written by hand from the description of the family (common practice), before the machine: hold mode until it
// chimes; it asks for neutral, high, low; each accepted with a chime after being steady; release; it restarts.
const HELD_STILL = `
power on
wait 2000
: state driving
down mode
wait 1900
: state modeDown
wait 100
= lamp amber blinking
= tone tune
up mode
# the trigger is at rest already: neutral is taken without a move
wait 1000
= tone tune
stick 1930
wait 900
: state takeForwardResting
wait 100
= tone tune
stick 1080
wait 1000
= tone tune
= lamp amber on
: range 1080 1500 1930
# the trigger is let go: it restarts by itself
stick 1500
wait 2000
= tone rising
: state driving
`;

const HAND_TREMBLES = `
power on
wait 2000
down mode
wait 2000
up mode
wait 1000
stick 1900
wait 600
# four microseconds are stillness, fifty are a move: the rest begins again
stick 1904
wait 200
stick 1950
wait 800
: state takeForwardResting
wait 200
= tone tune
stick 1060
wait 1000
: range 1060 1500 1950
`;

const HALF_WAY = `
power on
wait 2000
down mode
wait 2000
up mode
wait 1000
# full forward was not pulled: too near to neutral is refused
stick 1600
wait 1000
= tone warning
: state takeForward
# half way is far enough: the ESC cannot know, and takes it for full
stick 1700
wait 1000
= tone tune
stick 1100
wait 1000
: range 1100 1500 1700
`;

const LEFT_ALONE = `
power on
wait 2000
down mode
wait 2000
up mode
wait 1000
= tone tune
wait 15000
= tone warning
: state waitingForNeutral
: range 1000 1500 2000
`;

const WRONG_ORDER = `
power on
wait 2000
down mode
wait 2000
up mode
wait 1000
stick 1100
wait 1000
= tone tune
stick 1900
wait 1000
= tone tune
: range 1900 1500 1100
`;

const WRONG_ORDER_REFUSED = `
power on
wait 2000
down mode
wait 2000
up mode
wait 1000
stick 1100
wait 1000
= tone warning
stick 1900
wait 1000
= tone tune
stick 1100
wait 1000
= tone tune
: range 1100 1500 1900
`;

describe('end points held still until a chime (family B)', () => {
  const profile = heldStillProfile();
  it.each([
    ['three points, each after a second of stillness; then it starts again', HELD_STILL],
    ['a trembling hand is not still, a jittering radio is', HAND_TREMBLES],
    ['a point too near is refused, one half way is taken for full', HALF_WAY],
    ['left alone it gives up and keeps what it had', LEFT_ALONE],
    ['the wrong order is learned reversed', WRONG_ORDER],
  ])('%s', (_name, script) => {
    expect(play(profile, script)).toEqual([]);
  });

  it('refuses the wrong order where the profile says so', () => {
    expect(play(heldStillProfile({ wrongOrder: 'refused' }), WRONG_ORDER_REFUSED)).toEqual([]);
  });
});

// Written by hand from the description of the family (common practice), before the machine: set key about two
// seconds on a running ESC until the lamp changes; full brake, one beep; full throttle, two; neutral, three.
const COUNTED = `
power on
wait 2000
down mode
wait 2000
= lamp amber blinking
up mode
stick 1080
wait 1000
= tone short
stick 1930
wait 1000
= tone short
= tone short
stick 1510
wait 1000
= tone short
= tone short
= tone short
= lamp amber on
: range 1080 1510 1930
: state calibrated
power off
stick 1510
power on
wait 2000
= tone rising
: state driving
`;

const KEY_LET_GO_TOO_SOON = `
power on
wait 2000
down mode
wait 1500
up mode
: state driving
stick 1080
wait 3000
: range 1000 1500 2000
`;

const FORWARD_FIRST = `
power on
wait 2000
down mode
wait 2000
up mode
stick 1930
wait 1000
= tone short
stick 1080
wait 1000
stick 1500
wait 1000
: range 1930 1500 1080
`;

const ENDS_ON_ONE_SIDE = `
power on
wait 2000
down mode
wait 2000
up mode
stick 1080
wait 1000
stick 1300
wait 1000
= tone warning
: state takeForward
stick 1930
wait 1000
# neutral must lie between the two
stick 1960
wait 1000
= tone warning
stick 1500
wait 1000
: range 1080 1500 1930
`;

describe('end points counted in beeps, brake first (family C)', () => {
  it.each([
    ['brake, forward, neutral: one beep, two, three', COUNTED],
    ['a key let go too soon begins nothing', KEY_LET_GO_TOO_SOON],
    ['forward first is learned as brake', FORWARD_FIRST],
    ['ends on one side are refused, and so is a neutral outside them', ENDS_ON_ONE_SIDE],
  ])('%s', (_name, script) => {
    expect(play(countedPointsProfile(), script)).toEqual([]);
  });
});

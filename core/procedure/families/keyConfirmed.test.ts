import { describe, expect, it } from 'vitest';
import { escMachine } from '../escMachine';
import { playGolden } from '../golden';
import { smallProfile } from '../../esc/smallProfile.fixture';
import { factoryMemory } from '../../device/simulatedEsc';

// Written by hand from the description of the family (common practice), before the machine:
// hold set while switching on until steady beeps; neutral, press; full forward, press; full brake, press; restart.
const THREE_POINTS = `
down
power on
wait 2900
: state powerOnHeld
wait 100
= lamp amber blinking
= tone steady
up
# the trigger is released: the first press takes neutral
stick 1510
down
up
= tone short
stick 1930
down
up
= tone short
stick 1080
down
up
= lamp amber on
= tone rising
# the range counts at once, and is still there after a restart
: range 1080 1510 1930
power off
: state off
: range 1080 1510 1930
stick 1510
power on
wait 2000
= tone rising
: state driving
`;

const END_TOO_NEAR = `
down
power on
wait 3000
up
stick 1500
down
up
= tone short
# forward was not pulled: the ESC refuses, and asks again
stick 1560
down
up
= tone warning
stick 1900
down
up
= tone short
# brake on the same side as forward is refused too
stick 1800
down
up
= tone warning
stick 1100
down
up
= tone rising
: range 1100 1500 1900
`;

const REVERSED_RADIO = `
down
power on
wait 3000
up
stick 1500
down
up
stick 1100
down
up
= tone short
stick 1900
down
up
= tone rising
: range 1900 1500 1100
`;

const SWITCHED_OFF_HALF_WAY = `
down
power on
wait 3000
up
stick 1520
down
up
stick 1950
down
up
power off
: range 1000 1500 2000
`;

const LET_GO_TOO_SOON = `
down
power on
wait 2000
up
= lamp amber off
wait 2000
: state driving
: range 1000 1500 2000
`;

describe('end points confirmed with the set key (family A)', () => {
  const machine = escMachine(smallProfile());
  it.each([
    ['three points in order are learned and kept', THREE_POINTS],
    ['an end that was not reached is refused', END_TOO_NEAR],
    ['a reversed radio is learned reversed', REVERSED_RADIO],
    ['switching off half way learns nothing', SWITCHED_OFF_HALF_WAY],
    ['letting go of the key too soon starts as always', LET_GO_TOO_SOON],
  ])('%s', (_name, script) => {
    expect(playGolden(machine, factoryMemory(smallProfile()), script)).toEqual([]);
  });
});

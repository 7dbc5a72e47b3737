import { describe, expect, it } from 'vitest';
import { factoryMemory } from '../../device/simulatedEsc';
import { toneProfile } from '../../esc/smallProfile.fixture';
import { escMachine } from '../escMachine';
import { playGolden } from '../golden';

// Written by hand from the description of the family (common practice), before the machine:
// stick full up, then power; tone for "high stored"; stick down within the window; tone for "low stored".
// Staying up past the window enters the tone menu.
const TWO_POINTS = `
stick 1920
power on
wait 2000
= tone short
stick 1080
wait 900
: range 1100 1100 1900
wait 100
= tone rising
: range 1080 1080 1920
power off
power on
wait 2000
: state driving
`;

const STAYED_UP = `
stick 1920
power on
wait 2000
= tone short
wait 4900
: range 1100 1100 1900
wait 100
= group lh
: range 1100 1100 1900
`;

const NOT_QUITE_UP = `
stick 1650
power on
wait 2000
= tone warning
: state waitingForNeutral
: range 1100 1100 1900
`;

// A wrong range is learned without a word if the stick was not at its end: real ones do that, too.
const NOT_AT_THE_END = `
stick 1750
power on
wait 2000
= tone short
stick 1250
wait 1000
= tone rising
: range 1250 1250 1750
`;

const UP_AGAIN_TOO_SOON = `
stick 1920
power on
wait 2000
stick 1080
wait 500
stick 1500
wait 3000
: range 1100 1100 1900
stick 1080
wait 1000
: range 1080 1080 1920
`;

const STARTS_AS_ALWAYS = `
stick 1100
power on
wait 2000
= tone rising
: state driving
: range 1100 1100 1900
`;

describe('stick up at power-on, two points (family D)', () => {
  const machine = escMachine(toneProfile());
  it.each([
    ['two points are learned and kept', TWO_POINTS],
    ['staying up past the window enters the tone menu, and learns nothing', STAYED_UP],
    ['a stick that is not up neither learns nor arms', NOT_QUITE_UP],
    ['a stick short of its ends teaches a wrong range', NOT_AT_THE_END],
    ['a stick that does not rest low is waited for', UP_AGAIN_TOO_SOON],
    ['with the stick down it starts as always', STARTS_AS_ALWAYS],
  ])('%s', (_name, script) => {
    expect(playGolden(machine, factoryMemory(toneProfile()), script)).toEqual([]);
  });
});

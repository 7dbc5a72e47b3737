import { describe, expect, it } from 'vitest';
import { factoryMemory } from '../../device/simulatedEsc';
import { toneProfile } from '../../esc/smallProfile.fixture';
import { escMachine } from '../escMachine';
import { playGolden } from '../golden';

// Written by hand from the description of the medium (common practice), before the machine:
// stick up, power on, let the calibration window pass; item tones repeat in turn; stick down during the wanted
// one; value tones repeat in turn; stick up during the wanted one: accepted with a tune; the menu goes on; an
// exit item of long tones. Missing a group means another full round.
const INTO_THE_MENU = `
stick 1950
power on
wait 2000
= tone short
wait 5000
= group lh
`;

const ONE_VALUE = `${INTO_THE_MENU}
wait 3000
= group lhh
wait 3000
= group llh
stick 1050
= group hl
wait 2000
= group hll
wait 2000
= group hhl
wait 2000
= group hhll
stick 1950
= tone tune
# the tune sounds before the menu goes on
wait 800
= group llhh
: stop bite bite-4
`;

const MISSED_AND_ROUND_AGAIN = `${INTO_THE_MENU}
wait 3000
= group lhh
wait 3000
= group llh
wait 3000
= group llhh
wait 3000
= group LL
wait 3000
= group lh
wait 3000
= group lhh
: stop leap leap-2
`;

const NO_VALUE_TAKEN = `${INTO_THE_MENU}
# way has two stops: they sound twice, then the ESC gives up and waits for the stick
stick 1050
= group hl
wait 2000
= group hll
wait 2000
= group hl
wait 2000
= group hll
wait 2000
= tone warning
: stop way way-1
stick 1950
wait 800
= group lhh
`;

const OUT_BY_THE_EXIT = `${INTO_THE_MENU}
wait 12000
= group LL
stick 1100
= tone falling
: state driving
`;

const SWITCHED_OFF = `${INTO_THE_MENU}
stick 1050
= group hl
wait 2000
= group hll
power off
: stop way way-1
`;

const HALF_WAY_IS_NEITHER = `${INTO_THE_MENU}
stick 1500
wait 3000
= group lhh
: stop way way-1
`;

describe('stick and tones', () => {
  const machine = escMachine(toneProfile());
  it.each([
    ['a value is taken, and the menu goes on with the next item', ONE_VALUE],
    ['a missed group comes again in the next round', MISSED_AND_ROUND_AGAIN],
    ['an item whose stops were all let pass keeps its value', NO_VALUE_TAKEN],
    ['the exit leads back to driving', OUT_BY_THE_EXIT],
    ['switching off stores nothing', SWITCHED_OFF],
    ['half way down is not down', HALF_WAY_IS_NEITHER],
  ])('%s', (_name, script) => {
    expect(playGolden(machine, factoryMemory(toneProfile()), script)).toEqual([]);
  });
});

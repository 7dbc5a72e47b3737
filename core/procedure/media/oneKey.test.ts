import { describe, expect, it } from 'vitest';
import { escMachine } from '../escMachine';
import { playGolden } from '../golden';
import { smallProfile, stayingProfile } from '../../esc/smallProfile.fixture';
import { factoryMemory } from '../../device/simulatedEsc';

// Written by hand from the description of the medium (common practice), before the machine:
// on a running ESC hold set about a second; press n times for item n; hold to open, the flashes show the
// present stop; press to step through the stops, wrapping round; hold to store.
const STORE_A_VALUE = `
power on
wait 2000
= tone rising
down
wait 1000
= lamp amber blinking
up
# three presses for item three; each is counted back
down
up
= count amber 1
down
up
= count amber 2
down
up
= count amber 3
# hold to open: white flashes show the present stop, the second
down
wait 2500
= count white 2
up
down
up
= count white 3
down
wait 2500
= tone long
= lamp white off
up
: stop bite bite-3
# this ESC wants a restart after every value
down
wait 1000
up
: state stored
power off
: stop bite bite-3
`;

const STOPS_WRAP = `
power on
wait 2000
down
wait 1000
up
down
up
down
wait 2500
= count white 1
up
down
up
down
up
= count white 1
`;

const ITEMS_WRAP = `
power on
wait 2000
down
wait 1000
up
down
up
down
up
down
up
down
up
= count amber 4
down
up
= count amber 1
`;

const SWITCHED_OFF_UNSTORED = `
power on
wait 2000
down
wait 1000
up
down
up
down
wait 2500
up
down
up
= count white 2
power off
: stop way way-1
`;

const MENU_CLOSES_BY_ITSELF = `
power on
wait 2000
down
wait 1000
up
wait 20000
= lamp amber off
: state driving
`;

const WILL_NOT_ARM = `
stick 1600
power on
wait 5000
= tone warning
: state waitingForNeutral
stick 1500
= tone rising
: state driving
`;

const OPENING_BEFORE_COUNTING = `
power on
wait 2000
down
wait 1000
up
# no item was counted yet: a hold opens nothing
down
wait 2500
= tone warning
up
: state menu
`;

describe('one key, a lamp and beeps', () => {
  const machine = escMachine(smallProfile());
  it.each([
    ['a value is counted, opened, stepped and stored', STORE_A_VALUE],
    ['stops wrap round', STOPS_WRAP],
    ['items wrap round', ITEMS_WRAP],
    ['switching off forgets what was not stored', SWITCHED_OFF_UNSTORED],
    ['the menu closes by itself', MENU_CLOSES_BY_ITSELF],
    ['it does not arm while the trigger is held', WILL_NOT_ARM],
    ['nothing opens before an item was counted', OPENING_BEFORE_COUNTING],
  ])('%s', (_name, script) => {
    expect(playGolden(machine, factoryMemory(smallProfile()), script)).toEqual([]);
  });

  it('stays in the menu after a value where the profile says so', () => {
    const profile = stayingProfile();
    const script = `${STORE_A_VALUE.split('# this ESC')[0]}
      : state menu
      down
      up
      = count amber 1`;
    expect(playGolden(escMachine(profile), factoryMemory(profile), script)).toEqual([]);
  });
});

import { describe, expect, it } from 'vitest';
import { factoryMemory } from '../../device/simulatedEsc';
import { cardProfile } from '../../esc/smallProfile.fixture';
import { escMachine } from '../escMachine';
import { playGolden } from '../golden';

// Written by hand from the description of the medium (common practice), before the machine:
// battery off, card in, battery on; item steps items, value steps stops, ok writes; reset restores factory
// values. Values count only once ok was pressed.
const TWO_VALUES_IN_ONE_SESSION = `
card in
power on
wait 800
= lit lines 1
= lit row 1
press item
= lit lines 2
= lit row 2
press value
= lit row 3
press ok
= tone long
: stop leap leap-3
press item
= lit lines 3
= lit row 2
press value
press value
= lit row 4
press ok
= tone long
: stop bite bite-4
: stop leap leap-3
`;

const FORGOTTEN_OK = `
card in
power on
wait 800
press item
press value
= lit row 3
# the next item, and back round: what was not confirmed is gone
press item
press item
press item
press item
= lit lines 2
= lit row 2
: stop leap leap-2
`;

const BOTH_WRAP = `
card in
power on
wait 800
press item
press item
press item
= lit lines 4
press item
= lit lines 1
press value
= lit row 2
press value
= lit row 1
`;

const SWITCHED_OFF_BEFORE_OK = `
card in
power on
wait 800
press value
= lit row 2
power off
: stop way way-1
power on
wait 800
= lit lines 1
= lit row 1
`;

const RESET = `
card in
power on
wait 800
press value
press ok
: stop way way-2
down reset
wait 2900
: stop way way-2
wait 100
= tone reset
up reset
= lit lines 1
= lit row 1
: stop way way-1
`;

const A_SHORT_PRESS_OF_RESET = `
card in
power on
wait 800
press value
press ok
press reset
: stop way way-2
`;

const CARD_IN_TOO_LATE = `
power on
wait 2000
card in
press value
press ok
: stop way way-1
: state drivingCard
`;

const DRIVES_AGAIN_WITHOUT_THE_CARD = `
card in
power on
wait 800
power off
card out
power on
wait 2000
= tone rising
: state driving
`;

describe('a card with lamps', () => {
  const machine = escMachine(cardProfile());
  it.each([
    ['several values are set in one session, each confirmed', TWO_VALUES_IN_ONE_SESSION],
    ['a value without ok is forgotten at the next item', FORGOTTEN_OK],
    ['items and stops wrap round', BOTH_WRAP],
    ['switching off forgets what was not confirmed', SWITCHED_OFF_BEFORE_OK],
    ['reset, held long, restores every factory value', RESET],
    ['a short press of reset does nothing', A_SHORT_PRESS_OF_RESET],
    ['a card pushed into a running ESC does nothing', CARD_IN_TOO_LATE],
    ['without the card the ESC drives', DRIVES_AGAIN_WITHOUT_THE_CARD],
  ])('%s', (_name, script) => {
    expect(playGolden(machine, factoryMemory(cardProfile()), script)).toEqual([]);
  });
});

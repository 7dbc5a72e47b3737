/** What a real ESC may do instead of what the guide said, and what that means. Common practice. */
import type { EndPointFamily } from '../esc/media';

export interface Outcome {
  seen: string;
  means: string;
  next: string;
}

const NOTHING: Outcome = {
  seen: 'Nothing: no sound, no lamp',
  means: 'No power, a wrong throttle socket, or no motor connected (the motor makes the sound).',
  next: 'Switch off. Check plugs and motor wires, then begin again.',
};

const STARTED: Outcome = {
  seen: 'It started as usual, ready to drive',
  means: 'You let go of the key too soon, throttle hold held back full throttle, or calibration is locked.',
  next: 'Throttle to rest, switch off. Check throttle hold on the radio. Then begin again and hold longer.',
};

const KEEPS_BEEPING: Outcome = {
  seen: 'It beeps on and on and does not arm',
  means: 'It waits for throttle at rest and does not see it. Direction, trim or end points are off.',
  next: 'Switch off. Check the throttle direction and set trims to zero. Then begin again.',
};

const BUZZ: Outcome = {
  seen: 'It buzzed harshly at a point',
  means: 'The point was too close to another, or the wrong one. Nothing was learned.',
  next: 'Move the throttle all the way to its end and repeat the step. If in doubt, begin again.',
};

const FEWER: Outcome = {
  seen: 'A beep was missing, or another one came',
  means: 'It may have learned a point while the throttle was moving.',
  next: 'Switch off before the last point, so that nothing is kept. Begin again, more slowly.',
};

const GROUPS: Outcome = {
  seen: 'Groups of notes, over and over',
  means: 'The stick stayed up too long: this is the tone menu. Moving it down now would choose something.',
  next: 'Leave the stick up and switch off. Then begin again: stick down at the first beep.',
};

const SPINS: Outcome = {
  seen: 'The motor spins',
  means: 'The ESC takes this pulse as throttle. It is calibrated in reverse, or locked.',
  next: 'Keep clear. Switch off at once. Check the throttle direction before anything else.',
};

/** By family, the likeliest first. */
export const OUTCOMES: Readonly<Record<EndPointFamily['family'], readonly Outcome[]>> = {
  keyConfirmed: [STARTED, BUZZ, FEWER, KEEPS_BEEPING, SPINS, NOTHING],
  heldStill: [STARTED, BUZZ, FEWER, KEEPS_BEEPING, SPINS, NOTHING],
  countedPoints: [STARTED, BUZZ, FEWER, KEEPS_BEEPING, SPINS, NOTHING],
  stickAtPowerOn: [GROUPS, STARTED, KEEPS_BEEPING, FEWER, SPINS, NOTHING],
  none: [KEEPS_BEEPING, SPINS, NOTHING],
};

/** What a real ESC may do instead of what the guide said, and what that means. Common practice. */
import type { EndPointFamily } from '../esc/media';

export interface Outcome {
  seen: string;
  means: string;
  next: string;
}

const NOTHING: Outcome = {
  seen: 'Nothing: no sound, no lamp',
  means:
    'No power, the throttle lead in another socket, or a motor that is not connected: it is the loudspeaker.',
  next: 'Switch off. Look at the plugs and the motor wires, then begin again.',
};

const STARTED: Outcome = {
  seen: 'It started as always, ready to drive',
  means:
    'The key was let go too soon, throttle hold kept full from coming through, or calibrating is locked.',
  next: 'Throttle to rest, switch off. Look at throttle hold on the radio, then begin again and hold longer.',
};

const KEEPS_BEEPING: Outcome = {
  seen: 'It beeps on and on and does not arm',
  means: 'It waits for a throttle at rest, and does not see one: direction, trim or end points are off.',
  next: 'Switch off. Look at the throttle’s direction and at zero trims, then begin again.',
};

const BUZZ: Outcome = {
  seen: 'It buzzed harshly at a point',
  means: 'The point was too near to another, or it was the wrong one. Nothing was taken.',
  next: 'Move the throttle all the way to its stop and repeat the step; if in doubt, begin again.',
};

const FEWER: Outcome = {
  seen: 'A beep was missing, or another one came',
  means: 'A point may have been taken while the throttle was on its way.',
  next: 'Switch off before the last point, so that nothing is kept, and begin again, more slowly.',
};

const GROUPS: Outcome = {
  seen: 'Groups of notes, over and over',
  means: 'The stick stayed up too long: this is the tone menu. Bringing it down now would choose something.',
  next: 'Leave the stick up and switch off. Then begin again: down as soon as the first beep sounds.',
};

const SPINS: Outcome = {
  seen: 'The motor spins',
  means: 'The ESC takes this pulse for throttle: it is calibrated another way round, or locked.',
  next: 'Keep clear, switch off at once. Look at the throttle’s direction before anything else.',
};

/** By family, the likeliest first. */
export const OUTCOMES: Readonly<Record<EndPointFamily['family'], readonly Outcome[]>> = {
  keyConfirmed: [STARTED, BUZZ, FEWER, KEEPS_BEEPING, SPINS, NOTHING],
  heldStill: [STARTED, BUZZ, FEWER, KEEPS_BEEPING, SPINS, NOTHING],
  countedPoints: [STARTED, BUZZ, FEWER, KEEPS_BEEPING, SPINS, NOTHING],
  stickAtPowerOn: [GROUPS, STARTED, KEEPS_BEEPING, FEWER, SPINS, NOTHING],
  none: [KEEPS_BEEPING, SPINS, NOTHING],
};

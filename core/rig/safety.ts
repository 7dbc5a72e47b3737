/** The usual cautions, by what can hurt. Common practice. */
import type { VehicleKind } from './rig';

/** Ways to make a model safe before its ESC is switched on. */
export const PRECAUTIONS: Readonly<Record<VehicleKind, readonly string[]>> = {
  wheels: [
    'Pinion out of mesh: the motor can turn, the wheels cannot.',
    'Wheels clear of the bench and the model tied down.',
  ],
  propeller: [
    'Propeller off the shaft.',
    'Propeller cannot come off: model tied down, nobody in front of or beside its disc.',
  ],
};

/** What to try before a model drives or flies with new values. */
export const ACCEPTANCE: Readonly<Record<VehicleKind, readonly string[]>> = {
  wheels: [
    'Neutral: the motor is quiet.',
    'A touch of trigger: it starts gently, in the right direction.',
    'Full brake, then reverse, if it has one.',
    'Transmitter off, wheels still clear: the motor stops.',
    'Pinion back in mesh, covers closed, wires clear of what turns.',
    'Make a short first run, then feel motor and ESC. Too hot to touch for five seconds is too hot.',
  ],
  propeller: [
    'Stick down: the motor is quiet. A touch up: it starts gently, in the right direction.',
    'Transmitter off: the motor stops.',
    'Propeller back on, tight, front side forward. Model tied down, everybody behind it.',
    'Full throttle for five seconds: no stutter, and stick down stops it.',
    'Control surfaces move freely at full throttle: the servo supply holds.',
    'Make a short first flight or trip, then feel motor and ESC. Too hot to touch for five seconds is too hot.',
  ],
};

/** What to look at once per build, before the first power, and what the firmware is first. Common practice. */
import type { EscProfile } from '../esc/profile';
import type { Rig } from '../rig/rig';
import { fluidOf, kindOf } from '../rig/vehicleClass';

export interface CheckLine {
  id: string;
  what: string;
  why: string;
}

/** The lines that this build needs, in the order in which they are done. */
export function firstPowerLines(rig: Rig, profile: EscProfile): CheckLine[] {
  const { motor, busLoads, vehicleClass } = rig;
  const wheels = kindOf(vehicleClass) === 'wheels';
  const turning = wheels
    ? 'wheels and shafts'
    : fluidOf(vehicleClass) === 'water'
      ? 'shaft and screw'
      : 'the propeller';
  const hasServos = busLoads.some(({ stallAmps, idleAmps }) => stallAmps > idleAmps);
  const isReversible = profile.items.some(({ setting }) => setting === 'rotation');
  return [
    line(
      'polarity',
      'Plugs match, plus to plus',
      'Match positions, not colours: two leads meeting in one adapter may have mirrored colours. Reversed polarity destroys an ESC at once.',
    ),
    line(
      'throttleLead',
      'Throttle lead the right way round, in the throttle socket',
      'Brown or black is negative. In another socket the motor follows the steering.',
    ),
    line(
      'order',
      'Transmitter on first, ESC on last; off in the opposite order',
      'An ESC without a signal may take noise for throttle.',
    ),
    line(
      'wires',
      `Wires clear of ${turning}`,
      'A wire that is caught is torn off or shorted while the motor pulls.',
    ),
    ...(motor.sensored
      ? [
          line(
            'sensorLead',
            'Sensor lead seated, and A to A, B to B, C to C',
            'With a sensor lead, motor wires must never be exchanged. A half-seated one stutters at the start.',
          ),
        ]
      : []),
    line(
      'direction',
      'Know how the motor is turned round, should it run backwards',
      motor.sensored
        ? 'Only in software: exchanged wires disagree with the sensor.'
        : isReversible
          ? 'In software, or two motor wires exchanged: one or the other, never both, since both undo each other.'
          : 'This ESC has no such setting: exchange any two of the three motor wires.',
    ),
    ...(hasServos
      ? [
          line(
            'servoEnds',
            'Servos move freely to both ends',
            'One that pushes against a stop draws its stall current all the time, and pulls the bus down.',
          ),
          line(
            'atPowerUp',
            'You know what each servo does when power comes',
            'Gears, winches and locks may move before the radio is heard. Fingers out.',
          ),
        ]
      : []),
  ];
}

/** Firmware before settings, since an update may wipe or renumber them. */
export function firmwareLines({ media }: EscProfile): CheckLine[] {
  const byLink = media.some(({ family }) => family === 'link');
  return [
    line(
      'version',
      'Know which firmware is in the ESC',
      byLink
        ? 'The link tells it when it connects.'
        : 'The start-up beeps, a label or a card may tell it. If nothing does, leave it.',
    ),
    line(
      'newer',
      'Decide now whether to update',
      'An update may wipe settings and renumber items: before the work, never in the middle of it.',
    ),
    line('saved', 'Settings written down before an update', 'A sheet kept at Load or Sheets is enough.'),
    line('compared', 'Compared after an update', 'Only what was lost has to be set again.'),
  ];
}

const line = (id: string, what: string, why: string): CheckLine => ({ id, what, why });

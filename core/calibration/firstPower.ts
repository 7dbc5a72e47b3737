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
      'Match positions, not colours: adapters can mirror them. Reversed polarity destroys an ESC at once.',
    ),
    line(
      'throttleLead',
      'Throttle lead the right way round, in the throttle socket',
      'Brown or black is negative. In a wrong socket the motor follows the steering.',
    ),
    line(
      'order',
      'Transmitter on first, ESC on last; off in the opposite order',
      'An ESC without a signal may take noise for throttle.',
    ),
    line('wires', `Wires clear of ${turning}`, 'A caught wire tears off or shorts while the motor pulls.'),
    ...(motor.sensored
      ? [
          line(
            'sensorLead',
            'Sensor lead seated, and A to A, B to B, C to C',
            'With a sensor lead, never swap motor wires. A half-seated lead makes it stutter at the start.',
          ),
        ]
      : []),
    line(
      'direction',
      'Know how to reverse the motor if it runs backwards',
      motor.sensored
        ? 'Only in software: swapped wires disagree with the sensor.'
        : isReversible
          ? 'In software, or by swapping two motor wires. Never both: they cancel out.'
          : 'This ESC has no such setting: swap any two of the three motor wires.',
    ),
    ...(hasServos
      ? [
          line(
            'servoEnds',
            'Servos move freely to both ends',
            'A servo that pushes against its end draws stall current all the time and pulls the bus down.',
          ),
          line(
            'atPowerUp',
            'You know what each servo does at power-on',
            'Gears, winches and locks may move before the radio is on. Keep fingers out.',
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
      'Know which firmware the ESC has',
      byLink
        ? 'The link tells it when it connects.'
        : 'The power-on beeps, a label or a card may show it. If nothing does, skip this.',
    ),
    line(
      'newer',
      'Decide now whether to update',
      'An update may wipe settings and renumber items. Do it before you tune, never half-way.',
    ),
    line('saved', 'Settings written down before an update', 'A sheet saved on Load or Sheets is enough.'),
    line('compared', 'Compared after an update', 'Then you only set again what was lost.'),
  ];
}

const line = (id: string, what: string, why: string): CheckLine => ({ id, what, why });

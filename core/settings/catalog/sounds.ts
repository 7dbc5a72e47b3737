import { ON_OFF } from '../choices';
import { named, numbered, percent } from '../setting';

/** What the ESC says and writes down. */
export const SOUNDS = {
  idleBeeps: named(
    'Idle beeps',
    ON_OFF,
    'Beeps of an ESC left switched on. They remind you to unplug the pack.',
    { alsoCalled: ['idle beep', 'idle beeps', 'idle beacon', 'standby beep'] },
  ),
  errorBeeps: named('Error beeps', ON_OFF, 'Beeps that say what is wrong. Keep them.', {
    alsoCalled: ['error beeps', 'warning beeps', 'alarm beeps'],
  }),
  startVolume: percent(
    'Start-up volume',
    { lower: 'quieter', higher: 'louder, warms the motor', safeSide: 'lower' },
    'How loud the motor sounds at power-on. Loud tones run current through a motor that may be stalled.',
    { alsoCalled: ['beep volume', 'startup volume', 'start-up volume', 'tone volume', 'volume'] },
  ),
  beaconVolume: percent(
    'Beacon volume',
    { lower: 'quieter', higher: 'louder, can burn a stalled motor', safeSide: 'lower' },
    'How loud a lost model calls. Loud tones can burn a stalled motor or start a fire.',
    { alsoCalled: ['beacon', 'beacon volume', 'lost model alarm', 'beacon strength'] },
  ),
  beaconDelay: numbered(
    'Beacon delay',
    {
      unit: 's',
      decimals: 0,
      bounds: [0, 3600],
      lower: 'calls sooner',
      higher: 'calls later',
      safeSide: 'higher',
    },
    'How long the throttle must rest before a lost model calls.',
    { alsoCalled: ['beacon delay', 'beacon time'] },
  ),
  startTune: named('Start-up tune', ON_OFF, 'Whether the ESC plays a tune at power-on.', {
    alsoCalled: ['music', 'melody', 'tune', 'start-up tune', 'startup tune', 'startup music'],
  }),
  dataLog: named('Data log', ON_OFF, 'Whether the ESC records what it measures.', {
    alsoCalled: ['data log', 'logging', 'data recording', 'log'],
  }),
  telemetry: named('Telemetry', ON_OFF, 'Whether the ESC sends what it measures to the radio.', {
    alsoCalled: ['telemetry', 'telemetry mode'],
  }),
  temperatureAlarm: numbered(
    'Temperature alarm',
    {
      unit: '°C',
      decimals: 0,
      bounds: [30, 200],
      lower: 'warns sooner',
      higher: 'warns later',
      safeSide: 'lower',
    },
    'The temperature at which an alarm sounds or is sent. Usually 70 to 80 °C.',
    { alsoCalled: ['temperature alarm', 'temp alarm', 'temperature warning'] },
  ),
} as const;

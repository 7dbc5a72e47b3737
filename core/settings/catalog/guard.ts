import { ON_OFF, SIGNAL_LOSS_ACTIONS } from '../choices';
import { named, numbered } from '../setting';

const CELSIUS = { unit: '°C', decimals: 0, bounds: [30, 200] } as const;

/** What protects ESC, motor and people. */
export const GUARD = {
  escTemperatureLimit: numbered(
    'ESC temperature limit',
    { ...CELSIUS, lower: 'stops sooner', higher: 'stops later, ages faster', safeSide: 'lower' },
    'The temperature at which the ESC protects itself. Usually 100 to 105 °C.',
    {
      alsoCalled: [
        'esc temperature',
        'esc temp',
        'temperature limit',
        'thermal protection',
        'overheat protection',
        'esc thermal',
        'heat protection',
      ],
    },
  ),
  motorTemperatureLimit: numbered(
    'Motor temperature limit',
    { ...CELSIUS, lower: 'stops sooner', higher: 'stops later, ages faster', safeSide: 'lower' },
    'The motor temperature at which the ESC stops. It needs a sensor in the motor.',
    { alsoCalled: ['motor temperature', 'motor temp', 'motor thermal', 'motor overheat'] },
  ),
  currentProtection: named(
    'Current protection',
    ON_OFF,
    'Whether the ESC stops at a current that would destroy it. Leave it on.',
    {
      alsoCalled: ['current protection', 'overcurrent', 'over-current protection', 'over current'],
    },
  ),
  signalLossAction: named(
    'On signal loss',
    SIGNAL_LOSS_ACTIONS,
    'What the ESC does when the throttle signal is gone.',
    {
      alsoCalled: ['signal loss', 'fail-safe', 'failsafe', 'signal lost', 'loss of signal'],
    },
  ),
  signalLossDelay: numbered(
    'Signal loss delay',
    {
      unit: 's',
      decimals: 2,
      bounds: [0, 10],
      lower: 'stops sooner',
      higher: 'rides over gaps',
      safeSide: 'lower',
    },
    'How long the signal may be lost before the ESC acts. About 0.3 s in aircraft.',
    { alsoCalled: ['fail-safe delay', 'failsafe delay', 'signal loss delay', 'signal loss time'] },
  ),
  calibrationLock: named(
    'Calibration',
    { on: 'allowed', off: 'locked' },
    'Whether end points can be learned. While locked, a calibration does nothing or gives full throttle.',
    {
      alsoCalled: [
        'throttle calibration',
        'calibration',
        'calibration lock',
        'range calibration',
        'endpoint lock',
      ],
    },
  ),
  remotePowerOff: named('Remote power-off', ON_OFF, 'Whether the radio can switch the ESC off.', {
    alsoCalled: ['remote off', 'remote power off', 'power off by radio'],
  }),
} as const;

import { ACTIVATIONS, GOVERNOR_MODES, MOTOR_TYPES, ROTATIONS } from '../choices';
import { named, numbered, percent } from '../setting';

const DEGREES = { unit: '°', decimals: 2 } as const;
const RPM = { unit: 'rpm', decimals: 0 } as const;

/** With the trigger all the way, and what the motor itself is. */
export const FLAT_OUT = {
  advance: numbered(
    'Timing',
    {
      ...DEGREES,
      bounds: [0, 64],
      lower: 'cooler, more pull',
      higher: 'more rpm, hotter',
      safeSide: 'lower',
    },
    'Electrical timing advance of the ESC, always on: more rpm, less torque per ampere. The motor’s end bell adds to it.',
    { alsoCalled: ['timing', 'motor timing', 'esc timing', 'advance', 'advance timing', 'base timing'] },
  ),
  boost: numbered(
    'Boost',
    { ...DEGREES, bounds: [0, 90], lower: 'cooler', higher: 'more rpm, hotter', safeSide: 'lower' },
    'Timing added as the motor turns faster, between a start and an end speed.',
    { alsoCalled: ['boost', 'boost timing'], specials: { auto: 'by itself' } },
  ),
  boostStart: numbered(
    'Boost from',
    {
      ...RPM,
      bounds: [100, 200000],
      lower: 'comes in earlier',
      higher: 'comes in later',
      safeSide: 'higher',
    },
    'The motor speed where boost begins. Some ESCs use a share of throttle instead: that is “Boost from throttle”.',
    { alsoCalled: ['boost start', 'boost start rpm', 'start rpm'] },
  ),
  boostEnd: numbered(
    'Boost complete at',
    { ...RPM, bounds: [100, 200000], lower: 'steeper', higher: 'gentler', safeSide: 'higher' },
    'The motor speed where boost is complete.',
    { alsoCalled: ['boost end', 'boost end rpm', 'end rpm', 'boost slope'] },
  ),
  boostActivation: named(
    'Boost comes by',
    ACTIVATIONS,
    'What brings boost in: throttle or motor speed. Decides which other boost settings count.',
    { alsoCalled: ['boost activation method', 'boost control type'] },
  ),
  boostFromThrottle: percent(
    'Boost from throttle',
    { lower: 'comes in earlier', higher: 'comes in later', safeSide: 'higher' },
    'The throttle where boost begins, on ESCs that use throttle and not motor speed.',
    { alsoCalled: ['boost trigger', 'boost throttle', 'boost activation'] },
  ),
  turbo: numbered(
    'Turbo',
    {
      ...DEGREES,
      bounds: [0, 90],
      lower: 'cooler',
      higher: 'faster on the straight, hotter',
      safeSide: 'lower',
    },
    'Timing added at full throttle. If it comes and goes, the radio often does not reach full: see Endpoints.',
    { alsoCalled: ['turbo', 'turbo timing', 'top-end assist'] },
  ),
  turboFrom: percent(
    'Turbo past',
    { lower: 'comes in earlier', higher: 'only at full throttle', safeSide: 'higher' },
    'The throttle above which turbo comes. 100 means only at full.',
    { alsoCalled: ['turbo start', 'turbo trigger', 'turbo activation', 'turbo throttle'] },
  ),
  turboActivation: named(
    'Turbo comes by',
    ACTIVATIONS,
    'What brings turbo in: throttle or motor speed. Decides which other turbo settings count.',
    { alsoCalled: ['turbo activation method', 'turbo control type'] },
  ),
  turboDelay: numbered(
    'Turbo delay',
    {
      unit: 's',
      decimals: 2,
      bounds: [0, 10],
      lower: 'comes at once',
      higher: 'only on long straights',
      safeSide: 'higher',
    },
    'How long full throttle must last before turbo begins.',
    { alsoCalled: ['turbo delay'], specials: { instant: 'at once' } },
  ),
  turboOnRate: numbered(
    'Turbo on-rate',
    {
      unit: '° per 0.1 s',
      decimals: 1,
      bounds: [0, 100],
      lower: 'comes in gently',
      higher: 'comes in hard',
      safeSide: 'lower',
    },
    'How fast turbo is added. Low is slow here; the off-rate may be numbered the other way round.',
    {
      alsoCalled: ['turbo on', 'turbo slope', 'turbo ramp', 'turbo on rate'],
      specials: { instant: 'at once' },
    },
  ),
  turboOffRate: numbered(
    'Turbo off-rate',
    {
      unit: '° per 0.1 s',
      decimals: 1,
      bounds: [0, 100],
      lower: 'rolls on',
      higher: 'feels like drag brake',
      safeSide: 'lower',
    },
    'How fast turbo is taken away again. Fast removal feels like drag brake.',
    { alsoCalled: ['turbo off', 'turbo off rate', 'turbo release'], specials: { instant: 'at once' } },
  ),
  motorType: named(
    'Motor type',
    MOTOR_TYPES,
    'How the ESC knows where the rotor is. Not the running mode. On sensored throughout, a torn sensor wire stops the motor.',
    { alsoCalled: ['motor type', 'sensor mode', 'commutation', 'motor mode', 'sensor'] },
  ),
  rotation: named(
    'Motor rotation',
    ROTATIONS,
    'Which way the motor turns for forward. Not reverse driving: that is a running mode.',
    { alsoCalled: ['rotation', 'motor rotation', 'direction', 'motor direction', 'spin'] },
  ),
  governor: named(
    'Governor',
    GOVERNOR_MODES,
    'Whether the ESC holds the motor speed by itself. Needs the right pole count and gear ratio.',
    { alsoCalled: ['governor', 'governor mode', 'speed control'] },
  ),
  governorRpm: numbered(
    'Governor speed',
    { ...RPM, bounds: [100, 200000], lower: 'calmer', higher: 'crisper, hungrier', safeSide: 'lower' },
    'The motor speed that the governor holds.',
    { alsoCalled: ['governor rpm', 'headspeed', 'head speed', 'target rpm'] },
  ),
  polePairs: numbered(
    'Pole pairs',
    { unit: '', decimals: 0, bounds: [1, 30], lower: 'few poles', higher: 'many poles', safeSide: 'nearest' },
    'Half the number of magnets. A wrong count makes every shown rpm wrong by that ratio.',
    { alsoCalled: ['poles', 'pole count', 'motor poles', 'pole pairs', 'number of poles'] },
  ),
} as const;

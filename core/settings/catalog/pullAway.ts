import { numbered, percent } from '../setting';

/** From the first touch of the trigger until the model moves. */
export const PULL_AWAY = {
  launchStrength: numbered(
    'Launch strength',
    {
      unit: '%/s',
      decimals: 0,
      bounds: [1, 20000],
      lower: 'gentler, cooler',
      higher: 'hits harder',
      safeSide: 'lower',
    },
    'How fast power rises after you pull the trigger. On loose ground less is quicker.',
    { alsoCalled: ['punch', 'punch level', 'acceleration', 'throttle punch', 'start punch'] },
  ),
  launchLimit: percent(
    'Launch limit',
    { lower: 'full hit', higher: 'gentler, less sag', safeSide: 'higher' },
    'How far the ESC holds back when you pull hard. The opposite of launch strength.',
    { alsoCalled: ['punch control', 'punch limit', 'punch reduction', 'launch control'] },
  ),
  startPower: percent(
    'Start power',
    { lower: 'softer start', higher: 'breaks away harder', safeSide: 'lower' },
    'How much torque the ESC may use to start the motor. It allows more power; it does not force it.',
    {
      alsoCalled: [
        'startup power',
        'start-up power',
        'starting power',
        'startup torque',
        'start power limit',
      ],
    },
  ),
  startForce: percent(
    'Start force',
    { lower: 'creeps off', higher: 'kicks off', safeSide: 'lower' },
    'The least power that the first touch of the throttle gives.',
    {
      alsoCalled: ['minimum throttle', 'least output', 'initial throttle', 'start-up force', 'minimum start'],
    },
  ),
  torqueLimit: percent(
    'Torque limit',
    { lower: 'tamer', higher: 'stronger', safeSide: 'lower' },
    'The most torque that the motor may give. A ceiling: below it nothing changes.',
    { alsoCalled: ['torque', 'torque level', 'max torque', 'maximum torque'] },
  ),
  currentLimit: numbered(
    'Current limit',
    {
      unit: 'A',
      decimals: 0,
      bounds: [1, 2000],
      lower: 'tamer, spares the pack',
      higher: 'stronger',
      safeSide: 'lower',
    },
    'The most current that the ESC lets through to the motor.',
    { alsoCalled: ['current limit', 'current limiter', 'max current', 'amp limit'] },
  ),
  softStart: numbered(
    'Soft start',
    {
      unit: 's',
      decimals: 2,
      bounds: [0, 60],
      lower: 'spools up sharply',
      higher: 'spools up slowly',
      safeSide: 'higher',
    },
    'The time of the first spool-up after arming. Helicopters and geared fans need up to 15 s.',
    { alsoCalled: ['soft start', 'spool-up', 'spool up time', 'softstart'] },
  ),
  startAcceleration: numbered(
    'Start acceleration',
    { unit: 's', decimals: 2, bounds: [0, 30], lower: 'sharp', higher: 'soft', safeSide: 'higher' },
    'The time in which the motor is brought from rest to full.',
    {
      alsoCalled: ['start mode', 'startup mode', 'start-up mode', 'start acceleration', 'start time'],
    },
  ),
  response: numbered(
    'Response',
    {
      unit: 's',
      decimals: 2,
      bounds: [0, 10],
      lower: 'follows at once',
      higher: 'follows slowly',
      safeSide: 'higher',
    },
    'The time in which a turning motor follows the throttle from low to full.',
    { alsoCalled: ['throttle response', 'throttle rate', 'acceleration time', 'response speed'] },
  ),
  earlySoftening: numbered(
    'Early softening',
    {
      unit: '°',
      decimals: 1,
      bounds: [0, 60],
      lower: 'sharp at once',
      higher: 'softer first pull',
      safeSide: 'higher',
    },
    'Takes timing out of the first part of the trigger: a softer pull, and cooler.',
    { alsoCalled: ['softening', 'soft timing', 'initial softening', 'start softening'] },
  ),
  earlySofteningUntil: percent(
    'Softening until',
    { lower: 'soft for a moment', higher: 'soft for longer', safeSide: 'nearest' },
    'The throttle at which early softening has ended.',
    { alsoCalled: ['softening range', 'softening end', 'softening throttle'] },
  ),
  deadband: numbered(
    'Neutral deadband',
    {
      unit: 'µs each side',
      decimals: 0,
      bounds: [0, 300],
      lower: 'moves earlier',
      higher: 'calmer neutral',
      safeSide: 'higher',
    },
    'How far the pulse may drift from neutral before anything happens. Manuals count one side, both sides, per cent or levels.',
    {
      alsoCalled: ['deadband', 'dead band', 'neutral range', 'neutral width', 'throttle deadzone', 'neutral'],
    },
  ),
  armingTime: numbered(
    'Arming time',
    {
      unit: 's',
      decimals: 2,
      bounds: [0, 30],
      lower: 'arms sooner',
      higher: 'arms later',
      safeSide: 'higher',
    },
    'How long the throttle must rest before the ESC arms. Longer for radios that start slowly.',
    { alsoCalled: ['arming', 'arming delay', 'arm time', 'power-on delay'] },
  ),
} as const;

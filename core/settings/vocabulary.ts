/**
 * The settings vocabulary: what speed controllers can be told, in one language.
 * ESC profiles map their own items onto it; advice, verdicts and physics speak only this.
 * Meanings and ranges: common practice.
 */

/** The moments of driving in which a setting is felt, in the order of one pull of the trigger. */
export const MOMENTS = {
  pullAway: 'Pull away',
  midPull: 'Mid pull',
  flatOut: 'Flat out',
  letGo: 'Let go',
  brake: 'Brake',
  backUp: 'Back up',
  supply: 'Supply',
  guard: 'Guard',
  sounds: 'Sounds',
} as const;
export type MomentId = keyof typeof MOMENTS;

/** The same moments where they are called something else: a pilot lets go of nothing. */
const PILOT_MOMENTS: Partial<Record<MomentId, string>> = {
  pullAway: 'Spool up',
  midPull: 'Cruise',
  flatOut: 'Climb',
  letGo: 'Cut',
};

/** The moments in the order in which they come: an aeroplane climbs before it cruises. */
export function momentsOf(kind: 'wheels' | 'propeller'): MomentId[] {
  const moments = Object.keys(MOMENTS) as MomentId[];
  if (kind === 'wheels') return moments;
  const flight: MomentId[] = ['pullAway', 'flatOut', 'midPull', 'letGo'];
  return [...flight, ...moments.filter((moment) => !flight.includes(moment))];
}

/** The name of a moment for whoever drives or flies. */
export const momentName = (moment: MomentId, kind: 'wheels' | 'propeller'): string =>
  (kind === 'propeller' ? PILOT_MOMENTS[moment] : undefined) ?? MOMENTS[moment];

/** Running modes by what the trigger's rear half does. */
export const RUNNING_MODES = {
  forward: 'forward only',
  forwardBrake: 'forward and brake',
  forwardBrakeReverse: 'forward, brake, then reverse',
  forwardReverse: 'forward and reverse at once',
} as const;
export type RunningMode = keyof typeof RUNNING_MODES;

export const ROTATIONS = { normal: 'normal', reversed: 'reversed' } as const;

/** What the ESC does when the pack is down to its cutoff. */
export const CUTOFF_ACTIONS = {
  stop: 'stop at once',
  reduce: 'reduce power',
  rampDown: 'ramp down slowly',
} as const;

/** How the cells are counted. */
export const CELL_COUNTS = {
  auto: 'counted by itself',
  '2': '2 cells',
  '3': '3 cells',
  '4': '4 cells',
  '5': '5 cells',
  '6': '6 cells',
} as const;

export const ON_OFF = { on: 'on', off: 'off' } as const;

export type SettingId =
  | 'runningMode'
  | 'launchStrength'
  | 'launchLimit'
  | 'startPower'
  | 'startForce'
  | 'startAcceleration'
  | 'deadband'
  | 'driveFrequency'
  | 'advance'
  | 'freewheel'
  | 'dragBrake'
  | 'dragRamp'
  | 'propellerBrake'
  | 'brakeStrength'
  | 'initialBrake'
  | 'brakeFrequency'
  | 'reversePower'
  | 'cellCount'
  | 'cutoff'
  | 'cutoffAction'
  | 'becVolts'
  | 'escTemperatureLimit'
  | 'rotation'
  | 'idleBeeps';

/**
 * A value in the vocabulary. Numbers are in the setting's own unit; a cutoff may also be stated for
 * the whole pack, which only means something together with a cell count.
 */
export type SettingValue =
  | { kind: 'off' }
  | { kind: 'number'; value: number }
  | { kind: 'packVolts'; value: number }
  | { kind: 'choice'; choice: string };

export interface Setting {
  id: SettingId;
  name: string;
  moment: MomentId;
  /** Unit of `number` values, as shown; '' for choices. */
  unit: string;
  decimals: number;
  /** What a lower and a higher vocabulary value does, in the driver's words. */
  lower: string;
  higher: string;
  /** The side to which a wanted value is snapped when it falls between two stops. */
  safeSide: 'lower' | 'higher' | 'nearest';
  /** What it is, in one sentence. */
  summary: string;
  /** The choices of a named setting, with their words. */
  choices?: Readonly<Record<string, string>>;
  /** Whether the drills use it already; the others are advised, loaded and recorded all the same. */
  inDrills: boolean;
}

const setting = (
  id: SettingId,
  name: string,
  moment: MomentId,
  scale: Pick<Setting, 'unit' | 'decimals' | 'lower' | 'higher' | 'safeSide'>,
  summary: string,
  rest: { choices?: Setting['choices']; inDrills?: boolean } = {},
): Setting => ({
  id,
  name,
  moment,
  ...scale,
  summary,
  inDrills: rest.inDrills ?? false,
  choices: rest.choices,
});

const settings: Setting[] = [
  setting(
    'launchStrength',
    'Launch strength',
    'pullAway',
    { unit: '%/s', decimals: 0, lower: 'gentler, cooler', higher: 'hits harder', safeSide: 'lower' },
    'How fast the ESC lets power rise after the trigger is pulled.',
    { inDrills: true },
  ),
  setting(
    'launchLimit',
    'Launch limit',
    'pullAway',
    { unit: '%', decimals: 0, lower: 'full hit', higher: 'gentler, less sag', safeSide: 'higher' },
    'How far the ESC holds back when the trigger is pulled at once. The opposite sense of launch strength.',
    { inDrills: true },
  ),
  setting(
    'startPower',
    'Start power',
    'pullAway',
    { unit: '%', decimals: 0, lower: 'softer start', higher: 'breaks away harder', safeSide: 'lower' },
    'How much torque may be used to get the motor turning from rest.',
  ),
  setting(
    'startForce',
    'Start force',
    'pullAway',
    { unit: '%', decimals: 0, lower: 'creeps off', higher: 'kicks off', safeSide: 'lower' },
    'The least power that the first touch of the throttle gives.',
    { inDrills: true },
  ),
  setting(
    'startAcceleration',
    'Start acceleration',
    'pullAway',
    { unit: 's', decimals: 2, lower: 'sharp', higher: 'soft', safeSide: 'higher' },
    'The time in which the motor is brought from rest to full.',
    { inDrills: true },
  ),
  setting(
    'deadband',
    'Neutral deadband',
    'pullAway',
    {
      unit: 'µs each side',
      decimals: 0,
      lower: 'moves earlier',
      higher: 'calmer neutral',
      safeSide: 'higher',
    },
    'How far the pulse may wander from neutral before anything happens.',
  ),
  setting(
    'driveFrequency',
    'Drive frequency',
    'midPull',
    { unit: 'kHz', decimals: 0, lower: 'more direct', higher: 'smoother, quieter', safeSide: 'nearest' },
    'How often a second the ESC switches the motor at part throttle.',
  ),
  setting(
    'advance',
    'Advance',
    'flatOut',
    { unit: '°', decimals: 2, lower: 'cooler, more pull', higher: 'more rpm, hotter', safeSide: 'lower' },
    'Electrical timing advance: more rpm for less torque per ampere.',
  ),
  setting(
    'freewheel',
    'Damped switching',
    'midPull',
    { unit: '', decimals: 0, lower: '', higher: '', safeSide: 'nearest' },
    'Whether the bridge holds the motor between two pulses, so that it follows a falling throttle at once.',
    { choices: ON_OFF },
  ),
  setting(
    'dragBrake',
    'Drag brake',
    'letGo',
    { unit: '%', decimals: 0, lower: 'rolls on', higher: 'slows by itself', safeSide: 'lower' },
    'Braking applied while the trigger rests at neutral.',
    { inDrills: true },
  ),
  setting(
    'dragRamp',
    'Drag ramp',
    'letGo',
    { unit: 's', decimals: 2, lower: 'comes at once', higher: 'comes gently', safeSide: 'higher' },
    'How long drag brake takes to come in after the trigger is let go.',
  ),
  setting(
    'propellerBrake',
    'Propeller brake',
    'letGo',
    { unit: '%', decimals: 0, lower: 'runs out', higher: 'stops it firmly', safeSide: 'lower' },
    'Braking of the propeller while the throttle is closed.',
    { inDrills: true },
  ),
  setting(
    'brakeStrength',
    'Brake strength',
    'brake',
    { unit: '%', decimals: 0, lower: 'longer, softer', higher: 'shorter, may slide', safeSide: 'lower' },
    'The most braking that a full push of the trigger can ask for.',
    { inDrills: true },
  ),
  setting(
    'initialBrake',
    'Initial brake',
    'brake',
    { unit: '%', decimals: 0, lower: 'eases in', higher: 'snaps in', safeSide: 'lower' },
    'The braking at the first touch. Equal to drag brake it is seamless.',
  ),
  setting(
    'brakeFrequency',
    'Brake frequency',
    'brake',
    {
      unit: 'kHz',
      decimals: 1,
      lower: 'firm when slow',
      higher: 'fine, weak when slow',
      safeSide: 'nearest',
    },
    'How often a second braking is switched on and off.',
    { inDrills: true },
  ),
  setting(
    'runningMode',
    'Running mode',
    'backUp',
    { unit: '', decimals: 0, lower: 'less', higher: 'more', safeSide: 'nearest' },
    'What the rear half of the trigger does.',
    { choices: RUNNING_MODES, inDrills: true },
  ),
  setting(
    'reversePower',
    'Reverse power',
    'backUp',
    { unit: '%', decimals: 0, lower: 'creeps back', higher: 'as fast as forward', safeSide: 'lower' },
    'The most power that reverse may use.',
  ),
  setting(
    'cellCount',
    'Cell count',
    'supply',
    { unit: '', decimals: 0, lower: '', higher: '', safeSide: 'nearest' },
    'How the ESC learns how many cells the pack has. Counting by itself misreads a part-used pack.',
    { choices: CELL_COUNTS },
  ),
  setting(
    'cutoff',
    'Cutoff',
    'supply',
    {
      unit: 'V/cell',
      decimals: 2,
      lower: 'longer run, harder on cells',
      higher: 'kinder to cells',
      safeSide: 'higher',
    },
    'The pack voltage under load at which the ESC stops driving to save the cells.',
    { inDrills: true },
  ),
  setting(
    'cutoffAction',
    'Cutoff action',
    'supply',
    { unit: '', decimals: 0, lower: '', higher: '', safeSide: 'nearest' },
    'What happens when the pack is down to its cutoff. An aeroplane never wants a hard stop.',
    { choices: CUTOFF_ACTIONS },
  ),
  setting(
    'becVolts',
    'BEC voltage',
    'supply',
    {
      unit: 'V',
      decimals: 1,
      lower: 'slower, cooler servos',
      higher: 'quicker servos, shorter lives',
      safeSide: 'lower',
    },
    'The voltage that feeds the receiver and everything plugged into it.',
  ),
  setting(
    'escTemperatureLimit',
    'ESC temperature limit',
    'guard',
    { unit: '°C', decimals: 0, lower: 'stops sooner', higher: 'stops later, ages faster', safeSide: 'lower' },
    'The temperature at which the ESC protects itself.',
  ),
  setting(
    'rotation',
    'Motor rotation',
    'guard',
    { unit: '', decimals: 0, lower: '', higher: '', safeSide: 'nearest' },
    'Which way the motor turns for forward.',
    { choices: ROTATIONS },
  ),
  setting(
    'idleBeeps',
    'Idle beeps',
    'sounds',
    { unit: '', decimals: 0, lower: '', higher: '', safeSide: 'nearest' },
    'Beeps of an ESC that was left switched on: a pack that is often left plugged in needs them.',
    { choices: ON_OFF },
  ),
];

/** Every setting of the vocabulary, by id, in the order of the moments. */
export const VOCABULARY: Readonly<Record<SettingId, Setting>> = Object.freeze(
  Object.fromEntries(settings.map((s) => [s.id, s])) as Record<SettingId, Setting>,
);

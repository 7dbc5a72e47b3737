/** The choices of the settings that are named rather than numbered. */

/** Running modes by what the trigger's rear half does. */
export const RUNNING_MODES = {
  forward: 'forward only',
  forwardBrake: 'forward and brake',
  forwardBrakeReverse: 'forward, brake, then reverse',
  forwardReverse: 'forward and reverse at once',
} as const;
export type RunningMode = keyof typeof RUNNING_MODES;

export const ON_OFF = { on: 'on', off: 'off' } as const;

export const ROTATIONS = {
  normal: 'normal',
  reversed: 'reversed',
  twoWay: 'both ways, from a throttle that rests in the middle',
} as const;

/** What brings boost or turbo in. */
export const ACTIVATIONS = {
  throttle: 'by throttle',
  rpm: 'by motor speed',
  both: 'by throttle and motor speed',
  auto: 'by itself',
  off: 'off',
} as const;

/** What a spare lead of the ESC is for. */
export const LEAD_USES = {
  off: 'nothing',
  fan: 'a fan',
  settings: 'a setting by a channel of the radio',
  powerOff: 'switching off from the radio',
  telemetry: 'telemetry',
  rpm: 'the motor’s speed, for others to read',
} as const;

export const MOTOR_TYPES = {
  sensored: 'sensored throughout',
  sensoredStart: 'sensored start, then sensorless',
  sensorless: 'sensorless',
  brushed: 'brushed',
} as const;

export const BRAKE_LAWS = {
  linear: 'linear',
  hybrid: 'hybrid: firmer when slow',
  constant: 'constant torque',
} as const;

export const REVERSE_ENTRIES = {
  doubleTap: 'second push of the trigger',
  instant: 'at once',
  delayed: 'after a delay',
} as const;

/** How the cells are counted. */
export const CELL_COUNTS: Readonly<Record<string, string>> = {
  auto: 'counted by itself',
  ...Object.fromEntries(
    Array.from({ length: 14 }, (_, n) => [String(n + 1), n === 0 ? '1 cell' : `${n + 1} cells`]),
  ),
};

export const CHEMISTRY_CHOICES = {
  lipo: 'lithium polymer',
  lihv: 'high-voltage lithium',
  liion: 'lithium ion',
  life: 'lithium iron',
  nimh: 'nickel metal hydride',
  auto: 'found by itself',
} as const;

/** What the ESC does when the pack is down to its cutoff. */
export const CUTOFF_ACTIONS = {
  stop: 'stop at once',
  reduce: 'reduce power',
  rampDown: 'ramp down slowly',
  stepDown: 'step down, again and again',
} as const;

export const CUTOFF_RETURNS = {
  stays: 'stays cut until switched off',
  returns: 'comes back when the voltage recovers',
} as const;

export const FAN_MODES = { on: 'always on', auto: 'by temperature', off: 'off' } as const;

export const SIGNAL_LOSS_ACTIONS = {
  stop: 'motor off',
  brake: 'brake',
  hold: 'hold the last throttle',
} as const;

export const GOVERNOR_MODES = {
  off: 'off',
  throttle: 'by throttle position',
  setRpm: 'to a set speed',
} as const;

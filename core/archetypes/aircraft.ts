/** Archetypes of aircraft and boat ESCs. Invented from end to end: order, names, numbers, colours, tones. */
import type { EscProfile } from '../esc/profile';
import { countedNotes } from '../esc/notes';
import { choices, grid, item, limits, onOff, profileOf } from './build';

const STICK_RANGE = { brakeMicros: 1110, neutralMicros: 1110, forwardMicros: 1890 };

/** Alike on all of them. */
const CASE = { bridgeOhm: 0.003, temperatureLimitC: 110 };

const stickUp = (windowMs: number) =>
  ({ family: 'stickAtPowerOn', highFromMicros: 1740, lowToMicros: 1260, windowMs, steadyMs: 950 }) as const;

const ROTATION = { normal: 'Normal', reversed: 'Reversed' };

/** What a pilot of a sport model, a glider or a twin hears behind the calibration window. */
export const stickTonesPattern: EscProfile = profileOf(
  {
    id: 'pattern-stick-tones',
    name: 'Pattern: stick and tones',
    limits: limits(CASE, [2, 6], [60, 80], [4, 5, 6]),
    bootMs: 2000,
    factoryRange: STICK_RANGE,
    deadbandMicrosEachSide: 40,
    launchLimitActs: null,
    fullSignalShows: null,
    calibration: stickUp(4800),
    media: [
      {
        family: 'stickTones',
        itemWindowMs: 3100,
        valueWindowMs: 2700,
        valueRounds: 2,
        itemNotes: countedNotes(9),
        stopNotes: ['hl', 'hll', 'hlll', 'hhl'],
        exitNotes: 'HL',
        toggledItemIds: [],
      },
    ],
  },
  [
    item(
      'Stop brake',
      'propellerBrake',
      'named',
      [
        ['None', 0],
        ['Soft', 30],
        ['Firm', 100],
      ],
      1,
    ),
    item(
      'Low volts',
      'cutoff',
      'named',
      [
        ['Late', 3.1],
        ['Middle', 3.25],
        ['Early', 3.4],
      ],
      2,
    ),
    choices('At low volts', 'cutoffAction', { reduce: 'Less power', stop: 'Stop' }, 1),
    item('Spool-up', 'startAcceleration', 'seconds', [0.3, 0.7, 1.2], 2),
    item(
      'Timing',
      'advance',
      'named',
      [
        ['Low', 8],
        ['Middle', 16],
        ['High', 23],
      ],
      2,
    ),
    item('Switching', 'driveFrequency', 'kilohertz', [8, 12, 16], 1),
    choices('Cells', 'cellCount', { 3: '3', 4: '4', 6: '6', auto: 'Count' }, 4),
    item('Servo volts', 'becVolts', 'volts', [5, 5.5, 6], 1),
    choices('Turning', 'rotation', ROTATION, 1),
  ],
);

/** What hides behind the stick of a small ESC that toggles. */
export const stickTogglePattern: EscProfile = profileOf(
  {
    id: 'pattern-stick-toggle',
    name: 'Pattern: stick and tones, toggling',
    limits: limits(CASE, [2, 6], [35, 45], [0, 0, 0]),
    bootMs: 1300,
    factoryRange: STICK_RANGE,
    deadbandMicrosEachSide: 25,
    launchLimitActs: null,
    fullSignalShows: null,
    calibration: stickUp(4200),
    media: [{ family: 'stickToggle', itemWindowMs: 2600, itemNotes: countedNotes(6), exitNotes: 'LH' }],
  },
  [
    onOff('Damping', 'freewheel', 'on'),
    item('Low volts', 'cutoff', 'voltsPerCell', ['off', 3.2], 1),
    item('Stop brake', 'propellerBrake', 'percent', ['off', 100], 1),
    item('Timing', 'advance', 'degrees', [15, 22], 1),
    item('Switching', 'driveFrequency', 'kilohertz', [24, 48], 1),
    choices('Turning', 'rotation', ROTATION, 1),
  ],
);

/** What a helicopter pilot types on a pad. */
export const keyPadPattern: EscProfile = profileOf(
  {
    id: 'pattern-key-pad',
    name: 'Pattern: key pad',
    limits: limits(CASE, [3, 12], [120, 160], [8, 5, 8.4]),
    bootMs: 2200,
    factoryRange: STICK_RANGE,
    deadbandMicrosEachSide: 30,
    launchLimitActs: null,
    fullSignalShows: null,
    calibration: stickUp(5200),
    media: [
      {
        family: 'keyPad',
        programKeyName: 'change',
        featureKeyName: 'what',
        enterKeyName: 'take',
        runKeyName: 'fly',
        chosenBy: 'code',
        digits: 3,
      },
    ],
  },
  [
    choices('Speed keeper', 'governor', { off: 'Off', throttle: 'By stick', setRpm: 'Set speed' }, 2),
    item('Kept speed', 'governorRpm', 'rpm', grid(12000, 24000, 1000), 5, {
      inactiveWhen: [
        { kind: 'stops', itemId: 'speed-keeper', stopIds: ['speed-keeper-1', 'speed-keeper-2'] },
      ],
    }),
    item('First spool-up', 'softStart', 'seconds', [6, 8, 10, 12, 15], 3, {
      switchedOffBy: { itemId: 'speed-keeper', stopId: 'speed-keeper-1' },
    }),
    item('Follow', 'response', 'seconds', [0.2, 0.4, 0.8], 1),
    item('Pole pairs', 'polePairs', 'count', grid(1, 14, 1), 5),
    tenths(
      item(
        'Low volts',
        'cutoff',
        'packVolts',
        ['off', 9.6, 10.2, 12.8, 13.6, 19.2, 19.8, 20.4, 25.6, 38.4],
        6,
      ),
    ),
    choices('At low volts', 'cutoffAction', { rampDown: 'Ramp down', reduce: 'Less power' }, 1),
    item('Timing', 'advance', 'degrees', [5, 10, 15, 18, 21, 24], 4),
    item('Switching', 'driveFrequency', 'kilohertz', [8, 12, 16], 1),
    item('Stop brake', 'propellerBrake', 'percent', ['off', 50], 1),
    tenths(item('Servo volts', 'becVolts', 'volts', grid(5, 8.4, 0.2), 6)),
    choices('Turning', 'rotation', ROTATION, 1),
  ],
);

/** Volts are typed as three digits: tenths, zeros in front. Off is typed as zeros. */
function tenths<T extends ReturnType<typeof item>>(of: T): T {
  const typed = ({ value }: T['stops'][number]): string =>
    value.kind === 'number' || value.kind === 'packVolts' ? String(Math.round(value.value * 10)) : '0';
  return { ...of, stops: of.stops.map((stop) => ({ ...stop, typed: typed(stop).padStart(3, '0') })) };
}

/** What a pilot finds in a menu of the transmitter. */
export const transmitterMenuPattern: EscProfile = profileOf(
  {
    id: 'pattern-transmitter-menu',
    name: 'Pattern: menu on the transmitter',
    limits: limits(CASE, [3, 8], [90, 120], [10, 5, 8.4]),
    bootMs: 1800,
    // Numbers on a wire: all of what a radio sends.
    factoryRange: { brakeMicros: 1000, neutralMicros: 1000, forwardMicros: 2000 },
    deadbandMicrosEachSide: 30,
    launchLimitActs: null,
    fullSignalShows: null,
    calibration: { family: 'none', reason: 'digital' },
    media: [
      {
        family: 'transmitterMenu',
        menuKeyName: 'model',
        previousKeyName: 'up',
        nextKeyName: 'down',
        lowerKeyName: 'minus',
        raiseKeyName: 'plus',
        saveKeyName: 'enter',
        confirmedItemIds: ['servo-volts'],
        numberHoldMs: 1200,
        numberStepMs: 150,
      },
    ],
  },
  [
    item('Follow', 'response', 'seconds', [0.05, 0.1, 0.2, 0.5], 2),
    item('Spool-up', 'startAcceleration', 'seconds', [0.2, 0.5, 1], 2),
    item('Stop brake', 'propellerBrake', 'percent', ['off', 15, 30, 60, 100], 1),
    item('Low volts', 'cutoff', 'voltsPerCell', ['off', 3.1, 3.2, 3.3, 3.4], 3),
    choices('At low volts', 'cutoffAction', { reduce: 'Less power', rampDown: 'Ramp down', stop: 'Stop' }, 1),
    item('Timing', 'advance', 'degrees', [5, 10, 15, 18, 22, 25], 3),
    item('Switching', 'driveFrequency', 'kilohertz', [8, 12, 16, 24], 2),
    onOff('Damping', 'freewheel', 'on'),
    item('Servo volts', 'becVolts', 'volts', [5, 5.5, 6, 6.6, 7.4, 8.4], 2),
    item('Signal wait', 'signalLossDelay', 'seconds', [0.2, 0.3, 0.5, 1], 2),
    choices('Turning', 'rotation', ROTATION, 1),
    onOff('Numbers to radio', 'telemetry', 'on'),
  ],
);

/** What a skipper finds on an ESC with two keys and a row of lamps. */
export const twoKeysPattern: EscProfile = profileOf(
  {
    id: 'pattern-two-keys',
    name: 'Pattern: two keys',
    limits: limits(CASE, [2, 6], [90, 240], [3, 5, 6]),
    bootMs: 1600,
    factoryRange: { brakeMicros: 1060, neutralMicros: 1500, forwardMicros: 1940 },
    deadbandMicrosEachSide: 40,
    launchLimitActs: null,
    fullSignalShows: null,
    calibration: {
      family: 'countedPoints',
      keyName: 'teach',
      lamp: 'blue',
      order: 'brakeForwardNeutral',
      leastSpanMicros: 150,
      wrongOrder: 'learnedReversed',
      afterwards: 'restartByHand',
      holdMs: 2200,
      steadyMs: 900,
      steadyToleranceMicros: 8,
      windowMs: 12000,
    },
    media: [
      {
        family: 'twoKeys',
        itemKeyName: 'step',
        valueKeyName: 'raise',
        itemLamps: 'upper lamps',
        valueLamps: 'lower lamps',
        storeWaitMs: 3000,
        idleTimeoutMs: 15000,
      },
    ],
  },
  [
    choices('Screw', 'runningMode', { forward: 'Ahead only', forwardReverse: 'Ahead and astern' }, 1),
    item('Astern power', 'reversePower', 'percent', [30, 50, 75, 100], 2),
    item('Spool-up', 'startAcceleration', 'seconds', [0.2, 0.6, 1, 2], 2),
    item('Low volts', 'cutoff', 'voltsPerCell', [3, 3.2, 3.3, 3.4], 2),
    choices('At low volts', 'cutoffAction', { reduce: 'Less power', stop: 'Stop' }, 1),
    item('Timing', 'advance', 'degrees', [0, 5, 10, 15], 2),
    item('Switching', 'driveFrequency', 'kilohertz', [8, 12, 16], 2),
    choices('Cells', 'cellCount', { 2: '2', 3: '3', 4: '4', 6: '6', auto: 'Count' }, 5),
    item('Servo volts', 'becVolts', 'volts', [5, 6], 1),
    onOff('Waiting beeps', 'idleBeeps', 'on'),
  ],
);

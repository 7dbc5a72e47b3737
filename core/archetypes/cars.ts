/** Archetypes of car ESCs. Invented from end to end: order, names, numbers, colours, tones. */
import type { EscProfile } from '../esc/profile';
import { choices, grid, item, limits, onOff, profileOf, withNumber } from './build';

const CAR_RANGE = { brakeMicros: 1040, neutralMicros: 1500, forwardMicros: 1960 };

/** Alike on all of them. */
const CASE = { bridgeOhm: 0.0022, temperatureLimitC: 105 };

const keyed = (lamp: string) =>
  ({
    family: 'keyConfirmed',
    keyName: 'set',
    lamp,
    order: 'neutralForwardBrake',
    holdAtPowerOnMs: 3200,
    leastSpanMicros: 160,
    wrongOrder: 'learnedReversed',
    afterwards: 'restartByHand',
  }) as const;

const MODES = {
  forwardBrake: 'Ahead and brake',
  forwardBrakeReverse: 'Ahead, brake, back',
  forwardReverse: 'Ahead and back at once',
  forward: 'Ahead only',
};

/** What a driver of a small buggy, a basher or a show truck finds behind one key. */
export const oneKeyPattern: EscProfile = profileOf(
  {
    id: 'pattern-one-key',
    name: 'Pattern: one key',
    limits: limits(CASE, [2, 6], [80, 400], [4, 6, 7.4]),
    bootMs: 1700,
    factoryRange: CAR_RANGE,
    deadbandMicrosEachSide: 45,
    launchLimitActs: null,
    fullSignalShows: null,
    calibration: keyed('teal'),
    media: [
      {
        family: 'oneKey',
        keyName: 'set',
        enterHoldMs: 1300,
        openHoldMs: 2600,
        storeHoldMs: 2600,
        idleTimeoutMs: 22000,
        menuLamp: 'teal',
        valueLamp: 'amber',
        afterStore: 'restart',
      },
    ],
  },
  [
    item('Low volts', 'cutoff', 'voltsPerCell', ['off', 3.0, 3.15, 3.25, 3.35, 3.5], 4),
    choices('Trigger', 'runningMode', MODES, 2),
    item('Slow-down', 'dragBrake', 'percent', ['off', 4, 8, 12, 20, 30, 45, 70, 100], 1),
    item('Full brake', 'brakeStrength', 'percent', [20, 35, 45, 55, 65, 80, 90, 100], 5),
    item(
      'Hit',
      'launchStrength',
      'level',
      [
        ['Hit 1', 120],
        ['Hit 2', 200],
        ['Hit 3', 300],
        ['Hit 4', 420],
        ['Hit 5', 650],
        ['Hit 6', 1000],
      ],
      4,
    ),
    item('Back power', 'reversePower', 'percent', [25, 40, 50, 75], 2, {
      inactiveWhen: [{ kind: 'stops', itemId: 'trigger', stopIds: ['trigger-1', 'trigger-4'] }],
    }),
    item('Timing', 'advance', 'degrees', [0, 4, 8, 12, 16], 3),
    item('Switching', 'driveFrequency', 'kilohertz', [8, 12, 16], 1),
    item('Brake switching', 'brakeFrequency', 'kilohertz', [1, 2, 4], 2),
    item('Top power', 'forwardPower', 'percent', [50, 65, 80, 90, 100], 5),
    item('Servo volts', 'becVolts', 'volts', [6, 7.4], 1),
    choices('Turning', 'rotation', { normal: 'Normal', reversed: 'Reversed' }, 1),
    item('Heat stop', 'escTemperatureLimit', 'celsius', [100, 105, 110], 2),
    onOff('Waiting beeps', 'idleBeeps', 'on'),
  ],
);

/** What somebody on the rocks or the trail finds on a card with lamps. */
export const lampCardPattern: EscProfile = profileOf(
  {
    id: 'pattern-lamp-card',
    name: 'Pattern: card with lamps',
    limits: limits(CASE, [2, 4], [60, 240], [5, 5, 7.4]),
    bootMs: 1500,
    factoryRange: CAR_RANGE,
    deadbandMicrosEachSide: 40,
    launchLimitActs: null,
    fullSignalShows: null,
    calibration: {
      family: 'heldStill',
      keyName: 'mode',
      lamp: 'indigo',
      order: 'neutralForwardBrake',
      leastSpanMicros: 170,
      wrongOrder: 'refused',
      afterwards: 'restartsItself',
      holdMs: 2400,
      steadyMs: 1200,
      steadyToleranceMicros: 7,
      windowMs: 14000,
    },
    media: [
      {
        family: 'lampCard',
        itemKeyName: 'line',
        valueKeyName: 'change',
        okKeyName: 'write',
        resetKeyName: 'all new',
        wakeMs: 900,
        resetHoldMs: 2800,
        itemLamps: 'left row',
        valueLamps: 'right row',
      },
    ],
  },
  [
    item(
      'Ground',
      'other',
      'named',
      [
        ['Rocks', 'rocks'],
        ['Trail', 'trail'],
      ],
      1,
      {
        overwrites: [
          { stopId: 'ground-1', sets: { hold: 'hold-8', 'hold-rise': 'hold-rise-1' } },
          { stopId: 'ground-2', sets: { hold: 'hold-5', 'hold-rise': 'hold-rise-4' } },
        ],
      },
    ),
    choices(
      'Trigger',
      'runningMode',
      {
        forwardReverse: 'Both ways at once',
        forwardBrakeReverse: 'Brake, then back',
        forwardBrake: 'Brake only',
      },
      1,
    ),
    item('Hold', 'dragBrake', 'percent', ['off', 15, 30, 45, 60, 75, 90, 100], 8),
    item('Hold rise', 'dragRamp', 'seconds', [0.05, 0.2, 0.5, 1], 1),
    item('Breakaway', 'startPower', 'percent', [30, 45, 60, 75, 90, 100], 4),
    item('First step', 'startForce', 'percent', ['off', 1, 2, 4, 6], 1),
    item('Hold back', 'launchLimit', 'percent', ['off', 10, 20, 30, 40, 60], 1),
    item('Bend', 'throttleCurve', 'percent', [50, 40, 30, 20, 14], 2),
    item('Back power', 'reversePower', 'percent', [50, 60, 80, 100], 4),
    item('Back delay', 'reverseDelay', 'seconds', [0, 0.3, 0.8, 1.5], 1),
    item('Low volts', 'cutoff', 'voltsPerCell', ['off', 3.2, 3.3, 3.4, 3.5], 3),
    choices('Cells', 'cellCount', { 2: '2', 3: '3', 4: '4', auto: 'Count' }, 4),
    item('Timing', 'advance', 'degrees', [0, 6, 12], 1),
    item('Switching', 'driveFrequency', 'kilohertz', [8, 12, 16, 24], 2),
    item('Servo volts', 'becVolts', 'volts', [5, 6, 7.4], 2),
    choices(
      'Motor',
      'motorType',
      { sensored: 'Sensor', sensoredStart: 'Sensor, then without', sensorless: 'No sensor' },
      2,
      {
        inactiveWhen: [{ kind: 'model', fact: 'brushed' }],
      },
    ),
    onOff('Waiting beeps', 'idleBeeps', 'on'),
  ],
);

/** What a racer of a heavy buggy or a spec car reads on a box with text. */
export const textBoxPattern: EscProfile = profileOf(
  {
    id: 'pattern-text-box',
    name: 'Pattern: box with text',
    limits: limits(CASE, [2, 6], [150, 900], [6, 6, 8.4]),
    bootMs: 1900,
    factoryRange: CAR_RANGE,
    deadbandMicrosEachSide: 40,
    launchLimitActs: null,
    fullSignalShows: null,
    calibration: keyed('rose'),
    media: [
      {
        family: 'textBox',
        plug: 'Unplug the fan; the box goes into its socket, the notch up.',
        previousKeyName: 'up',
        nextKeyName: 'down',
        lowerKeyName: 'less',
        raiseKeyName: 'more',
        saveKeyName: 'keep',
        wakeMs: 1100,
        numberHoldMs: 1400,
        numberStepMs: 120,
      },
    ],
  },
  [
    choices(
      'Driving',
      'runningMode',
      { forwardBrake: 'Ahead and brake', forwardBrakeReverse: 'With reverse' },
      1,
      { renumbersMenu: true },
    ),
    item('Reverse wait', 'reverseDelay', 'seconds', [0.5, 1, 1.5, 2], 2),
    item('Reverse power', 'reversePower', 'percent', [20, 30, 40, 50], 2),
    item(
      'Launch',
      'launchStrength',
      'level',
      grid(1, 10, 1).map((n) => [`${n}`, 80 * n] as const),
      5,
    ),
    item('Power', 'forwardPower', 'percent', grid(50, 100, 5), 11),
    item('Neutral drag', 'dragBrake', 'percent', ['off', 3, 5, 7, 9, 11, 15, 20, 30], 4),
    item('Brake', 'brakeStrength', 'percent', grid(20, 100, 5), 9),
    item('Brake start', 'initialBrake', 'percent', [['As drag', 'sameAsDrag'], 0, 5, 10, 20, 30], 1),
    item('Brake pulse', 'brakeFrequency', 'kilohertz', [1, 2, 3, 4, 6, 8, 12], 2),
    item('Motor pulse', 'driveFrequency', 'kilohertz', [4, 6, 8, 10, 12, 16, 24], 3),
    item('Advance', 'advance', 'degrees', grid(0, 20, 2.5), 1),
    item('Boost', 'boost', 'degrees', ['off', 5, 10, 15, 20], 1, {
      inactiveWhen: [{ kind: 'stops', itemId: 'class-rule', stopIds: ['class-rule-1'] }],
    }),
    item('Turbo', 'turbo', 'degrees', ['off', 5, 10, 15, 20], 1, {
      inactiveWhen: [{ kind: 'stops', itemId: 'class-rule', stopIds: ['class-rule-1'] }],
    }),
    item(
      'Class rule',
      'other',
      'named',
      [
        ['No advance', 'none'],
        ['Open', 'open'],
      ],
      1,
    ),
    item('Cut volts', 'cutoff', 'voltsPerCell', ['off', 3, 3.1, 3.2, 3.3, 3.4, 3.5], 4),
    item('BEC', 'becVolts', 'volts', grid(6, 8.4, 0.2), 1),
    item('Deadband', 'deadband', 'millis', [0.02, 0.03, 0.045, 0.06, 0.09], 3),
    choices('Fan', 'fan', { auto: 'By heat', on: 'Always' }, 1, {
      inactiveWhen: [{ kind: 'model', fact: 'noFan' }],
    }),
    item('Heat stop', 'escTemperatureLimit', 'celsius', [95, 100, 105, 115], 3),
  ],
);

/** A box on which the cutoff may also be a number of one's own, for the whole pack. */
export const numberBoxPattern: EscProfile = profileOf(
  {
    id: 'pattern-number-box',
    name: 'Pattern: box with a number',
    limits: limits(CASE, [2, 6], [120, 700], [6, 6, 7.4]),
    bootMs: 1800,
    factoryRange: CAR_RANGE,
    deadbandMicrosEachSide: 40,
    launchLimitActs: null,
    fullSignalShows: 'The lamp goes from lit to blinking at exactly full.',
    calibration: keyed('lilac'),
    media: [
      {
        family: 'textBox',
        plug: 'The box goes into the socket beside the fan’s.',
        previousKeyName: 'above',
        nextKeyName: 'below',
        lowerKeyName: 'minus',
        raiseKeyName: 'plus',
        saveKeyName: 'store',
        wakeMs: 900,
        numberHoldMs: 1400,
        numberStepMs: 120,
      },
    ],
  },
  [
    choices('Trigger', 'runningMode', MODES, 2),
    withNumber(
      item('Empty at', 'cutoff', 'voltsPerCell', ['off', 3.1, 3.3, 3.5], 3),
      'packVolts',
      [4.4, 21, 0.1],
      (volts) => `Own ${volts.toFixed(1)} V`,
    ),
    item('Full brake', 'brakeStrength', 'percent', grid(25, 100, 12.5), 5),
    item('Drag', 'dragBrake', 'percent', ['off', 3, 6, 10, 16], 1),
    item(
      'Start',
      'launchStrength',
      'level',
      grid(1, 7, 1).map((n) => [`${n}`, 100 * n] as const),
      4,
    ),
    item('Timing', 'advance', 'degrees', [0, 5, 10, 15, 20], 2),
    item('Servo volts', 'becVolts', 'volts', [6, 6.6, 7.4], 1),
  ],
);

/** What somebody who tunes by the corner, or for one straight line, edits on a computer. */
export const linkPattern: EscProfile = profileOf(
  {
    id: 'pattern-link',
    name: 'Pattern: link only',
    limits: limits(CASE, [2, 4], [160, 1000], [5, 5, 7.4]),
    bootMs: 1200,
    factoryRange: CAR_RANGE,
    deadbandMicrosEachSide: 35,
    launchLimitActs: null,
    fullSignalShows: null,
    calibration: keyed('green'),
    media: [
      { family: 'link', plug: 'The adapter goes into the sensor-side socket, its arrow to the wires.' },
      {
        family: 'programForm',
        plug: 'The adapter goes into the sensor-side socket, then the pack on.',
        pages: [
          { title: 'Driving', itemIds: ['mode', 'launch', 'throttle-bend', 'motor-frequency'] },
          { title: 'Stopping', itemIds: ['drag', 'brake', 'brake-frequency'] },
          { title: 'Advance', itemIds: ['advance', 'boost', 'boost-from', 'boost-to', 'turbo'] },
        ],
        sendName: 'To the ESC',
        readName: 'From the ESC',
      },
    ],
  },
  [
    choices(
      'Mode',
      'runningMode',
      { forwardBrake: 'Ahead and brake', forwardBrakeReverse: 'With reverse' },
      1,
    ),
    choices('Motor', 'motorType', { sensored: 'Sensored', sensoredStart: 'Sensored start' }, 1),
    item('Throttle bend', 'throttleCurve', 'percent', grid(20, 60, 5), 7),
    item('Launch', 'launchStrength', 'rate', [150, 250, 400, 600, 900, 1500, 2500], 5),
    item('First softness', 'earlySoftening', 'degrees', [0, 2, 4, 6, 8, 10], 1),
    item('Softness until', 'earlySofteningUntil', 'percent', [10, 20, 30, 40], 2),
    item('Motor frequency', 'driveFrequency', 'kilohertz', [2, 4, 6, 8, 12, 16, 24, 32], 4),
    item('Advance', 'advance', 'degrees', grid(0, 30, 2), 1),
    item('Boost', 'boost', 'degrees', grid(0, 60, 4), 1),
    item('Boost from', 'boostStart', 'rpm', grid(3000, 18000, 3000), 2),
    item('Boost to', 'boostEnd', 'rpm', grid(15000, 50000, 5000), 3),
    item('Turbo', 'turbo', 'degrees', grid(0, 40, 4), 1),
    item('Turbo past', 'turboFrom', 'percent', [90, 95, 98, 100], 4),
    item('Turbo delay', 'turboDelay', 'seconds', [0, 0.1, 0.2, 0.35, 0.5], 3),
    item('Turbo on', 'turboOnRate', 'degreeRate', [3, 6, 9, 12, 18, 24], 3),
    item('Turbo off', 'turboOffRate', 'degreeRate', [3, 6, 9, 12, 18, 24], 4),
    item('Drag', 'dragBrake', 'percent', ['off', 2, 5, 8, 11, 15, 20], 2),
    item('Brake', 'brakeStrength', 'percent', grid(40, 100, 5), 9),
    item('Brake frequency', 'brakeFrequency', 'kilohertz', [1, 2, 4, 6, 8, 12], 3),
    item('Cut', 'cutoff', 'voltsPerCell', ['off', 3, 3.1, 3.2, 3.3], 3),
    item('BEC', 'becVolts', 'volts', [5, 6, 6.6, 7.4], 2),
    item('ESC heat', 'escTemperatureLimit', 'celsius', [90, 100, 110, 120], 2),
    item('Motor heat', 'motorTemperatureLimit', 'celsius', [80, 90, 100, 110], 3, {
      inactiveWhen: [{ kind: 'model', fact: 'noMotorTemperatureSensor' }],
    }),
    onOff('Log', 'dataLog', 'on'),
  ],
);

/**
 * Where a builder starts with each kind of model: ranges that common practice would accept. Snapped to the ESC's stops;
 * ratings, event rules and measurements win over them.
 */
import type { VehicleClass } from '../rig/vehicleClass';
import type { SettingId } from '../settings/vocabulary';
import type { Band, Rule, When } from './rule';

type Line = readonly [setting: SettingId, band: Band, reason: string, rest?: When & { mem?: true }];

const range = (low: number, high: number, aim?: number): Band =>
  aim === undefined ? { kind: 'range', low, high } : { kind: 'range', low, high, aim };
const ofStops = (low: number, high: number): Band => ({ kind: 'ofStops', low, high });
const choice = (name: string): Band => ({ kind: 'choice', choice: name });
const NONE = range(0, 0);

const KEEPS_CELLS = 'Gives up a tenth of the run for two to three times the life of the pack.';
const WAY_HOME = 'Low enough to come home on, high enough to spare the cells.';
const SOFT_ACTION = 'A motor that stops at once leaves no power for the way home.';
const LEAST_ADVANCE = 'Least advance: most pull for each ampere at walking pace.';
const NO_RACE_REVERSE = 'Most races forbid reverse, and pumping the brake must never engage it.';
const COOL_FREQUENCY = 'An ESC is coolest about there, and a propeller smooths the rest.';
const RUNS_OUT = 'A fixed propeller that is braked hard can loosen on its shaft; it may as well run out.';
const MANY_POLES = 'Motors with many poles on a propeller like 15 to 25 degrees.';
const FEW_POLES = 'A motor with few poles on a propeller wants little advance.';
const SETTLES = 'A little drag settles the car into a corner without upsetting it.';
const LAST_METRE = 'A race wants the last metre; below 3.0 V the cells pay for it.';
const SERVO_VOLTS = 'Fast enough for racing servos, where all that hangs on the bus allows it.';

const STYLES: Record<VehicleClass, readonly Line[]> = {
  crawler: [
    [
      'runningMode',
      choice('forwardReverse'),
      'A crawler rocks to and fro: reverse must come at once, and drag brake does the braking.',
    ],
    ['reversePower', range(100, 100), 'Getting down backwards needs as much as getting up.'],
    ['reverseDelay', NONE, 'Rocking a wheel free does not wait.'],
    ['startPower', range(70, 100), 'A permission, not a demand: it breaks away without stutter.'],
    [
      'throttleCurve',
      range(15, 30),
      'About 70 % trigger for 30 % output: fine where it crawls, all of it at the end.',
    ],
    ['driveFrequency', range(12, 16), 'Smooth at a crawl without heating the ESC for nothing.'],
    ['advance', NONE, LEAST_ADVANCE],
    [
      'dragBrake',
      range(20, 40, 30),
      'The magnets of this motor hold already: about 30 % is enough.',
      { motor: 'outrunner' },
    ],
    [
      'dragBrake',
      range(70, 100),
      'On rocks it must stop when the trigger is let go, and this motor’s magnets hold little.',
      { motor: 'inrunner' },
    ],
    ['dragBrake', range(50, 70), 'On rocks it must stop when the trigger is let go.', { motor: 'brushed' }],
    ['dragRamp', range(0, 0.15), 'On rocks the hold must come at once; on fast trails take a slow one.'],
    ['launchLimit', NONE, 'With a big pack nothing needs to be held back.', { smallPack: false }],
    ['cutoff', range(3.3, 3.5), KEEPS_CELLS],
  ],
  trailTruck: [
    ['runningMode', choice('forwardReverse'), 'At once both ways: a trail is walked to and fro.'],
    ['reversePower', range(60, 100), 'Enough to back out of a rut.'],
    ['launchLimit', range(0, 30), 'A truck with scale looks pulls away gently.', { smallPack: false }],
    ['driveFrequency', range(12, 16), 'Smooth and quiet at a walk.'],
    ['advance', NONE, LEAST_ADVANCE],
    ['dragBrake', range(50, 70), 'Holds on a slope without stopping dead on the flat.'],
    ['dragRamp', range(0.4, 1.2), 'A slow ramp: it rolls to a stop and does not nod.'],
    ['cutoff', range(3.3, 3.5), KEEPS_CELLS],
  ],
  eighthBuggy: [
    ['runningMode', choice('forwardBrake'), NO_RACE_REVERSE],
    ['reverseDelay', range(1, 2), 'At least a second, so that pumping the brake cannot engage it.'],
    ['launchStrength', ofStops(0.4, 0.6), 'Middling: enough to clear a jump, not so much that it digs.'],
    ['driveFrequency', range(6, 12), 'Direct at the trigger, and the ESC stays cool.'],
    ['advance', range(0, 5, 0), 'Gearing for the rest: advance heats a heavy car’s motor.'],
    ['boost', NONE, 'Off-road, gearing does it cooler.'],
    ['turbo', NONE, 'Off-road, gearing does it cooler.'],
    [
      'brakeStrength',
      range(45, 65, 50),
      'With a low brake frequency a moderate strength is firm when slow and gentle when fast.',
    ],
    ['brakeFrequency', range(2, 4, 2), 'Low: with a moderate strength it bites where the car is slow.'],
    ['dragBrake', range(6, 11), 'A heavy buggy wants just enough drag to turn in.'],
    ['cutoff', range(3, 3.1), LAST_METRE, { purposes: ['race'] }],
    ['cutoff', range(3.2, 3.5), KEEPS_CELLS, { purposes: ['practice', 'fun'] }],
    ['becVolts', range(6, 8.4, 7.4), SERVO_VOLTS],
  ],
  tenthBuggy: [
    ['runningMode', choice('forwardBrake'), NO_RACE_REVERSE, { purposes: ['race', 'practice'] }],
    [
      'runningMode',
      choice('forwardBrakeReverse'),
      'For fun, reverse gets it out of a hedge by itself.',
      { purposes: ['fun'] },
    ],
    [
      'launchStrength',
      ofStops(0.3, 0.6),
      'On loose ground a middling launch is quicker: more only spins the wheels.',
    ],
    ['driveFrequency', range(8, 16), 'Smooth enough for corners, and the ESC stays cool.'],
    ['advance', range(0, 10), 'A little: the rest is gearing.'],
    ['turbo', range(0, 10), 'A little on the straight, if the motor stays cool.', { mem: true }],
    ['dragBrake', range(5, 15), SETTLES],
    [
      'brakeStrength',
      range(60, 80),
      'Strong enough for a hairpin, short of sliding all the way.',
      { mem: true },
    ],
    ['cutoff', range(3.1, 3.2), LAST_METRE],
    ['becVolts', range(6, 7.4, 6), SERVO_VOLTS],
  ],
  specCircuit: [
    ['runningMode', choice('forwardBrake'), NO_RACE_REVERSE],
    ['launchStrength', ofStops(0.6, 1), 'Grip is there, and power is short.'],
    ['driveFrequency', range(4, 12), 'Direct: a spec motor has no punch to spare.', { mem: true }],
    ['advance', NONE, 'Spec classes run without advance.'],
    ['boost', NONE, 'Spec classes run without boost.'],
    ['turbo', NONE, 'Spec classes run without turbo.'],
    ['dragBrake', range(5, 15), SETTLES],
    ['brakeStrength', range(70, 100), 'Carpet and tarmac carry it.', { mem: true }],
    ['cutoff', range(3.1, 3.2), LAST_METRE],
    ['becVolts', range(6, 6.1, 6), 'What servos of these classes are made for.'],
  ],
  modifiedCircuit: [
    ['runningMode', choice('forwardBrake'), NO_RACE_REVERSE],
    [
      'earlySoftening',
      range(2, 6),
      'Takes advance out of the first part of the trigger: easier to drive, and cooler.',
    ],
    ['driveFrequency', range(12, 32, 16), 'Smooth: a modified motor has power to spare.'],
    ['boost', range(0, 20, 8), 'By the track; watch the temperatures.'],
    ['turbo', range(0, 20, 8), 'By the straight; watch the temperatures.'],
    ['dragBrake', range(5, 15), SETTLES],
    ['brakeStrength', range(60, 90), 'Firm, and short of sliding.', { mem: true }],
    ['cutoff', range(3.1, 3.2), LAST_METRE],
    ['becVolts', range(6, 7.4, 6), SERVO_VOLTS],
  ],
  sprint: [
    ['runningMode', choice('forwardBrake'), NO_RACE_REVERSE],
    ['launchStrength', ofStops(0.6, 1), 'There is one straight, and all of it counts.'],
    ['driveFrequency', range(2, 8), 'Direct: it runs at full duty anyway.', { mem: true }],
    ['boost', range(20, 60, 32), 'Much, and the motor is felt after every run.'],
    ['turbo', range(10, 40, 20), 'Much, and the motor is felt after every run.'],
    ['dragBrake', range(0, 5), 'It rolls out by itself.', { mem: true }],
    [
      'brakeStrength',
      range(50, 80),
      'From such speed a stronger brake mostly slides, and a sliding car does not steer.',
      { mem: true },
    ],
    ['cutoff', range(3, 3.2), LAST_METRE],
    ['becVolts', range(6, 6.1, 6), 'Steering a straight line needs no more.'],
  ],
  basher: [
    [
      'runningMode',
      choice('forwardBrakeReverse'),
      'Brake first, reverse after a second push: it gets itself out of a hedge.',
    ],
    ['reversePower', range(25, 50), 'Enough to get out, too little to break anything.'],
    ['launchStrength', ofStops(0.3, 0.6), 'A soft launch spares gears, and the pack sags less.'],
    ['driveFrequency', range(8, 12), 'Cool, with all that mass to move.'],
    ['advance', range(0, 15, 5), 'Some, if the motor stays cool.'],
    ['dragBrake', range(0, 40, 10), 'Anything that does not pitch it over.'],
    ['brakeStrength', range(75, 90), 'Fast and heavy on grip: it needs to stop.', { surfaces: ['grippy'] }],
    [
      'brakeStrength',
      range(50, 70),
      'Enough to stop on ground that carries some of it.',
      { surfaces: ['middling'], mem: true },
    ],
    [
      'brakeStrength',
      range(25, 50),
      'On loose ground a stronger brake slides most of the way, and stops hardly shorter.',
      { surfaces: ['loose'] },
    ],
    ['cutoff', range(3.3, 3.5), KEEPS_CELLS],
    ['becVolts', range(6, 6.1, 6), 'What most servos are made for.'],
  ],
  showTruck: [
    ['runningMode', choice('forwardBrakeReverse'), 'It drives about between its tricks.'],
    ['reversePower', range(50, 50), 'Half is enough to park.'],
    ['launchStrength', ofStops(0.3, 0.6), 'Middling: the hops are the show.'],
    ['forwardPower', range(45, 65, 50), 'It need not drive fast, and the servos want the pack.'],
    ['driveFrequency', range(16, 16), 'Quiet.'],
    ['advance', NONE, LEAST_ADVANCE],
    ['dragBrake', NONE, 'It must roll while it hops.'],
    ['brakeStrength', range(100, 100), 'It is slow; let it stop.'],
    ['cutoff', range(3.2, 3.3), 'Off only for the contest itself.'],
  ],
  sportPlane: [
    ['runningMode', choice('forward'), 'A propeller that turns backward in the air ends the flight.'],
    [
      'startAcceleration',
      range(0.5, 1),
      'Soft enough for gears, shaft and a model held by hand.',
      { mem: true },
    ],
    ['driveFrequency', range(8, 16), COOL_FREQUENCY],
    ['advance', range(15, 25, 18), MANY_POLES, { poles: 'many' }],
    ['advance', range(0, 10), FEW_POLES, { poles: 'few', mem: true }],
    ['propellerBrake', NONE, RUNS_OUT],
    ['cutoff', range(3.1, 3.3), WAY_HOME],
    ['cutoffAction', choice('reduce'), SOFT_ACTION],
  ],
  aerobaticPlane: [
    ['runningMode', choice('forward'), 'A propeller that turns backward in the air ends the flight.'],
    ['response', range(0, 0.15), 'Throttle at once, up and down.'],
    ['driveFrequency', range(8, 16), COOL_FREQUENCY],
    ['advance', range(15, 25, 18), MANY_POLES, { poles: 'many' }],
    ['advance', range(0, 10), FEW_POLES, { poles: 'few', mem: true }],
    ['propellerBrake', range(10, 35), 'A soft brake slows the model on its way down.', { mem: true }],
    ['freewheel', choice('on'), 'It follows the stick down as fast as up.'],
    ['cutoff', range(3.2, 3.3), WAY_HOME],
    ['cutoffAction', choice('reduce'), SOFT_ACTION],
  ],
  glider: [
    ['runningMode', choice('forward'), 'A propeller that turns backward in the air ends the flight.'],
    ['startAcceleration', range(1, 1.5), 'Blades unfold and hit nothing.'],
    ['driveFrequency', range(8, 16), COOL_FREQUENCY],
    ['advance', range(15, 25, 18), MANY_POLES],
    ['propellerBrake', range(60, 100, 100), 'Firm: the blades fold only when the shaft stands.'],
    ['cutoff', range(3.1, 3.3), WAY_HOME],
    ['cutoffAction', choice('reduce'), SOFT_ACTION],
  ],
  twinPlane: [
    ['runningMode', choice('forward'), 'A propeller that turns backward in the air ends the flight.'],
    ['startAcceleration', range(0.5, 1), 'Both alike, and soft enough for gears and shafts.', { mem: true }],
    ['driveFrequency', range(8, 16), COOL_FREQUENCY],
    ['advance', range(15, 25, 18), MANY_POLES, { poles: 'many' }],
    ['advance', range(0, 10), FEW_POLES, { poles: 'few', mem: true }],
    ['propellerBrake', NONE, RUNS_OUT],
    ['cutoff', range(3.1, 3.3), WAY_HOME],
    ['cutoffAction', choice('reduce'), SOFT_ACTION],
  ],
  helicopter: [
    ['runningMode', choice('forward'), 'A rotor turns one way.'],
    ['governor', choice('setRpm'), 'The governor holds the rotor; the stick holds the height.'],
    ['softStart', range(10, 15), 'A rotor spools up slowly: its gears and its mast carry it.'],
    ['driveFrequency', range(8, 16), COOL_FREQUENCY, { mem: true }],
    ['advance', range(15, 25, 18), MANY_POLES],
    ['propellerBrake', NONE, 'A rotor runs out; a brake twists the model.'],
    ['cutoff', range(3.2, 3.4), 'Early enough to land by.'],
    ['cutoffAction', choice('rampDown'), 'Never a hard stop: it must come down on its rotor.'],
  ],
  multirotor: [
    ['runningMode', choice('forward'), 'The flight controller asks for nothing else.'],
    ['freewheel', choice('on'), 'It has to slow its motors as fast as it speeds them up.'],
    ['response', range(0, 0.1), 'The flight controller asks hundreds of times a second.'],
    ['startAcceleration', range(0, 0.1), 'The flight controller asks hundreds of times a second.'],
    ['driveFrequency', range(24, 48), 'Small motors of low inductance want it high.', { mem: true }],
    ['advance', range(15, 22, 22), 'Usual for small motors with many poles.', { mem: true }],
    ['propellerBrake', NONE, 'Braked motors lag, and the flight controller fights them.'],
    [
      'cutoff',
      { kind: 'off' },
      'A motor that stops in the air ends the flight: the flight controller warns instead.',
      { mem: true },
    ],
  ],
  fastBoat: [
    ['runningMode', choice('forward'), 'A screw that backs up at speed breaks its shaft.'],
    [
      'startAcceleration',
      range(0.5, 1.2),
      'Soft: the screw bites without breaking its shaft.',
      { mem: true },
    ],
    ['driveFrequency', range(8, 12), 'Cool, under a closed deck.', { mem: true }],
    ['advance', range(5, 15), 'Usual on water-cooled motors.', { mem: true }],
    ['dragBrake', NONE, 'A screw runs out.'],
    ['propellerBrake', NONE, 'A screw runs out.'],
    ['cutoff', range(3.2, 3.4), 'The way home across the water.', { mem: true }],
    ['cutoffAction', choice('reduce'), SOFT_ACTION],
    ['becVolts', range(6, 6.1, 6), 'What most servos are made for.'],
  ],
  workingBoat: [
    ['runningMode', choice('forwardReverse'), 'A tug goes astern as readily as ahead.'],
    ['reversePower', range(50, 100), 'It stops by going astern.'],
    ['startAcceleration', range(0.8, 2), 'Soft: gears and shaft last.', { mem: true }],
    ['driveFrequency', range(12, 16), 'Quiet.', { mem: true }],
    ['advance', NONE, LEAST_ADVANCE, { mem: true }],
    ['dragBrake', NONE, 'A screw runs out.'],
    ['propellerBrake', NONE, 'A screw runs out.'],
    ['cutoff', range(3.2, 3.4), 'The way home across the water.', { mem: true }],
    ['cutoffAction', choice('reduce'), SOFT_ACTION],
    ['becVolts', range(6, 6.1, 6), 'What most servos are made for.'],
  ],
};

/** Every line as a rule. */
export const STYLE_RULES: readonly Rule[] = Object.entries(STYLES).flatMap(([vehicleClass, lines]) =>
  lines.map(([setting, band, reason, { mem, ...when } = {}], place): Rule => ({
    id: `${vehicleClass}-${setting}-${place}`,
    setting,
    priority: 'style',
    when: { ...when, classes: [vehicleClass as VehicleClass] },
    band,
    reason,
    source: mem ? 'from memory' : 'common practice',
  })),
);

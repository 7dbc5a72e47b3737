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

const KEEPS_CELLS = 'Costs a tenth of the run. The pack lives two to three times as long.';
const WAY_HOME = 'Low enough to come home, high enough to spare the cells.';
const SOFT_ACTION = 'A motor that stops at once cannot bring the model home.';
const LEAST_ADVANCE = 'Least timing gives the most pull per ampere at walking pace.';
const NO_RACE_REVERSE = 'Most races forbid reverse. Pumping the brake must never engage it.';
const COOL_FREQUENCY = 'An ESC is coolest around there, and a propeller smooths the rest.';
const RUNS_OUT = 'A hard brake can loosen a fixed propeller. Let it run out.';
const MANY_POLES = 'Motors with many poles on a propeller like 15 to 25 degrees.';
const FEW_POLES = 'A motor with few poles on a propeller wants little timing.';
const SETTLES = 'A little drag settles the car into a corner.';
const LAST_METRE = 'A race needs the last metre. Below 3.0 V the cells are harmed.';
const SERVO_VOLTS = 'Fast enough for racing servos, if everything on the bus allows it.';

const STYLES: Record<VehicleClass, readonly Line[]> = {
  crawler: [
    [
      'runningMode',
      choice('forwardReverse'),
      'A crawler rocks back and forth. Reverse must come at once; drag brake does the braking.',
    ],
    ['reversePower', range(100, 100), 'Backing down needs as much power as climbing.'],
    ['reverseDelay', NONE, 'Rocking a wheel free needs reverse at once.'],
    ['startPower', range(70, 100), 'It only allows more power: the model starts without stutter.'],
    [
      'throttleCurve',
      range(15, 30),
      'About 70 % trigger for 30 % output: fine control for crawling, full power at the end.',
    ],
    ['driveFrequency', range(12, 16), 'Smooth at a crawl without needless heat in the ESC.'],
    ['advance', NONE, LEAST_ADVANCE],
    [
      'dragBrake',
      range(20, 40, 30),
      'This motor’s magnets already hold: about 30 % is enough.',
      { motor: 'outrunner' },
    ],
    [
      'dragBrake',
      range(70, 100),
      'On rocks it must stop when you let go, and this motor’s magnets hold little.',
      { motor: 'inrunner' },
    ],
    ['dragBrake', range(50, 70), 'On rocks it must stop when you let go.', { motor: 'brushed' }],
    ['dragRamp', range(0, 0.15), 'On rocks it must hold at once. For fast trails choose a slow ramp.'],
    ['launchLimit', NONE, 'A big pack needs no launch limit.', { smallPack: false }],
    ['cutoff', range(3.3, 3.5), KEEPS_CELLS],
  ],
  trailTruck: [
    ['runningMode', choice('forwardReverse'), 'On a trail you go back and forth: both ways at once.'],
    ['reversePower', range(60, 100), 'Enough to back out of a rut.'],
    ['launchLimit', range(0, 30), 'A scale truck pulls away gently.', { smallPack: false }],
    ['driveFrequency', range(12, 16), 'Smooth and quiet at walking pace.'],
    ['advance', NONE, LEAST_ADVANCE],
    ['dragBrake', range(50, 70), 'Holds on a slope without stopping dead on the flat.'],
    ['dragRamp', range(0.4, 1.2), 'A slow ramp: it rolls to a stop without nodding.'],
    ['cutoff', range(3.3, 3.5), KEEPS_CELLS],
  ],
  eighthBuggy: [
    ['runningMode', choice('forwardBrake'), NO_RACE_REVERSE],
    ['reverseDelay', range(1, 2), 'At least a second, so that pumping the brake cannot engage it.'],
    ['launchStrength', ofStops(0.4, 0.6), 'Medium: enough to clear a jump, not so much that it digs in.'],
    ['driveFrequency', range(6, 12), 'Direct trigger feel, and the ESC stays cool.'],
    ['advance', range(0, 5, 0), 'Use gearing for the rest: timing heats the motor of a heavy car.'],
    ['boost', NONE, 'Off-road, gearing does it with less heat.'],
    ['turbo', NONE, 'Off-road, gearing does it with less heat.'],
    [
      'brakeStrength',
      range(45, 65, 50),
      'At a low brake frequency, medium strength is firm when slow and gentle when fast.',
    ],
    ['brakeFrequency', range(2, 4, 2), 'Low: with medium strength it bites when the car is slow.'],
    ['dragBrake', range(6, 11), 'A heavy buggy needs just enough drag to turn in.'],
    ['cutoff', range(3, 3.1), LAST_METRE, { purposes: ['race'] }],
    ['cutoff', range(3.2, 3.5), KEEPS_CELLS, { purposes: ['practice', 'fun'] }],
    ['becVolts', range(6, 8.4, 7.4), SERVO_VOLTS],
  ],
  tenthBuggy: [
    ['runningMode', choice('forwardBrake'), NO_RACE_REVERSE, { purposes: ['race', 'practice'] }],
    [
      'runningMode',
      choice('forwardBrakeReverse'),
      'For fun driving: reverse gets it out of a hedge.',
      { purposes: ['fun'] },
    ],
    [
      'launchStrength',
      ofStops(0.3, 0.6),
      'On loose ground a medium launch is quicker. More only spins the wheels.',
    ],
    ['driveFrequency', range(8, 16), 'Smooth enough for corners, and the ESC stays cool.'],
    ['advance', range(0, 10), 'A little. Use gearing for the rest.'],
    ['turbo', range(0, 10), 'A little on the straight, if the motor stays cool.', { mem: true }],
    ['dragBrake', range(5, 15), SETTLES],
    [
      'brakeStrength',
      range(60, 80),
      'Strong enough for a hairpin without sliding all the way.',
      { mem: true },
    ],
    ['cutoff', range(3.1, 3.2), LAST_METRE],
    ['becVolts', range(6, 7.4, 6), SERVO_VOLTS],
  ],
  specCircuit: [
    ['runningMode', choice('forwardBrake'), NO_RACE_REVERSE],
    ['launchStrength', ofStops(0.6, 1), 'There is grip, and power is short.'],
    ['driveFrequency', range(4, 12), 'Direct: a spec motor has no punch to spare.', { mem: true }],
    ['advance', NONE, 'Spec classes run without timing.'],
    ['boost', NONE, 'Spec classes run without boost.'],
    ['turbo', NONE, 'Spec classes run without turbo.'],
    ['dragBrake', range(5, 15), SETTLES],
    ['brakeStrength', range(70, 100), 'Carpet and tarmac have the grip for it.', { mem: true }],
    ['cutoff', range(3.1, 3.2), LAST_METRE],
    ['becVolts', range(6, 6.1, 6), 'Servos of these classes are made for it.'],
  ],
  modifiedCircuit: [
    ['runningMode', choice('forwardBrake'), NO_RACE_REVERSE],
    [
      'earlySoftening',
      range(2, 6),
      'Takes timing out of the first part of the trigger: easier to drive and cooler.',
    ],
    ['driveFrequency', range(12, 32, 16), 'Smooth: a modified motor has power to spare.'],
    ['boost', range(0, 20, 8), 'Depends on the track. Watch the temperatures.'],
    ['turbo', range(0, 20, 8), 'Depends on the straight. Watch the temperatures.'],
    ['dragBrake', range(5, 15), SETTLES],
    ['brakeStrength', range(60, 90), 'Firm, but without sliding.', { mem: true }],
    ['cutoff', range(3.1, 3.2), LAST_METRE],
    ['becVolts', range(6, 7.4, 6), SERVO_VOLTS],
  ],
  sprint: [
    ['runningMode', choice('forwardBrake'), NO_RACE_REVERSE],
    ['launchStrength', ofStops(0.6, 1), 'There is one straight, and all of it counts.'],
    ['driveFrequency', range(2, 8), 'Direct: it runs at full duty anyway.', { mem: true }],
    ['boost', range(20, 60, 32), 'A lot. Check the motor’s heat after every run.'],
    ['turbo', range(10, 40, 20), 'A lot. Check the motor’s heat after every run.'],
    ['dragBrake', range(0, 5), 'It rolls out by itself.', { mem: true }],
    [
      'brakeStrength',
      range(50, 80),
      'From such speed a stronger brake mostly slides, and a sliding car cannot steer.',
      { mem: true },
    ],
    ['cutoff', range(3, 3.2), LAST_METRE],
    ['becVolts', range(6, 6.1, 6), 'A straight run needs no more.'],
  ],
  basher: [
    [
      'runningMode',
      choice('forwardBrakeReverse'),
      'Brake first, reverse on the second push: it can back out of a hedge.',
    ],
    ['reversePower', range(25, 50), 'Enough to get out, too little to break anything.'],
    ['launchStrength', ofStops(0.3, 0.6), 'A soft launch spares the gears, and the pack sags less.'],
    ['driveFrequency', range(8, 12), 'Keeps the motor cool with all that mass to move.'],
    ['advance', range(0, 15, 5), 'Some, if the motor stays cool.'],
    ['dragBrake', range(0, 40, 10), 'As much as you like, if it does not pitch over.'],
    [
      'brakeStrength',
      range(75, 90),
      'Fast and heavy with good grip: it must stop.',
      { surfaces: ['grippy'] },
    ],
    [
      'brakeStrength',
      range(50, 70),
      'Enough to stop on ground with some grip.',
      { surfaces: ['middling'], mem: true },
    ],
    [
      'brakeStrength',
      range(25, 50),
      'On loose ground a stronger brake mostly slides and hardly stops shorter.',
      { surfaces: ['loose'] },
    ],
    ['cutoff', range(3.3, 3.5), KEEPS_CELLS],
    ['becVolts', range(6, 6.1, 6), 'What most servos are made for.'],
  ],
  showTruck: [
    ['runningMode', choice('forwardBrakeReverse'), 'It drives around between its hops.'],
    ['reversePower', range(50, 50), 'Half is enough to park.'],
    ['launchStrength', ofStops(0.3, 0.6), 'Medium: the hops are the show.'],
    ['forwardPower', range(45, 65, 50), 'It need not drive fast, and the servos need the pack.'],
    ['driveFrequency', range(16, 16), 'Quiet.'],
    ['advance', NONE, LEAST_ADVANCE],
    ['dragBrake', NONE, 'It must roll while it hops.'],
    ['brakeStrength', range(100, 100), 'It is slow, so let it stop.'],
    ['cutoff', range(3.2, 3.3), 'Off only for the contest itself.'],
  ],
  sportPlane: [
    ['runningMode', choice('forward'), 'A propeller that turns backward in the air ends the flight.'],
    [
      'startAcceleration',
      range(0.5, 1),
      'Soft enough for gears, shaft and a hand-held model.',
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
    ['propellerBrake', range(60, 100, 100), 'Firm: the blades fold only when the shaft stops.'],
    ['cutoff', range(3.1, 3.3), WAY_HOME],
    ['cutoffAction', choice('reduce'), SOFT_ACTION],
  ],
  twinPlane: [
    ['runningMode', choice('forward'), 'A propeller that turns backward in the air ends the flight.'],
    ['startAcceleration', range(0.5, 1), 'Both alike, and soft on gears and shafts.', { mem: true }],
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
    ['softStart', range(10, 15), 'A rotor must spool up slowly to spare gears and mast.'],
    ['driveFrequency', range(8, 16), COOL_FREQUENCY, { mem: true }],
    ['advance', range(15, 25, 18), MANY_POLES],
    ['propellerBrake', NONE, 'Let the rotor run out: a brake twists the model.'],
    ['cutoff', range(3.2, 3.4), 'Early enough to land by.'],
    ['cutoffAction', choice('rampDown'), 'Never a hard stop: it must land on its rotor.'],
  ],
  multirotor: [
    ['runningMode', choice('forward'), 'The flight controller needs exactly this.'],
    ['freewheel', choice('on'), 'It has to slow its motors as fast as it speeds them up.'],
    ['response', range(0, 0.1), 'The flight controller changes throttle hundreds of times a second.'],
    [
      'startAcceleration',
      range(0, 0.1),
      'The flight controller changes throttle hundreds of times a second.',
    ],
    ['driveFrequency', range(24, 48), 'Small motors with low inductance need it high.', { mem: true }],
    ['advance', range(15, 22, 22), 'Usual for small motors with many poles.', { mem: true }],
    ['propellerBrake', NONE, 'Braked motors lag, and the flight controller fights them.'],
    [
      'cutoff',
      { kind: 'off' },
      'A motor that stops in the air ends the flight. Let the flight controller warn instead.',
      { mem: true },
    ],
  ],
  fastBoat: [
    ['runningMode', choice('forward'), 'Reverse at speed breaks the shaft.'],
    [
      'startAcceleration',
      range(0.5, 1.2),
      'Soft: the screw bites without breaking the shaft.',
      { mem: true },
    ],
    ['driveFrequency', range(8, 12), 'Cool, under a closed deck.', { mem: true }],
    ['advance', range(5, 15), 'Usual on water-cooled motors.', { mem: true }],
    ['dragBrake', NONE, 'Let the screw run out.'],
    ['propellerBrake', NONE, 'Let the screw run out.'],
    ['cutoff', range(3.2, 3.4), 'The way home across the water.', { mem: true }],
    ['cutoffAction', choice('reduce'), SOFT_ACTION],
    ['becVolts', range(6, 6.1, 6), 'What most servos are made for.'],
  ],
  workingBoat: [
    ['runningMode', choice('forwardReverse'), 'A tug goes astern as often as ahead.'],
    ['reversePower', range(50, 100), 'It stops by going astern.'],
    ['startAcceleration', range(0.8, 2), 'Soft: gears and shaft last.', { mem: true }],
    ['driveFrequency', range(12, 16), 'Quiet.', { mem: true }],
    ['advance', NONE, LEAST_ADVANCE, { mem: true }],
    ['dragBrake', NONE, 'Let the screw run out.'],
    ['propellerBrake', NONE, 'Let the screw run out.'],
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

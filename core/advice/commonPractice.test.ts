import { describe, expect, it } from 'vitest';
import { SCHOOLS } from './disagreements';
import type { Band } from './rule';
import { GENERAL_RULES } from './generalRules';
import { STYLE_RULES } from './styleRules';

/** Common practice by class, as its table says it; lines for another purpose, ground or motor stand one after the other. */
const STYLES: Record<string, string> = {
  crawler: `
    runningMode forwardReverse; reversePower 100; reverseDelay 0; startPower 70..100; throttleCurve 15..30;
    driveFrequency 12..16; advance 0; dragBrake 20..40 at 30; dragBrake 70..100; dragBrake 50..70;
    dragRamp 0..0.15; launchLimit 0; cutoff 3.3..3.5
  `,
  trailTruck: `
    runningMode forwardReverse; reversePower 60..100; launchLimit 0..30; driveFrequency 12..16; advance 0;
    dragBrake 50..70; dragRamp 0.4..1.2; cutoff 3.3..3.5
  `,
  eighthBuggy: `
    runningMode forwardBrake; reverseDelay 1..2; launchStrength 0.4..0.6 of its stops; driveFrequency 6..12;
    advance 0..5 at 0; boost 0; turbo 0; brakeStrength 45..65 at 50; brakeFrequency 2..4 at 2; dragBrake 6..11;
    cutoff 3..3.1; cutoff 3.2..3.5; becVolts 6..8.4 at 7.4
  `,
  tenthBuggy: `
    runningMode forwardBrake; runningMode forwardBrakeReverse; launchStrength 0.3..0.6 of its stops;
    driveFrequency 8..16; advance 0..10; turbo 0..10; dragBrake 5..15; brakeStrength 60..80; cutoff 3.1..3.2;
    becVolts 6..7.4 at 6
  `,
  specCircuit: `
    runningMode forwardBrake; launchStrength 0.6..1 of its stops; driveFrequency 4..12; advance 0; boost 0;
    turbo 0; dragBrake 5..15; brakeStrength 70..100; cutoff 3.1..3.2; becVolts 6..6.1 at 6
  `,
  modifiedCircuit: `
    runningMode forwardBrake; earlySoftening 2..6; driveFrequency 12..32 at 16; boost 0..20 at 8;
    turbo 0..20 at 8; dragBrake 5..15; brakeStrength 60..90; cutoff 3.1..3.2; becVolts 6..7.4 at 6
  `,
  sprint: `
    runningMode forwardBrake; launchStrength 0.6..1 of its stops; driveFrequency 2..8; boost 20..60 at 32;
    turbo 10..40 at 20; dragBrake 0..5; brakeStrength 50..80; cutoff 3..3.2; becVolts 6..6.1 at 6
  `,
  basher: `
    runningMode forwardBrakeReverse; reversePower 25..50; launchStrength 0.3..0.6 of its stops;
    driveFrequency 8..12; advance 0..15 at 5; dragBrake 0..40 at 10; brakeStrength 75..90; brakeStrength 50..70; brakeStrength 25..50;
    cutoff 3.3..3.5; becVolts 6..6.1 at 6
  `,
  showTruck: `
    runningMode forwardBrakeReverse; reversePower 50; launchStrength 0.3..0.6 of its stops;
    forwardPower 45..65 at 50; driveFrequency 16; advance 0; dragBrake 0; brakeStrength 100; cutoff 3.2..3.3
  `,
  sportPlane: `
    runningMode forward; startAcceleration 0.5..1; driveFrequency 8..16; advance 15..25 at 18; advance 0..10;
    propellerBrake 0; cutoff 3.1..3.3; cutoffAction reduce
  `,
  aerobaticPlane: `
    runningMode forward; response 0..0.15; driveFrequency 8..16; advance 15..25 at 18; advance 0..10;
    propellerBrake 10..35; freewheel on; cutoff 3.2..3.3; cutoffAction reduce
  `,
  glider: `
    runningMode forward; startAcceleration 1..1.5; driveFrequency 8..16; advance 15..25 at 18;
    propellerBrake 60..100 at 100; cutoff 3.1..3.3; cutoffAction reduce
  `,
  twinPlane: `
    runningMode forward; startAcceleration 0.5..1; driveFrequency 8..16; advance 15..25 at 18; advance 0..10;
    propellerBrake 0; cutoff 3.1..3.3; cutoffAction reduce
  `,
  helicopter: `
    runningMode forward; governor setRpm; softStart 10..15; driveFrequency 8..16; advance 15..25 at 18;
    propellerBrake 0; cutoff 3.2..3.4; cutoffAction rampDown
  `,
  multirotor: `
    runningMode forward; freewheel on; response 0..0.1; startAcceleration 0..0.1; driveFrequency 24..48;
    advance 15..22 at 22; propellerBrake 0; cutoff off
  `,
  fastBoat: `
    runningMode forward; startAcceleration 0.5..1.2; driveFrequency 8..12; advance 5..15; dragBrake 0;
    propellerBrake 0; cutoff 3.2..3.4; cutoffAction reduce; becVolts 6..6.1 at 6
  `,
  workingBoat: `
    runningMode forwardReverse; reversePower 50..100; startAcceleration 0.8..2; driveFrequency 12..16; advance 0;
    dragBrake 0; propellerBrake 0; cutoff 3.2..3.4; cutoffAction reduce; becVolts 6..6.1 at 6
  `,
};

/** What each side of a disagreement sets. Common practice. */
const SIDES: Record<string, string> = {
  cutoff: 'keep cutoff 3.4..3.5; usual cutoff 3.2..3.3; lastMetre cutoff 3..3.1; off cutoff off',
  brake: `
    moderateLow brakeStrength 45..65 at 50, brakeFrequency 2..4 at 2;
    strongHigh brakeStrength 70..80 at 80, brakeFrequency 4..10 at 8
  `,
  driveFrequency: 'moderate driveFrequency 8..12; high driveFrequency 16..32',
  topSpeed: `
    gearing advance 0, boost 0, turbo 0; static advance 8..16, boost 0, turbo 0;
    boost advance 0..5, boost 8..32 at 16, turbo 8..20 at 12
  `,
  poleAdvance: 'more advance 15..25 at 15; least advance 0..5 at 0',
  launchLimit: 'limited launchLimit 20..40 at 30; none launchLimit 0',
  startPower: 'high startPower 70..100; low startPower 20..50',
  drag: 'none dragBrake 0; slight dragBrake 5..15; strong dragBrake 50..100 at 80',
  dragRamp: 'fast dragRamp 0..0.15; slow dragRamp 0.4..2',
  raceReverse: `
    removed runningMode forwardBrake; delayed runningMode forwardBrakeReverse, reverseDelay 1..2 at 1
  `,
  reversePower: 'full reversePower 80..100 at 100; tame reversePower 25..60 at 50',
  motorStart: `
    sensored motorType sensored; sensoredStart motorType sensoredStart; sensorless motorType sensorless
  `,
  becVolts: 'six becVolts 5..6.1 at 6; more becVolts 6.6..8.4 at 7.4',
};

/** What holds for more than one kind of model. Limits of nickel and iron cells are from memory. */
const GENERAL: Record<string, string> = {
  'event-advance': 'advance 0',
  'event-boost': 'boost 0',
  'event-turbo': 'turbo 0',
  'event-reverse': 'runningMode forwardBrake',
  'nimh-cutoff': 'cutoff 0.85..1',
  'iron-cutoff': 'cutoff 2.6..3',
  'loose-launch': 'launchStrength 0.15..0.4 of its stops',
  'loose-power': 'forwardPower 90..95',
  'full-power': 'forwardPower 100',
  'usual-deadband': 'deadband 30..60 at 50',
  'usual-heat': 'escTemperatureLimit 95..105 at 100',
  'protect-current': 'currentProtection on',
  'keep-error-beeps': 'errorBeeps on',
  'lost-signal': 'signalLossAction stop',
  'lost-signal-wait': 'signalLossDelay 0.25..0.5 at 0.3',
  'launch-with-small-pack': 'launchLimit 20..40 at 30',
  'cells-of-the-pack': 'cellCount its cells',
  'no-sensors': 'motorType sensorless',
  'fast-both-ways': 'runningMode forwardBrakeReverse',
  'fast-drag-comes-slowly': 'dragRamp 0.4..2 at 1',
  'fast-drag-is-gentle': 'dragBrake 20..45 at 30',
  'end-bell-advance': 'advance 0',
  'end-bell-boost': 'boost 0',
  'end-bell-turbo': 'turbo 0',
};

function written(band: Band): string {
  switch (band.kind) {
    case 'range': {
      const range = band.low === band.high ? `${band.low}` : `${band.low}..${band.high}`;
      return band.aim === undefined ? range : `${range} at ${band.aim}`;
    }
    case 'ofStops':
      return `${band.low}..${band.high} of its stops`;
    case 'choice':
      return band.choice;
    case 'off':
      return 'off';
    case 'cells':
      return 'its cells';
  }
}

const oneLine = (text: string): string => text.trim().replaceAll(/\s+/g, ' ');

describe('advised bands are those of common practice, to the number', () => {
  it.each(Object.entries(STYLES))('%s', (vehicleClass, expected) => {
    const rules = STYLE_RULES.filter(({ when }) => when.classes?.[0] === vehicleClass);
    const said = rules.map(({ setting, band }) => `${setting} ${written(band)}`);
    expect(said.join('; ')).toBe(oneLine(expected));
  });

  it.each(Object.entries(SIDES))('the sides of %s', (id, expected) => {
    const sides = SCHOOLS.find((school) => school.id === id)!.sides.map(({ id: side, sets }) => {
      const bands = Object.entries(sets).map(([setting, band]) => `${setting} ${written(band)}`);
      return `${side} ${bands.join(', ')}`;
    });
    expect(sides.join('; ')).toBe(oneLine(expected));
  });

  it('whatever the class', () => {
    const said = GENERAL_RULES.map(({ id, setting, band }) => [id, `${setting} ${written(band)}`]);
    expect(Object.fromEntries(said)).toEqual(GENERAL);
  });
});

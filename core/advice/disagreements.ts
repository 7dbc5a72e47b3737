/**
 * Where practitioners disagree: each question with its sides, what each side sets, and which numbers tell what it costs on
 * a rig. Common practice.
 */
import type { NumberRef } from '../physics/drills/numberIds';
import type { VehicleClass } from '../rig/vehicleClass';
import type { SettingId } from '../settings/vocabulary';
import { RACERS } from './goals';
import type { Band } from './rule';

export interface Side {
  id: string;
  name: string;
  sets: Partial<Record<SettingId, Band>>;
  because: string;
}

export interface School {
  id: string;
  question: string;
  /** The only classes that it is asked of; all where left out. */
  classes?: readonly VehicleClass[];
  /** Classes that it is not asked of. */
  not?: readonly VehicleClass[];
  sides: readonly Side[];
  /** What is shown of each side on a rig; those that its kind of model has. */
  tells: readonly NumberRef[];
}

const range = (low: number, high: number, aim?: number): Band =>
  aim === undefined ? { kind: 'range', low, high } : { kind: 'range', low, high, aim };
const choice = (name: string): Band => ({ kind: 'choice', choice: name });
const NONE = range(0, 0);

export const SCHOOLS: readonly School[] = [
  {
    id: 'cutoff',
    question: 'How far down may the pack go?',
    sides: [
      {
        id: 'keep',
        name: 'keep the cells',
        sets: { cutoff: range(3.4, 3.5) },
        because: 'Two to three times the cycle life.',
      },
      {
        id: 'usual',
        name: 'the usual',
        sets: { cutoff: range(3.2, 3.3) },
        because: 'Most of the run, and the cells last a season.',
      },
      {
        id: 'lastMetre',
        name: 'the last metre',
        sets: { cutoff: range(3, 3.1) },
        because: 'For a race decided in its last minute.',
      },
      {
        id: 'off',
        name: 'off',
        sets: { cutoff: { kind: 'off' } },
        because: 'Only for a final or a contest. Put it back the same day: it ruins packs.',
      },
    ],
    tells: [
      ['stint', 'runs'],
      ['stint', 'lowestCell'],
      ['stint', 'tooFar'],
    ],
  },
  {
    id: 'brake',
    question: 'Moderate brake at a low frequency, or strong at a high one?',
    sides: [
      {
        id: 'moderateLow',
        name: 'moderate and low',
        sets: { brakeStrength: range(45, 65, 50), brakeFrequency: range(2, 4, 2) },
        because: 'Gentler when fast, firmer when slow.',
      },
      {
        id: 'strongHigh',
        name: 'strong and high',
        sets: { brakeStrength: range(70, 80, 80), brakeFrequency: range(4, 10, 8) },
        because: 'Smooth, and strong when fast.',
      },
    ],
    tells: [
      ['brake', 'stop'],
      ['brake', 'stopSlow'],
      ['brake', 'bite'],
    ],
  },
  {
    id: 'driveFrequency',
    question: 'Drive frequency high or moderate?',
    sides: [
      {
        id: 'moderate',
        name: 'moderate',
        sets: { driveFrequency: range(8, 12) },
        because: 'Direct, and the ESC stays cool.',
      },
      {
        id: 'high',
        name: 'high',
        sets: { driveFrequency: range(16, 32) },
        because: 'Smooth and quiet; more heat in the ESC.',
      },
    ],
    tells: [
      ['heatMap', 'now'],
      ['heatMap', 'esc'],
    ],
  },
  {
    id: 'topSpeed',
    question: 'Where does top speed come from?',
    not: ['specCircuit'],
    sides: [
      {
        id: 'gearing',
        name: 'from gearing',
        sets: { advance: NONE, boost: NONE, turbo: NONE },
        because: 'The coolest way: change the pinion.',
      },
      {
        id: 'static',
        name: 'from timing',
        sets: { advance: range(8, 16), boost: NONE, turbo: NONE },
        because: 'A little at every speed, no surprises.',
      },
      {
        id: 'boost',
        name: 'from boost and turbo',
        sets: { advance: range(0, 5), boost: range(8, 32, 16), turbo: range(8, 20, 12) },
        because: 'Only at speed. Check the motor’s heat after every run.',
      },
    ],
    tells: [
      ['topSpeed', 'top'],
      ['topSpeed', 'heat'],
      ['throttle', 'thrust'],
    ],
  },
  {
    id: 'poleAdvance',
    question: 'More timing for many poles, or the least for crawling?',
    not: ['specCircuit'],
    sides: [
      {
        id: 'more',
        name: 'more for many poles',
        sets: { advance: range(15, 25, 15) },
        because: 'Outrunners on propellers run cleanly on it, with more rpm.',
      },
      {
        id: 'least',
        name: 'the least',
        sets: { advance: range(0, 5, 0) },
        because: 'Most torque per ampere and the smoothest crawl.',
      },
    ],
    tells: [
      ['crawl', 'leastSpeed'],
      ['topSpeed', 'top'],
      ['throttle', 'thrust'],
    ],
  },
  {
    id: 'launchLimit',
    question: 'Hold the launch back, or not at all?',
    sides: [
      {
        id: 'limited',
        name: 'by about 30 %',
        sets: { launchLimit: range(20, 40, 30) },
        because: 'A small pack does not brown out when a wheel is stuck.',
      },
      {
        id: 'none',
        name: 'not at all',
        sets: { launchLimit: NONE },
        because: 'Full launch, but the pack must take it.',
      },
    ],
    tells: [
      ['launch', 'stalled'],
      ['launch', 'to20'],
      ['spoolUp', 'stalled'],
    ],
  },
  {
    id: 'startPower',
    question: 'Start power high or low?',
    sides: [
      {
        id: 'high',
        name: 'high',
        sets: { startPower: range(70, 100) },
        because: 'Only allows more power: less stutter.',
      },
      {
        id: 'low',
        name: 'low',
        sets: { startPower: range(20, 50) },
        because: 'No jerks, and easy on gears.',
      },
    ],
    tells: [
      ['launch', 'stalled'],
      ['launch', 'to5'],
    ],
  },
  {
    id: 'drag',
    question: 'How much drag brake?',
    sides: [
      { id: 'none', name: 'none', sets: { dragBrake: NONE }, because: 'It rolls; you brake yourself.' },
      {
        id: 'slight',
        name: 'slight',
        sets: { dragBrake: range(5, 15) },
        because: 'It settles into corners by itself.',
      },
      {
        id: 'strong',
        name: 'strong',
        sets: { dragBrake: range(50, 100, 80) },
        because: 'It stops where the trigger is let go.',
      },
    ],
    tells: [
      ['letGo', 'toWalking'],
      ['letGo', 'pitch'],
      ['slope', 'creep'],
    ],
  },
  {
    id: 'dragRamp',
    question: 'Drag brake at once, or slowly?',
    sides: [
      {
        id: 'fast',
        name: 'at once',
        sets: { dragRamp: range(0, 0.15) },
        because: 'On rocks it must hold at once.',
      },
      {
        id: 'slow',
        name: 'slowly',
        sets: { dragRamp: range(0.4, 2) },
        because: 'A fast car does not pitch over.',
      },
    ],
    tells: [
      ['letGo', 'toWalking'],
      ['letGo', 'fromWalking'],
    ],
  },
  {
    id: 'raceReverse',
    question: 'Reverse in a race car: removed or delayed?',
    classes: RACERS,
    sides: [
      {
        id: 'removed',
        name: 'removed',
        sets: { runningMode: choice('forwardBrake') },
        because: 'It cannot engage by mistake, and most rules require it.',
      },
      {
        id: 'delayed',
        name: 'delayed',
        sets: { runningMode: choice('forwardBrakeReverse'), reverseDelay: range(1, 2, 1) },
        because: 'The car can back out of the fence.',
      },
    ],
    tells: [
      ['backUp', 'backs'],
      ['backUp', 'reverseTop'],
    ],
  },
  {
    id: 'reversePower',
    question: 'Reverse full or tame?',
    sides: [
      {
        id: 'full',
        name: 'full',
        sets: { reversePower: range(80, 100, 100) },
        because: 'Backing up needs as much power as going forward.',
      },
      {
        id: 'tame',
        name: 'tame',
        sets: { reversePower: range(25, 60, 50) },
        because: 'Fast backward is hard to drive.',
      },
    ],
    tells: [
      ['backUp', 'reverseTop'],
      ['backUp', 'firstMetres'],
    ],
  },
  {
    id: 'motorStart',
    question: 'By sensors throughout, or only to start?',
    sides: [
      {
        id: 'sensored',
        name: 'throughout',
        sets: { motorType: choice('sensored') },
        because: 'Smooth at every speed; a broken wire stops the model.',
      },
      {
        id: 'sensoredStart',
        name: 'only to start',
        sets: { motorType: choice('sensoredStart') },
        because: 'A noisy sensor cannot disturb it at speed.',
      },
      {
        id: 'sensorless',
        name: 'without',
        sets: { motorType: choice('sensorless') },
        because: 'One lead less to break.',
      },
    ],
    tells: [
      ['crawl', 'leastSpeed'],
      ['crawl', 'leastTrigger'],
    ],
  },
  {
    id: 'becVolts',
    question: 'Servo voltage for life, or for speed?',
    sides: [
      { id: 'six', name: '6 V', sets: { becVolts: range(5, 6.1, 6) }, because: 'Servos live longer.' },
      {
        id: 'more',
        name: 'as much as all allow',
        sets: { becVolts: range(6.6, 8.4, 7.4) },
        because: 'Servos are faster and stronger.',
      },
    ],
    tells: [
      ['supply', 'lowest'],
      ['supply', 'most'],
    ],
  },
];

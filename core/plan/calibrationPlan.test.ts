import { found } from './found.fixture';
import { describe, expect, it } from 'vitest';
import { act, factoryMemory, placeOnBench } from '../device/simulatedEsc';
import { smallProfile, toneProfile } from '../esc/smallProfile.fixture';
import { escMachine } from '../procedure/escMachine';
import { initialConfig } from '../procedure/step';
import { rangeOf, type ThrottleChannel } from '../radio/pulse';
import { instructionFor } from './instruction';
import { planCalibration } from './calibrationPlan';

const channel: ThrottleChannel = {
  rest: 'centre',
  centreMicros: 1510,
  travelMicros: 480,
  forwardEndPointPercent: 95,
  brakeEndPointPercent: 85,
  subTrimMicros: 4,
  trimMicros: 0,
  reversed: false,
  expoPercent: 0,
  stepMicros: 1,
  frameMs: 20,
  jitterMicros: null,
};
const profile = smallProfile();
const machine = escMachine(profile);
const start = initialConfig(machine, factoryMemory(profile), rangeOf(channel).neutralMicros);

describe('planning a calibration', () => {
  it('teaches this radio’s range', () => {
    expect(found(planCalibration(machine, start, rangeOf(channel))).at(-1)!.end.memory.range).toEqual(
      rangeOf(channel),
    );
  });

  it('says what the hand does, in order', () => {
    const words = found(planCalibration(machine, start, rangeOf(channel))).map((gesture) => {
      const { before, key, after } = instructionFor(profile, channel, gesture);
      return [before, key, after].filter(Boolean).join(' ');
    });
    expect(words).toEqual([
      'Hold set and switch the ESC on.',
      'Press set once.',
      'Pull the trigger full forward.',
      'Press set once.',
      'Push the trigger to full brake.',
      'Press set once.',
    ]);
  });

  it('starts over when a wrong point was taken', () => {
    let esc = placeOnBench(profile, factoryMemory(profile), start.stickMicros + 30);
    for (const input of [
      { type: 'down', key: 'set' },
      { type: 'power', on: true },
      { type: 'elapsed', ms: 3000 },
      { type: 'up', key: 'set' },
      { type: 'down', key: 'set' },
      { type: 'up', key: 'set' },
    ] as const) {
      esc = act(esc, input).esc;
    }
    const [first] = found(planCalibration(machine, esc.config, rangeOf(channel)));
    expect(first).toMatchObject({ kind: 'power', on: false });
  });

  it('has no way where the ends are too near to neutral', () => {
    expect(planCalibration(machine, start, rangeOf({ ...channel, brakeEndPointPercent: 20 }))).toBe('noWay');
  });

  it('with the stick at power-on: up, on, down, and rest', () => {
    const flying: ThrottleChannel = { ...channel, rest: 'low', brakeEndPointPercent: 95 };
    const plane = toneProfile();
    const machineOfPlane = escMachine(plane);
    const atRest = initialConfig(machineOfPlane, factoryMemory(plane), rangeOf(flying).neutralMicros);
    const gestures = found(planCalibration(machineOfPlane, atRest, rangeOf(flying)));
    expect(gestures.at(-1)!.end.memory.range).toEqual(rangeOf(flying));
    const words = gestures.map((gesture) => instructionFor(plane, flying, gesture).before);
    expect(words).toEqual(['Stick all the way up.', 'Switch the ESC on.', 'Stick all the way down.']);
    expect(gestures.at(-1)).toMatchObject({ kind: 'stick', keepMs: 1000, withinMs: 5000 });
  });

  it('does not exist with the stick at power-on where the radio never gets that high', () => {
    const weak: ThrottleChannel = { ...channel, rest: 'low', forwardEndPointPercent: 30 };
    const plane = toneProfile();
    const machineOfPlane = escMachine(plane);
    const atRest = initialConfig(machineOfPlane, factoryMemory(plane), rangeOf(weak).neutralMicros);
    expect(planCalibration(machineOfPlane, atRest, rangeOf(weak))).toBe('noWay');
  });
});

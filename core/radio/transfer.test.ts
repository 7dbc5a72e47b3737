import { describe, expect, it } from 'vitest';
import { defaultRig } from '../rig/defaults';
import { positionAt, pulseMicros } from './pulse';
import { limitingCompared, transferOf } from './transfer';

const { channel } = defaultRig('tenthBuggy');
const range = { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 };
const full = { forward: 1, brake: 1 };

describe('from trigger to duty', () => {
  const at = (points: ReturnType<typeof transferOf>, trigger: number): number =>
    points.find((p) => Math.abs(p.trigger - trigger) < 1e-9)!.output;

  it('multiplies end point and power: forward 60 % with 50 % power is 30 % (common practice)', () => {
    const points = transferOf(
      { ...channel, forwardEndPointPercent: 60 },
      range,
      0,
      { forward: 0.5, brake: 1 },
      10,
    );
    expect(at(points, 1)).toBeCloseTo(0.3, 9);
  });

  it('brake 50 % × 80 % is 40 %, 80 % × 70 % is 56 % (common practice)', () => {
    const brake = (strength: number, brakeEndPointPercent: number): number =>
      at(transferOf({ ...channel, brakeEndPointPercent }, range, 0, { forward: 1, brake: strength }, 10), -1);
    expect(brake(0.5, 80)).toBeCloseTo(-0.4, 9);
    expect(brake(0.8, 70)).toBeCloseTo(-0.56, 9);
  });

  it('a stick that rests low goes from 0 to 1', () => {
    const points = transferOf(
      { ...channel, rest: 'low' },
      { ...range, brakeMicros: 1000, neutralMicros: 1000 },
      0,
      full,
      4,
    );
    expect(points.map(({ trigger, output }) => [trigger, output])).toEqual([
      [0, 0],
      [0.25, 0.25],
      [0.5, 0.5],
      [0.75, 0.75],
      [1, 1],
    ]);
  });

  it('expo softens the middle and keeps the ends', () => {
    const soft = transferOf({ ...channel, expoPercent: 50 }, range, 0, full, 4);
    expect(at(soft, 0.5)).toBeCloseTo(0.5 * 0.5 + 0.5 * 0.125, 9);
    expect([at(soft, 1), at(soft, 0), at(soft, -1)]).toEqual([1, 0, -1]);
  });

  it('a position and its pulse are each other the other way round', () => {
    for (const radio of [
      channel,
      { ...channel, reversed: true, expoPercent: 80 },
      { ...channel, expoPercent: -50 },
    ])
      for (const position of [-1, -0.6, 0, 0.25, 1])
        expect(positionAt(radio, pulseMicros(radio, position))).toBeCloseTo(position, 5);
  });
});

describe('a radio that reaches full, or just does not', () => {
  const reaches = (percent: number) =>
    limitingCompared({ ...channel, forwardEndPointPercent: percent }, range, 0, 1).inEsc;

  it('counts as full from 99.5 % of the signal on', () => {
    expect(reaches(99.5).fullSignalArrives).toBe(true);
    expect(reaches(99.4).fullSignalArrives).toBe(false);
  });

  it('and one that runs the other way is counted the other way round', () => {
    const turned = { ...channel, reversed: true };
    const learned = { brakeMicros: 2000, neutralMicros: 1500, forwardMicros: 1000 };
    const there = limitingCompared(turned, learned, 30, 0.6);
    const here = limitingCompared(channel, range, 30, 0.6);
    expect(there.forwardEndPointPercent).toBeCloseTo(here.forwardEndPointPercent, 9);
    expect(there.atRadio.topDuty).toBeCloseTo(here.atRadio.topDuty, 9);
    expect(there.inEsc.positions).toBe(here.inEsc.positions);
    expect(there.atRadio.liveTravel).toBeCloseTo(here.atRadio.liveTravel, 9);
  });
});

describe('limiting at the radio against limiting in the ESC', () => {
  const { atRadio, inEsc, forwardEndPointPercent } = limitingCompared(channel, range, 30, 0.6);

  it('gives the same top speed', () => {
    expect(atRadio.topDuty).toBeCloseTo(0.6, 9);
    expect(inEsc.topDuty).toBeCloseTo(0.6, 9);
    expect(forwardEndPointPercent).toBeCloseTo(62.4, 6);
  });

  it('but not the same thing: full signal, resolution, and what a recalibration does (common practice)', () => {
    expect([atRadio.fullSignalArrives, inEsc.fullSignalArrives]).toEqual([false, true]);
    expect(atRadio.positions).toBeLessThan(inEsc.positions);
    // A limit that leaves nothing has no position, and no half one.
    const none = limitingCompared({ ...channel, stepMicros: 7 }, range, 30, 0);
    expect([none.atRadio.positions, none.inEsc.positions]).toEqual([0, 67]);
    expect(inEsc.positions).toBe(Math.floor(470 / channel.stepMicros));
    expect(atRadio.positions).toBe(Math.floor(282 / channel.stepMicros));
    // Of 500 µs, 30 are dead; of the 312 that are left at the radio, 30 are.
    expect(inEsc.liveTravel).toBeCloseTo(0.94, 9);
    expect(atRadio.liveTravel).toBeCloseTo(1 - 30 / 312, 9);
    expect([atRadio.topDutyRecalibrated, inEsc.topDutyRecalibrated]).toEqual([1, 0.6]);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pulseMicros, throttleFraction, type LearnedRange, type ThrottleChannel } from './pulse';
import { asymmetryOf, liveShare, travelReport } from './travel';

const plain: ThrottleChannel = {
  rest: 'centre',
  centreMicros: 1500,
  travelMicros: 500,
  forwardEndPointPercent: 100,
  brakeEndPointPercent: 100,
  subTrimMicros: 0,
  trimMicros: 0,
  reversed: false,
  expoPercent: 0,
  stepMicros: 1,
  frameMs: 20,
  jitterMicros: null,
};
const usual: LearnedRange = { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 };

describe('pulses', () => {
  it('1.0 ms is full brake, 1.5 neutral, 2.0 full throttle (common practice)', () => {
    expect([-1, 0, 1].map((stick) => pulseMicros(plain, stick))).toEqual([1000, 1500, 2000]);
    expect([1000, 1500, 2000].map((p) => throttleFraction(usual, 50, p))).toEqual([-1, 0, 1]);
  });

  it('a reversed radio and an ESC that learned it reversed agree', () => {
    const reversed = { ...plain, reversed: true };
    const learned = { brakeMicros: 2000, neutralMicros: 1500, forwardMicros: 1000 };
    expect(throttleFraction(learned, 50, pulseMicros(reversed, 1))).toBe(1);
    expect(throttleFraction(learned, 50, pulseMicros(reversed, -1))).toBe(-1);
  });
});

describe('travel', () => {
  it('a deadband of 0.1 ms on one side is 20 % of a half stroke, 10 % if it is the whole width (common practice)', () => {
    expect(travelReport(plain, usual, 100).forward.deadShare).toBeCloseTo(0.2, 9);
    expect(travelReport(plain, usual, 50).forward.deadShare).toBeCloseTo(0.1, 9);
  });

  it('a radio that sends less than was learned never reaches full', () => {
    const report = travelReport({ ...plain, brakeEndPointPercent: 80 }, usual, 0);
    expect(report.brake!.largestSignal).toBeCloseTo(0.8, 9);
    expect(report.brake!.clippedShare).toBe(0);
    expect(report.forward.largestSignal).toBe(1);
  });

  it('forward at 60 % with 50 % power is 30 % when calibrated at 100, 50 % when calibrated after lowering (common practice)', () => {
    const lowered = { ...plain, forwardEndPointPercent: 60 };
    const relearned = { ...usual, forwardMicros: 1800 };
    expect(0.5 * travelReport(lowered, usual, 0).forward.largestSignal).toBeCloseTo(0.3, 9);
    expect(0.5 * travelReport(lowered, relearned, 0).forward.largestSignal).toBeCloseTo(0.5, 9);
  });

  it('a radio that sends more than was learned is clipped at the end', () => {
    const report = travelReport(plain, { ...usual, forwardMicros: 1900 }, 0);
    expect(report.forward.clippedShare).toBeCloseTo(0.2, 9);
    expect(report.forward.largestSignal).toBe(1);
  });

  it('a radio that runs the wrong way gives nothing forward', () => {
    const report = travelReport({ ...plain, reversed: true }, usual, 20);
    expect(report.forward).toEqual({ deadShare: 1, clippedShare: 0, largestSignal: 0 });
  });

  it('says when neutral is outside the deadband', () => {
    const trimmed = travelReport({ ...plain, trimMicros: 60 }, usual, 40);
    expect(trimmed.neutralInsideDeadband).toBe(false);
    expect(trimmed.neutralOffsetMicros).toBe(60);
  });

  it('counts the positions between first movement and full that the radio can send, from where it rests', () => {
    const by4 = { ...plain, stepMicros: 4 };
    expect(travelReport(by4, usual, 40).forwardResolution).toBe(115);
    // It rests 60 µs on: that much of the travel is never sent.
    expect(travelReport({ ...by4, trimMicros: 60 }, usual, 40).forwardResolution).toBe(110);
    // It rests 60 µs short: the deadband decides, and the end is not reached.
    expect(travelReport({ ...by4, trimMicros: -60 }, usual, 40).forwardResolution).toBe(100);
    // On a reversed radio, a trim upwards is a step towards the brake.
    const learned = { brakeMicros: 2000, neutralMicros: 1500, forwardMicros: 1000 };
    expect(travelReport({ ...by4, reversed: true, trimMicros: 60 }, learned, 40).forwardResolution).toBe(100);
  });

  it('agrees with sweeping the trigger through the ESC, for random radios and ranges', () => {
    fc.assert(
      fc.property(
        fc.record({
          forwardEndPointPercent: fc.integer({ min: 40, max: 120 }),
          brakeEndPointPercent: fc.integer({ min: 40, max: 120 }),
          subTrimMicros: fc.integer({ min: -40, max: 40 }),
          reversed: fc.boolean(),
        }),
        fc.record({
          brakeMicros: fc.integer({ min: 900, max: 1300 }),
          neutralMicros: fc.integer({ min: 1450, max: 1550 }),
          forwardMicros: fc.integer({ min: 1700, max: 2100 }),
        }),
        fc.integer({ min: 5, max: 100 }),
        (radio, learned, deadband) => {
          const channel = { ...plain, ...radio };
          const range = radio.reversed ? mirrored(learned) : learned;
          const report = travelReport(channel, range, deadband);
          for (const [side, end] of [
            ['forward', 1],
            ['brake', -1],
          ] as const) {
            const swept = sweep(channel, range, deadband, end);
            expect(report[side]!.deadShare).toBeCloseTo(swept.dead, 2);
            expect(report[side]!.clippedShare).toBeCloseTo(swept.clipped, 2);
            expect(report[side]!.largestSignal).toBeCloseTo(swept.largest, 6);
          }
        },
      ),
    );
  });
});

/** What an ESC would have learned from a reversed radio. */
const mirrored = (range: LearnedRange): LearnedRange => ({
  brakeMicros: 3000 - range.brakeMicros,
  neutralMicros: 3000 - range.neutralMicros,
  forwardMicros: 3000 - range.forwardMicros,
});

/** Moves the trigger in a thousand steps and looks at what arrives. */
function sweep(channel: ThrottleChannel, range: LearnedRange, deadband: number, end: 1 | -1) {
  const steps = 1000;
  const arriving = Array.from({ length: steps + 1 }, (_, n) =>
    Math.max(0, end * throttleFraction(range, deadband, pulseMicros(channel, (end * n) / steps))),
  );
  const largest = Math.max(...arriving);
  const firstLive = arriving.findIndex((signal) => signal > 0);
  const firstFull = arriving.findIndex((signal) => signal >= 1);
  return {
    dead: firstLive === -1 ? 1 : Math.max(0, firstLive - 1) / steps,
    clipped: firstFull === -1 ? 0 : 1 - firstFull / steps,
    largest,
  };
}

describe('forward beside brake', () => {
  it('lives on as much more travel as brake has less of it', () => {
    // Brake is learned 100 µs further out than the radio sends, so no end of it is clipped; forward 100 µs nearer.
    const learned = { brakeMicros: 900, neutralMicros: 1500, forwardMicros: 1900 };
    const report = travelReport(plain, learned, 50);
    // Of 500 µs each side 50 are dead; forward, another 100 are clipped.
    expect(report.forward.deadShare).toBeCloseTo(0.1, 9);
    expect(report.forward.clippedShare).toBeCloseTo(0.2, 9);
    expect(asymmetryOf(report)).toBeCloseTo(0.7 - 0.9, 9);
    expect(liveShare({ deadShare: 0.8, clippedShare: 0.4, largestSignal: 1 })).toBe(0);
  });

  it('a stick that rests low has no brake to compare with', () => {
    const low: ThrottleChannel = { ...plain, rest: 'low' };
    expect(asymmetryOf(travelReport(low, { ...usual, brakeMicros: 1000, neutralMicros: 1000 }, 20))).toBe(0);
  });

  it('without any travel all of it is dead', () => {
    const none = { ...plain, brakeEndPointPercent: 0 };
    expect(travelReport(none, usual, 50).brake).toEqual({ deadShare: 1, clippedShare: 0, largestSignal: 0 });
  });
});

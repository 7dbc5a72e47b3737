import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { defaultRig } from '../rig/defaults';
import {
  pulseMicros,
  rangeOf,
  restMicros,
  stickEndAt,
  stickEnds,
  throttleFraction,
  type ThrottleChannel,
} from './pulse';
import { travelReport } from './travel';

const stick: ThrottleChannel = defaultRig('sportPlane').channel;

describe('a throttle that rests low', () => {
  it('has two ends, and no brake side to learn', () => {
    expect(stickEnds(stick).map(([end]) => end)).toEqual(['neutral', 'forward']);
    expect(rangeOf(stick)).toEqual({ brakeMicros: 1000, neutralMicros: 1000, forwardMicros: 2000 });
    expect(restMicros(stick)).toBe(1000);
  });

  it('knows its ends by their pulses', () => {
    expect(stickEndAt(stick, 1000)).toBe('neutral');
    expect(stickEndAt(stick, 2000)).toBe('forward');
    expect(stickEndAt(stick, 1500)).toBeUndefined();
  });

  it('asks for nothing below its rest, and for all at its top', () => {
    const range = rangeOf(stick);
    expect([900, 1000, 1500, 2000, 2100].map((pulse) => throttleFraction(range, 0, pulse))).toEqual([
      0, 0, 0.5, 1, 1,
    ]);
  });

  it('reports one side, over the whole travel of the stick', () => {
    const range = { brakeMicros: 1100, neutralMicros: 1100, forwardMicros: 1900 };
    const report = travelReport(stick, range, 0);
    expect(report.brake).toBeUndefined();
    // The first tenth does nothing yet, the last tenth nothing more.
    expect(report.forward).toMatchObject({ largestSignal: 1 });
    expect(report.forward.deadShare).toBeCloseTo(0.1, 9);
    expect(report.forward.clippedShare).toBeCloseTo(0.1, 9);
  });

  it('never asks for brake, whatever it learned and wherever it stands', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 900, max: 1300 }),
        fc.integer({ min: 1500, max: 2100 }),
        fc.integer({ min: 0, max: 60 }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (low, high, deadband, position) => {
          const range = { brakeMicros: low, neutralMicros: low, forwardMicros: high };
          expect(throttleFraction(range, deadband, pulseMicros(stick, position))).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
});

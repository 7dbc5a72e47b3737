import { describe, expect, it } from 'vitest';
import type { Log } from '../log/channels';
import { partToFit } from './partToFit';

const log = (seconds: number[]): Log => ({
  seconds: Float64Array.from(seconds),
  channels: [{ kind: 'rpm', name: 'Motor rpm', unit: 'rpm', values: Float32Array.from(seconds) }],
});
const everySecond = (count: number): number[] => Array.from({ length: count }, (_, n) => n);
const lengthOfPart = (seconds: number[]): number => partToFit(log(seconds)).seconds.length;

describe('the part of a log that a fit looks at', () => {
  it('is all of a short one without pauses', () => {
    expect(lengthOfPart(everySecond(300))).toBe(300);
    expect(lengthOfPart([0, 2, 4, 6])).toBe(4);
  });

  it('ends before the first pause: nobody knows how warm it is after that', () => {
    const part = partToFit(log([0, 1, 2, 62, 63]));
    expect([...part.seconds]).toEqual([0, 1, 2]);
    expect([...part.channels[0]!.values]).toEqual([0, 1, 2]);
  });

  it('ends after twelve and a half minutes, wherever its clock began', () => {
    expect(lengthOfPart(everySecond(4000))).toBe(751);
    expect(lengthOfPart(everySecond(4000).map((t) => t + 500))).toBe(751);
  });
});

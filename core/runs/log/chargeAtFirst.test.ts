import { describe, expect, it } from 'vitest';
import { openCircuitVolts } from '../../physics/pack';
import type { Log } from './channels';
import { chargeAtFirst } from './chargeAtFirst';

const PACK = { chemistry: 'lipo', cells: 2 } as const;
const USUAL = 1;
const log = (amps: number[], volts: number[], everyS = 0.1): Log => ({
  seconds: Float64Array.from(amps, (_, n) => n * everyS),
  channels: [
    { kind: 'amps', name: 'Pack current', unit: 'A', values: Float32Array.from(amps) },
    { kind: 'packVolts', name: 'Pack voltage', unit: 'V', values: Float32Array.from(volts) },
  ],
});
const REST = 2 * openCircuitVolts('lipo', 0.6);

describe('how full a pack began', () => {
  it('is read off its volts before it is driven, part-used packs too', () => {
    expect(chargeAtFirst(log([0.2, 30], [REST, 7]), PACK, USUAL)).toBeCloseTo(0.6, 2);
  });

  it('skips blanks', () => {
    expect(chargeAtFirst(log([NaN, 0.1, 30], [8.1, REST, 7]), PACK, USUAL)).toBeCloseTo(0.6, 2);
  });

  it('is as usual where it was driven from the first sample, however it rests later', () => {
    expect(chargeAtFirst(log([30, 0, 0], [7, REST, REST]), PACK, USUAL)).toBe(USUAL);
    expect(chargeAtFirst(log([NaN, NaN, 0], [8, 8, REST], 15), PACK, USUAL)).toBe(USUAL);
    expect(chargeAtFirst({ seconds: Float64Array.of(0), channels: [] }, PACK, 0.9)).toBe(0.9);
  });
});

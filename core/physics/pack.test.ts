import { describe, expect, it } from 'vitest';
import {
  estimateCellResistance,
  fullCellVolts,
  openCircuitVolts,
  packThermal,
  temperatureFactor,
} from './pack';

describe('pack', () => {
  it('is full at 4.20 V, or 4.35 V for high-voltage lithium (common practice)', () => {
    expect(fullCellVolts('lipo')).toBe(4.2);
    expect(fullCellVolts('lihv')).toBe(4.35);
  });

  it('never rises while it empties', () => {
    for (const chemistry of ['lipo', 'lihv', 'nimh'] as const) {
      for (let charge = 0; charge < 1; charge += 0.01) {
        expect(openCircuitVolts(chemistry, charge)).toBeLessThanOrEqual(
          openCircuitVolts(chemistry, charge + 0.01),
        );
      }
    }
  });

  it('estimates resistance from capacity and rating (from memory: 15 mΩ·Ah at 30C, 10 at 50C)', () => {
    expect(estimateCellResistance(2.2, 30) * 1000).toBeCloseTo(6.82, 2);
    expect(estimateCellResistance(5, 50) * 1000).toBeCloseTo(2, 6);
    expect(estimateCellResistance(5, 40) * 1000).toBeCloseTo(2.5, 6);
    expect(estimateCellResistance(5, 500)).toBe(estimateCellResistance(5, 100));
  });

  it('resists 1.4 to 2 times as much at the freezing point (from memory), and less when warm', () => {
    expect(temperatureFactor(0)).toBeGreaterThan(1.4);
    expect(temperatureFactor(0)).toBeLessThan(2);
    expect(temperatureFactor(20)).toBe(1);
    expect(temperatureFactor(50)).toBeLessThan(1);
  });

  it('of 40 Wh that loses 40 W warms by about 9 K a minute', () => {
    const { joulesPerK } = packThermal('lipo', 2, 40 / 7.4);
    expect((40 * 60) / joulesPerK).toBeCloseTo(9, 6);
  });
});

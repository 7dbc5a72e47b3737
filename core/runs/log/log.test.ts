import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ChannelKind, Log } from './channels';
import { marksOf } from './marks';
import type { Reading } from '../readings';
import { readingsOfLog, withLogReadings } from './readingsOfLog';
import { packLog, unpackLog } from './packed';
import { drawn, extremes, lookInto, placeOf } from './view';

const logOf = (channels: Partial<Record<ChannelKind, number[]>>, everyS = 0.1): Log => {
  const size = Object.values(channels)[0]!.length;
  return {
    seconds: Float64Array.from({ length: size }, (_, n) => n * everyS),
    channels: Object.entries(channels).map(([kind, values]) => ({
      kind: kind as ChannelKind,
      name: kind,
      unit: '',
      values: Float32Array.from(values),
    })),
  };
};

describe('a log as bytes', () => {
  const log = logOf({ rpm: [1, 2, NaN, 4], packVolts: [8, 7.5, 7, 6.5] });

  it('comes back as it was, blanks and all, wherever its bytes lie', () => {
    const packed = packLog(log);
    const moved = new Uint8Array(packed.length + 3);
    moved.set(packed, 3);
    for (const bytes of [packed, moved.subarray(3)])
      expect(unpackLog(bytes)).toEqual({ ok: true, value: log });
  });

  it('cut anywhere, or with any byte of its head changed, is refused or still a log', () => {
    const packed = packLog(log);
    for (let at = 0; at < packed.length; at += 1) {
      expect(unpackLog(packed.slice(0, at)).ok).toBe(false);
      const changed = packed.slice();
      changed[at]! ^= 0x41;
      expect(() => unpackLog(changed)).not.toThrow();
    }
  });

  it('with times that fall is refused', () => {
    const falling = { ...log, seconds: Float64Array.of(0, 2, 1, 3) };
    expect(unpackLog(packLog(falling))).toMatchObject({ ok: false });
  });
});

describe('a log that is looked at', () => {
  it('finds least and most as looking at each sample would', () => {
    const values = fc.array(fc.option(fc.float({ noNaN: true, noDefaultInfinity: true }), { nil: NaN }), {
      minLength: 1,
      maxLength: 700,
    });
    fc.assert(
      fc.property(values, fc.nat(), fc.nat(), (all, a, b) => {
        const looked = lookInto(logOf({ rpm: all }).channels[0]!);
        const [from, until] = [a % all.length, b % all.length].toSorted((x, y) => x - y) as [number, number];
        const seen = [...looked.channel.values.slice(from, until + 1)].filter(
          (value) => !Number.isNaN(value),
        );
        const { low, high } = extremes(looked, from, until + 1);
        expect([low, high]).toEqual(seen.length === 0 ? [NaN, NaN] : [Math.min(...seen), Math.max(...seen)]);
      }),
    );
  });

  it('shows a spike of one sample at every zoom, in few points', () => {
    const all = Array.from({ length: 100_000 }, (_, n) => Math.sin(n / 500));
    all[43_210] = 99;
    const log = logOf({ rpm: all }, 0.01);
    const looked = lookInto(log.channels[0]!);
    for (let zoom = 1; zoom < 4000; zoom *= 1.7) {
      const half = 500 / zoom;
      const { values } = drawn(log, looked, 432.1 - half, 432.1 + half, 400);
      expect(Math.max(...values)).toBe(99);
      expect(values.length).toBeLessThanOrEqual(2 * 400 + 3);
    }
  });

  it('joins the values of a slow channel over the blanks of fast ones', () => {
    const log = logOf({ rpm: [1, NaN, NaN, 4] });
    expect(drawn(log, lookInto(log.channels[0]!), 0, 1, 100)).toEqual({
      seconds: [0, expect.closeTo(0.3)],
      values: [1, 4],
    });
  });

  it('joins a slow channel over the blanks at a coarse zoom, too', () => {
    const all = Array.from({ length: 5000 }, (_, n) => (n % 50 === 0 ? n : NaN));
    const log = logOf({ canCelsius: all }, 0.02);
    const { values } = drawn(log, lookInto(log.channels[0]!), 0, 100, 400);
    expect(values).toHaveLength(200);
    expect(values.some(Number.isNaN)).toBe(false);
  });

  it('finds a place by its time', () => {
    const { seconds } = logOf({ rpm: [0, 0, 0, 0] }, 1);
    expect([-1, 0, 0.5, 3, 9].map((t) => placeOf(seconds, t))).toEqual([0, 0, 1, 3, 4]);
  });
});

describe('the numbers of a log', () => {
  it('are its hottest, its lowest volts and its highest rpm, in place of what a hand noted', () => {
    const ofLog = readingsOfLog([
      { kind: 'canCelsius', least: 20, most: 71.4 },
      { kind: 'packVolts', least: 6.428, most: 8.3 },
      { kind: 'rpm', least: 0, most: 0 },
      { kind: null, least: 0, most: 5 },
    ]);
    expect(ofLog).toEqual([
      { kind: 'canCelsius', value: 71, from: 'log' },
      { kind: 'lowestVolts', value: 6.43, from: 'log' },
    ]);
    const noted: Reading[] = [
      { kind: 'canCelsius', value: 65, from: 'hand' },
      { kind: 'putBackMah', value: 2100, from: 'hand' },
    ];
    expect(withLogReadings(noted, ofLog).map(({ kind, value }) => [kind, value])).toEqual([
      ['putBackMah', 2100],
      ['canCelsius', 71],
      ['lowestVolts', 6.43],
    ]);
  });
});

describe('marks', () => {
  it('tell when full throttle, braking, the cutoff and an alarm began, each once', () => {
    const log = logOf(
      {
        trigger: [0, 100, 98, 0, -50, 0],
        packVolts: [8, 7, 6, 6, 7, 8],
        escCelsius: [20, 50, 81, 82, 79, 70],
      },
      2,
    );
    const marks = marksOf(log, {
      cutoffVolts: 6.4,
      thresholds: [{ channel: 'escCelsius', most: 80, words: 'ESC above 80 °C' }],
    });
    expect(marks).toEqual([
      { kind: 'full', seconds: 2, words: 'full throttle' },
      { kind: 'cutoff', seconds: 4, words: 'volts below the cutoff' },
      { kind: 'alarm', seconds: 4, words: 'ESC above 80 °C' },
      { kind: 'brake', seconds: 8, words: 'brake' },
    ]);
  });

  it('a trembling finger begins once', () => {
    const log = logOf({ trigger: [0, 100, 90, 100, 90, 100] });
    expect(marksOf(log, { cutoffVolts: 0, thresholds: [] })).toHaveLength(1);
  });
});

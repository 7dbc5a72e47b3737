import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placeOnBench, factoryMemory, triggerSignal, act } from '../device/simulatedEsc';
import { smallProfile } from '../esc/smallProfile.fixture';
import { pulseMicros, restMicros, type LearnedRange, type ThrottleChannel } from '../radio/pulse';
import { travelReport } from '../radio/travel';
import { defaultRig } from '../rig/defaults';
import {
  EMPTY_TRAVEL_TEST,
  foundRange,
  measuredSide,
  percentOfMicros,
  problemsOf,
  readPulse,
} from './travelTest';

const { channel } = defaultRig('tenthBuggy');
const wide = { ...channel, travelMicros: 400 };

describe('a pulse as typed', () => {
  const read = (text: string, unit: 'micros' | 'percent', from = channel) => {
    const result = readPulse(text, unit, from);
    return result.ok ? result.micros : result.sentence;
  };

  it('is µs, or the radio’s own per cent', () => {
    expect(read('1520', 'micros')).toBe(1520);
    expect(read('1520,5', 'micros')).toBe(1520.5);
    expect([read('500', 'micros'), read('2500', 'micros')]).toEqual([500, 2500]);
    expect(read('50', 'percent', wide)).toBe(1700);
    expect(read('-100', 'percent', wide)).toBe(1100);
    expect(read('50', 'percent', { ...wide, reversed: true })).toBe(1300);
  });

  it('per cent and µs are each other the other way round', () => {
    fc.assert(
      fc.property(fc.integer({ min: -150, max: 150 }), fc.boolean(), (percent, reversed) => {
        const radio = { ...wide, reversed };
        const micros = readPulse(String(percent), 'percent', radio);
        expect(micros.ok && percentOfMicros(radio, micros.micros)).toBeCloseTo(percent, 9);
      }),
    );
  });

  it.each([
    ['499', 'micros', '499 µs is not a pulse width: a servo lead carries 500 to 2500 µs.'],
    ['2501', 'micros', '2501 µs is not a pulse width: a servo lead carries 500 to 2500 µs.'],
    ['2.5', 'micros', '2.5 looks like milliseconds: type 2500 µs.'],
    ['0.5', 'micros', '0.5 looks like milliseconds: type 500 µs.'],
    ['2.51', 'micros', '2.51 µs is not a pulse width. If it is per cent, choose per cent.'],
    ['-150', 'micros', '-150 µs is not a pulse width. If it is per cent, choose per cent.'],
    ['151', 'percent', '151 % is more than any radio reaches: at most 150 %. If it is a pulse, choose µs.'],
    ['1.52', 'micros', '1.52 looks like milliseconds: type 1520 µs.'],
    ['40', 'micros', '40 µs is not a pulse width. If it is per cent, choose per cent.'],
    ['4000', 'micros', '4000 µs is not a pulse width: a servo lead carries 500 to 2500 µs.'],
    ['1520', 'percent', '1520 % is more than any radio reaches: at most 150 %. If it is a pulse, choose µs.'],
    ['fast', 'micros', '“fast” is not a number: type 1520, say.'],
    ['', 'percent', '“” is not a number: type 4, say.'],
  ] as const)('%s in %s is explained', (text, unit, sentence) => {
    expect(read(text, unit)).toBe(sentence);
  });
});

describe('the bench test', () => {
  it('finds what the ESC has learned, from first movements and full', () => {
    const test = {
      ...EMPTY_TRAVEL_TEST,
      firstForwardMicros: 1540,
      fullForwardMicros: 1930,
      firstBrakeMicros: 1480,
      fullBrakeMicros: 1060,
    };
    const found = foundRange(test, channel, smallProfile().factoryRange)!;
    expect(found.range).toEqual({ brakeMicros: 1060, neutralMicros: 1510, forwardMicros: 1930 });
    expect(found.deadbandMicros).toBe(30);
    expect(measuredSide(channel, 1540, 1930, 1)).toMatchObject({ fullArrives: true });
    expect(measuredSide(channel, 1540, 1930, 1)!.deadShare).toBeCloseTo(0.08, 6);
    expect(measuredSide(channel, 1540, 1930, 1)!.clippedShare).toBeCloseTo(0.14, 6);
  });

  it('of a stick that rests low, rest is the learned end, also where the radio runs the other way', () => {
    const plane = defaultRig('sportPlane').channel;
    const low = { brakeMicros: 1000, neutralMicros: 1000, forwardMicros: 2000 };
    const upright = { ...EMPTY_TRAVEL_TEST, firstForwardMicros: 1040, fullForwardMicros: 1960 };
    expect(foundRange(upright, plane, low)).toEqual({
      range: { brakeMicros: 1000, neutralMicros: 1000, forwardMicros: 1960 },
      deadbandMicros: 40,
    });
    const turned = { ...EMPTY_TRAVEL_TEST, firstForwardMicros: 1960, fullForwardMicros: 1040 };
    expect(foundRange(turned, { ...plane, reversed: true }, low)).toEqual({
      range: { brakeMicros: 2000, neutralMicros: 2000, forwardMicros: 1040 },
      deadbandMicros: 40,
    });
    // It started below where the radio rests: the motor would run at once.
    const early = { ...EMPTY_TRAVEL_TEST, firstForwardMicros: 980, fullForwardMicros: 1960 };
    expect(foundRange(early, plane, low)).toMatchObject({ range: { neutralMicros: 980 }, deadbandMicros: 0 });
  });

  it('knows out from in also where the radio is reversed', () => {
    const turned = { ...channel, reversed: true };
    const test = {
      ...EMPTY_TRAVEL_TEST,
      firstForwardMicros: 1460,
      fullForwardMicros: 1070,
      firstBrakeMicros: 1520,
      fullBrakeMicros: 1940,
    };
    expect(problemsOf(test, turned)).toEqual([]);
    expect(problemsOf({ ...test, fullBrakeMicros: 1510 }, turned)).toEqual([
      'Full brake must lie further out than the first braking. Swapped?',
    ]);
    expect(problemsOf(test, channel)).toHaveLength(3);
    // The same pulse twice is not further out.
    expect(problemsOf({ ...test, fullForwardMicros: 1460 }, turned)).toHaveLength(1);
  });

  it('without a first movement finds nothing', () => {
    expect(foundRange(EMPTY_TRAVEL_TEST, channel, smallProfile().factoryRange)).toBeUndefined();
    expect(measuredSide(channel, null, 1930, 1)).toBeUndefined();
  });

  it('says which numbers cannot belong together', () => {
    const test = { ...EMPTY_TRAVEL_TEST, firstForwardMicros: 1900, fullForwardMicros: 1600 };
    expect(problemsOf(test, channel)).toEqual([
      'Full forward must lie further out than the first movement forward. Swapped?',
    ]);
    expect(problemsOf({ ...test, firstForwardMicros: 1540 }, channel)).toEqual([]);
    const mixed = { ...EMPTY_TRAVEL_TEST, firstForwardMicros: 1450, firstBrakeMicros: 1550 };
    expect(problemsOf(mixed, channel)).toHaveLength(1);
  });
});

describe('travel against brute force: the simulated radio swept through the simulated ESC', () => {
  it('agrees to 0.1 % of travel, for random radios, curves and ranges', () => {
    fc.assert(
      fc.property(
        fc.record({
          forwardEndPointPercent: fc.integer({ min: 50, max: 140 }),
          brakeEndPointPercent: fc.integer({ min: 50, max: 140 }),
          subTrimMicros: fc.integer({ min: -40, max: 40 }),
          trimMicros: fc.integer({ min: -20, max: 20 }),
          expoPercent: fc.integer({ min: -50, max: 100 }),
          travelMicros: fc.integer({ min: 350, max: 550 }),
          reversed: fc.boolean(),
        }),
        fc.record({
          brakeMicros: fc.integer({ min: 900, max: 1300 }),
          neutralMicros: fc.integer({ min: 1450, max: 1550 }),
          forwardMicros: fc.integer({ min: 1700, max: 2100 }),
        }),
        (radio, learned) => {
          const swept: ThrottleChannel = { ...channel, ...radio };
          const range = radio.reversed ? mirrored(learned) : learned;
          const deadband = smallProfile().deadbandMicrosEachSide;
          const report = travelReport(swept, range, deadband);
          for (const [side, end] of [
            ['forward', 1],
            ['brake', -1],
          ] as const) {
            const measured = sweepAtMotor(swept, range, end);
            expect(Math.abs(report[side]!.deadShare - measured.dead)).toBeLessThan(0.001);
            expect(Math.abs(report[side]!.clippedShare - measured.clipped)).toBeLessThan(0.001);
            expect(Math.abs(report[side]!.largestSignal - measured.largest)).toBeLessThan(0.001);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

const mirrored = (range: LearnedRange): LearnedRange => ({
  brakeMicros: 3000 - range.brakeMicros,
  neutralMicros: 3000 - range.neutralMicros,
  forwardMicros: 3000 - range.forwardMicros,
});

/** Drives the simulated ESC, moves the trigger in small steps, and looks at what the motor is asked for. */
function sweepAtMotor(swept: ThrottleChannel, range: LearnedRange, end: 1 | -1) {
  const profile = smallProfile();
  let esc = placeOnBench(profile, { ...factoryMemory(profile), range }, range.neutralMicros);
  for (const input of [
    { type: 'power', on: true },
    { type: 'elapsed', ms: profile.bootMs },
    { type: 'stick', micros: restMicros(swept) },
  ] as const)
    esc = act(esc, input).esc;
  const steps = 4000;
  let firstLive = 1;
  let firstFull = 1;
  let largest = 0;
  for (let n = steps; n >= 0; n -= 1) {
    const position = n / steps;
    const asked =
      end * triggerSignal(act(esc, { type: 'stick', micros: pulseMicros(swept, end * position) }).esc);
    largest = Math.max(largest, asked);
    if (asked > 0) firstLive = position;
    if (asked >= 1) firstFull = position;
  }
  return { dead: largest > 0 ? firstLive : 1, clipped: 1 - firstFull, largest };
}

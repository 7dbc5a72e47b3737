/** The bench test of end points: at which pulses the motor starts and the ESC shows full, typed or taken live. */
import {
  positionAt,
  pulseMicros,
  restMicros,
  restPosition,
  type LearnedRange,
  type ThrottleChannel,
} from '../radio/pulse';
import type { SideTravel } from '../radio/travel';
import { formatNumber } from '../units/format';
import { readNumber } from '../units/readNumber';

/** Pulses in µs; null where it was not tried, or where it never happened. */
export interface TravelTest {
  firstForwardMicros: number | null;
  fullForwardMicros: number | null;
  firstBrakeMicros: number | null;
  fullBrakeMicros: number | null;
  quietAtNeutral: 'yes' | 'no' | null;
  /** How reverse comes in, where the running mode has one. */
  reverseEntry: 'atOnce' | 'afterStop' | 'doubleTap' | 'never' | null;
  failSafe: 'stops' | 'runsOn' | null;
}

export const EMPTY_TRAVEL_TEST: TravelTest = {
  firstForwardMicros: null,
  fullForwardMicros: null,
  firstBrakeMicros: null,
  fullBrakeMicros: null,
  quietAtNeutral: null,
  reverseEntry: null,
  failSafe: null,
};

/** The pulses of the test, in the order in which they are tried. */
export const TEST_POINTS = {
  firstForwardMicros: 'first movement forward',
  fullForwardMicros: 'the lamp shows full forward',
  firstBrakeMicros: 'first braking or reverse',
  fullBrakeMicros: 'the lamp shows full brake',
} as const;
export type TestPoint = keyof typeof TEST_POINTS;

export type PulseUnit = 'micros' | 'percent';

/**
 * A pulse as typed, in µs or in the radio's own per cent: 0 at its centre, 100 at the travel of an end point of 100 %.
 * @returns the pulse in µs, or a sentence on what is wrong and what would be right
 */
export function readPulse(
  text: string,
  unit: PulseUnit,
  channel: ThrottleChannel,
): { ok: true; micros: number } | { ok: false; sentence: string } {
  const value = readNumber(text);
  const no = (sentence: string) => ({ ok: false, sentence }) as const;
  if (value === undefined)
    return no(`“${text.trim()}” is not a number: type ${unit === 'micros' ? '1520, say' : '4, say'}.`);
  if (unit === 'percent') {
    if (Math.abs(value) > MOST_PERCENT)
      return no(
        `${formatNumber(value, 1)} % is more than any radio reaches: at most ${MOST_PERCENT} %. If it is a pulse, choose µs.`,
      );
    return { ok: true, micros: microsOfPercent(channel, value) };
  }
  if (value >= 500 && value <= 2500) return { ok: true, micros: value };
  if (value >= 0.5 && value <= 2.5)
    return no(`${text.trim()} looks like milliseconds: type ${formatNumber(value * 1000, 0)} µs.`);
  if (Math.abs(value) <= MOST_PERCENT)
    return no(`${text.trim()} µs is not a pulse width. If it is per cent, choose per cent.`);
  return no(`${text.trim()} µs is not a pulse width: a servo lead carries 500 to 2500 µs.`);
}

const MOST_PERCENT = 150;

/** The radio's own per cent of a pulse: what its monitor shows. */
export const percentOfMicros = (
  { centreMicros, travelMicros, reversed }: ThrottleChannel,
  micros: number,
): number => ((reversed ? -1 : 1) * (micros - centreMicros) * 100) / travelMicros;

/** The pulse of the radio’s own per cent, µs. */
export const microsOfPercent = (
  { centreMicros, travelMicros, reversed }: ThrottleChannel,
  percent: number,
): number => centreMicros + ((reversed ? -1 : 1) * percent * travelMicros) / 100;

/**
 * How much of one side the test found dead and clipped.
 * @returns undefined where first movement was not found on that side
 */
export function measuredSide(
  channel: ThrottleChannel,
  first: number | null,
  full: number | null,
  end: 1 | -1,
): (Omit<SideTravel, 'largestSignal'> & { fullArrives: boolean }) | undefined {
  if (first === null) return undefined;
  const rest = restPosition(channel);
  const share = (pulse: number): number => (positionAt(channel, pulse) - rest) / (end - rest);
  return {
    deadShare: share(first),
    clippedShare: full === null ? 0 : 1 - share(full),
    fullArrives: full !== null,
  };
}

export interface FoundRange {
  range: LearnedRange;
  deadbandMicros: number;
}

/**
 * What the ESC must have learned, going by the test: full where its lamp says so, neutral in the middle of the two
 * first movements. Where full never shows, the learned end is taken to lie as far out as it was believed to.
 * @returns undefined without a first movement
 */
export function foundRange(
  test: TravelTest,
  channel: ThrottleChannel,
  believed: LearnedRange,
): FoundRange | undefined {
  const { firstForwardMicros: forward, firstBrakeMicros: brake } = test;
  if (forward === null) return undefined;
  const full = test.fullForwardMicros ?? believed.forwardMicros;
  if (channel.rest === 'low') {
    const low =
      Math.sign(full - forward) < 0
        ? Math.max(forward, restMicros(channel))
        : Math.min(forward, restMicros(channel));
    return {
      range: { brakeMicros: low, neutralMicros: low, forwardMicros: full },
      deadbandMicros: Math.abs(forward - low),
    };
  }
  const neutral = brake === null ? believed.neutralMicros : (forward + brake) / 2;
  return {
    range: {
      brakeMicros: test.fullBrakeMicros ?? believed.brakeMicros,
      neutralMicros: neutral,
      forwardMicros: full,
    },
    deadbandMicros: Math.abs(forward - neutral),
  };
}

/** Sentences on a test whose numbers cannot belong together; empty where they can. */
export function problemsOf(test: TravelTest, channel: ThrottleChannel): string[] {
  const rising = Math.sign(pulseMicros(channel, 1) - restMicros(channel));
  const beyond = (outer: number | null, inner: number | null, way: number): boolean =>
    outer === null || inner === null || (outer - inner) * way > 0;
  const problems: string[] = [];
  if (!beyond(test.fullForwardMicros, test.firstForwardMicros, rising))
    problems.push('Full forward must lie further out than the first movement forward. Swapped?');
  if (!beyond(test.fullBrakeMicros, test.firstBrakeMicros, -rising))
    problems.push('Full brake must lie further out than the first braking. Swapped?');
  if (!beyond(test.firstForwardMicros, test.firstBrakeMicros, rising))
    problems.push('First movement forward and first braking are on the wrong sides. Swapped?');
  return problems;
}

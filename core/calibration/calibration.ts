import { FAMILY_WORDS, type EndPointFamily } from '../esc/media';
import { sameRange } from '../plan/calibrationPlan';
import type { LearnedRange, ThrottleChannel } from '../radio/pulse';

/** What sent the pulses that the ESC learned. */
export const PULSE_SOURCES = {
  radio: 'the radio, through its receiver',
  tester: 'a servo tester',
  bus: 'the radio, through a bus that the ESC reads',
} as const;
export type PulseSource = keyof typeof PULSE_SOURCES;

/** How it is known that the ESC took it. */
export const CALIBRATED_BY = {
  simulated: 'done on the simulated ESC',
  onYourWord: 'done on the ESC, as you say',
  checkedOnly: 'no calibration needed: checked instead',
} as const;

/** A calibration that was done, as it is kept. */
export interface Calibration {
  family: EndPointFamily['family'];
  /** Which ESC of the model, from 1. */
  escNumber: number;
  /** The profile of the ESC. */
  profileId: string;
  source: PulseSource;
  how: keyof typeof CALIBRATED_BY;
  /** What the user said made the model safe. */
  precaution: string;
  /** The radio, or the tester in its place, as it was. */
  channel: ThrottleChannel;
  before: LearnedRange;
  after: LearnedRange;
  /** ISO 8601. */
  keptAt: string;
}

/** Measured, not set: knowing more of the radio changes nothing about it. */
const MEASURED: readonly (keyof ThrottleChannel)[] = ['jitterMicros'];

/** What each part of a radio is called where a change of it makes a calibration stale. */
const CHANGED_WORDS: Partial<Record<keyof ThrottleChannel, string>> = {
  forwardEndPointPercent: 'the forward end point has changed since',
  brakeEndPointPercent: 'the brake end point has changed since',
  subTrimMicros: 'the sub-trim has changed since',
  trimMicros: 'the trim has changed since',
  reversed: 'the throttle was reversed since',
  expoPercent: 'the radio’s curve has changed since',
};

/**
 * Why a calibration no longer holds: another ESC, another range in it, or another radio.
 * @param range what the ESC is believed to have learned
 * @returns undefined while it holds
 */
export function staleReason(
  calibration: Calibration,
  channel: ThrottleChannel,
  profileId: string,
  range: LearnedRange,
): string | undefined {
  if (calibration.profileId !== profileId) return 'another ESC is in the model since';
  if (!sameRange(calibration.after, range)) return 'the ESC holds another range';
  const keys = Object.keys(channel) as (keyof ThrottleChannel)[];
  const changed = keys.filter((key) => !MEASURED.includes(key) && calibration.channel[key] !== channel[key]);
  if (changed.length === 0) return undefined;
  if (calibration.source === 'tester') return 'a servo tester taught it, and your radio sends other pulses';
  return (changed.length === 1 && CHANGED_WORDS[changed[0]!]) || 'the radio has changed since';
}

/** A calibration in one line: which family, by what, and how it is known. */
export const calibrationWords = ({ family, source, how }: Calibration): string =>
  `${FAMILY_WORDS[family]} · by ${PULSE_SOURCES[source]} · ${CALIBRATED_BY[how]}`;

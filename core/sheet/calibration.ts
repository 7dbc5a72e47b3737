import type { EndPointFamily } from '../esc/media';
import { sameRange } from '../plan/calibrationPlan';
import type { LearnedRange, ThrottleChannel } from '../radio/pulse';

/** A calibration that was done, as it is kept. */
export interface Calibration {
  family: EndPointFamily['family'];
  /** What the user said made the model safe. */
  precaution: string;
  /** The radio as it was. */
  channel: ThrottleChannel;
  before: LearnedRange;
  after: LearnedRange;
  /** ISO 8601. */
  keptAt: string;
}

/** Whether a calibration still fits the radio: a change of end points, trims or direction makes it stale. */
export const isStale = (calibration: Calibration, channel: ThrottleChannel): boolean =>
  (Object.keys(channel) as (keyof ThrottleChannel)[]).some(
    (key) => calibration.channel[key] !== channel[key],
  );

/** Whether the ESC still holds what this calibration taught it. */
export const isHeld = (calibration: Calibration, range: LearnedRange): boolean =>
  sameRange(calibration.after, range);

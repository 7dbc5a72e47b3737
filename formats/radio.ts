import type { LearnedRange, ThrottleChannel } from '#core/radio/pulse';
import * as yup from 'yup';
import { between, oneOf, record, yesNo } from './fields';

/** A pulse width that a servo lead can carry. */
export const pulse = between(500, 2500, 'µs');

export const learnedRangeSchema: yup.ObjectSchema<LearnedRange> = record({
  brakeMicros: pulse,
  neutralMicros: pulse,
  forwardMicros: pulse,
});

export const channelSchema: yup.ObjectSchema<ThrottleChannel> = record({
  rest: oneOf(['centre', 'low'] as const),
  centreMicros: pulse,
  travelMicros: between(100, 1000, 'µs'),
  forwardEndPointPercent: between(1, 150, '%'),
  brakeEndPointPercent: between(1, 150, '%'),
  subTrimMicros: between(-300, 300, 'µs'),
  trimMicros: between(-300, 300, 'µs'),
  reversed: yesNo(),
  expoPercent: between(-50, 100, '%'),
  stepMicros: between(0.01, 50, 'µs'),
  frameMs: between(0.1, 100, 'ms'),
  jitterMicros: between(0, 200, 'µs').nullable().defined(),
});

import type { Calibration } from '#core/sheet/calibration';
import type * as yup from 'yup';
import { instant, oneOf, record, textField } from './fields';
import { channelSchema, learnedRangeSchema } from './radio';

/** A calibration as it is kept. */
export const calibrationSchema: yup.ObjectSchema<Calibration> = record({
  family: oneOf(['keyConfirmed', 'stickAtPowerOn'] as const),
  precaution: textField(),
  channel: channelSchema,
  before: learnedRangeSchema,
  after: learnedRangeSchema,
  keptAt: instant(),
});

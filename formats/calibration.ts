import {
  CALIBRATED_BY,
  PULSE_SOURCES,
  type Calibration,
  type PulseSource,
} from '#core/calibration/calibration';
import { FAMILY_WORDS, type EndPointFamily } from '#core/esc/media';
import type * as yup from 'yup';
import { idField, instant, keyOf, record, textField, whole } from './fields';
import { channelToVersion4 } from './rig';
import { channelSchema, learnedRangeSchema } from './radio';

/** The most ESCs that one model has. */
export const MOST_ESCS = 12;

/** A calibration as it is kept. */
export const calibrationSchema: yup.ObjectSchema<Calibration> = record({
  family: keyOf<EndPointFamily['family']>(FAMILY_WORDS),
  escNumber: whole(1, MOST_ESCS),
  profileId: idField(),
  source: keyOf<PulseSource>(PULSE_SOURCES),
  how: keyOf<Calibration['how']>(CALIBRATED_BY),
  precaution: textField(),
  channel: channelSchema,
  before: learnedRangeSchema,
  after: learnedRangeSchema,
  keptAt: instant(),
});

/** What a calibration kept by an earlier Live Tune was: of the only ESC, by radio, on the simulated one. */
export const calibrationToVersion4 = (
  calibration: Record<string, unknown>,
  profileId: string,
): Record<string, unknown> => ({
  escNumber: 1,
  profileId,
  source: 'radio',
  how: 'simulated',
  ...calibration,
  channel: channelToVersion4(calibration.channel),
});

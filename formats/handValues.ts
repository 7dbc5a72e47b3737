import { HAND_VALUES, HAND_VALUE_KEYS, type HandValueKey, type HandValues } from '#core/rig/handValues';
import type * as yup from 'yup';
import { between, record, whole } from './fields';

/** Numbers of the model and its radio: whichever a rig has. */
export const handValues = record(
  Object.fromEntries(HAND_VALUE_KEYS.map((key) => [key, field(key).optional()])),
) as unknown as yup.ObjectSchema<HandValues>;

function field(key: HandValueKey) {
  const { least, most, decimals, unit } = HAND_VALUES[key];
  return decimals === 0 ? whole(least, most) : between(least, most, unit);
}

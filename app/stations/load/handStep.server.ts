import type { Rig } from '#core/rig/rig';
import { readHandValues, HAND_VALUES, withHandValues, type HandValueKey } from '#core/rig/handValues';
import { problemsOf } from '#formats/document';
import { rigSchema } from '#formats/rig';
import { keepHandValues } from '#server/repositories/rigs';

/**
 * Writes down that one number was changed on the model or its radio.
 * @param key whose, as the page sent it
 * @returns why it was not, or undefined
 */
export async function keepHandStep(
  rigId: string,
  rig: Rig,
  key: string,
  value: number,
): Promise<string | undefined> {
  const byHand = readHandValues({ [key]: value });
  if (!byHand) return 'That request does not fit this model. Reload the page.';
  if (problemsOf(rigSchema, withHandValues(rig, byHand)).length > 0) {
    const { name } = HAND_VALUES[key as HandValueKey];
    return `${name}: this number does not fit the rest of the model. Check it on the Rig page.`;
  }
  await keepHandValues(rigId, byHand);
  return undefined;
}

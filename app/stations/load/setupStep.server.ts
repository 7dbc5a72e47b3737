import type { Rig } from '#core/rig/rig';
import { readSetup, SETUP_VALUES, withSetup, type SetupKey } from '#core/rig/setup';
import { problemsOf } from '#formats/document';
import { rigSchema } from '#formats/rig';
import { keepSetup } from '#server/repositories/rigs';

/**
 * Writes down that one number was changed on the model or its radio.
 * @param key whose, as the page sent it
 * @returns why it was not, or undefined
 */
export async function keepSetupStep(
  rigId: string,
  rig: Rig,
  key: string,
  value: number,
): Promise<string | undefined> {
  const setup = readSetup({ [key]: value });
  if (!setup) return 'The page named nothing that this model has. Reload it.';
  if (problemsOf(rigSchema, withSetup(rig, setup)).length > 0) {
    const { name } = SETUP_VALUES[key as SetupKey];
    return `${name}: this number does not go with the rest of the model. See it under Rig.`;
  }
  await keepSetup(rigId, setup);
  return undefined;
}

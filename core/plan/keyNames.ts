/** What is printed on the keys of an ESC, for whoever works it. */
import {
  calibrationKey,
  type HandMedium,
  type TextBoxMedium,
  type TransmitterMenuMedium,
} from '../esc/media';
import { handMediumOf, type EscProfile } from '../esc/profile';
import type { KeyId } from '../procedure/language';

/**
 * What is printed on a key, for whoever works this medium.
 * @throws {Error} where the ESC has no such key: the plan came from another profile
 */
export function keyName(profile: EscProfile, key: KeyId, medium = handMediumOf(profile)): string {
  const teaching = calibrationKey(profile.calibration);
  const name = (medium && keysOf(medium)[key]) ?? (key === teaching?.key ? teaching.name : undefined);
  if (name === undefined) throw new Error(`${profile.name} has no ${key} key`);
  return name;
}

/** The keys of a medium with what is printed on them, in the order in which they lie. */
export function keysOf(medium: HandMedium): Partial<Record<KeyId, string>> {
  switch (medium.family) {
    case 'oneKey':
      return { set: medium.keyName };
    case 'twoKeys':
      return { set: medium.itemKeyName, value: medium.valueKeyName };
    case 'lampCard':
      return {
        item: medium.itemKeyName,
        value: medium.valueKeyName,
        ok: medium.okKeyName,
        reset: medium.resetKeyName,
      };
    case 'textBox':
      return textKeys(medium);
    case 'transmitterMenu':
      return { menu: medium.menuKeyName, ...textKeys(medium) };
    case 'keyPad':
      return {
        program: medium.programKeyName,
        ...(medium.chosenBy === 'code' && { feature: medium.featureKeyName }),
        ok: medium.enterKeyName,
        run: medium.runKeyName,
      };
    case 'stickTones':
    case 'stickToggle':
      return {};
  }
}

const textKeys = (medium: TextBoxMedium | TransmitterMenuMedium): Partial<Record<KeyId, string>> => ({
  itemBack: medium.previousKeyName,
  item: medium.nextKeyName,
  valueBack: medium.lowerKeyName,
  value: medium.raiseKeyName,
  ok: medium.saveKeyName,
});

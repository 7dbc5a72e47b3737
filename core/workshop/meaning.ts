/** What is printed beside a stop, read into the vocabulary. */
import { valueOnScale, type Scale } from '../esc/scale';
import type { SettingValue } from '../settings/setting';
import { isNamed, type Setting } from '../settings/vocabulary';
import { readNumber } from '../units/readNumber';
import { choiceFor } from './choices';
import { leadingNumber, saysOff, saysPack } from './printedNumber';
import { scalesFor, unitIn } from './units';

/**
 * A stop's value from what is printed or was typed in explanation of it.
 * @returns undefined where it says nothing that this setting understands
 */
export function meaningOf(setting: Setting, scale: Scale, text: string): SettingValue | undefined {
  const words = text.trim();
  if (setting.id === 'other') return { kind: 'label' };
  if (isNamed(setting)) {
    const choice = choiceFor(setting, words);
    return choice === undefined ? undefined : { kind: 'choice', choice };
  }
  if (saysOff(words)) return { kind: 'off' };
  if (ANOTHER_ITEM.test(words)) return { kind: 'label' };
  const special = Object.entries(setting.specials ?? {}).find(
    ([id, name]) =>
      words.toLowerCase() === name ||
      words.toLowerCase() === id.toLowerCase() ||
      (id === 'sameAsDrag' && /drag/i.test(words)) ||
      (id === 'instant' && /^instant|^at once/i.test(words)) ||
      (id === 'auto' && /^auto/i.test(words)),
  );
  if (special) return { kind: 'choice', choice: special[0] };
  if (scale === 'curve') return curveFrom(words);
  const ofPack = setting.id === 'cutoff' && saysPack(words);
  const read = leadingNumber(ofPack ? words.replace(/^[^\d]+/, '') : words);
  if (!read) return undefined;
  if (ofPack) return { kind: 'packVolts', value: read.number };
  const printed = printedScale(setting, scale, read.rest);
  return printed && valueOnScale(setting, printed, read.number);
}

/** A stop that leaves its size to another item. */
const ANOTHER_ITEM = /^(another|other) item$/i;

/** The scale of one stop: the unit behind its number counts before the item's; undefined where it is none of this setting's. */
function printedScale(setting: Setting, scale: Scale, rest: string): Scale | undefined {
  if (rest === '') return scale;
  const unit = unitIn(rest);
  const own = unit ? scalesFor(setting, unit) : [];
  return own.includes(scale) ? scale : own[0];
}

function curveFrom(words: string): SettingValue | undefined {
  const numbers = [...words.matchAll(/\d+(?:[.,]\d+)?/g)].map(([n]) => readNumber(n)!);
  if (numbers.length === 0 || numbers.length % 2 === 1 || numbers.length > 16) return undefined;
  const points = Array.from(
    { length: numbers.length / 2 },
    (_, n) => [numbers[2 * n]!, numbers[2 * n + 1]!] as const,
  );
  return { kind: 'curve', points };
}

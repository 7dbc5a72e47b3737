/** Which choice of a named setting a printed word stands for. */
import type { Setting } from '../settings/vocabulary';
import { CHOICE_RULES, ON_OFF_RULES } from './choiceRules';
import { runningModeOf } from './runningModes';
import { accountsFor, slotsOf, type Slots } from './wordRules';
import { wordsOf } from './words';

type ReadRule = readonly [choice: string, slots: Slots[]];

const read = (rules: readonly (readonly [string, string])[]): ReadRule[] =>
  rules.map(([choice, names]) => [choice, slotsOf(names)]);
const RULES = new Map(Object.entries(CHOICE_RULES).map(([setting, rules]) => [setting, read(rules)]));
const ON_OFF = read(ON_OFF_RULES);

/** @returns undefined where no choice is certain */
export function choiceFor(setting: Setting, printed: string): string | undefined {
  const choices = setting.choices ?? {};
  const text = printed.trim();
  if (Object.hasOwn(choices, text)) return text;
  const exact = Object.entries(choices).find(([, name]) => name.toLowerCase() === text.toLowerCase());
  if (exact) return exact[0];
  if (setting.id === 'runningMode') return runningModeOf(text);
  if (setting.id === 'cellCount') return cellsIn(text, choices);
  const words = wordsOf(text);
  if (words.length === 0) return undefined;
  const rules = RULES.get(setting.id) ?? ('on' in choices ? ON_OFF : []);
  const found = rules.filter(([, names]) => names.some((slots) => accountsFor(slots, words)));
  return found.length === 1 ? found[0]![0] : undefined;
}

function cellsIn(printed: string, choices: Readonly<Record<string, string>>): string | undefined {
  if (/^auto\w*\.?( (calc|count|detect)\w*\.?)?$/i.test(printed)) return 'auto';
  const count = /^(\d+)[ -]?(s|cells?)?( lipo)?$/i.exec(printed)?.[1];
  return count !== undefined && Object.hasOwn(choices, count) ? count : undefined;
}

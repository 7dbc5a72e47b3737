/** The name that a manual prints for an item, read by its words: certain, to be asked, or unknown. */
import type { SettingId } from '../settings/vocabulary';
import { NAME_RULES } from './nameRules';
import { accountsFor, slotsOf, type Slots } from './wordRules';
import { wordsOf } from './words';

export type NameReading =
  | { kind: 'is'; setting: SettingId }
  /** It may be any of these, or something else. */
  | { kind: 'ask'; settings: readonly SettingId[] }
  | { kind: 'unknown' };

interface ReadRule {
  settings: readonly SettingId[];
  /** Whether it says what the name is, or only what to ask. */
  isCertain: boolean;
  slots: Slots;
}

const RULES: readonly ReadRule[] = NAME_RULES.flatMap(([settings, names]) =>
  slotsOf(names).map((slots) => ({
    settings: typeof settings === 'string' ? [settings] : settings,
    isCertain: typeof settings === 'string',
    slots,
  })),
);

/** Words by which a name that no rule accounts for still brings settings to mind. */
const TOPICS: readonly (readonly [word: string, settings: readonly SettingId[]])[] = [
  ['turbo', ['turbo', 'turboFrom', 'turboDelay', 'turboOnRate', 'turboOffRate']],
  ['boost', ['boost', 'boostStart', 'boostEnd', 'boostFromThrottle']],
  ['drag', ['dragBrake', 'dragRamp']],
  ['cutoff', ['cutoff', 'cutoffAction', 'cutoffReturn']],
  ['reverse', ['runningMode', 'reversePower', 'reverseDelay', 'reverseEntry']],
  ['brake', ['brakeStrength', 'dragBrake', 'initialBrake', 'propellerBrake']],
  ['temp', ['escTemperatureLimit', 'motorTemperatureLimit', 'temperatureAlarm']],
  ['punch', ['launchStrength', 'launchLimit']],
  ['timing', ['advance', 'boost', 'turbo']],
  ['governor', ['governor', 'governorRpm']],
  ['beacon', ['beaconVolume', 'beaconDelay']],
  ['start', ['startPower', 'startForce', 'startAcceleration', 'softStart']],
  ['cell', ['cellCount', 'cutoff']],
  ['curve', ['throttleCurve', 'brakeCurve']],
];

/**
 * What an item may be by its printed name alone.
 * @param name as printed, in English
 */
export function readName(name: string): NameReading {
  const words = wordsOf(name);
  const rules = words.length === 0 ? [] : RULES.filter(({ slots }) => accountsFor(slots, words));
  const settings = [...new Set(rules.flatMap((rule) => rule.settings))];
  if (settings.length === 1 && rules.every(({ isCertain }) => isCertain))
    return { kind: 'is', setting: settings[0]! };
  if (settings.length > 0) return { kind: 'ask', settings };
  const topic = TOPICS.find(([word]) => words.includes(word));
  return topic ? { kind: 'ask', settings: topic[1] } : { kind: 'unknown' };
}

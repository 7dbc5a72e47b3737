/** What an ESC is made for decides what some names mean: nothing on a car is a propeller brake, nothing in the air a drag brake. */
import type { SettingId } from '../settings/vocabulary';
import type { NameReading } from './printedName';
import { readName } from './printedName';
import { wordsOf } from './words';

export const MADE_FOR = {
  '': 'not said',
  wheels: 'cars, trucks, crawlers',
  air: 'anything that flies',
} as const;
export type MadeFor = keyof typeof MADE_FOR;

const ONLY_ON_WHEELS: ReadonlySet<SettingId> = new Set([
  'dragBrake',
  'dragRamp',
  'dragWhileEasing',
  'coastAssist',
  'brakeStrength',
  'initialBrake',
  'brakeMinimum',
  'brakeCurve',
  'brakeLaw',
  'lowSpeedBrake',
  'reverseEntry',
  'reverseDelay',
]);
const ONLY_IN_THE_AIR: ReadonlySet<SettingId> = new Set(['propellerBrake', 'governor', 'governorRpm']);

/** A reading without what such an ESC has not. */
export function inKind(reading: NameReading, madeFor: MadeFor): NameReading {
  if (madeFor === '' || reading.kind === 'unknown') return reading;
  const strange = madeFor === 'wheels' ? ONLY_IN_THE_AIR : ONLY_ON_WHEELS;
  const settings = (reading.kind === 'is' ? [reading.setting] : reading.settings).filter(
    (id) => !strange.has(id),
  );
  if (settings.length > 0)
    return reading.kind === 'ask' && settings.length === 1 && reading.settings.length > 1
      ? { kind: 'is', setting: settings[0]! }
      : reading.kind === 'ask'
        ? { kind: 'ask', settings }
        : reading;
  return { kind: 'unknown' };
}

const WORDS: Readonly<Record<Exclude<MadeFor, ''>, ReadonlySet<string>>> = {
  wheels: new Set(['drag', 'turbo', 'crawler', 'punch', 'car', 'truck', 'race']),
  air: new Set([
    'prop',
    'governor',
    'headspeed',
    'spoolup',
    'heli',
    'helicopter',
    'airplane',
    'aeroplane',
    'glider',
    'plane',
    'multirotor',
  ]),
};
const SETTINGS: Readonly<Record<Exclude<MadeFor, ''>, ReadonlySet<SettingId>>> = {
  wheels: new Set([
    'dragBrake',
    'dragRamp',
    'reversePower',
    'reverseDelay',
    'turbo',
    'initialBrake',
    'brakeStrength',
  ]),
  air: new Set(['propellerBrake', 'governor', 'governorRpm']),
};

/** What the names of an ESC's items say of it; not said where they say nothing, or both. */
export function madeForBy(labels: readonly string[]): MadeFor {
  const speaksOf = (kind: Exclude<MadeFor, ''>): boolean =>
    labels.some((label) => {
      const reading = readName(label);
      return (
        wordsOf(label).some((word) => WORDS[kind].has(word)) ||
        (reading.kind === 'is' && SETTINGS[kind].has(reading.setting))
      );
    });
  const [wheels, air] = [speaksOf('wheels'), speaksOf('air')];
  if (wheels === air) return '';
  return wheels ? 'wheels' : 'air';
}

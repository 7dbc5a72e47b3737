/** The same line for what hands change: "pinion 17", "brake end point 80". */
import type { Rig } from '../rig/rig';
import { HAND_VALUE_KEYS, HAND_VALUES, type HandValueKey } from '../rig/handValues';
import { plainWords } from '../units/text';

/** What people call them, beside their names here. */
const CALLED: Readonly<Record<HandValueKey, readonly string[]>> = {
  pinionTeeth: ['pinion', 'pinion teeth'],
  packCells: ['cells', 'pack cells'],
  packCapacityMah: ['mah', 'capacity', 'pack capacity'],
  forwardEndPointPercent: ['end point', 'throttle end point', 'forward end point'],
  brakeEndPointPercent: ['brake end point'],
};

export type QuickSetup =
  | { kind: 'setup'; key: HandValueKey; value: number }
  /** Named, with no number that it can be. */
  | { kind: 'setupNamed'; key: HandValueKey; sentence: string };

/** What a typed line means off the ESC. @returns undefined where it names nothing that this rig has */
export function readQuickHandValue(rig: Rig, typed: string): QuickSetup | undefined {
  const [, name = '', digits] = /^(.*?)\s*(\d*)\s*(?:%|teeth|cells|mah)?$/i.exec(typed.trim()) ?? [];
  const called = plainWords(name);
  const key = HAND_VALUE_KEYS.find(
    (one) => CALLED[one].includes(called) && HAND_VALUES[one].read(rig) !== undefined,
  );
  if (!key) return undefined;
  const { name: itsName, least, most, unit, read } = HAND_VALUES[key];
  const value = Number(digits);
  if (digits && value >= least && value <= most) return { kind: 'setup', key, value };
  const sentence = `${itsName} is ${read(rig)!}\u00a0${unit}; it can be ${least} to ${most}.`;
  return { kind: 'setupNamed', key, sentence };
}

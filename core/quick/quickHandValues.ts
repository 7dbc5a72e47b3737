/** The same line for what hands change: "pinion 17", "brake end point 80". */
import type { Rig } from '../rig/rig';
import { HAND_VALUE_KEYS, HAND_VALUES, readHandValues, type HandValueKey } from '../rig/handValues';
import { readNumber } from '../units/readNumber';
import { plainWords } from '../units/text';

/** What people call them, beside their names here. */
const CALLED: Readonly<Record<HandValueKey, readonly string[]>> = {
  pinionTeeth: ['pinion', 'pinion teeth'],
  spurTeeth: ['spur', 'spur teeth'],
  propellerDiameterInches: ['propeller', 'propeller diameter'],
  propellerPitchInches: ['pitch', 'propeller pitch'],
  packCells: ['cells', 'pack cells'],
  packCapacityMah: ['mah', 'capacity', 'pack capacity'],
  forwardEndPointPercent: ['end point', 'throttle end point', 'forward end point'],
  brakeEndPointPercent: ['brake end point'],
};

export type QuickHandValue =
  | { kind: 'byHand'; key: HandValueKey; value: number }
  /** Named, with no number that it can be. */
  | { kind: 'byHandNamed'; key: HandValueKey; sentence: string };

/** What a typed line means off the ESC. @returns undefined where it names nothing that this rig has */
export function readQuickHandValue(rig: Rig, typed: string): QuickHandValue | undefined {
  const [, name = '', digits] =
    /^(.*?)\s*(\d+(?:[.,]\d+)?)?\s*(?:%|teeth|cells|mah|in)?$/i.exec(typed.trim()) ?? [];
  const called = plainWords(name);
  const key = HAND_VALUE_KEYS.find(
    (one) => CALLED[one].includes(called) && HAND_VALUES[one].read(rig) !== undefined,
  );
  if (!key) return undefined;
  const { name: itsName, least, most, unit, read } = HAND_VALUES[key];
  const value = digits === undefined ? undefined : readNumber(digits);
  if (value !== undefined && readHandValues({ [key]: value })) return { kind: 'byHand', key, value };
  const sentence = `${itsName} is ${read(rig)!}\u00a0${unit}; it can be ${least} to ${most}.`;
  return { kind: 'byHandNamed', key, sentence };
}

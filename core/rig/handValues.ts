/**
 * What is changed by hand on the model and its radio, and drafted beside the ESC's own values: numbers, one subject
 * each. They say only what differs; what they leave out stays as the rig has it. In documents they stand under `byHand`.
 */
import { finalDriveOf } from './calculators/gearing';
import { guessesFollow } from './guesses';
import type { Quantity } from '../units/provenance';
import { INCHES_A_METRE } from '../units/convert';
import type { Gearing, Rig } from './rig';

export type HandValueKey =
  | 'pinionTeeth'
  | 'spurTeeth'
  | 'propellerDiameterInches'
  | 'propellerPitchInches'
  | 'packCells'
  | 'packCapacityMah'
  | 'forwardEndPointPercent'
  | 'brakeEndPointPercent';

export type HandValues = Readonly<Partial<Record<HandValueKey, number>>>;

export const NO_HAND_VALUES: HandValues = {};

/** One such number. */
export interface HandValue {
  name: string;
  /** Behind the number. */
  unit: string;
  /** Bounds, and by how much a key moves it. */
  least: number;
  most: number;
  step: number;
  /** How many digits behind the point it may have. */
  decimals: number;
  /** What a smaller and a greater number do. */
  lower: string;
  higher: string;
  /** Whether the pack comes off for it; else it is done in the radio's menu. */
  onModel: boolean;
  /** Whether it waits until no step needs power any more: a propeller is put on last. */
  comesLast: boolean;
  /** What this rig has now; undefined where it has no such number. */
  read: (rig: Rig) => number | undefined;
  write: (rig: Rig, value: number) => Rig;
}

const endPoint = (
  side: 'forwardEndPointPercent' | 'brakeEndPointPercent',
  name: string,
  [lower, higher]: readonly [string, string],
): HandValue => ({
  name,
  unit: '%',
  least: 1,
  most: 150,
  step: 1,
  decimals: 0,
  lower,
  higher,
  onModel: false,
  comesLast: false,
  // A stick that rests low has one end only that is a matter of taste.
  read: ({ channel }) =>
    side === 'brakeEndPointPercent' && channel.rest === 'low' ? undefined : channel[side],
  write: (rig, value) => ({ ...rig, channel: { ...rig.channel, [side]: value } }),
});

/** In whole hundredths of an inch, as propellers are printed. */
function propeller(
  dimension: 'propellerDiameterM' | 'propellerPitchM',
  name: string,
  [lower, higher]: readonly [string, string],
): HandValue {
  return {
    name,
    unit: 'in',
    least: 1,
    most: 40,
    step: 0.5,
    decimals: 2,
    lower,
    higher,
    onModel: true,
    comesLast: true,
    read: ({ vehicle }) =>
      vehicle.kind === 'propeller' ? rounded(vehicle[dimension].value * INCHES_A_METRE, 2) : undefined,
    write: (rig, inches) =>
      rig.vehicle.kind === 'propeller'
        ? {
            ...rig,
            vehicle: {
              ...rig.vehicle,
              [dimension]: { value: inches / INCHES_A_METRE, basis: 'given' } satisfies Quantity,
            },
          }
        : rig,
  };
}

const rounded = (value: number, decimals: number): number => Number(value.toFixed(decimals));

/** In the order in which they are done. */
export const HAND_VALUES: Readonly<Record<HandValueKey, HandValue>> = {
  pinionTeeth: {
    name: 'Pinion',
    unit: 'teeth',
    least: 1,
    most: 200,
    step: 1,
    decimals: 0,
    lower: 'more pull, cooler',
    higher: 'faster, hotter',
    onModel: true,
    comesLast: false,
    read: ({ vehicle }) => (vehicle.kind === 'wheels' ? vehicle.gearing?.pinionTeeth : undefined),
    write: (rig, pinionTeeth) => withTeeth(rig, { pinionTeeth }),
  },
  spurTeeth: {
    name: 'Spur',
    unit: 'teeth',
    least: 1,
    most: 500,
    step: 1,
    decimals: 0,
    lower: 'faster, hotter',
    higher: 'more pull, cooler',
    onModel: true,
    comesLast: false,
    read: ({ vehicle }) => (vehicle.kind === 'wheels' ? vehicle.gearing?.spurTeeth : undefined),
    write: (rig, spurTeeth) => withTeeth(rig, { spurTeeth }),
  },
  propellerDiameterInches: propeller('propellerDiameterM', 'Propeller diameter', [
    'less thrust, cooler',
    'more thrust, hotter',
  ]),
  propellerPitchInches: propeller('propellerPitchM', 'Propeller pitch', [
    'slower flight, cooler',
    'faster flight, hotter',
  ]),
  packCells: {
    name: 'Pack',
    unit: 'cells',
    least: 1,
    most: 20,
    step: 1,
    decimals: 0,
    lower: 'slower, cooler',
    higher: 'faster, hotter',
    onModel: true,
    comesLast: false,
    read: ({ pack }) => pack.cells,
    write: (rig, cells) => ({ ...rig, pack: { ...rig.pack, cells } }),
  },
  packCapacityMah: {
    name: 'Pack capacity',
    unit: 'mAh',
    least: 10,
    most: 100_000,
    step: 100,
    decimals: 0,
    lower: 'shorter run',
    // Another pack sags otherwise, too; nobody has measured by how much.
    higher: 'longer run; resistance as on the Rig page',
    onModel: true,
    comesLast: false,
    read: ({ pack }) => Math.round(pack.capacityAh.value * 1000),
    write: (rig, mah) => ({
      ...rig,
      pack: { ...rig.pack, capacityAh: { value: mah / 1000, basis: 'given' } },
    }),
  },
  forwardEndPointPercent: endPoint('forwardEndPointPercent', 'Radio end point, throttle', [
    'less than full throttle',
    'sooner full throttle',
  ]),
  brakeEndPointPercent: endPoint('brakeEndPointPercent', 'Radio end point, brake', [
    'less than full brake',
    'sooner full brake',
  ]),
};

export const HAND_VALUE_KEYS = Object.keys(HAND_VALUES) as HandValueKey[];

function withTeeth(rig: Rig, teeth: Partial<Gearing>): Rig {
  const { vehicle } = rig;
  if (vehicle.kind !== 'wheels' || !vehicle.gearing) return rig;
  const gearing = { ...vehicle.gearing, ...teeth };
  return {
    ...rig,
    vehicle: { ...vehicle, gearing, finalDrive: { value: finalDriveOf(gearing), basis: 'given' } },
  };
}

/** One number to change by hand. */
export interface HandChange {
  key: HandValueKey;
  from: number;
  to: number;
}

/** The numbers of a rig as they are now, every one that it has. */
export function handValuesOf(rig: Rig): HandValues {
  return Object.fromEntries(
    HAND_VALUE_KEYS.flatMap((key) => {
      const now = HAND_VALUES[key].read(rig);
      return now === undefined ? [] : [[key, now] as const];
    }),
  );
}

/** The rig with other hand values; the same object where nothing differs. Numbers that it has no place for are passed over. */
export function withHandValues(rig: Rig, byHand: HandValues): Rig {
  const changes = handChangesOf(rig, byHand);
  // Without a change it stays the same object: what was computed for it counts on.
  if (changes.length === 0) return rig;
  return guessesFollow(
    rig,
    changes.reduce((next, { key, to }) => HAND_VALUES[key].write(next, to), rig),
  );
}

/** What differs between a rig and hand values, in the order in which it is done. */
export function handChangesOf(rig: Rig, byHand: HandValues): HandChange[] {
  return HAND_VALUE_KEYS.flatMap((key): HandChange[] => {
    const from = HAND_VALUES[key].read(rig);
    const to = byHand[key];
    return from === undefined || to === undefined || to === from ? [] : [{ key, from, to }];
  });
}

/** The numbers that are not what they were before. What was not written down before counts as the same. */
export const changedSince = (before: HandValues, byHand: HandValues): HandValueKey[] =>
  HAND_VALUE_KEYS.filter((key) => before[key] !== undefined && byHand[key] !== before[key]);

/** Hand values from unchecked data. @returns undefined where it holds anything but such numbers within their bounds */
export function readHandValues(byHand: unknown): HandValues | undefined {
  if (typeof byHand !== 'object' || byHand === null || Array.isArray(byHand)) return undefined;
  const isFit = ([key, value]: [string, unknown]): boolean => {
    if (!Object.hasOwn(HAND_VALUES, key) || typeof value !== 'number') return false;
    const { least, most, decimals } = HAND_VALUES[key as HandValueKey];
    return value >= least && value <= most && rounded(value, decimals) === value;
  };
  return Object.entries(byHand).every(isFit) ? byHand : undefined;
}

/** "Pinion: 17 → 15 teeth". */
export const handChangeTitle = ({ key, from, to }: HandChange): string =>
  `${HAND_VALUES[key].name}: ${from} → ${to}\u00a0${HAND_VALUES[key].unit}`;

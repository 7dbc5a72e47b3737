/**
 * What is changed by hand on the model and its radio, and drafted beside the ESC's own values: whole numbers, one subject
 * each. They say only what differs; what they leave out stays as the rig has it. In documents they stand under `setup`.
 */
import { finalDriveOf } from './calculators/gearing';
import { guessesFollow } from './guesses';
import type { Rig } from './rig';

export type HandValueKey =
  'pinionTeeth' | 'packCells' | 'packCapacityMah' | 'forwardEndPointPercent' | 'brakeEndPointPercent';

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
  /** What a smaller and a greater number do. */
  lower: string;
  higher: string;
  /** Whether the pack comes off for it; else it is done in the radio's menu. */
  onModel: boolean;
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
  lower,
  higher,
  onModel: false,
  // A stick that rests low has one end only that is a matter of taste.
  read: ({ channel }) =>
    side === 'brakeEndPointPercent' && channel.rest === 'low' ? undefined : channel[side],
  write: (rig, value) => ({ ...rig, channel: { ...rig.channel, [side]: value } }),
});

/** In the order in which they are done. */
export const HAND_VALUES: Readonly<Record<HandValueKey, HandValue>> = {
  pinionTeeth: {
    name: 'Pinion',
    unit: 'teeth',
    least: 1,
    most: 200,
    step: 1,
    lower: 'more pull, cooler',
    higher: 'faster, hotter',
    onModel: true,
    read: ({ vehicle }) => (vehicle.kind === 'wheels' ? vehicle.gearing?.pinionTeeth : undefined),
    write: withPinion,
  },
  packCells: {
    name: 'Pack',
    unit: 'cells',
    least: 1,
    most: 20,
    step: 1,
    lower: 'slower, cooler',
    higher: 'faster, hotter',
    onModel: true,
    read: ({ pack }) => pack.cells,
    write: (rig, cells) => ({ ...rig, pack: { ...rig.pack, cells } }),
  },
  packCapacityMah: {
    name: 'Pack capacity',
    unit: 'mAh',
    least: 10,
    most: 100_000,
    step: 100,
    lower: 'shorter run',
    // Another pack sags otherwise, too; nobody has measured by how much.
    higher: 'longer run; resistance as on the Rig page',
    onModel: true,
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

function withPinion(rig: Rig, pinionTeeth: number): Rig {
  const { vehicle } = rig;
  if (vehicle.kind !== 'wheels' || !vehicle.gearing) return rig;
  const gearing = { ...vehicle.gearing, pinionTeeth };
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
export function withHandValues(rig: Rig, setup: HandValues): Rig {
  const changes = handChangesOf(rig, setup);
  // Without a change it stays the same object: what was computed for it counts on.
  if (changes.length === 0) return rig;
  return guessesFollow(
    rig,
    changes.reduce((next, { key, to }) => HAND_VALUES[key].write(next, to), rig),
  );
}

/** What differs between a rig and hand values, in the order in which it is done. */
export function handChangesOf(rig: Rig, setup: HandValues): HandChange[] {
  return HAND_VALUE_KEYS.flatMap((key): HandChange[] => {
    const from = HAND_VALUES[key].read(rig);
    const to = setup[key];
    return from === undefined || to === undefined || to === from ? [] : [{ key, from, to }];
  });
}

/** The numbers that are not what they were before. What was not written down before counts as the same. */
export const changedSince = (before: HandValues, setup: HandValues): HandValueKey[] =>
  HAND_VALUE_KEYS.filter((key) => before[key] !== undefined && setup[key] !== before[key]);

/** Hand values from unchecked data. @returns undefined where it holds anything but whole numbers within their bounds */
export function readHandValues(setup: unknown): HandValues | undefined {
  if (typeof setup !== 'object' || setup === null || Array.isArray(setup)) return undefined;
  const isFit = ([key, value]: [string, unknown]): boolean => {
    if (!Object.hasOwn(HAND_VALUES, key) || !Number.isInteger(value)) return false;
    const { least, most } = HAND_VALUES[key as HandValueKey];
    return (value as number) >= least && (value as number) <= most;
  };
  return Object.entries(setup).every(isFit) ? setup : undefined;
}

/** "Pinion: 17 → 15 teeth". */
export const handChangeTitle = ({ key, from, to }: HandChange): string =>
  `${HAND_VALUES[key].name}: ${from} → ${to}\u00a0${HAND_VALUES[key].unit}`;

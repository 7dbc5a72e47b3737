/** The numbers that a hand can write down after a run: what each is, and which number of the model stands beside it. */
import type { NumberRef } from '../physics/drills/numberIds';
import type { VehicleKind } from '../rig/rig';

export interface ReadingKind {
  name: string;
  unit: string;
  least: number;
  most: number;
  decimals: number;
  /** The kind of model that has it; all where left out. */
  only?: VehicleKind;
  /** The number of a drill that predicts it, where one does. */
  tells: Partial<Record<VehicleKind, NumberRef>>;
  /** Words for less and for more of it. */
  less: string;
  more: string;
}

const heat = (name: string, number: 'can' | 'esc' | 'pack'): ReadingKind => ({
  name,
  unit: '°C',
  least: -20,
  most: 250,
  decimals: 0,
  tells: { wheels: ['stint', number], propeller: ['stint', number] },
  less: 'cooler',
  more: 'hotter',
});

export const READINGS = {
  canCelsius: heat('Motor can temperature', 'can'),
  escCelsius: heat('ESC temperature', 'esc'),
  packCelsius: heat('Pack temperature', 'pack'),
  lowestVolts: {
    name: 'Lowest pack voltage',
    unit: 'V',
    least: 1,
    most: 100,
    decimals: 2,
    tells: { wheels: ['stint', 'lowestCell'], propeller: ['stint', 'lowestCell'] },
    less: 'deeper sag',
    more: 'less sag',
  },
  topRpm: {
    name: 'Highest rpm',
    unit: 'rpm',
    least: 100,
    most: 200_000,
    decimals: 0,
    tells: { wheels: ['stint', 'rpm'], propeller: ['stint', 'rpm'] },
    less: 'slower',
    more: 'faster',
  },
  putBackMah: {
    name: 'Put back by the charger',
    unit: 'mAh',
    least: 1,
    most: 100_000,
    decimals: 0,
    tells: { wheels: ['stint', 'used'], propeller: ['stint', 'used'] },
    less: 'thriftier',
    more: 'hungrier',
  },
  lapSeconds: {
    name: 'Best lap',
    unit: 's',
    least: 0.5,
    most: 3600,
    decimals: 2,
    only: 'wheels',
    tells: {},
    less: 'quicker',
    more: 'slower',
  },
  topSpeedKmh: {
    name: 'Top speed',
    unit: 'km/h',
    least: 0.5,
    most: 400,
    decimals: 1,
    tells: { wheels: ['topSpeed', 'top'] },
    less: 'slower',
    more: 'faster',
  },
  stopMetres: {
    name: 'Stop from full speed',
    unit: 'm',
    least: 0.05,
    most: 200,
    decimals: 2,
    only: 'wheels',
    tells: { wheels: ['brake', 'stop'] },
    less: 'shorter',
    more: 'longer',
  },
  slowStopMetres: {
    name: 'Stop from walking pace',
    unit: 'm',
    least: 0.02,
    most: 20,
    decimals: 2,
    only: 'wheels',
    tells: { wheels: ['brake', 'stopSlow'] },
    less: 'shorter',
    more: 'longer',
  },
  first20Seconds: {
    name: 'First 20 m from standing',
    unit: 's',
    least: 0.2,
    most: 60,
    decimals: 2,
    only: 'wheels',
    tells: { wheels: ['launch', 'to20'] },
    less: 'quicker',
    more: 'slower',
  },
} as const satisfies Record<string, ReadingKind>;
export type ReadingId = keyof typeof READINGS;

/** Where a number was read off. */
export const READ_FROM = {
  hand: 'by hand',
  esc: 'from the ESC',
  radio: 'from the radio',
  log: 'from a log',
} as const;
export type ReadFrom = keyof typeof READ_FROM;

export interface Reading {
  kind: ReadingId;
  value: number;
  from: ReadFrom;
}

/** The numbers that can be read of a kind of model, in the order in which a form asks for them. */
export const readingsOf = (kind: VehicleKind): ReadingId[] =>
  (Object.keys(READINGS) as ReadingId[]).filter((id) => {
    const { only }: ReadingKind = READINGS[id];
    return (only ?? kind) === kind;
  });

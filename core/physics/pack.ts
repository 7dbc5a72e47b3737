/**
 * The pack: open-circuit voltage by charge, ohmic resistance, and one RC pair for the slow part of the sag.
 * Thevenin equivalent circuit: Plett, Battery Management Systems I.
 *
 * What this leaves out: ageing, hysteresis, cells that differ.
 */
import { onStraights } from '../units/straight';

/** Chemistries, with their words. */
export const CHEMISTRIES = {
  lipo: 'Lithium polymer',
  lihv: 'High-voltage lithium',
  life: 'Lithium iron',
  nimh: 'NiMH',
} as const;
export type Chemistry = keyof typeof CHEMISTRIES;

/**
 * Open-circuit volts of a cell at even steps of charge, from empty to full. From memory; typical of fresh cells at 20 °C. The
 * knee of lithium polymer lies within the last tenth, where running time is decided: steps of 5 %.
 */
const OPEN_CIRCUIT_VOLTS: Record<Chemistry, readonly number[]> = {
  lipo: [
    3.27, 3.61, 3.69, 3.71, 3.73, 3.75, 3.77, 3.79, 3.8, 3.82, 3.84, 3.85, 3.87, 3.91, 3.95, 3.98, 4.02, 4.08,
    4.11, 4.15, 4.2,
  ],
  lihv: [
    3.27, 3.62, 3.7, 3.72, 3.74, 3.77, 3.79, 3.81, 3.83, 3.86, 3.88, 3.91, 3.94, 3.98, 4.03, 4.08, 4.13, 4.18,
    4.24, 4.29, 4.35,
  ],
  life: [2.6, 3.1, 3.2, 3.24, 3.26, 3.27, 3.28, 3.29, 3.3, 3.33, 3.55],
  nimh: [1.0, 1.19, 1.22, 1.24, 1.25, 1.26, 1.27, 1.29, 1.31, 1.35, 1.42],
};

/** Drawn on past empty, a cell falls to nothing within this share of its capacity. From memory. */
const FALLS_WITHIN = 0.06;

/**
 * Open-circuit voltage of one cell, linear between the points of its table, and on down to nothing where it is drawn past
 * empty.
 * @param stateOfCharge 0 empty to 1 full; below 0 it was drawn too far
 */
export function openCircuitVolts(chemistry: Chemistry, stateOfCharge: number): number {
  const table = OPEN_CIRCUIT_VOLTS[chemistry];
  if (stateOfCharge < 0) return table[0]! * Math.max(0, 1 + stateOfCharge / FALLS_WITHIN);
  const place = Math.max(0, Math.min(1, stateOfCharge)) * (table.length - 1);
  const below = Math.min(Math.floor(place), table.length - 2);
  return table[below]! + (place - below) * (table[below + 1]! - table[below]!);
}

/** Volts of a full cell: the table's own top. */
export const fullCellVolts = (chemistry: Chemistry): number => openCircuitVolts(chemistry, 1);

/** The charge at which a resting cell has a voltage, 0 to 1: the table read backwards. */
export function chargeAt(chemistry: Chemistry, volts: number): number {
  let low = 0;
  let high = 1;
  for (let n = 0; n < 40; n += 1) {
    const middle = (low + high) / 2;
    if (openCircuitVolts(chemistry, middle) < volts) low = middle;
    else high = middle;
  }
  return high;
}

/** Under load a cell that falls below this was drawn too far, V. Common practice for lithium, the others from memory. */
export const TOO_FAR_VOLTS: Record<Chemistry, number> = { lipo: 3, lihv: 3, life: 2.5, nimh: 0.8 };

/** At half its nominal volts a pack turns a motor no more that is worth the name. Assumed: the cell falls so fast there that it hardly matters where. */
export const flatCharge = (chemistry: Chemistry): number =>
  -FALLS_WITHIN * (1 - NOMINAL_VOLTS[chemistry] / 2 / openCircuitVolts(chemistry, 0));

const OHM_AMPERE_HOURS_BY_RATING: readonly (readonly [ratingC: number, ohmAh: number])[] = [
  [20, 0.022],
  [30, 0.015],
  [50, 0.01],
  [70, 0.0075],
  [100, 0.006],
];

/**
 * An estimate of one cell's resistance from what is printed on the pack: R·Ah falls with the C rating.
 * From memory; the right order of size, no better than a factor of 1.5.
 * @param capacityAh > 0
 * @param ratingC printed continuous rating; clamped to 20 … 100
 * @returns ohm
 */
export function estimateCellResistance(capacityAh: number, ratingC: number): number {
  return onStraights(OHM_AMPERE_HOURS_BY_RATING, ratingC) / capacityAh;
}

/** The slow part of the sag: its resistance as a share of the ohmic one, and its time constant. Assumed. */
export const SLOW_SAG_SHARE = 0.45;
export const SLOW_SECONDS = 20;

/** Below this charge a cell's resistance grows, to so many times its value when empty. From memory. */
const LOW_CHARGE = 0.1;
const EMPTY_FACTOR = 2;

/** How many times its usual value a cell's resistance is at a charge. */
export const resistanceFactor = (stateOfCharge: number): number =>
  stateOfCharge >= LOW_CHARGE
    ? 1
    : EMPTY_FACTOR - (EMPTY_FACTOR - 1) * (Math.max(0, stateOfCharge) / LOW_CHARGE);

/** Where a pack's resistance is stated, °C. */
const STATED_AT_C = 20;

/**
 * How many times its stated value a cell's resistance is at a temperature. From memory: about 1.7 times at the freezing
 * point, two thirds at 60 °C.
 */
export const temperatureFactor = (celsius: number): number =>
  celsius < STATED_AT_C ? 1 + 0.035 * (STATED_AT_C - celsius) : 1 / (1 + 0.012 * (celsius - STATED_AT_C));

/** Nominal volts of a cell, for the energy on the label. */
const NOMINAL_VOLTS: Record<Chemistry, number> = { lipo: 3.7, lihv: 3.8, life: 3.2, nimh: 1.2 };

/** How a pack keeps and loses heat, as one lump. */
export interface PackThermal {
  joulesPerK: number;
  /** To the air, K/W. */
  toAir: number;
}

/** About 150 Wh and 1000 J/K a kilogram; 8 K/W for 40 Wh in a tray, with the surface. From memory. */
export function packThermal(chemistry: Chemistry, cells: number, capacityAh: number): PackThermal {
  const wattHours = NOMINAL_VOLTS[chemistry] * cells * capacityAh;
  return { joulesPerK: (1000 * wattHours) / 150, toAir: 8 * (40 / wattHours) ** (2 / 3) };
}

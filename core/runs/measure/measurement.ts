/** A measurement on the bench or on the ground: how it is done safely, what it settles, and its number beside the model's. */
import type { MeasuredLine } from '../../calibration/keptMeasurement';
import type { EscBehaviour } from '../../physics/escChain';
import type { ResolvedRig } from '../../physics/resolved';
import type { QuantityPath } from '../../rig/fields';
import type { Rig, VehicleKind } from '../../rig/rig';
import type { Result } from '../../units/problem';

/** One number that is typed. */
export interface MeasureField {
  key: string;
  name: string;
  unit: string;
  least: number;
  most: number;
  /** Whether it may be left out. */
  isOptional?: boolean;
  /** Whether it is yes (1) or no (0), and chosen rather than typed. */
  isYesNo?: boolean;
}

/** What a measurement is held against. */
export interface MeasureOn {
  rig: Rig;
  resolved: ResolvedRig;
  esc: EscBehaviour;
}

export interface Measured {
  lines: MeasuredLine[];
  /** A number of the rig that it settles, in SI; undefined where it settles a sum only, or none. */
  takes?: { path: QuantityPath; value: number };
  /** What it does not tell. */
  leavesOpen: string;
}

/** Typed numbers by their key; those that were left out are missing. */
export type Typed = Readonly<Record<string, number>>;

export interface Measurement {
  name: string;
  only?: VehicleKind;
  /** What it is good for. */
  settles: string;
  /** What to do, in order. */
  steps: readonly string[];
  /** What is confirmed first, where something turns or drives while it is done; null where nothing does. */
  confirm: string | null;
  fields: readonly MeasureField[];
  /** Whether the fields are typed several times over, as for three timings. */
  rows?: { label: string; most: number };
  /**
   * @param rows one for each row; one where there are none
   * @returns why it cannot be, where the numbers contradict each other
   */
  result: (rows: readonly Typed[], on: MeasureOn) => Result<Measured>;
}

export const field = (
  key: string,
  name: string,
  unit: string,
  [least, most]: readonly [number, number],
  isOptional = false,
): MeasureField => ({ key, name, unit, least, most, ...(isOptional ? { isOptional } : {}) });

export const line = (
  name: string,
  value: number,
  model: number | null | undefined,
  unit: string,
  decimals: number,
): MeasuredLine => ({ name, value, model: model ?? null, unit, decimals });

export const cannotBe = (path: string, sentence: string): Result<never> => ({
  ok: false,
  problems: [{ path, sentence }],
});

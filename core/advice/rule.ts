/** An advised band as data: which setting, when, how much, why, and what it yields to. */
import type { EventRules } from '../rig/eventRules';
import type { Rig } from '../rig/rig';
import { isFast } from '../rig/noLoad';
import { fluidOf, type VehicleClass } from '../rig/vehicleClass';
import type { SettingId } from '../settings/vocabulary';
import type { Goals, Purpose, Surface } from './goals';

/** Whose word counts: the first before the others. */
export const PRIORITIES = {
  hazard: 'safety',
  rules: 'the event’s rules',
  rating: 'a rating',
  measurement: 'your measurement',
  school: 'the side you chose',
  style: 'the kind of model',
  default: 'common practice for it',
} as const;
export type Priority = keyof typeof PRIORITIES;

export type Band =
  /** In the setting's unit, ends included; `aim` is where a builder starts, the middle where it is left out. */
  | { kind: 'range'; low: number; high: number; aim?: number }
  /** A share of the stops that this ESC has, from the lowest to the highest: bare levels have no unit. */
  | { kind: 'ofStops'; low: number; high: number }
  | { kind: 'choice'; choice: string }
  | { kind: 'off' }
  /** The pack's own cells, or counted by the ESC itself. */
  | { kind: 'cells' };

/** All of what is stated must hold. */
export interface When {
  classes?: readonly VehicleClass[];
  not?: readonly VehicleClass[];
  purposes?: readonly Purpose[];
  surfaces?: readonly Surface[];
  fluid?: 'ground' | 'air' | 'water';
  /** Five pole pairs and more are many. */
  poles?: 'many' | 'few';
  motor?: Rig['motor']['type'];
  chemistries?: readonly Rig['pack']['chemistry'][];
  /** Up to three cells of up to 2.5 Ah sag under a motor of low resistance. */
  smallPack?: boolean;
  folding?: boolean;
  severalMotors?: boolean;
  /** Whether a car's gearing runs faster than it can be stopped at once. */
  fast?: boolean;
  sensored?: boolean;
  /** Whether the end bell alone gives much advance. */
  endBellTurned?: boolean;
  eventForbids?: 'advance' | 'reverse';
}

export interface Rule {
  id: string;
  setting: SettingId;
  priority: Priority;
  when: When;
  band: Band;
  reason: string;
  source: 'common practice' | 'from memory';
}

/** What rules are held against. */
export interface Case {
  rig: Rig;
  goals: Goals;
  rules: EventRules | undefined;
}

const MANY_POLE_PAIRS = 5;
const SMALL_PACK = { cells: 3, capacityAh: 2.5 };

const has = <T>(list: readonly T[] | undefined, value: T): boolean => list?.includes(value) ?? true;
const is = <T>(wanted: T | undefined, value: T): boolean => wanted === undefined || wanted === value;

/** Electrical degrees of the end bell from which on the ESC adds none. From memory. */
const MUCH_END_BELL = 15;

const isEndBellTurned = ({ motor }: Rig): boolean =>
  motor.endBellDegrees.value * motor.polePairs.value >= MUCH_END_BELL;

/** Whether a rule speaks in a case. */
export function applies(when: When, { rig, goals, rules }: Case): boolean {
  const { vehicle, vehicleClass, motor, pack, motorCount } = rig;
  const small = pack.cells <= SMALL_PACK.cells && pack.capacityAh.value <= SMALL_PACK.capacityAh;
  return (
    has(when.classes, vehicleClass) &&
    !when.not?.includes(vehicleClass) &&
    has(when.purposes, goals.purpose) &&
    has(when.surfaces, goals.surface) &&
    has(when.chemistries, pack.chemistry) &&
    is(when.fluid, vehicle.kind === 'wheels' ? 'ground' : fluidOf(vehicleClass)) &&
    is(when.poles, motor.polePairs.value >= MANY_POLE_PAIRS ? 'many' : 'few') &&
    is(when.motor, motor.type) &&
    is(when.smallPack, small) &&
    is(when.folding, vehicle.kind === 'propeller' && vehicle.folding) &&
    is(when.severalMotors, motorCount > 1) &&
    is(when.fast, isFast(rig)) &&
    is(when.sensored, motor.sensored) &&
    is(when.endBellTurned, isEndBellTurned(rig)) &&
    (when.eventForbids === undefined ||
      (when.eventForbids === 'advance' ? rules?.noAdvance : rules?.noReverse) === true)
  );
}

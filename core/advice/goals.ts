/** What the driver is after: with class, motor, pack and radio, it decides what is advised. */
import type { Draft } from '../sheet/draft';
import { usualUse, type Use } from '../rig/use';
import type { VehicleClass } from '../rig/vehicleClass';

export const PURPOSES = {
  race: 'a race or a contest',
  practice: 'practice',
  fun: 'fun',
} as const;
export type Purpose = keyof typeof PURPOSES;

export const SURFACES = {
  loose: 'loose or slippery',
  middling: 'medium grip',
  grippy: 'grippy',
} as const;
export type Surface = keyof typeof SURFACES;

export interface Goals {
  purpose: Purpose;
  surface: Surface;
  /** The lap it drives, for how long, and how full its pack begins. */
  use: Use;
  /** Where practitioners disagree: the side that the driver takes, by the id of the question. */
  schools: Readonly<Record<string, string>>;
  /** Hazards that the driver loads all the same, by the id of the verdict. */
  overridden: Readonly<Record<string, Override>>;
  /** Values that hold for an event only, by item. */
  temporary: Readonly<Record<string, Temporary>>;
  /** The other of two drafts, which waits while one is tried; null where there is only one. */
  waiting: WaitingDraft | null;
}

export interface WaitingDraft extends Draft {
  name: 'A' | 'B';
}

/** A hazard that somebody takes upon himself. */
export interface Override {
  /** What the verdict said then: with other numbers it is another hazard. */
  sentence: string;
  reason: string;
}

/** A value for a while. */
export interface Temporary {
  stopId: string;
  /** What it goes back to. */
  returnsToStopId: string;
  /** The last day on which it may stay, YYYY-MM-DD. */
  until: string;
  /** When it was meant, ISO 8601: what was loaded since then has to be verified before it counts as put back. */
  since?: string;
}

/** Classes that race. */
export const RACERS: readonly VehicleClass[] = [
  'tenthBuggy',
  'eighthBuggy',
  'specCircuit',
  'modifiedCircuit',
  'sprint',
];

/** Where nobody has said anything: classes that race practise, the others are there for fun. */
export const usualGoals = (vehicleClass: VehicleClass): Goals => ({
  purpose: RACERS.includes(vehicleClass) ? 'practice' : 'fun',
  surface: 'middling',
  use: usualUse(vehicleClass),
  schools: {},
  overridden: {},
  temporary: {},
  waiting: null,
});

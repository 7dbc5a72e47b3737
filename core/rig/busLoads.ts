/**
 * What can hang on a BEC: a small catalogue of classes with their currents, and what they add up to.
 * Currents at 6 V, from memory; a servo's data sheet knows better.
 */

interface LoadFacts {
  name: string;
  /** Each, A: at rest, moving freely, held still against its own force. */
  idleAmps: number;
  movingAmps: number;
  stallAmps: number;
  /** Usual highest rating, V. */
  maxVolts: number;
}

const load = (
  name: string,
  idleAmps: number,
  movingAmps: number,
  stallAmps: number,
  maxVolts: number,
): LoadFacts => ({ name, idleAmps, movingAmps, stallAmps, maxVolts });

export const LOAD_KINDS = {
  micro: load('micro servo', 0.006, 0.2, 0.7, 6),
  standard: load('standard servo', 0.015, 0.5, 2, 6),
  strong: load('strong servo', 0.02, 1.2, 4, 7.4),
  veryStrong: load('very strong servo', 0.03, 2.5, 8, 8.4),
  giant: load('giant servo', 0.05, 4.5, 16, 8.4),
  receiver: load('receiver', 0.08, 0.08, 0.08, 8.4),
  fan: load('fan', 0.15, 0.15, 0.4, 8.4),
  lights: load('lights', 0.3, 0.3, 0.3, 8.4),
  other: load('something else', 0.1, 0.3, 1, 6),
} as const satisfies Record<string, LoadFacts>;
export type LoadKind = keyof typeof LOAD_KINDS;

/** Something fed by the BEC. */
export interface BusLoad {
  name: string;
  kind: LoadKind;
  count: number;
  maxVolts: number;
  /** Each, A. */
  idleAmps: number;
  movingAmps: number;
  stallAmps: number;
}

/** A load of a class, with the class's own numbers. */
export function busLoad(kind: LoadKind, count = 1): BusLoad {
  const { name, ...numbers } = LOAD_KINDS[kind];
  return { name, kind, count, ...numbers };
}

/** The lowest rating of everything on the bus, with what has it; undefined where nothing is known. */
export const weakestLoad = (loads: readonly BusLoad[]): BusLoad | undefined =>
  loads.toSorted((a, b) => a.maxVolts - b.maxVolts)[0];

/** What moves together on the bus. */
export interface BecBudget {
  idleAmps: number;
  /** Everything moving at once. */
  movingAmps: number;
  /** As before, with the two heaviest stalled: landing gear, a crash, a hop. */
  worstAmps: number;
}

/**
 * What a BEC must give: the sum of what can move at once. Common practice: two heavy servos that stall together
 * are the usual brown-out.
 */
export function becBudget(loads: readonly BusLoad[]): BecBudget {
  const each = loads.flatMap((l) => Array.from({ length: l.count }, () => l));
  const sum = (amps: (l: BusLoad) => number): number => each.reduce((total, l) => total + amps(l), 0);
  const movingAmps = sum((l) => l.movingAmps);
  const extra = each.map((l) => l.stallAmps - l.movingAmps).toSorted((a, b) => b - a);
  return {
    idleAmps: sum((l) => l.idleAmps),
    movingAmps,
    worstAmps: movingAmps + (extra[0] ?? 0) + (extra[1] ?? 0),
  };
}

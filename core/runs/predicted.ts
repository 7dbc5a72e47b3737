/** What the model says of a run's numbers: the rig as it was driven, with what the ESC held, for so long. */
import type { Situation } from '../advice/verdicts/verdict';
import { factoryStops, type StopByItem } from '../esc/profile';
import type { DrillNumber } from '../physics/drills/drill';
import { drillNumbers, type DrillId } from '../physics/drills/runDrill';
import { drivenFor } from '../physics/drills/stint';
import { escBehaviour, type EscBehaviour } from '../physics/escChain';
import type { ResolvedRig } from '../physics/resolved';
import { withHandValues } from '../rig/handValues';
import { resolveRig } from '../rig/resolve';
import type { Rig } from '../rig/rig';
import type { Use } from '../rig/use';
import { READINGS, type ReadingId, type ReadingKind } from './readings';
import { stopsOfRun, type Run } from './run';

/** A rig with its ESC's profile and what its owner does with it. */
export type OnRig = Pick<Situation, 'rig' | 'profile' | 'range' | 'goals'>;

/** How a run was driven, as far as the model needs it. */
export type Driven = Pick<Run, 'held' | 'byHand' | 'minutes' | 'airCelsius'>;

/**
 * The model's numbers beside the readings of a run. Of a run without minutes nothing is said that depends on how long it was.
 * @param stops other stops than those that the ESC held, as where a change is asked about
 * @returns by the reading; only what the model can tell
 */
export function predictedReadings(
  on: OnRig,
  run: Driven,
  kinds: readonly ReadingId[],
  stops: StopByItem = stopsOfRun(run),
): Partial<Record<ReadingId, number>> {
  const { rig, resolved, esc } = drivenOn(on, run, stops);
  const drilled = new Map<DrillId, readonly DrillNumber[]>();
  const numbersOf = (drill: DrillId): readonly DrillNumber[] => {
    if (drill !== 'stint') return drillNumbers(drill, resolved, esc);
    return run.minutes === null ? [] : drivenFor(resolved, esc, run.minutes).numbers;
  };
  return Object.fromEntries(
    kinds.flatMap((kind) => {
      const { tells }: ReadingKind = READINGS[kind];
      const [drill, id] = tells[resolved.kind] ?? [];
      if (drill === undefined) return [];
      if (!drilled.has(drill)) drilled.set(drill, numbersOf(drill));
      const value = drilled.get(drill)!.find((one) => one.id === id)?.value;
      return value === undefined ? [] : [[kind, asRead(kind, value, rig)]];
    }),
  );
}

/** The model counts one motor's share and one cell; hands read the whole pack. */
function asRead(kind: ReadingId, value: number, rig: Rig): number {
  if (kind === 'lowestVolts') return value * rig.pack.cells;
  return kind === 'putBackMah' ? value * rig.motorCount : value;
}

/** What a run was driven with, as physics takes it. @param stops those that its ESC held; factory values where nothing is said */
export function drivenOn(
  on: Pick<OnRig, 'rig' | 'profile' | 'range'> & { goals: { use: Use } },
  run: Pick<Run, 'byHand' | 'airCelsius'>,
  stops: StopByItem,
): { rig: Rig; resolved: ResolvedRig; esc: EscBehaviour } {
  const { profile, range, goals } = on;
  const rig = asDriven(on.rig, run);
  const all = { ...factoryStops(profile), ...stops };
  return {
    rig,
    resolved: resolveRig(rig, profile, goals.use),
    esc: escBehaviour(profile, all, rig.channel, range, rig.pack.cells),
  };
}

/** The rig as it was on that day: what hands had set, and the air. */
export function asDriven(rig: Rig, { byHand, airCelsius }: Pick<Run, 'byHand' | 'airCelsius'>): Rig {
  const set = withHandValues(rig, byHand);
  if (airCelsius === null) return set;
  const air = { airCelsius: { value: airCelsius, basis: 'given' as const } };
  return set.vehicle.kind === 'wheels'
    ? { ...set, vehicle: { ...set.vehicle, ...air } }
    : { ...set, vehicle: { ...set.vehicle, ...air } };
}

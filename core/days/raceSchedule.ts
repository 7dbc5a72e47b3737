/** A race day's clock: when each pack must be on the charger, when each set-up must be loaded, and what does not work out. */
import { chargeMinutes } from '../packs/charging';
import { minutesToFull } from '../packs/minutesToFull';
import { packState, REST_MINUTES } from '../packs/packState';
import { isUsable } from '../packs/packWarnings';
import type { PackLife } from '../packs/shelfPack';
import type { Heat, RaceDay } from './day';
import type { Minute } from './dayProblem';
import { minuteOf } from './zoned';

/** The model stands ready so long before its start. From memory. */
export const READY_BEFORE_MINUTES = 5;
/** So long before that, a set-up is loaded: a load by hand, with the time to do it again. From memory. */
export const LOAD_BEFORE_MINUTES = 15;

export interface TimedHeat {
  heat: Heat;
  from: Minute;
  to: Minute;
}

export type RaceStep =
  | { kind: 'charge'; packId: string; heatId: string; from: Minute; to: Minute; latest: Minute }
  | { kind: 'load'; rigId: string; setUpId: string; heatId: string; from: Minute; to: Minute }
  | { kind: 'heat'; rigId: string; heatId: string; packId: string | null; from: Minute; to: Minute }
  | { kind: 'putBack'; rigId: string; from: Minute; to: Minute };

export interface RaceSchedule {
  /** In the order of their starts. */
  heats: TimedHeat[];
  steps: RaceStep[];
  /** What does not work out, by heat. */
  faults: { heatId: string; sentence: string }[];
}

/** The heats in the order of their starts. @throws {RangeError} for a start that is no time */
export const heatsInOrder = ({ heats, timeZone }: Pick<RaceDay, 'heats' | 'timeZone'>): TimedHeat[] =>
  heats
    .map((heat): TimedHeat => {
      const from = minuteOf(heat.startsAt, timeZone);
      if (from === undefined) throw new RangeError(`${heat.name} has no start`);
      return { heat, from, to: from + Math.ceil(heat.minutes) };
    })
    .toSorted((a, b) => a.from - b.from || a.heat.id.localeCompare(b.heat.id));

/** Charging begins so long before the first heat: nobody charges for tomorrow, unless the chargers are too few. From memory. */
const OPENS_BEFORE_MINUTES = 180;

/**
 * The whole day. Charges are given to chargers in the order of the heats that need them, as soon as pack and charger are free.
 * @param now minutes since 1970: nothing is planned before it
 */
export function raceSchedule(day: RaceDay, packs: readonly PackLife[], now: Minute): RaceSchedule {
  const heats = heatsInOrder(day);
  const opens = Math.max(now, (heats[0]?.from ?? now) - OPENS_BEFORE_MINUTES);
  const charging = chargesFrom(opens, day, heats, packs, now);
  const loads = heats.flatMap((one, n) => loadBefore(heats, one, n) ?? []);
  const backs = lastOfEachRig(heats).map(({ heat, to }): RaceStep => ({
    kind: 'putBack',
    rigId: heat.rigId,
    from: to,
    to: to + LOAD_BEFORE_MINUTES,
  }));
  const driven = heats.map(({ heat, from, to }): RaceStep => ({
    kind: 'heat',
    rigId: heat.rigId,
    heatId: heat.id,
    packId: heat.packId,
    from,
    to,
  }));
  const steps = [...charging.steps, ...loads, ...driven, ...backs].toSorted((a, b) => a.from - b.from);
  const alone = chargesAlone(day, heats, charging.steps);
  return { heats, steps, faults: [...charging.faults, ...alone, ...tooClose(heats)] };
}

/** A set-up is loaded before the first heat that has it. */
function loadBefore(heats: readonly TimedHeat[], { heat, from }: TimedHeat, n: number): RaceStep | undefined {
  if (heat.setUpId === null) return undefined;
  const before = heats.slice(0, n).findLast((one) => one.heat.rigId === heat.rigId);
  if (before?.heat.setUpId === heat.setUpId) return undefined;
  const to = from - READY_BEFORE_MINUTES;
  const earliest = before ? before.to : -Infinity;
  return {
    kind: 'load',
    rigId: heat.rigId,
    setUpId: heat.setUpId,
    heatId: heat.id,
    from: Math.max(earliest, to - LOAD_BEFORE_MINUTES),
    to,
  };
}

const lastOfEachRig = (heats: readonly TimedHeat[]): TimedHeat[] =>
  heats.filter(
    ({ heat }, n) =>
      heat.setUpId !== null && heats.slice(n + 1).every((one) => one.heat.rigId !== heat.rigId),
  );

function tooClose(heats: readonly TimedHeat[]): RaceSchedule['faults'] {
  return heats.flatMap(({ heat, from }, n) => {
    const before = heats.slice(0, n).findLast((one) => one.heat.rigId === heat.rigId);
    if (!before) return [];
    if (from < before.to)
      return [{ heatId: heat.id, sentence: `It starts before “${before.heat.name}” is over.` }];
    const isLoad = heat.setUpId !== null && heat.setUpId !== before.heat.setUpId;
    const left = from - before.to;
    return isLoad && left < LOAD_BEFORE_MINUTES + READY_BEFORE_MINUTES
      ? [{ heatId: heat.id, sentence: `Only ${left}\u00a0min to load another set-up and be ready.` }]
      : [];
  });
}

type Charging = Pick<RaceSchedule, 'steps' | 'faults'>;

/** As usual, or at once where that does not work out and beginning now is better. @param opens when charging usually begins */
function chargesFrom(
  opens: Minute,
  day: RaceDay,
  heats: readonly TimedHeat[],
  packs: readonly PackLife[],
  now: Minute,
): Charging {
  const usual = chargesOf(day, heats, packs, { now, opens });
  if (usual.faults.length === 0) return usual;
  const atOnce = chargesOf(day, heats, packs, { now, opens: now });
  return atOnce.faults.length < usual.faults.length ? atOnce : usual;
}

interface OnShelf {
  isCharged: boolean;
  readyAt: Minute;
  /** Of the charge that it needs now. */
  toFull: number;
  /** When something was done with it last. */
  doneAt: Minute;
}

function chargesOf(
  day: RaceDay,
  heats: readonly TimedHeat[],
  packs: readonly PackLife[],
  { now, opens }: { now: Minute; opens: Minute },
): Charging {
  const steps: RaceStep[] = [];
  const faults: RaceSchedule['faults'] = [];
  const free = Array.from({ length: day.chargers }, () => opens);
  const shelf = new Map(packs.map((life) => [life.pack.id, onShelf(life, now)]));
  const say = (heatId: string, sentence: string): void => void faults.push({ heatId, sentence });
  for (const { heat, from, to } of heats) {
    const life = packs.find(({ pack }) => pack.id === heat.packId);
    const state = life && shelf.get(life.pack.id);
    if (!life || !state) continue;
    const driven = {
      isCharged: false,
      readyAt: to + REST_MINUTES,
      toFull: Math.ceil(chargeMinutes(life.pack)),
    };
    if (from <= now) {
      // Whoever did not note the run drove it all the same, unless something was done with the pack since.
      if (state.doneAt < from) shelf.set(life.pack.id, { ...driven, doneAt: from });
      continue;
    }
    const { label } = life.pack;
    const latestEnd = from - READY_BEFORE_MINUTES;
    if (!isUsable(life, now * 60_000)) say(heat.id, `${label} may not be used: check it on the shelf.`);
    if (!state.isCharged) {
      const minutes = state.toFull;
      const charger = free.indexOf(Math.min(...free));
      if (charger === -1) say(heat.id, `${label} is not charged, and there is no charger.`);
      else {
        const begins = Math.max(state.readyAt, free[charger]!);
        free[charger] = begins + minutes;
        steps.push({
          kind: 'charge',
          packId: life.pack.id,
          heatId: heat.id,
          from: begins,
          to: begins + minutes,
          latest: latestEnd - minutes,
        });
        if (begins + minutes > latestEnd)
          say(heat.id, `${label} is not charged in time: ${begins + minutes - latestEnd}\u00a0min too late.`);
      }
    } else if (state.readyAt > latestEnd) say(heat.id, `${label} is still on the charger.`);
    shelf.set(life.pack.id, { ...driven, doneAt: from });
  }
  return { steps, faults };
}

function onShelf(life: PackLife, now: Minute): OnShelf {
  const nowMs = now * 60_000;
  const { state, since, coolAt } = packState(life, nowMs);
  const toFull = minutesToFull(life, nowMs);
  const doneAt = lastDoneAt(life);
  if (state === 'charging')
    return {
      isCharged: true,
      readyAt: Math.max(now, Math.ceil(Date.parse(since!) / 60_000) + toFull),
      toFull: 0,
      doneAt,
    };
  return {
    isCharged: state === 'charged',
    readyAt: Math.max(now, Math.ceil((coolAt ?? 0) / 60_000)),
    toFull,
    doneAt,
  };
}

const lastDoneAt = ({ entries, runs }: PackLife): Minute =>
  Math.max(
    ...[...entries.map(({ at }) => at), ...runs.map(({ drivenAt }) => drivenAt)].map((at) =>
      Math.floor(Date.parse(at) / 60_000),
    ),
  );

/** What charges while its driver drives, where nobody is beside the chargers. */
function chargesAlone(
  { chargersWatched }: RaceDay,
  heats: readonly TimedHeat[],
  charges: readonly RaceStep[],
): RaceSchedule['faults'] {
  if (chargersWatched) return [];
  return heats.flatMap(({ heat, from, to }) =>
    charges.some((charge) => charge.from < to && from < charge.to)
      ? [
          {
            heatId: heat.id,
            sentence:
              'A pack would charge alone during it. Have somebody stay beside it, or charge at another time.',
          },
        ]
      : [],
  );
}

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
  const usual = chargesOf(day, heats, packs, { now, opens });
  const atOnce = chargesOf(day, heats, packs, { now, opens: now });
  const charging = atOnce.faults.length < usual.faults.length ? atOnce : usual;
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
  return { steps, faults: [...charging.faults, ...tooClose(heats)] };
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

interface OnShelf {
  isCharged: boolean;
  readyAt: Minute;
  /** Of the charge that it needs now. */
  toFull: number;
}

function chargesOf(
  day: RaceDay,
  heats: readonly TimedHeat[],
  packs: readonly PackLife[],
  { now, opens }: { now: Minute; opens: Minute },
): { steps: RaceStep[]; faults: RaceSchedule['faults'] } {
  const steps: RaceStep[] = [];
  const faults: RaceSchedule['faults'] = [];
  const free = Array.from({ length: day.chargers }, () => opens);
  const shelf = new Map(packs.map((life) => [life.pack.id, onShelf(life, now)]));
  const say = (heatId: string, sentence: string): void => void faults.push({ heatId, sentence });
  for (const { heat, from, to } of heats) {
    const life = packs.find(({ pack }) => pack.id === heat.packId);
    const state = life && shelf.get(life.pack.id);
    if (!life || !state || to <= now) continue;
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
    shelf.set(life.pack.id, {
      isCharged: false,
      readyAt: to + REST_MINUTES,
      toFull: Math.ceil(chargeMinutes(life.pack)),
    });
  }
  return { steps, faults };
}

function onShelf(life: PackLife, now: Minute): OnShelf {
  const { state, since } = packState(life, now * 60_000);
  const at = since === undefined ? now : Math.ceil(Date.parse(since) / 60_000);
  if (state === 'charging')
    return {
      isCharged: true,
      readyAt: Math.max(now, at + minutesToFull(life, now * 60_000)),
      toFull: 0,
    };
  return {
    toFull: minutesToFull(life, now * 60_000),
    isCharged: state === 'charged',
    readyAt: state === 'used' ? Math.max(now, at + REST_MINUTES) : now,
  };
}

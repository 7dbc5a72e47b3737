/** A test day as the planner takes it, at a moment: what is driven already, what the packs and the ESCs are like now. */
import type { StopByItem } from '../esc/profile';
import { chargeMinutes } from '../packs/charging';
import { fitsRig } from '../packs/intoModel';
import { minutesToFull } from '../packs/minutesToFull';
import { packState, REST_MINUTES } from '../packs/packState';
import { isUsable } from '../packs/packWarnings';
import type { PackLife } from '../packs/shelfPack';
import type { Rig } from '../rig/rig';
import { nextSides, type Question } from '../runs/question';
import type { Side } from '../runs/run';
import type { RigFacts, TestDay } from './day';
import type { DayProblem, LoadTime, Minute, PlannedPack, PlannedQuestion, PlannedRig } from './dayProblem';
import { setKey, sideSet } from './rigFacts';
import { minuteOf } from './zoned';

/** A run of one of the day's questions, that counts. */
export interface DrivenRun {
  questionId: string;
  side: Side;
  /** Of the shelf; null where the run names none of it. */
  packId: string | null;
  /** Minutes since 1970. */
  at: Minute;
  minutes: number;
}

export interface DayNow {
  day: TestDay;
  /** Minutes since 1970. */
  now: Minute;
  rigs: readonly { rigId: string; rig: Rig; held: StopByItem }[];
  questions: readonly Question[];
  packs: readonly PackLife[];
  /** Of the day's questions, whenever they were driven; the oldest first. */
  runs: readonly DrivenRun[];
}

/** Putting another pack in, and noting a run. From memory; a note takes under twenty seconds. */
const SWAP_MINUTES = 2;
const NOTE_MINUTES = 1;
/** More than the model says goes back in: it is fitted to no pack. Assumed. */
const USED_MARGIN = 1.2;

/** @throws {RangeError} for a day whose hours are no times */
export function testDayProblem(at: DayNow): DayProblem {
  const { day, now } = at;
  const [startsAt, endsAt] = [day.startsAt, day.endsAt].map((time) => minuteOf(time, day.timeZone));
  if (startsAt === undefined || endsAt === undefined) throw new RangeError(`${day.name} has no hours`);
  const begins = Math.max(startsAt, now, lateUntil(day));
  const packs = day.packIds.flatMap((id) => at.packs.filter(({ pack }) => pack.id === id));
  const planned = packs.flatMap((life) => plannedPack(at, life, begins) ?? []);
  const charging = packs.filter((life) => packState(life, now * 60_000).state === 'charging');
  const busy = charging.flatMap(({ pack }) => planned.find(({ id }) => id === pack.id)?.readyAt ?? []);
  return {
    startsAt: begins,
    endsAt: day.events.some(({ what }) => what === 'end') ? begins : endsAt,
    rigs: day.facts.map((facts) => plannedRig(at, facts, begins)),
    packs: planned,
    chargers: Array.from({ length: day.chargers }, (_, n) => busy[n] ?? begins),
    chargersWatched: day.chargersWatched,
    questions: day.questions.flatMap((one) => plannedQuestion(at, one) ?? []),
    loads: day.facts.flatMap((facts) => loadTimes(at, facts)),
    swapMinutes: SWAP_MINUTES,
    noteMinutes: NOTE_MINUTES,
  };
}

/** Until when nothing can be done. */
const lateUntil = ({ events }: TestDay): Minute =>
  Math.max(
    ...events.map(({ what, at, minutes }) =>
      what === 'late' ? Math.floor(Date.parse(at) / 60_000) + minutes : -Infinity,
    ),
  );

function plannedRig({ day, rigs, runs }: DayNow, facts: RigFacts, begins: Minute): PlannedRig {
  const own = new Set(
    day.questions.filter(({ rigId }) => rigId === facts.rigId).map(({ questionId }) => questionId),
  );
  const last = runs.findLast(({ questionId }) => own.has(questionId));
  const held = rigs.find(({ rigId }) => rigId === facts.rigId)?.held ?? {};
  return {
    id: facts.rigId,
    coolMinutes: facts.coolMinutes,
    coolAt: last ? Math.max(begins, last.at + facts.coolMinutes) : begins,
    holds: setKey(touched(facts, held)),
    returnsTo: setKey(facts.returnsTo),
  };
}

/** What an ESC holds of the items that the day touches. */
const touched = ({ returnsTo }: RigFacts, held: StopByItem): StopByItem =>
  Object.fromEntries(Object.keys(returnsTo).map((itemId) => [itemId, held[itemId] ?? returnsTo[itemId]!]));

/** From the known sets to each other, and from what the ESC holds now, where that is none of them: as long as the longest. */
function loadTimes({ rigs }: DayNow, facts: RigFacts): LoadTime[] {
  const { rigId, loads } = facts;
  const known = loads.map(({ from, to, seconds }) => ({
    rigId,
    from: setKey(from),
    to: setKey(to),
    minutes: Math.ceil(seconds / 60),
  }));
  const held = setKey(touched(facts, rigs.find((one) => one.rigId === rigId)?.held ?? {}));
  if (known.some(({ from }) => from === held)) return known;
  const longest = Math.max(...known.map(({ minutes }) => minutes));
  const targets = new Set([...known.map(({ to }) => to), setKey(facts.returnsTo)]);
  return [...known, ...[...targets].map((to) => ({ rigId, from: held, to, minutes: longest }))];
}

function plannedPack(at: DayNow, life: PackLife, begins: Minute): PlannedPack | undefined {
  const { day, rigs, now } = at;
  const { pack } = life;
  const nowMs = now * 60_000;
  if (!isUsable(life, nowMs)) return undefined;
  const fits = rigs.filter(({ rig }) => fitsRig(pack, rig)).map(({ rigId }) => rigId);
  if (fits.length === 0) return undefined;
  const { state, since, coolAt } = packState(life, nowMs);
  const again = usedMinutes(day, pack, fits);
  const sinceMinute = since === undefined ? begins : Math.ceil(Date.parse(since) / 60_000);
  const toFull = minutesToFull(life, nowMs);
  const isCharged = state === 'charged' || state === 'charging';
  const waits = state === 'charging' ? sinceMinute + toFull : Math.ceil((coolAt ?? 0) / 60_000);
  return {
    id: pack.id,
    fits,
    isCharged,
    readyAt: state === 'charged' ? begins : Math.max(begins, waits),
    firstChargeMinutes: drivenToday(at, life) ? Math.min(toFull, again) : toFull,
    chargeMinutes: again,
    restMinutes: REST_MINUTES,
  };
}

/** Whether what was driven last with a pack was one of the day's runs: then it is known about what it used. */
function drivenToday({ runs }: DayNow, { pack, runs: ofPack }: PackLife): boolean {
  const last = ofPack.at(-1);
  return (
    last !== undefined &&
    runs.some(({ packId, at }) => packId === pack.id && at === Math.floor(Date.parse(last.drivenAt) / 60_000))
  );
}

/** What a charge takes after the hungriest of its runs; from empty where that is not known. */
function usedMinutes({ questions, facts }: TestDay, pack: PackLife['pack'], fits: readonly string[]): number {
  const shares = questions
    .filter(({ rigId }) => fits.includes(rigId))
    .map(({ rigId, runMinutes }) => {
      const perMinute = facts.find((one) => one.rigId === rigId)?.mahPerMinute;
      return perMinute === undefined ? 1 : (USED_MARGIN * perMinute * runMinutes) / (1000 * pack.capacityAh);
    });
  return Math.ceil(chargeMinutes(pack, 1 - Math.min(1, Math.max(0, ...shares))));
}

function plannedQuestion(
  { day, questions, runs }: DayNow,
  { rigId, questionId, importance, runMinutes, onePack }: TestDay['questions'][0],
): PlannedQuestion | undefined {
  const question = questions.find(({ id }) => id === questionId);
  const facts = day.facts.find((one) => one.rigId === rigId);
  if (!question || !facts || isSkipped(day, questionId)) return undefined;
  const driven = runs.filter((run) => run.questionId === questionId);
  const left = nextSides(driven);
  if (isAnswered(driven)) return undefined;
  return {
    id: questionId,
    rigId,
    importance,
    runs: left.map((side) => ({ side, holds: setKey(sideSet(facts.returnsTo, question, side)) })),
    runMinutes,
    onePack,
    begunWith: onePack ? (driven.at(-1)?.packId ?? null) : null,
    isBegun: driven.length > 0,
  };
}

const isSkipped = ({ events }: TestDay, questionId: string): boolean =>
  events.some((event) => event.what === 'skip' && event.questionId === questionId);

/** A, B and A again: with those a question has an answer. */
const isAnswered = (driven: readonly DrivenRun[]): boolean =>
  driven.length >= 3 && (['A', 'B'] as const).every((side) => driven.some((run) => run.side === side));

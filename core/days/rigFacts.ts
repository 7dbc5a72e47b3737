/** What a test day has to know of a rig before it is planned: how long loads take, how long it cools, what it draws. */
import { MEDIA, isByHand } from '../esc/media';
import type { EscProfile, StopByItem } from '../esc/profile';
import { planLegs } from '../plan/loadPlan';
import { isPlanned } from '../plan/search';
import { inShortOrder } from '../plan/shortOrder';
import { legsOf } from '../plan/throughMenus';
import { escMachine } from '../procedure/escMachine';
import type { EscMemory } from '../procedure/language';
import { initialConfig } from '../procedure/step';
import { rangeOf } from '../radio/pulse';
import type { Rig } from '../rig/rig';
import type { Question } from '../runs/question';
import { drivenOn, type OnRig } from '../runs/predicted';
import { changesInOrder, type Change } from '../sheet/draft';
import { afterRun } from './cooling';
import type { RigFacts } from './day';

/** Beside the presses: take the model up, make it safe, give it power, and back. From memory. */
const ROUND_LOAD_SECONDS = 60;
export const NO_LOAD = 'Live Tune finds no way to load this value. Check it under Load.';

/** By link only: from memory. */
const LINK_SECONDS = 30;

export interface FactsAsked {
  rigId: string;
  on: OnRig;
  memory: EscMemory;
  questions: readonly Pick<Question, 'id' | 'itemId' | 'a' | 'b'>[];
  runMinutes: number;
  airCelsius: number | null;
}

/**
 * Works out the facts of a rig. Searching its ways takes up to a second for each question: in a worker.
 * @param asked.memory every item as it is believed to be; what the day touches returns to it
 * @throws {Error} where the rig cannot be driven, or a value cannot be loaded, in a sentence
 */
export function rigFacts({ rigId, on, memory, questions, runMinutes, airCelsius }: FactsAsked): RigFacts {
  const { profile, rig } = on;
  const items = [...new Set(questions.map(({ itemId }) => itemId))];
  const returnsTo = Object.fromEntries(items.map((itemId) => [itemId, memory.stops[itemId]!]));
  const sets = setsOf(returnsTo, questions);
  const loads = sets.flatMap((from) =>
    sets
      .filter((to) => setKey(to) !== setKey(from))
      .map((to) => ({ from, to, seconds: loadSeconds(profile, rig, memory, from, to) })),
  );
  const { resolved, esc } = drivenOn(on, { byHand: {}, airCelsius }, memory.stops);
  const questionIds = questions.map(({ id }) => id);
  return {
    rigId,
    questionIds,
    runMinutes,
    airCelsius,
    returnsTo,
    ...afterRun(resolved, esc, runMinutes),
    loads,
  };
}

/** Every set of values that a day may put on the ESC, of the items that it touches: each once. */
export function setsOf(
  returnsTo: StopByItem,
  questions: readonly Pick<Question, 'itemId' | 'a' | 'b'>[],
): StopByItem[] {
  const all = [
    returnsTo,
    ...questions.flatMap((question) => [
      sideSet(returnsTo, question, 'A'),
      sideSet(returnsTo, question, 'B'),
    ]),
  ];
  return [...new Map(all.map((set) => [setKey(set), set])).values()];
}

/** What a run of a side is driven with, of the items that the day touches. */
export const sideSet = (
  returnsTo: StopByItem,
  { itemId, a, b }: Pick<Question, 'itemId' | 'a' | 'b'>,
  side: 'A' | 'B',
): StopByItem => ({ ...returnsTo, [itemId]: (side === 'A' ? a : b).stopId });

/** A name for a set of values, equal where they are. */
export const setKey = (set: StopByItem): string =>
  Object.entries(set)
    .map(([itemId, stopId]) => `${itemId}=${stopId}`)
    .toSorted()
    .join(' ');

/** By the first medium that a hand works, as its plan says; from one set of values to another, everything else as it is. */
function loadSeconds(
  profile: EscProfile,
  rig: Rig,
  memory: EscMemory,
  from: StopByItem,
  to: StopByItem,
): number {
  const medium = profile.media.find(isByHand);
  if (!medium) return ROUND_LOAD_SECONDS + LINK_SECONDS;
  const held = { ...memory.stops, ...from };
  const wanted = Object.keys(to).flatMap((itemId): Change[] =>
    to[itemId] === held[itemId] ? [] : [{ itemId, fromStopId: held[itemId]!, toStopId: to[itemId]! }],
  );
  const machine = escMachine(profile);
  const stick = rangeOf(rig.channel);
  const start = initialConfig(machine, { ...memory, stops: held }, stick.neutralMicros);
  const changes = inShortOrder(profile, medium.family, changesInOrder(profile, held, wanted));
  const legs = legsOf(profile, held, changes, MEDIA[medium.family].showsStored);
  const plan = planLegs(machine, start, legs, stick, medium.family);
  if (!isPlanned(plan)) throw new Error(NO_LOAD);
  return ROUND_LOAD_SECONDS + Math.ceil(plan.seconds);
}

/** Made-up test days for the planner's tests. */
import type { RaceDay, TestDay } from './day';
import type { DayProblem, LoadTime, PlannedQuestion } from './dayProblem';

/** All loads between some sets of values on a rig, each so long. */
export const loadsBetween = (rigId: string, sets: readonly string[], minutes: number): LoadTime[] =>
  sets.flatMap((from) =>
    sets.filter((to) => to !== from).map((to): LoadTime => ({ rigId, from, to, minutes })),
  );

export const abaQuestion = (
  id: string,
  rigId: string,
  part: Partial<PlannedQuestion> = {},
): PlannedQuestion => ({
  id,
  rigId,
  importance: 1,
  runs: [
    { side: 'A', holds: 'base' },
    { side: 'B', holds: id },
    { side: 'A', holds: 'base' },
  ],
  runMinutes: 6,
  onePack: false,
  begunWith: null,
  isBegun: false,
  ...part,
});

/** Two models, packs of their own, two chargers. @param questions with ids that are their B sides, too */
export function dayOf(questions: readonly PlannedQuestion[], part: Partial<DayProblem> = {}): DayProblem {
  const sets = ['base', ...questions.map(({ id }) => id)];
  const rig = (id: string, coolMinutes: number) => ({
    id,
    coolMinutes,
    coolAt: 540,
    holds: 'base',
    returnsTo: 'base',
  });
  const pack = (id: string, fits: string, isCharged: boolean, chargeMinutes: number) => ({
    id,
    fits: [fits],
    isCharged,
    readyAt: 540,
    firstChargeMinutes: isCharged ? 0 : chargeMinutes + 10,
    chargeMinutes,
    restMinutes: 15,
  });
  return {
    startsAt: 540,
    endsAt: 900,
    rigs: [rig('buggy', 20), rig('crawler', 15)],
    packs: [
      pack('b1', 'buggy', true, 60),
      pack('b2', 'buggy', true, 60),
      pack('b3', 'buggy', false, 60),
      pack('c1', 'crawler', true, 50),
      pack('c2', 'crawler', false, 50),
    ],
    chargers: [540, 540],
    chargersWatched: true,
    questions,
    loads: [...loadsBetween('buggy', sets, 2), ...loadsBetween('crawler', sets, 4)],
    swapMinutes: 2,
    noteMinutes: 1,
    ...part,
  };
}

const EVERY_DAY = {
  id: 'd',
  name: 'Island race',
  place: 'Island',
  timeZone: 'UTC',
  date: '2026-11-29',
  airCelsius: 12,
  chargers: 2,
  chargersWatched: true,
  note: '',
};

/** Days with nothing on them yet. */
export const BARE_RACE: RaceDay = { ...EVERY_DAY, kind: 'race', heats: [], prepared: [], checks: [] };
export const BARE_TEST: TestDay = {
  ...EVERY_DAY,
  kind: 'test',
  startsAt: '10:00',
  endsAt: '12:00',
  packIds: ['blue'],
  questions: [],
  facts: [],
  events: [],
};

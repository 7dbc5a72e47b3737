import { expect, it } from 'vitest';
import { isOnlyTicked, type RaceDay, type TestDay } from './day';

const EVERY = {
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
const RACE: RaceDay = {
  ...EVERY,
  kind: 'race',
  heats: [],
  prepared: [],
  checks: [
    { id: 'nuts', words: 'Check the nuts', doneAt: null },
    { id: 'pack', words: 'Pack in the bag', doneAt: null },
  ],
};
const TEST: TestDay = {
  ...EVERY,
  kind: 'test',
  startsAt: '10:00',
  endsAt: '12:00',
  packIds: ['blue'],
  questions: [],
  facts: [],
  events: [],
};

it('a line that is ticked, or taken back, is a tick', () => {
  const ticked = {
    ...RACE,
    checks: [{ ...RACE.checks[0]!, doneAt: '2026-11-29T10:00:00Z' }, RACE.checks[1]!],
  };
  expect(isOnlyTicked(RACE, ticked)).toBe(true);
  expect(isOnlyTicked(ticked, RACE)).toBe(true);
});

it('what happened on a test day is a tick, whatever the order of its fields', () => {
  const { note, ...rest } = TEST;
  const event = { at: '2026-11-29T10:00:00Z', what: 'late', questionId: '', minutes: 5 } as const;
  expect(isOnlyTicked(TEST, { note, ...rest, events: [event] })).toBe(true);
});

it.each([
  ['another time', TEST, { ...TEST, endsAt: '13:00' }],
  ['one pack more', TEST, { ...TEST, packIds: ['blue', 'red'] }],
  [
    'a line that says something else',
    RACE,
    { ...RACE, checks: [{ ...RACE.checks[0]!, words: 'x' }, RACE.checks[1]!] },
  ],
  ['a line less', RACE, { ...RACE, checks: [RACE.checks[0]!] }],
  ['another kind of day', RACE, TEST],
])('%s is the plan itself', (_, before, after) => {
  expect(isOnlyTicked(before, after)).toBe(false);
});

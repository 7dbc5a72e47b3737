import { expect, it } from 'vitest';
import { planOf, type RaceDay, type TestDay } from './day';
import { BARE_RACE, BARE_TEST } from './days.fixture';

const RACE: RaceDay = {
  ...BARE_RACE,
  checks: [
    { id: 'nuts', words: 'Check the nuts', doneAt: null },
    { id: 'pack', words: 'Pack in the bag', doneAt: null },
  ],
};
const TEST = BARE_TEST;

it('a line that is ticked leaves the plan of a race day as it was', () => {
  const [nuts, pack] = RACE.checks;
  const ticked = { ...RACE, checks: [{ ...nuts!, doneAt: '2026-11-29T10:00:00Z' }, pack!] };
  expect(planOf(ticked)).toEqual(planOf(RACE));
});

it('what happened on a test day leaves its plan as it was', () => {
  const event = { at: '2026-11-29T10:00:00Z', what: 'late', questionId: '', minutes: 5 } as const;
  expect(planOf({ ...TEST, events: [event] })).toEqual(planOf(TEST));
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
])('%s is another plan', (_, before, after) => {
  expect(planOf(after as TestDay)).not.toEqual(planOf(before));
});

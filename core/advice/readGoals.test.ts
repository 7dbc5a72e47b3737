import { expect, it } from 'vitest';
import { usualGoals } from './goals';
import { readGoals } from './readGoals';

const goals = { ...usualGoals('basher'), schools: { brake: 'strongHigh' } };

it('what was written down as goals is read as the same', () => {
  expect(readGoals(JSON.parse(JSON.stringify(goals)))).toEqual(goals);
});

it.each([
  null,
  'race',
  { ...goals, purpose: 'glory' },
  { ...goals, surface: 'toString' },
  { ...goals, schools: { brake: 'sideways' } },
  { ...goals, schools: { weather: 'fine' } },
  { ...goals, schools: null },
])('anything else is none (%j)', (sent) => {
  expect(readGoals(sent)).toBeUndefined();
});

import { expect, it } from 'vitest';
import { usualGoals } from './goals';
import { readGoals } from './readGoals';

const goals = {
  ...usualGoals('basher'),
  schools: { brake: 'strongHigh' },
  overridden: { cutoffOutOfRange: { sentence: '2.20 V per cell', reason: 'the last hop of the contest' } },
  temporary: { floor: { stopId: 'floor-1', returnsToStopId: 'floor-4', until: '2026-07-04' } },
  waiting: {
    name: 'B',
    stops: { floor: 'floor-2' },
    byHand: { pinionTeeth: 15 },
    reasons: {},
    setUpId: null,
  },
};

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
  { ...goals, overridden: { cutoffOutOfRange: { sentence: 'so', reason: '' } } },
  { ...goals, temporary: { floor: { ...goals.temporary.floor, until: 'tomorrow' } } },
  { ...goals, temporary: undefined },
  { ...goals, waiting: { name: 'C', stops: {}, byHand: {}, reasons: {}, setUpId: null } },
  { ...goals, waiting: { name: 'A', stops: { floor: 2 }, byHand: {}, reasons: {}, setUpId: null } },
  { ...goals, waiting: { name: 'A', stops: {}, byHand: { pinionTeeth: 0 }, reasons: {}, setUpId: null } },
])('anything else is none (%j)', (sent) => {
  expect(readGoals(sent)).toBeUndefined();
});

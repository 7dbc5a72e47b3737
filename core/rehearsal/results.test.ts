import { describe, expect, it } from 'vitest';
import { surroundings } from './archetypes.fixture';
import { endPointLessons, settingLessons } from './makeLessons';
import { nextToPractise, recordOf, slipsOf, type PracticeResult } from './results';

const from = surroundings[0]!;
const lessons = [...endPointLessons(from), ...settingLessons(from, from.profile.media[0]!)];

const result = (
  lessonId: PracticeResult['lessonId'],
  more: Partial<PracticeResult> = {},
): PracticeResult => ({
  id: `${lessonId} ${JSON.stringify(more)}`,
  profileId: from.profile.id,
  lessonId,
  family: lessons.find(({ id }) => id === lessonId)!.medium?.family ?? null,
  mode: 'exam',
  at: '2026-05-01T10:00:00.000Z',
  passed: true,
  seconds: 60,
  planSeconds: 70,
  speed: 1,
  surprise: null,
  slips: [],
  ...more,
});

describe('the best of a lesson', () => {
  it('has the fewest slips, and of those is the quickest; one that was not passed is none', () => {
    const results = [
      result('changeOne', { seconds: 20, slips: [{ kind: 'setOther', count: 1 }] }),
      result('changeOne', { seconds: 50 }),
      result('changeOne', { seconds: 40 }),
      result('changeOne', { seconds: 5, passed: false }),
    ];
    const record = recordOf(
      results,
      lessons.find(({ id }) => id === 'changeOne')!,
    );
    expect(record).toMatchObject({ times: 4, best: { seconds: 40 }, last: { seconds: 5 } });
  });
});

describe('what to practise next', () => {
  const next = (results: PracticeResult[]) => {
    const found = nextToPractise(lessons, results);
    return found && `${found.lesson.id} ${found.why}`;
  };
  const path = [result('prepareRadio'), result('calibrate'), result('changeOne')];

  it('is the path for a beginner, in its order', () => {
    expect(next([])).toBe('prepareRadio onThePath');
    expect(next(path.slice(0, 1))).toBe('calibrate onThePath');
    expect(next([result('prepareRadio', { passed: false })])).toBe('prepareRadio onThePath');
  });
  it('is then one’s own load, until it goes without a slip and without help', () => {
    expect(next(path)).toBe('myLoad load');
    expect(next([...path, result('myLoad', { mode: 'coach' })])).toBe('myLoad load');
  });
  it('is then what went worst last time', () => {
    const known = [...path, result('myLoad')];
    const slipped = [
      result('readBack', { slips: [{ kind: 'misread', count: 1 }] }),
      result('findOut', { slips: [{ kind: 'misread', count: 3 }] }),
    ];
    expect(next([...known, ...slipped])).toBe('findOut slips');
    expect(next([...known, ...slipped, result('findOut')])).toBe('readBack slips');
  });
  it('is nothing where all is known', () => {
    expect(next(lessons.map(({ id }) => result(id)))).toBeUndefined();
  });
});

it('adds slips up by kind', () => {
  const results = [
    result('calibrate', { slips: [{ kind: 'tooFar', count: 1 }] }),
    result('changeOne', {
      slips: [
        { kind: 'missed', count: 2 },
        { kind: 'tooFar', count: 2 },
      ],
    }),
  ];
  expect(slipsOf(results)).toEqual([
    { kind: 'tooFar', count: 3 },
    { kind: 'missed', count: 2 },
  ]);
});

/** What was practised: best, last, slips, and what to practise next. */
import type { MediumFamily } from '../esc/media';
import type { SlipKind } from './judge';
import type { Lesson, LessonId } from './lesson';
import { BEGINNERS_PATH } from './makeLessons';
import type { Report } from './report';
import type { SurpriseId } from './surprises';

export const PRACTICE_MODES = { coach: 'with the coach', exam: 'as an exam' } as const;
export type PracticeMode = keyof typeof PRACTICE_MODES;

/** One rehearsal that was finished. */
export interface PracticeResult {
  id: string;
  /** The ESC profile. */
  profileId: string;
  lessonId: LessonId;
  family: MediumFamily | null;
  mode: PracticeMode;
  /** ISO 8601 */
  at: string;
  passed: boolean;
  /** As the simulated ESC's clock counts, whatever the speed. */
  seconds: number;
  planSeconds: number | null;
  /** Against real time, 0.25 to 1. */
  speed: number;
  surprise: SurpriseId | null;
  slips: SlipCount[];
}

export interface SlipCount {
  kind: SlipKind;
  count: number;
}

/** A report as it is kept. */
export const resultOf = (
  { passed, seconds, planSeconds, slips }: Report,
  { id: lessonId, profile, medium }: Lesson,
  kept: Pick<PracticeResult, 'id' | 'mode' | 'at' | 'speed' | 'surprise'>,
): PracticeResult => ({
  ...kept,
  profileId: profile.id,
  lessonId,
  family: medium?.family ?? null,
  passed,
  seconds,
  planSeconds: planSeconds ?? null,
  slips: counted(slips.map(({ kind }) => ({ kind, count: 1 }))),
});

/** The same kinds together, the most frequent first. */
function counted(slips: readonly SlipCount[]): SlipCount[] {
  const kinds = [...new Set(slips.map(({ kind }) => kind))];
  const sum = (of: SlipKind): number =>
    slips.reduce((all, { kind, count }) => all + (kind === of ? count : 0), 0);
  return kinds.map((kind) => ({ kind, count: sum(kind) })).toSorted((a, b) => b.count - a.count);
}

const countOf = ({ slips }: PracticeResult): number => slips.reduce((sum, { count }) => sum + count, 0);

/** Passed, without a slip, without help: what counts as knowing it. */
export const isClean = (result: PracticeResult): boolean =>
  result.passed && result.mode === 'exam' && countOf(result) === 0;

type OfLesson = Pick<Lesson, 'id' | 'medium'>;
const isOf =
  ({ id, medium }: OfLesson) =>
  ({ lessonId, family }: PracticeResult): boolean =>
    lessonId === id && family === (medium?.family ?? null);

/** What is known of one lesson. @param results the oldest first */
export interface LessonRecord {
  times: number;
  last: PracticeResult | undefined;
  /** Passed with the fewest slips, and the quickest of those. */
  best: PracticeResult | undefined;
}

export function recordOf(results: readonly PracticeResult[], lesson: OfLesson): LessonRecord {
  const its = results.filter(isOf(lesson));
  const [best] = its
    .filter(({ passed }) => passed)
    .toSorted((a, b) => countOf(a) - countOf(b) || a.seconds - b.seconds);
  return { times: its.length, last: its.at(-1), best };
}

/** Slips of all these, by what they come to, the most frequent first. */
export const slipsOf = (results: readonly PracticeResult[]): SlipCount[] =>
  counted(results.flatMap(({ slips }) => slips));

export interface Next<L> {
  lesson: L;
  why: 'onThePath' | 'slips' | 'notYet' | 'load';
}

/**
 * What to practise next: the beginner's path first; then one's own load where there is one; then the lesson that went worst
 * last time; then one that was never passed.
 * @param lessons by the medium that is practised
 */
export function nextToPractise<L extends OfLesson>(
  lessons: readonly L[],
  results: readonly PracticeResult[],
): Next<L> | undefined {
  const open = (lesson: L): boolean => !recordOf(results, lesson).best;
  const path = BEGINNERS_PATH.flatMap((id) => lessons.find((lesson) => lesson.id === id) ?? []).find(open);
  if (path) return { lesson: path, why: 'onThePath' };
  const load = lessons.find(({ id }) => id === 'myLoad');
  if (load && !isKnown(results, load)) return { lesson: load, why: 'load' };
  const slipped = lessons
    .map((lesson) => ({ lesson, last: recordOf(results, lesson).last }))
    .filter(({ last }) => last !== undefined && (countOf(last) > 0 || !last.passed))
    .toSorted((a, b) => countOf(b.last!) - countOf(a.last!))[0];
  if (slipped) return { lesson: slipped.lesson, why: 'slips' };
  const fresh = lessons.find(open);
  return fresh && { lesson: fresh, why: 'notYet' };
}

const isKnown = (results: readonly PracticeResult[], lesson: OfLesson): boolean => {
  const { last } = recordOf(results, lesson);
  return last !== undefined && isClean(last);
};

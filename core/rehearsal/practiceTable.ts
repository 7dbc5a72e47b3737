import { LESSONS } from './lesson';
import { SLIP_KINDS } from './judge';
import type { PracticeResult } from './results';

/** Rehearsals as rows of a table. */
export const practiceTable = (results: readonly PracticeResult[]) =>
  results.map(({ at, lessonId, family, mode, passed, seconds, planSeconds, speed, surprise, slips }) => ({
    at,
    lesson: LESSONS[lessonId],
    medium: family,
    mode,
    passed,
    seconds: Math.round(seconds),
    planSeconds: planSeconds === null ? null : Math.round(planSeconds),
    speed,
    surprise,
    slips: slips.map(({ kind, count }) => `${count} × ${SLIP_KINDS[kind]}`).join('; '),
  }));

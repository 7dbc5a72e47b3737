/** A day as a table: its heats, or its questions. */
import type { Day } from './day';

export interface DayRow {
  startsAt: string;
  what: string;
  minutes: number;
  rig: string;
  setUp: string;
  pack: string;
}

/** One row for each heat or question, as they were entered. */
export const dayTable = (day: Day): DayRow[] =>
  day.kind === 'race'
    ? day.heats.map(({ startsAt, name, minutes, rigId, setUpId, packId }) => ({
        startsAt,
        what: name,
        minutes,
        rig: rigId,
        setUp: setUpId ?? '',
        pack: packId ?? '',
      }))
    : day.questions.map(({ questionId, runMinutes, rigId }) => ({
        startsAt: day.startsAt,
        what: questionId,
        minutes: runMinutes,
        rig: rigId,
        setUp: '',
        pack: '',
      }));

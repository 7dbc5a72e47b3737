/** A day at the track, as it is kept: what was entered, what was worked out for it, and what happened. */
import type { StopByItem } from '../esc/profile';
import type { LocalDate, LocalTime } from './zoned';

interface EveryDay {
  /** Permanent; the same in every copy of the file. */
  id: string;
  name: string;
  place: string;
  /** IANA time zone of the place. */
  timeZone: string;
  /** The day on which it begins. */
  date: LocalDate;
  airCelsius: number | null;
  /** How many packs can be charged at a time. */
  chargers: number;
  /** Whether somebody stays beside the chargers while the driver drives. */
  chargersWatched: boolean;
  note: string;
}

/** A question that a test day is to answer. */
export interface DayQuestion {
  rigId: string;
  /** As it is asked of the runs of its rig. */
  questionId: string;
  /** 1 is the most important; several may be equal. */
  importance: number;
  runMinutes: number;
  /** Whether all its runs are driven on one pack, charged each time. */
  onePack: boolean;
}

/** What was worked out of a rig for a day: loads from its real plans, cooling from its heat model. */
export interface RigFacts {
  rigId: string;
  /** What they were worked out for: other questions, times or air need others. */
  questionIds: string[];
  runMinutes: number;
  airCelsius: number | null;
  /** What its ESC held when it was worked out, of the items that the day touches. */
  returnsTo: StopByItem;
  coolMinutes: number;
  mahPerMinute: number;
  /** From one set of these items to another. */
  loads: { from: StopByItem; to: StopByItem; seconds: number }[];
}

/** What was said of a test day while it ran. */
export interface DayEvent {
  /** ISO 8601. */
  at: string;
  /** `late`: nothing can be done for some minutes from then. */
  what: 'skip' | 'late' | 'end';
  /** Of the question that is skipped; empty otherwise. */
  questionId: string;
  minutes: number;
}

export interface TestDay extends EveryDay {
  kind: 'test';
  startsAt: LocalTime;
  endsAt: LocalTime;
  packIds: string[];
  questions: DayQuestion[];
  facts: RigFacts[];
  events: DayEvent[];
}

export interface Heat {
  id: string;
  name: string;
  rigId: string;
  startsAt: LocalTime;
  minutes: number;
  /** What is on the ESC for it; null for what it holds. */
  setUpId: string | null;
  packId: string | null;
}

/** A set-up that waits for what may come. */
export interface Prepared {
  id: string;
  /** As `rain`, or `dust`. */
  when: string;
  rigId: string;
  setUpId: string;
}

export interface CheckLine {
  id: string;
  words: string;
  /** ISO 8601; null while it is open. */
  doneAt: string | null;
}

export interface RaceDay extends EveryDay {
  kind: 'race';
  heats: Heat[];
  prepared: Prepared[];
  checks: CheckLine[];
}

export type Day = TestDay | RaceDay;

/**
 * A day without what happened on it: no line is ticked, no event noted, nothing worked out. Two days with the same plan differ only in
 * what a helper notes.
 */
export const planOf = (day: Day): Day =>
  day.kind === 'test'
    ? { ...day, events: [], facts: [] }
    : { ...day, checks: day.checks.map((line) => ({ ...line, doneAt: null })) };

/** The models of a day, each once. */
export const rigsOfDay = (day: Day): string[] => [
  ...new Set(
    day.kind === 'test' ? day.questions.map(({ rigId }) => rigId) : day.heats.map(({ rigId }) => rigId),
  ),
];

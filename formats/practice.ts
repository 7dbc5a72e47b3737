import { MEDIA, type MediumFamily } from '#core/esc/media';
import { SLIP_KINDS, type SlipKind } from '#core/rehearsal/judge';
import { LESSONS, type LessonId } from '#core/rehearsal/lesson';
import { PRACTICE_MODES, type PracticeMode, type PracticeResult } from '#core/rehearsal/results';
import { SURPRISES, type SurpriseId } from '#core/rehearsal/surprises';
import * as yup from 'yup';
import { between, idField, instant, keyOf, listOf, nameField, record, whole, yesNo } from './fields';

/** What was practised on one kind of ESC. */
export interface PracticeFile {
  profileId: string;
  /** The oldest first. */
  results: PracticeResult[];
  /** How many tones and blinks were shown, and how well each is known. */
  turn: number;
  signs: { id: string; level: number; dueAt: number }[];
}

/** More of one ESC nobody practises. */
export const MOST_RESULTS = 1000;
const MOST_SECONDS = 36_000;
const MOST_TURNS = 10_000_000;

export const practiceResultSchema = record({
  id: idField(),
  profileId: idField(),
  lessonId: keyOf<LessonId>(LESSONS),
  family: keyOf<MediumFamily>(MEDIA).nullable().defined(),
  mode: keyOf<PracticeMode>(PRACTICE_MODES),
  at: instant(),
  passed: yesNo(),
  seconds: between(0, MOST_SECONDS, 's'),
  planSeconds: between(0, MOST_SECONDS, 's').nullable().defined(),
  speed: between(0.25, 1, ''),
  surprise: keyOf<SurpriseId>(SURPRISES).nullable().defined(),
  slips: listOf(record({ kind: keyOf<SlipKind>(SLIP_KINDS), count: whole(1, 1000) }), 0, 20),
}) as unknown as yup.ObjectSchema<PracticeResult>;

const signs = {
  turn: whole(0, MOST_TURNS),
  signs: listOf(record({ id: nameField(), level: whole(0, 10), dueAt: whole(0, MOST_TURNS + 100) }), 0, 500),
};

/** How well tones and blinks are known, as a page tells it. */
export const signsSchema = record(signs);

export const practiceFileSchema = record({
  profileId: idField(),
  results: listOf(practiceResultSchema, 0, MOST_RESULTS),
  ...signs,
}) as unknown as yup.ObjectSchema<PracticeFile>;

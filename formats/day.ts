import type { Day, RaceDay, TestDay } from '#core/days/day';
import { isTimeZone, minuteOf } from '#core/days/zoned';
import { MOST_QUESTIONS } from '#core/days/dayProblem';
import * as yup from 'yup';
import {
  between,
  idField,
  instant,
  listOf,
  nameField,
  oneOf,
  record,
  stopByItem,
  textField,
  variants,
  whole,
  yesNo,
} from './fields';

/** A day in a file. */
export interface DayFile {
  day: Day;
}

const text = () => yup.string().strict().typeError('must be text').required('is missing');

const localTime = () =>
  text().test(
    'localTime',
    'must be a local time like 2026-06-20T14:30',
    (value) => minuteOf(value, 'UTC') !== undefined,
  );

const localDate = () =>
  text().test(
    'localDate',
    'must be a date like 2026-06-20',
    (value) => minuteOf(`${value}T12:00`, 'UTC') !== undefined,
  );

const timeZone = () =>
  text().test('timeZone', 'must be a time zone like Europe/Dublin', (value) => isTimeZone(value));

const everyDay = {
  id: idField(),
  name: nameField(),
  place: textField().max(200, 'is longer than 200 characters'),
  timeZone: timeZone(),
  date: localDate(),
  airCelsius: between(-40, 60, '°C').nullable().defined(),
  chargers: whole(0, 12),
  chargersWatched: yesNo(),
  note: textField(),
};

const questions = listOf(
  record({
    rigId: idField(),
    questionId: idField(),
    importance: whole(1, 9),
    runMinutes: whole(1, 120),
    onePack: yesNo(),
  }),
  0,
  MOST_QUESTIONS,
);

const facts = listOf(
  record({
    rigId: idField(),
    questionIds: listOf(idField(), 0, MOST_QUESTIONS),
    runMinutes: whole(1, 120),
    airCelsius: between(-40, 60, '°C').nullable().defined(),
    returnsTo: stopByItem(),
    coolMinutes: whole(0, 600),
    mahPerMinute: between(0, 100_000, 'mAh'),
    loads: listOf(
      record({ from: stopByItem(), to: stopByItem(), seconds: between(0, 36_000, 's') }),
      0,
      1000,
    ),
  }),
  0,
  MOST_QUESTIONS,
);

const testDay = record({
  ...everyDay,
  kind: oneOf(['test'] as const),
  startsAt: localTime(),
  endsAt: localTime(),
  packIds: listOf(idField(), 0, 60),
  questions,
  facts,
  events: listOf(
    record({
      at: instant(),
      what: oneOf(['skip', 'late', 'end'] as const),
      questionId: textField(),
      minutes: whole(0, 600),
    }),
    0,
    500,
  ),
}).test('hours', 'must end behind its start', (hours, context) => {
  const { startsAt, endsAt } = hours as Partial<TestDay>;
  const [from, to] = [minuteOf(startsAt ?? '', 'UTC'), minuteOf(endsAt ?? '', 'UTC')];
  if (from === undefined || to === undefined || to > from) return true;
  return context.createError({ path: `${context.path}.endsAt`, message: 'must be behind its start' });
}) as unknown as yup.ObjectSchema<TestDay>;

const raceDay = record({
  ...everyDay,
  kind: oneOf(['race'] as const),
  heats: listOf(
    record({
      id: idField(),
      name: nameField(),
      rigId: idField(),
      startsAt: localTime(),
      minutes: between(0.5, 240, 'min'),
      setUpId: idField().nullable().defined(),
      packId: idField().nullable().defined(),
    }),
    0,
    60,
  ),
  prepared: listOf(record({ id: idField(), when: nameField(), rigId: idField(), setUpId: idField() }), 0, 20),
  checks: listOf(
    record({ id: idField(), words: nameField(), doneAt: instant().nullable().defined() }),
    0,
    100,
  ),
}) as unknown as yup.ObjectSchema<RaceDay>;

export const daySchema = variants('kind', {
  test: testDay,
  race: raceDay,
} as never) as unknown as yup.Lazy<Day>;

export const dayFileSchema = record({ day: daySchema as never }) as unknown as yup.ObjectSchema<DayFile>;

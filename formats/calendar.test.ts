import { expect, it } from 'vitest';
import { minuteOf } from '#core/days/zoned';
import { calendarFile } from './calendar';

const entry = (id: string, local: string, minutes: number, words: string) => {
  const from = minuteOf(local, 'Europe/Dublin')!;
  return { id, from, to: from + minutes, words, remindsMinutesBefore: id === 'charge' ? 5 : null };
};

it('is an iCalendar whose times are right on both sides of summer time, and past midnight', () => {
  const text = calendarFile(
    'Island race',
    'Quay, north end',
    [
      entry('charge', '2026-03-29T00:30', 45, 'Blue 1 on the charger'),
      entry('heat', '2026-03-29T03:00', 6, 'Heat 1; “dry, sand”'),
      entry('late', '2026-06-20T23:58', 6, 'Night heat'),
    ],
    Date.UTC(2026, 2, 1),
  );
  const lines = text.split('\r\n');
  expect(lines[0]).toBe('BEGIN:VCALENDAR');
  // Before the clocks go forward local time is UTC, after it an hour ahead.
  expect(lines).toContain('DTSTART:20260329T003000Z');
  expect(lines).toContain('DTSTART:20260329T020000Z');
  expect(lines).toContain('DTSTART:20260620T225800Z');
  expect(lines).toContain('DTEND:20260620T230400Z');
  // RFC 5545, 3.3.11: semicolons and commas in text are escaped.
  expect(text).toContain('SUMMARY:Heat 1\\; “dry\\, sand”');
  expect(text).toContain('LOCATION:Quay\\, north end');
  expect(lines).toContain('TRIGGER:-PT5M');
  expect(lines.filter((line) => line === 'BEGIN:VALARM')).toHaveLength(1);
});

import { describe, expect, it } from 'vitest';
import {
  clockOnDay,
  clockTime,
  dayAfter,
  dayInWords,
  isTimeZone,
  localDate,
  localTime,
  minuteOf,
} from './zoned';

describe('times of a place', () => {
  it('go to minutes and back, in zones with odd offsets, too', () => {
    for (const zone of ['Europe/Dublin', 'Asia/Kathmandu', 'America/St_Johns', 'UTC'])
      expect(localTime(minuteOf('2026-07-04T13:37', zone)!, zone)).toBe('2026-07-04T13:37');
    // Nepal is 5 h 45 min before Greenwich: published in the IANA time zone database.
    expect(minuteOf('2026-07-04T05:45', 'Asia/Kathmandu')).toBe(minuteOf('2026-07-04T00:00', 'UTC'));
  });

  // In the European Union clocks go forward on 29 March 2026 at 01:00 UTC, and back on 25 October: Directive 2000/84/EC.
  it('an hour is missing when summer time begins, and comes twice when it ends', () => {
    const zone = 'Europe/Dublin';
    expect(minuteOf('2026-03-29T03:00', zone)! - minuteOf('2026-03-29T00:00', zone)!).toBe(120);
    expect(minuteOf('2026-10-25T03:00', zone)! - minuteOf('2026-10-25T00:00', zone)!).toBe(240);
    expect(minuteOf('2026-03-29T01:30', zone)).toBe(minuteOf('2026-03-29T02:30', zone));
    expect(clockTime(minuteOf('2026-10-25T01:30', zone)! + 60, zone)).toBe('01:30');
  });

  it('a heat past midnight says its day', () => {
    const zone = 'Europe/Dublin';
    const late = minuteOf('2026-06-20T23:50', zone)! + 25;
    expect(localDate(late, zone)).toBe('2026-06-21');
    expect(clockOnDay(late, zone, '2026-06-20')).toBe('Sun 00:15');
    expect(clockOnDay(late - 30, zone, '2026-06-20')).toBe('23:45');
    expect(dayAfter('2026-12-31')).toBe('2027-01-01');
    expect(dayInWords('2026-06-20')).toBe('Saturday, 20 June 2026');
  });

  it('knows what is no time and no zone', () => {
    expect(minuteOf('2026-02-30T10:00', 'UTC')).toBeUndefined();
    expect(minuteOf('tomorrow', 'UTC')).toBeUndefined();
    expect(isTimeZone('Europe/Dublin')).toBe(true);
    expect(isTimeZone('The Quay')).toBe(false);
  });
});

/**
 * Times as a place has them. A day is written down in local times of its place, as people do; what is planned is counted in
 * minutes since 1970, which know no summer time. Only this file knows the library (Luxon) that goes from one to the other.
 */
import { DateTime, IANAZone } from 'luxon';
import type { Minute } from './dayProblem';

/** `YYYY-MM-DDTHH:mm`, as the clock of the place shows it. */
export type LocalTime = string;
/** `YYYY-MM-DD`. */
export type LocalDate = string;

const LOCAL = "yyyy-MM-dd'T'HH:mm";

/** Whether a zone is one of the IANA database, as `Europe/Dublin`. */
export const isTimeZone = (zone: string): boolean => IANAZone.isValidZone(zone);

/**
 * A local time as minutes since 1970. In the hour that summer time skips, the clock is taken as it was before; in the hour that
 * comes twice, the first of the two.
 * @returns undefined where it is no time
 */
export function minuteOf(local: LocalTime, zone: string): Minute | undefined {
  const time = DateTime.fromFormat(local, LOCAL, { zone });
  if (!time.isValid) return undefined;
  // Of an hour that comes twice, the library takes one or the other by today's date.
  return Math.min(...time.getPossibleOffsets().map((one) => Math.floor(one.toMillis() / 60_000)));
}

/** @returns the clock of the place, `YYYY-MM-DDTHH:mm` */
export const localTime = (minute: Minute, zone: string): LocalTime => at(minute, zone).toFormat(LOCAL);

/** As a clock shows it: `14:05`. */
export const clockTime = (minute: Minute, zone: string): string => at(minute, zone).toFormat('HH:mm');

/** The date of the place. */
export const localDate = (minute: Minute, zone: string): LocalDate => at(minute, zone).toFormat('yyyy-MM-dd');

/** As a page heads a day: `Sunday, 29 March 2026`. */
export const dayInWords = (date: LocalDate): string =>
  DateTime.fromISO(date, { zone: 'utc', locale: 'en' }).toFormat('cccc, d MMMM yyyy');

/** A clock time on a day that began on a date: with the weekday where it is another one, as in heats past midnight. */
export function clockOnDay(minute: Minute, zone: string, date: LocalDate): string {
  const time = at(minute, zone);
  return time.toFormat('yyyy-MM-dd') === date ? time.toFormat('HH:mm') : time.toFormat('ccc HH:mm');
}

const at = (minute: Minute, zone: string): DateTime =>
  DateTime.fromMillis(minute * 60_000, { zone, locale: 'en' });

/** The next day. */
export const dayAfter = (date: LocalDate): LocalDate =>
  DateTime.fromISO(date, { zone: 'utc' }).plus({ days: 1 }).toFormat('yyyy-MM-dd');

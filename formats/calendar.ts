/** A day as a calendar file (iCalendar, RFC 5545), written by ical-generator: times in UTC, which every calendar shows as its own. */
import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator';

export interface CalendarEntry {
  /** Permanent: a file that is taken in again moves its entries instead of adding some. */
  id: string;
  /** Minutes since 1970. */
  from: number;
  to: number;
  words: string;
  /** So long before, a calendar reminds; null for not at all. */
  remindsMinutesBefore: number | null;
}

/** @param madeAt milliseconds since 1970 */
export function calendarFile(
  name: string,
  place: string,
  entries: readonly CalendarEntry[],
  madeAt: number,
): string {
  const calendar = ical({
    name,
    prodId: { company: 'Live Tune', product: 'Days' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { id, from, to, words, remindsMinutesBefore } of entries) {
    const event = calendar.createEvent({
      id: `${id}@live-tune`,
      start: new Date(from * 60_000),
      end: new Date(to * 60_000),
      stamp: new Date(madeAt),
      summary: words,
      ...(place === '' ? {} : { location: place }),
    });
    if (remindsMinutesBefore !== null)
      event.createAlarm({ type: ICalAlarmType.display, triggerBefore: 60 * remindsMinutesBefore });
  }
  return calendar.toString();
}

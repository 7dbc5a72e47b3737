/** What was changed of days and the server has not confirmed yet, kept in this browser. */
import type { Day } from '#core/days/day';
import { waitingHere } from '../../ui/waitingHere';

interface WaitingDay {
  /** The day that was changed, as the server had it then. */
  base: Day;
  part: Partial<Day>;
}

export const waitingDays = waitingHere<WaitingDay>('live-tune-day-');

/** What is sent is on its way for seconds: what differs by more is the clock. */
const SAME_CLOCK_MS = 60_000;

/**
 * When something was noted, by the bench's clock: by it is found what the ESC held then. A phone may have been set wrong all day.
 * @param noted ISO 8601, by the clock of the device
 * @param sentAt when the device sent it, by the same clock, ISO 8601; where it does not say, its clock is taken as right
 * @param now by the bench's clock, ms since 1970
 */
export function onBenchClock(noted: string, sentAt: string | null, now: number): string {
  const aheadMs = Date.parse(sentAt ?? '') - now;
  return Math.abs(aheadMs) > SAME_CLOCK_MS ? new Date(Date.parse(noted) - aheadMs).toISOString() : noted;
}

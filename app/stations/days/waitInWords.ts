const HOUR = 60;
const DAY = 24 * HOUR;

/** How long it is until something, as a driver says it: minutes up to two hours, hours up to two days, then days. @param minutes whole */
export function waitInWords(minutes: number): string {
  if (minutes < 2 * HOUR) return `in ${minutes}\u00a0min`;
  if (minutes < 2 * DAY) return `in ${Math.round(minutes / HOUR)}\u00a0h`;
  return `in ${Math.round(minutes / DAY)} days`;
}

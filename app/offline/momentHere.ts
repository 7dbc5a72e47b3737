/** A moment as the clock of this device shows it; with its date where that is not today. @param at ISO 8601 */
export function momentHere(at: string): string {
  const moment = new Date(at);
  const time = moment.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' });
  const isToday = moment.toDateString() === new Date().toDateString();
  return isToday ? time : `${time}, ${moment.toLocaleDateString()}`;
}

import type { Log } from '../log/channels';

/** So much of a log is fitted, s: beyond, samples would lie too far apart to tell one pull from the next. */
const LONGEST_S = 750;
/** Nobody knows what happened in a longer pause, s: how warm it is after it, least of all. */
export const LONGEST_GAP_S = 2;

/** A log up to its first long pause, and for as long as a fit looks: from there on nothing of it is certain. */
export function partToFit(log: Log): Log {
  const { seconds, channels } = log;
  let until = 1;
  while (
    until < seconds.length &&
    seconds[until]! - seconds[until - 1]! <= LONGEST_GAP_S &&
    seconds[until]! - seconds[0]! <= LONGEST_S
  )
    until += 1;
  if (until >= seconds.length) return log;
  // Copies: what is left of a long log is given back.
  return {
    seconds: seconds.slice(0, until),
    channels: channels.map((channel) => ({ ...channel, values: channel.values.slice(0, until) })),
  };
}

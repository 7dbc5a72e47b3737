/** A run as a fit takes it: with its log, where that tells all that it needs; else with what a hand wrote down. */
import { CHANNELS, channelOf, type ChannelKind, type Log } from '../log/channels';
import type { Run } from '../run';
import { partToFit } from './partToFit';

export interface RunToFit {
  number: number;
  run: Pick<Run, 'held' | 'byHand' | 'airCelsius' | 'minutes' | 'readings'>;
  /** With all channels that a fit needs, and only the part that it looks at. */
  log: Log | undefined;
}

/** The channels without which a log says nothing of motor and pack. */
export const NEEDED = ['trigger', 'packVolts', 'amps', 'rpm'] as const satisfies readonly ChannelKind[];

/** Names of the channels that a fit needs and a log does not have. @param kinds those that it has */
export const missingIn = (kinds: readonly (ChannelKind | null)[]): string[] =>
  NEEDED.filter((kind) => !kinds.includes(kind)).map((kind) => CHANNELS[kind].name.toLowerCase());

/** A run for a fit. A log that lacks a channel is left away: it counts with its numbers by hand. */
export const runToFit = (number: number, run: RunToFit['run'], log: Log | undefined): RunToFit => ({
  number,
  run,
  log: log && NEEDED.every((kind) => channelOf(log, kind)) ? partToFit(log) : undefined,
});

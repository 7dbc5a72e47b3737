import { READINGS, type Reading, type ReadingId } from '../readings';
import type { ChannelKind, Log } from './channels';

export type EndOfChannel = readonly [ReadingId, ChannelKind, 'least' | 'most'];

/** Which end of which channel is a number of the run. */
export const NOTED_ENDS: readonly EndOfChannel[] = [
  ['canCelsius', 'canCelsius', 'most'],
  ['escCelsius', 'escCelsius', 'most'],
  ['packCelsius', 'packCelsius', 'most'],
  ['lowestVolts', 'packVolts', 'least'],
  ['topRpm', 'rpm', 'most'],
  ['topSpeedKmh', 'speedKmh', 'most'],
];

/**
 * The numbers that a log says of its run, where they are ones that a run can have.
 * @param channels with the least and the most of each
 */
export const readingsOfLog = (
  channels: readonly { kind: ChannelKind | null; least: number; most: number }[],
): Reading[] =>
  NOTED_ENDS.flatMap(([id, kind, end]): Reading[] => {
    const value = channels.find((channel) => channel.kind === kind)?.[end];
    const { least, most, decimals } = READINGS[id];
    if (value === undefined || !(value >= least && value <= most)) return [];
    return [{ kind: id, value: Number(value.toFixed(decimals)), from: 'log' }];
  });

/** The least and the most of each channel of a log; neither where it has no sample. */
export const endsOf = ({ channels }: Log): { kind: ChannelKind | null; least: number; most: number }[] =>
  channels.map(({ kind, values }) => {
    let [least, most] = [Infinity, -Infinity];
    for (const value of values) {
      if (value < least) least = value;
      if (value > most) most = value;
    }
    return { kind, least, most };
  });

/** The readings of a run with those of its log in place of what a hand noted before. */
export const withLogReadings = (readings: readonly Reading[], ofLog: readonly Reading[]): Reading[] => [
  ...readings.filter(({ kind }) => !ofLog.some((one) => one.kind === kind)),
  ...ofLog,
];

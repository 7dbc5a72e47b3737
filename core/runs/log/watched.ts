/** What a rig's owner wants to be told of while it is driven, and of which moments of a log. */
import { HOT_CAN_C, NEAR_LIMIT_K } from '../../advice/verdicts/heat';
import { factoryStops, type StopByItem } from '../../esc/profile';
import { escBehaviour } from '../../physics/escChain';
import { withUnit } from '../../units/format';
import type { OnRig } from '../predicted';
import type { ChannelKind } from './channels';

/** A number beyond which one wants to be told. */
export interface Threshold {
  channel: ChannelKind;
  most: number;
  words: string;
}

export interface Watched {
  /** Of the pack, V; 0 where the ESC has none. */
  cutoffVolts: number;
  thresholds: readonly Threshold[];
}

/** Where the limit is not known. Common practice. */
const USUAL_LIMIT_C = 100;

/**
 * The thresholds of a rig. An alarm of the ESC comes well before its limit: 80 °C where that is 100. Common practice.
 * @param stops those that its ESC holds; factory values where nothing is said
 */
export function watchedOn(
  { rig, profile, range }: Pick<OnRig, 'rig' | 'profile' | 'range'>,
  stops: StopByItem,
): Watched {
  const { cutoffVoltsPerCell } = escBehaviour(
    profile,
    { ...factoryStops(profile), ...stops },
    rig.channel,
    range,
    rig.pack.cells,
  );
  const escMost = (profile.limits.temperatureLimitC ?? USUAL_LIMIT_C) - 2 * NEAR_LIMIT_K;
  return {
    cutoffVolts: cutoffVoltsPerCell * rig.pack.cells,
    thresholds: [
      { channel: 'canCelsius', most: HOT_CAN_C, words: `motor can above ${withUnit(HOT_CAN_C, '°C', 0)}` },
      { channel: 'escCelsius', most: escMost, words: `ESC above ${withUnit(escMost, '°C', 0)}` },
    ],
  };
}

const cutoffWords = (volts: number): string => `pack below its cutoff of ${withUnit(volts, 'V', 2)}`;

/** What is watched, in words. */
export const watchedWords = ({ cutoffVolts, thresholds }: Watched): string[] => [
  ...(cutoffVolts > 0 ? [cutoffWords(cutoffVolts)] : []),
  ...thresholds.map(({ words }) => words),
];

/** Which thresholds numbers of one moment are beyond: the channel, and in words. Empty where all is well. */
export function alarmsOf(
  values: Partial<Record<ChannelKind, number>>,
  { cutoffVolts, thresholds }: Watched,
): { channel: ChannelKind; words: string }[] {
  const { packVolts } = values;
  return [
    ...(packVolts !== undefined && packVolts < cutoffVolts
      ? [
          {
            channel: 'packVolts' as const,
            words: `pack below its cutoff of ${withUnit(cutoffVolts, 'V', 2)}`,
          },
        ]
      : []),
    ...thresholds.filter(({ channel, most }) => (values[channel] ?? -Infinity) > most),
  ];
}

/** What a log can hold: channels that mean something to the model, and any other that is only drawn. */

export interface ChannelFacts {
  name: string;
  unit: string;
  decimals: number;
  /** Beyond these no such sensor reads: what lies outside is a fault of the log. */
  least: number;
  most: number;
}

export const CHANNELS = {
  trigger: { name: 'Trigger', unit: '%', decimals: 0, least: -150, most: 150 },
  packVolts: { name: 'Pack voltage', unit: 'V', decimals: 2, least: 0, most: 100 },
  amps: { name: 'Pack current', unit: 'A', decimals: 1, least: -500, most: 1000 },
  rpm: { name: 'Motor rpm', unit: 'rpm', decimals: 0, least: 0, most: 300_000 },
  canCelsius: { name: 'Motor can', unit: '°C', decimals: 0, least: -50, most: 300 },
  escCelsius: { name: 'ESC', unit: '°C', decimals: 0, least: -50, most: 300 },
  packCelsius: { name: 'Pack', unit: '°C', decimals: 0, least: -50, most: 200 },
  busVolts: { name: 'Receiver voltage', unit: 'V', decimals: 2, least: 0, most: 30 },
  usedMah: { name: 'Used', unit: 'mAh', decimals: 0, least: -100_000, most: 1_000_000 },
  speedKmh: { name: 'Speed', unit: 'km/h', decimals: 1, least: -500, most: 600 },
} as const satisfies Record<string, ChannelFacts>;
export type ChannelKind = keyof typeof CHANNELS;

/** One channel of a log. What was not sampled at a time is NaN there. */
export interface Channel {
  /** Null for one that only its owner knows. */
  kind: ChannelKind | null;
  name: string;
  unit: string;
  values: Float32Array;
}

/** A log: all channels over one time. */
export interface Log {
  /** From the first sample, s, never falling. */
  seconds: Float64Array;
  channels: Channel[];
}

/** The channel of a kind, where the log has it. */
export const channelOf = ({ channels }: Log, kind: ChannelKind): Channel | undefined =>
  channels.find((channel) => channel.kind === kind);

/** How long a log is, s. */
export const lengthOf = ({ seconds }: Log): number =>
  seconds.length === 0 ? 0 : seconds.at(-1)! - seconds[0]!;

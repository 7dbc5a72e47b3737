import type { ThrottleChannel } from '#core/radio/pulse';

type NumberKey = Exclude<keyof ThrottleChannel, 'reversed' | 'rest' | 'jitterMicros'>;

export interface ChannelField {
  key: NumberKey;
  label: string;
  unit: string;
  least: number;
  most: number;
  why: string;
  /** Rarely changed; shown only when asked for. */
  advanced: boolean;
}

const field = (
  key: NumberKey,
  label: string,
  unit: string,
  [least, most]: readonly [number, number],
  why: string,
  advanced = false,
): ChannelField => ({ key, label, unit, least, most, why, advanced });

export const CHANNEL_FIELDS: readonly ChannelField[] = [
  field(
    'forwardEndPointPercent',
    'Forward end point',
    '%',
    [1, 150],
    'How far the radio lets forward go. Keep 100 until the ESC is calibrated.',
  ),
  field(
    'brakeEndPointPercent',
    'Brake end point',
    '%',
    [1, 150],
    'How far the radio lets brake go. Multiplies with the ESC’s brake strength.',
  ),
  field(
    'subTrimMicros',
    'Sub-trim',
    'µs',
    [-300, 300],
    'Moves neutral. Set it to zero before calibrating.',
    true,
  ),
  field(
    'trimMicros',
    'Trim',
    'µs',
    [-300, 300],
    'Also moves neutral. Set it to zero before calibrating.',
    true,
  ),
  field(
    'expoPercent',
    'Expo',
    '%',
    [-50, 100],
    'Softens the middle of the throttle. Set it to zero before calibrating.',
    true,
  ),
  field('centreMicros', 'Pulse at neutral', 'µs', [500, 2500], '1500 on nearly every radio.', true),
  field('travelMicros', 'Travel at 100 %', 'µs', [100, 1000], '500 on many radios, 400 on some.', true),
  field('stepMicros', 'Smallest step', 'µs', [0.01, 50], 'The resolution of the radio.', true),
  field('frameMs', 'From pulse to pulse', 'ms', [0.1, 100], '20 on most radios, less on quick ones.', true),
];

/** The standard deviation of a throttle held still, µs; blank where nobody measured it. */
export const JITTER_FIELD = { name: 'jitter', label: 'Measured jitter', unit: 'µs', least: 0, most: 200 };

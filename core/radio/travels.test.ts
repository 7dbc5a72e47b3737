import { expect, it } from 'vitest';
import { defaultRig } from '../rig/defaults';
import type { ThrottleChannel } from './pulse';
import { positionAt, pulseMicros, rangeOf, restMicros, stickEndAt, throttleFraction } from './pulse';
import { envelopeOf, readPulseSeries, seriesStatistics } from './pulseSeries';
import { limitingCompared, transferOf } from './transfer';
import { asymmetryOf, travelReport } from './travel';

const RADIOS: Record<string, Partial<ThrottleChannel>> = {
  plain: {},
  trimmed: { trimMicros: 40, subTrimMicros: 12 },
  lowered: { forwardEndPointPercent: 70, brakeEndPointPercent: 80 },
  raised: { forwardEndPointPercent: 120, brakeEndPointPercent: 110 },
  reversed: { reversed: true, expoPercent: 30 },
  coarse: { stepMicros: 4, expoPercent: -20 },
};
const RANGES = [
  { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 },
  { brakeMicros: 1100, neutralMicros: 1540, forwardMicros: 1850 },
  { brakeMicros: 2000, neutralMicros: 1500, forwardMicros: 1000 },
  { brakeMicros: 1000, neutralMicros: 1000, forwardMicros: 2000 },
];

const shortened = (value: unknown): string =>
  JSON.stringify(value, (_, part: unknown) =>
    typeof part === 'number' ? Number(part.toPrecision(5)) : part,
  );

function lines(name: string, channel: ThrottleChannel): string[] {
  const own = rangeOf(channel);
  return [
    `${name}: ${shortened(own)} rests at ${restMicros(channel)}, ends ${[1000, 1500, 2000].map((p) => stickEndAt(channel, p)).join()}`,
    ...[-1, -0.5, -0.1, 0, 0.3, 0.8, 1].map((stick) => {
      const pulse = pulseMicros(channel, stick);
      return `${stick} sends ${shortened(pulse)}, back at ${shortened(positionAt(channel, pulse))}`;
    }),
    ...[own, ...RANGES].flatMap((range) => {
      const report = travelReport(channel, range, 30);
      return [
        `${shortened(range)} ${shortened(report)} ${shortened(asymmetryOf(report))}`,
        `signals ${shortened([1000, 1250, 1480, 1531, 1700, 2010].map((p) => throttleFraction(range, 30, p)))}`,
        `limited ${shortened(limitingCompared(channel, range, 30, 0.6))}`,
        `comes to ${shortened(transferOf(channel, range, 30, { forward: 0.8, brake: 0.5 }, 6).map((p) => [p.trigger, p.pulseMicros, p.output]))}`,
      ];
    }),
  ];
}

function seriesLines(): string[] {
  const drifting = Array.from(
    { length: 200 },
    (_, n) => 1500 + ((n * 37) % 11) - 5 + n / 50 + (n === 77 ? 90 : 0),
  );
  return [
    shortened(seriesStatistics(drifting, 22, 2)),
    shortened(envelopeOf(drifting, 7)),
    ...['1500\n1501,5\n\nx\n9000\n', '1.5\n1.51\n1505', '12:00;1500\n12:01;1501\n'].map((text) =>
      shortened(readPulseSeries(text)),
    ),
  ];
}

/** Every number of a radio's travel, side by side. `npx vitest run travels -u` takes over a change that was meant. */
it('no number of any travel moves without being meant to', async () => {
  const all = (['tenthBuggy', 'sportPlane'] as const).flatMap((vehicleClass) =>
    Object.entries(RADIOS).flatMap(([name, change]) => [
      '',
      ...lines(`${vehicleClass} ${name}`, { ...defaultRig(vehicleClass).channel, ...change }),
    ]),
  );
  await expect(`${[...all, '', ...seriesLines()].join('\n').trim()}\n`).toMatchFileSnapshot('travels.txt');
});

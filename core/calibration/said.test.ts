import { expect, it } from 'vitest';
import { archetypeFor } from '../archetypes/archetypes';
import type { EscProfile } from '../esc/profile';
import { smallProfile, toneProfile } from '../esc/smallProfile.fixture';
import { rangeOf, type LearnedRange, type ThrottleChannel } from '../radio/pulse';
import { seriesOf as series } from '../radio/series.fixture';
import { defaultRig } from '../rig/defaults';
import type { Rig } from '../rig/rig';
import { causesOf, SYMPTOMS, type SymptomId } from './diagnosis';
import { firmwareLines, firstPowerLines } from './firstPower';
import { advisedDeadband, advisedEndPointMargin } from './margins';
import { matchTable } from './matchTable';
import { preparationLines } from './preparation';
import { learnedSlip, loweredSlip } from './slips';
import { judgeSupply } from './supplyTest';
import { EMPTY_TRAVEL_TEST, foundRange, measuredSide, problemsOf, readPulse } from './travelTest';

const RADIOS: Record<string, Partial<ThrottleChannel>> = {
  'as it is': {},
  'trimmed up': { trimMicros: 40, subTrimMicros: 12 },
  'lowered both ways': { forwardEndPointPercent: 70, brakeEndPointPercent: 80 },
  'raised forward': { forwardEndPointPercent: 120 },
  'reversed, with a curve': { reversed: true, expoPercent: 30 },
  noisy: { jitterMicros: 9 },
};
const LEARNED: Record<string, (range: LearnedRange) => LearnedRange> = {
  'as sent': (range) => range,
  'late by 60': (range) => ({ ...range, neutralMicros: range.neutralMicros + 60 }),
  'wide by 100': (range) => ({ ...range, forwardMicros: range.forwardMicros + 100 }),
  'narrow by 3': (range) => ({ ...range, forwardMicros: range.forwardMicros - 3 }),
  exchanged: ({ brakeMicros, neutralMicros, forwardMicros }) => ({
    brakeMicros: forwardMicros,
    neutralMicros,
    forwardMicros: brakeMicros,
  }),
};
const RIGS: readonly (readonly [name: string, rig: Rig, profile: EscProfile])[] = [
  ['car', defaultRig('tenthBuggy'), smallProfile()],
  ['twin', { ...defaultRig('twinPlane'), motorCount: 2 }, toneProfile()],
  ['aerobat', defaultRig('aerobaticPlane'), archetypeFor('aerobaticPlane').profile],
];

function diagnosisLines(rig: Rig, profile: EscProfile, range: LearnedRange): string[] {
  const ranges = Array.from({ length: rig.motorCount }, (_, n) =>
    n === 1 ? { ...range, neutralMicros: range.neutralMicros + 25 } : range,
  );
  const facts = { rig, profile, range, ranges, deadbandMicros: 30, calibrations: [], lockedBy: undefined };
  return (Object.keys(SYMPTOMS) as SymptomId[]).flatMap((symptom) =>
    causesOf(symptom, { ...facts, forwardPower: 0.8, hasReverse: false })
      .filter(({ evidence }) => evidence !== undefined)
      .map(({ what, evidence, test }) => `${symptom} | ${what} | ${evidence} | ${test}`),
  );
}

function matchLines(rig: Rig, range: LearnedRange): string[] {
  const escs = ['left', 'middle', 'right'].map((name, n) => ({
    name,
    range: {
      ...range,
      forwardMicros: range.forwardMicros - 12 * n,
      neutralMicros: range.neutralMicros + 8 * n,
    },
    deadbandMicros: 20,
    isKnown: true,
  }));
  return [2, 3].map((count) => {
    const { sentence, startSpread, fullSpread } = matchTable(rig.channel, escs.slice(0, count));
    return `${sentence} | ${startSpread.toFixed(4)} ${fullSpread.toFixed(4)}`;
  });
}

function testLines(rig: Rig, range: LearnedRange): string[] {
  const { channel } = rig;
  const test = {
    ...EMPTY_TRAVEL_TEST,
    firstForwardMicros: range.neutralMicros + 40,
    fullForwardMicros: range.forwardMicros - 30,
    firstBrakeMicros: range.neutralMicros - 35,
    fullBrakeMicros: range.brakeMicros + 20,
  };
  const side = measuredSide(channel, test.firstForwardMicros, test.fullForwardMicros, 1);
  return [
    ...problemsOf(test, channel),
    JSON.stringify(foundRange(test, channel, range)),
    JSON.stringify(side, (_, value: unknown) =>
      typeof value === 'number' ? Number(value.toFixed(5)) : value,
    ),
  ];
}

function radioLines(name: string, rig: Rig, profile: EscProfile): string[] {
  const range = rangeOf(rig.channel);
  return [
    ...preparationLines(rig, 'radio').map(({ what, why, right }) => `${right} | ${what} | ${why}`),
    loweredSlip(rig.channel)?.sentence ?? 'nothing is lowered',
    ...Object.entries(LEARNED).flatMap(([learned, change]) => {
      const slip = learnedSlip(profile, rig.channel, change(range));
      return [
        `${name}, learned ${learned}: ${slip ? `${slip.title} ${slip.sentence}` : 'nothing is wrong'}`,
        ...diagnosisLines(rig, profile, change(range)),
        ...matchLines(rig, change(range)),
        ...testLines(rig, change(range)),
      ];
    }),
  ];
}

function measuredLines(): string[] {
  const { channel } = defaultRig('tenthBuggy');
  return [
    ...[0.3, 2.2, 6.7, 14].flatMap((deviation) => [
      advisedDeadband(series(deviation, 0.31), undefined, 30, 4).reason,
      advisedEndPointMargin(series(deviation, -0.47), channel).reason,
    ]),
    ...[7.4, 7.26, 7.14, 6.9, 6.5, 4.2].map((lowest) => {
      const { grade, title, reason, next } = judgeSupply({ setVolts: 7.4, lowestVolts: lowest });
      return [grade, title, reason, ...next].join(' | ');
    }),
    ...['1520', '1.52', '151', '-151', '12', '3000', 'abc', ''].flatMap((text) =>
      (['micros', 'percent'] as const).map((unit) => {
        const read = readPulse(text, unit, channel);
        return `“${text}” as ${unit}: ${read.ok ? read.micros : read.sentence}`;
      }),
    ),
    ...RIGS.flatMap(([name, rig, profile]) =>
      [...firstPowerLines(rig, profile), ...firmwareLines(profile)].map(
        (line) => `${name} | ${JSON.stringify(line)}`,
      ),
    ),
  ];
}

/** All that Endpoints can say, to be read aloud; a change shows in one diff what it does. `npx vitest run said -u` takes it over. */
it('nothing is said of end points otherwise without being meant to', async () => {
  const said = new Set<string>();
  const lines = RIGS.flatMap(([name, rig, profile]) =>
    Object.entries(RADIOS).flatMap(([radio, change]) => {
      const channel = { ...rig.channel, ...change };
      const fresh = radioLines(name, { ...rig, channel }, profile).filter((line) => !said.has(line));
      fresh.forEach((line) => said.add(line));
      return ['', `${name}, radio ${radio}`, ...new Set(fresh)];
    }),
  );
  await expect(`${[...lines, '', ...measuredLines()].join('\n').trim()}\n`).toMatchFileSnapshot('said.txt');
});

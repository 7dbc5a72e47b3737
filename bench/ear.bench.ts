/** How well the ear hears, how soon, and what it costs. Prints one line of JSON a condition; the seed is always the same. */
import { hear, newEar } from '#core/ear/ear';
import { compared, heardIn, series } from '#core/ear/rates.fixture';
import { REST_MS } from '#core/procedure/sound';
import {
  clipped,
  groupsSounding,
  PITCHES,
  randomFrom,
  RATE,
  speechLike,
  withEcho,
  withHum,
  withNoise,
} from '#core/ear/recording.fixture';

const GROUPS = 200;
const random = randomFrom(20260101);
const { said, sound } = series(GROUPS, random);

const conditions: [string, () => Float32Array][] = [
  ...[20, 10, 6, 3, 0, -3].map((db): [string, () => Float32Array] => [
    `noise, ${db} dB`,
    () => withNoise(sound, db, random),
  ]),
  ['echo after 60 ms, 8 dB quieter, noise 10 dB', () => withEcho(withNoise(sound, 10, random), 60, -8)],
  ['mains hum louder than the notes, noise 10 dB', () => withHum(withNoise(sound, 10, random), 0.5)],
  ['cut off at a quarter, noise 10 dB', () => clipped(withNoise(sound, 10, random), 0.05)],
];
for (const [condition, recorded] of conditions) {
  const { right, wrong } = compared(said, heardIn(recorded(), PITCHES));
  const share = Number(((100 * right) / GROUPS).toFixed(1));
  console.log(JSON.stringify({ ear: condition, rightPercent: share, falseGroups: wrong }));
}
for (const [name, pitches] of [
  ['notes known', PITCHES],
  ['notes not learned yet', undefined],
] as const) {
  const groups = heardIn(speechLike(60, random), pitches).length;
  console.log(JSON.stringify({ ear: `a minute of what sounds like a voice, ${name}`, falseGroups: groups }));
}

/** From the end of a group's last note to its report: what must be heard until then, and computing it. */
const BLOCK = 128;
const PAUSE_MS = 300;
const latencies: number[] = [];
let computingMs = 0;
let seconds = 0;
for (const notes of said.slice(0, 60)) {
  const one = withNoise(groupsSounding([notes], PITCHES, PAUSE_MS), 10, random);
  const endsMs = (1000 * one.length) / RATE - PAUSE_MS - REST_MS;
  let ear = newEar(RATE, PITCHES);
  seconds += one.length / RATE;
  for (let at = 0; at < one.length; at += BLOCK) {
    const started = performance.now();
    const next = hear(ear, one.subarray(at, at + BLOCK));
    const took = performance.now() - started;
    computingMs += took;
    ear = next.ear;
    const heardMs = (1000 * (at + BLOCK)) / RATE;
    if (next.groups.length > 0) latencies.push(heardMs - endsMs + took);
  }
}
latencies.sort((a, b) => a - b);
const at = (share: number): number => Math.round(latencies[Math.floor(share * (latencies.length - 1))]!);
console.log(
  JSON.stringify({
    ear: 'from the end of a group to its report',
    medianMs: at(0.5),
    mostMs: at(1),
    computingMsPerSecond: Number((computingMs / seconds).toFixed(1)),
  }),
);

/** How well the eye counts, and what it costs. Prints one line of JSON a condition; the seed is always the same. */
import { randomFrom } from '#core/ear/recording.fixture';
import { NEW_EYE, see } from '#core/eye/eye';
import { bench, CALM, film, groupsFlashing, type Conditions } from '#core/eye/film.fixture';
import { falseGroups, rateOf } from '#core/eye/rates.fixture';

const FILMS = 12;
const conditions: [string, Conditions][] = [
  ['calm, noise 3 of 255', CALM],
  ['noise 8', { ...CALM, noise: 8 }],
  ['noise 14', { ...CALM, noise: 14 }],
  ['a hand that shakes by 2 cells', { ...CALM, shake: 2 }],
  ['a hand that shakes by 4 cells', { ...CALM, shake: 4 }],
  ['light that comes and goes by 8 %', { ...CALM, flicker: 0.08 }],
  ['a dim lamp', { ...CALM, lamp: 60 }],
  ['15 pictures a second', { ...CALM, rate: 15 }],
  ['noise 8, shake 2, flicker 6 %', { ...CALM, noise: 8, shake: 2, flicker: 0.06 }],
];
for (const [condition, what] of conditions) {
  const { groups, right, wrong, colours } = rateOf(what, FILMS, 20260101);
  const percent = (part: number): number => Number(((100 * part) / groups).toFixed(1));
  console.log(
    JSON.stringify({
      eye: condition,
      groups,
      rightPercent: percent(right),
      wrong,
      colourPercent: percent(colours),
    }),
  );
}
for (const kind of ['carried', 'hand', 'leaves', 'glints'] as const)
  console.log(JSON.stringify({ eye: `a minute of moving: ${kind}`, falseGroups: falseGroups(kind, 60, 9) }));

/** From the end of a group to its report, and computing a picture. */
const random = randomFrom(7);
const pictures = [
  ...film(
    bench(random),
    {
      ...groupsFlashing([5, 2, 7, 1], { onMs: 200, offMs: 220, pauseMs: 1800 }),
      colour: 'red',
      x: 24,
      y: 24,
    },
    CALM,
    random,
  ),
];
let eye = NEW_EYE;
const took: number[] = [];
const late: number[] = [];
for (const picture of pictures) {
  const started = performance.now();
  const next = see(eye, picture);
  took.push(performance.now() - started);
  eye = next.eye;
  if (next.group) late.push(Math.round(picture.atMs - next.group.toMs));
}
took.sort((a, b) => a - b);
const part = (share: number): number => Number(took[Math.floor(share * (took.length - 1))]!.toFixed(2));
console.log(JSON.stringify({ eye: 'a picture, ms', median: part(0.5), p95: part(0.95), most: part(1) }));
console.log(JSON.stringify({ eye: 'from the end of a group of 5, 2, 7, 1 to its report, ms', late }));

/** Films of an ESC that were never taken: a bench, a lamp that flashes, and what lies over them. The same seed gives the same film. */
import { gaussian } from '../ear/recording.fixture';
import type { Colour } from './colour';
import { CELLS, SIDE, type Picture } from './picture';

export interface Conditions {
  /** Standard deviation of each cell and colour, of 255. */
  noise: number;
  /** How far a hand shakes, in cells. */
  shake: number;
  /** By how much the light of the place comes and goes, as where lamps on alternating current beat with the camera. */
  flicker: number;
  /** Pictures a second. */
  rate: number;
  /** By how much the lamp is brighter than the bench, of 255. */
  lamp: number;
}

export const CALM: Conditions = { noise: 3, shake: 0, flicker: 0, rate: 30, lamp: 150 };

const ADDED: Readonly<Record<Colour, readonly [number, number, number]>> = {
  red: [1, 0.08, 0.08],
  amber: [1, 0.6, 0.05],
  green: [0.1, 1, 0.2],
  blue: [0.1, 0.3, 1],
  white: [1, 1, 1],
};

/** How a bench looks at a place, 0 to 255. */
export type Bench = (x: number, y: number) => number;

/** Places to a cell, and how far round the picture it is known, in cells. */
const FINE = 4;
const ROUND = 40;
const ACROSS = FINE * (SIDE + 2 * ROUND);

/** Surfaces, edges and wires, by waves of many lengths. */
export function bench(random: () => number): Bench {
  const waves = Array.from({ length: 9 }, (_, n) => ({
    x: ((random() - 0.5) * (0.15 + 0.09 * n)) / FINE,
    y: ((random() - 0.5) * (0.15 + 0.09 * n)) / FINE,
    turn: 2 * Math.PI * random(),
    height: 26 / (1 + 0.5 * n),
  }));
  const known = Float32Array.from({ length: ACROSS * ACROSS }, (_, at) =>
    waves.reduce(
      (sum, wave) =>
        sum + wave.height * Math.sin(wave.x * (at % ACROSS) + wave.y * Math.floor(at / ACROSS) + wave.turn),
      95,
    ),
  );
  const place = (value: number): number =>
    Math.max(0, Math.min(ACROSS - 1, Math.round(FINE * (value + ROUND))));
  return (x, y) => known[place(y) * ACROSS + place(x)]!;
}

export interface Blink {
  fromMs: number;
  toMs: number;
}

/** Flashes in groups. @returns when the lamp is lit, and how long the film is */
export function groupsFlashing(
  counts: readonly number[],
  times: { onMs: number; offMs: number; pauseMs: number },
): { blinks: Blink[]; lengthMs: number } {
  let at = 1800;
  const blinks = counts.flatMap((count) => {
    const group = Array.from({ length: count }, (_, n) => {
      const fromMs = at + n * (times.onMs + times.offMs);
      return { fromMs, toMs: fromMs + times.onMs };
    });
    at = group.at(-1)!.toMs + times.pauseMs;
    return group;
  });
  return { blinks, lengthMs: at };
}

/** A film of a lamp. */
export function* film(
  place: Bench,
  lamp: { blinks: readonly Blink[]; lengthMs: number; colour: Colour; x: number; y: number },
  { noise, shake, flicker, rate, lamp: height }: Conditions,
  random: () => number,
): Generator<Picture> {
  // A hand: two slow swings and one quick tremble, in each direction.
  const swings = Array.from({ length: 6 }, (_, n) => ({
    hertz: [0.3, 0.9, 6][n % 3]! * (0.7 + 0.6 * random()),
    turn: 2 * Math.PI * random(),
    size: [0.7, 0.4, 0.15][n % 3]!,
  }));
  const beat = 0.8 + 2.5 * random();
  for (let atMs = 0; atMs < lamp.lengthMs; atMs += (1000 / rate) * (0.85 + 0.3 * random())) {
    // Now and then a camera drops a picture.
    if (random() < 0.02) continue;
    const seconds = atMs / 1000;
    const [dx, dy] = [swings.slice(0, 3), swings.slice(3)].map(
      (own) =>
        shake *
        own.reduce(
          (sum, { hertz, turn, size }) => sum + size * Math.sin(2 * Math.PI * hertz * seconds + turn),
          0,
        ),
    ) as [number, number];
    const light = 1 + flicker * Math.sin(2 * Math.PI * beat * seconds);
    const isLit = lamp.blinks.some(({ fromMs, toMs }) => atMs >= fromMs && atMs < toMs);
    const rgb = new Uint8ClampedArray(3 * CELLS);
    for (let cell = 0; cell < CELLS; cell += 1) {
      const [x, y] = [(cell % SIDE) + dx, Math.floor(cell / SIDE) + dy];
      const surface = place(x, y) * light;
      const far = Math.hypot(x - lamp.x, y - lamp.y);
      // A bright core, and the glow round it.
      const glow = isLit
        ? height * (1.6 * Math.exp(-((far / 1.3) ** 2)) + 0.35 * Math.exp(-((far / 3) ** 2)))
        : 0;
      for (const channel of [0, 1, 2])
        rgb[3 * cell + channel] =
          surface * [1, 0.97, 0.9][channel]! + glow * ADDED[lamp.colour][channel]! + noise * gaussian(random);
    }
    yield { atMs, rgb };
  }
}

/** A film in which something moves all the time and nothing blinks: a camera that is carried, hands, leaves, glints. */
export function* moving(kind: Moving, seconds: number, random: () => number): Generator<Picture> {
  const place = bench(random);
  const blobs = Array.from({ length: 5 }, () => ({
    x: SIDE * random(),
    y: SIDE * random(),
    wide: 2 + 6 * random(),
    hertz: 0.2 + 1.5 * random(),
    turn: 2 * Math.PI * random(),
    reach: 4 + 14 * random(),
    height: (random() < 0.5 ? -1 : 1) * (60 + 80 * random()),
  }));
  for (let atMs = 0; atMs < 1000 * seconds; atMs += 33 * (0.85 + 0.3 * random())) {
    const t = atMs / 1000;
    const [dx, dy] =
      kind === 'carried'
        ? [18 * Math.sin(0.7 * t), 12 * Math.sin(0.43 * t)]
        : [0.8 * Math.sin(2 * t), 0.5 * Math.sin(3.1 * t)];
    const rgb = new Uint8ClampedArray(3 * CELLS);
    for (let cell = 0; cell < CELLS; cell += 1) {
      const [x, y] = [cell % SIDE, Math.floor(cell / SIDE)];
      let value = place(x + dx, y + dy);
      if (kind !== 'carried')
        for (const blob of kind === 'hand' ? blobs.slice(0, 1) : blobs) {
          const swing = Math.sin(2 * Math.PI * blob.hertz * t + blob.turn);
          const far = Math.hypot(x - blob.x - blob.reach * swing, y - blob.y - 0.4 * blob.reach * swing);
          const wide = kind === 'hand' ? 3 * blob.wide : blob.wide;
          const height = kind === 'glints' ? Math.max(0, swing) ** 6 * Math.abs(blob.height) : blob.height;
          const at = kind === 'glints' ? Math.hypot(x - blob.x, y - blob.y) : far;
          value += height * Math.exp(-((at / wide) ** 2));
        }
      for (const channel of [0, 1, 2]) rgb[3 * cell + channel] = value + 3 * gaussian(random);
    }
    yield { atMs, rgb };
  }
}

export type Moving = 'carried' | 'hand' | 'leaves' | 'glints';

/** How well the eye counts: what was flashed against what was seen. */
import { compared } from '../ear/rates.fixture';
import { randomFrom } from '../ear/recording.fixture';
import { COLOURS, type Colour } from './colour';
import { NEW_EYE, see, type SeenGroup } from './eye';
import { bench, film, groupsFlashing, moving, type Conditions, type Moving } from './film.fixture';
import type { Picture } from './picture';

/** Everything that is seen in a film. */
export function seenIn(pictures: Iterable<Picture>): SeenGroup[] {
  const groups: SeenGroup[] = [];
  let eye = NEW_EYE;
  for (const picture of pictures) {
    const next = see(eye, picture);
    eye = next.eye;
    if (next.group) groups.push(next.group);
  }
  return groups;
}

export interface Rate {
  groups: number;
  right: number;
  wrong: number;
  colours: number;
}

/** Random groups of one to nine flashes, at paces as ESCs have them, in films of a few groups each. */
export function rateOf(conditions: Conditions, films: number, seed: number): Rate {
  const random = randomFrom(seed);
  const rate: Rate = { groups: 0, right: 0, wrong: 0, colours: 0 };
  for (let n = 0; n < films; n += 1) {
    const counts = Array.from({ length: 4 }, () => 1 + Math.floor(9 * random()));
    const onMs = 120 + 230 * random();
    const times = { onMs, offMs: onMs * (0.8 + 0.7 * random()), pauseMs: 1500 + 900 * random() };
    const colour: Colour = COLOURS[Math.floor(random() * COLOURS.length)]!;
    const at = { x: 16 + 16 * random(), y: 16 + 16 * random() };
    const lamp = { ...groupsFlashing(counts, times), colour, ...at };
    const seen = seenIn(film(bench(random), lamp, conditions, random));
    const { right, wrong } = compared(
      counts.map(String),
      seen.map((group) => ({ ...group, notes: String(group.count) })),
    );
    rate.groups += counts.length;
    rate.right += right;
    rate.wrong += wrong;
    rate.colours += seen.filter((group) => group.colour === colour).length;
  }
  return rate;
}

/** Groups in a moving picture that nobody flashed. */
export const falseGroups = (kind: Moving, seconds: number, seed: number): number =>
  seenIn(moving(kind, seconds, randomFrom(seed))).length;

/** What colour a lamp has, by what it adds to a picture. */
import { SIDE, type Picture } from './picture';

export const COLOURS = ['red', 'amber', 'green', 'blue', 'white'] as const;
export type Colour = (typeof COLOURS)[number];

/** The core of a lamp is too bright for a camera and looks white: its colour is in the light round it. */
const AROUND = 4;
const TOO_BRIGHT = 245;
/** Less colour than this is white. */
const LEAST_COLOUR = 0.28;

/** @param x of the lamp in the lit picture, in cells @param shift from there to the dark picture */
export function colourOf(
  lit: Picture,
  dark: Picture,
  x: number,
  y: number,
  shift: { x: number; y: number },
): Colour {
  const added = [0, 0, 0];
  for (let row = y - AROUND; row <= y + AROUND; row += 1)
    for (let column = x - AROUND; column <= x + AROUND; column += 1) {
      const [a, b] = [cellAt(column, row), cellAt(column + shift.x, row + shift.y)];
      if (a === undefined || b === undefined) continue;
      if (Math.max(lit.rgb[a]!, lit.rgb[a + 1]!, lit.rgb[a + 2]!) > TOO_BRIGHT) continue;
      for (const channel of [0, 1, 2]) added[channel]! += lit.rgb[a + channel]! - dark.rgb[b + channel]!;
    }
  return named(added as [number, number, number]);
}

const cellAt = (column: number, row: number): number | undefined =>
  column >= 0 && column < SIDE && row >= 0 && row < SIDE ? 3 * (row * SIDE + column) : undefined;

/** By hue, in degrees round the circle of colours. */
function named([red, green, blue]: [number, number, number]): Colour {
  const [most, least] = [Math.max(red, green, blue), Math.min(red, green, blue)];
  if (most <= 0 || (most - Math.max(0, least)) / most < LEAST_COLOUR) return 'white';
  const hue =
    most === red
      ? 60 * ((green - blue) / (most - least))
      : most === green
        ? 120 + 60 * ((blue - red) / (most - least))
        : 240 + 60 * ((red - green) / (most - least));
  if (hue < 18 || hue >= 300) return 'red';
  if (hue < 75) return 'amber';
  return hue < 170 ? 'green' : 'blue';
}

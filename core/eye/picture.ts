/** A small picture: what a camera sees of the ESC, made coarse. */

/** Cells along each side. */
export const SIDE = 48;
export const CELLS = SIDE * SIDE;

export interface Picture {
  /** When it was taken, ms since the camera was opened. */
  atMs: number;
  /** Red, green, blue of each cell, row by row, 0 to 255. */
  rgb: Uint8ClampedArray;
}

/** How bright each cell is, 0 to 1: the mean of its three colours, so that a lamp of any colour counts. */
export function brightnessOf({ rgb }: Picture): Float32Array {
  return Float32Array.from({ length: CELLS }, (_, cell) => {
    const at = 3 * cell;
    return (rgb[at]! + rgb[at + 1]! + rgb[at + 2]!) / 765;
  });
}

/** The same, each cell the mean of the nine round it: noise of single cells is gone, a lamp is not. */
export function smoothed(grid: Float32Array): Float32Array {
  const rows = mean3(grid, 1);
  return mean3(rows, SIDE);
}

/** @param step to the next cell of a line: 1 along a row, SIDE along a column */
function mean3(grid: Float32Array, step: number): Float32Array {
  return grid.map((value, cell) => {
    const place = step === 1 ? cell % SIDE : Math.floor(cell / SIDE);
    const before = place > 0 ? grid[cell - step]! : value;
    const after = place < SIDE - 1 ? grid[cell + step]! : value;
    return (before + value + after) / 3;
  });
}

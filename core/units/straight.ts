export type Point = readonly [x: number, y: number];

/**
 * Where straight lines through points lie at `x`.
 * @param points at least one, x rising; of two at the same x the later one counts
 * @returns outside the points what the nearest end has
 */
export function onStraights(points: readonly Point[], x: number): number {
  if (x <= points[0]![0]) return points[0]![1];
  for (let place = 1; place < points.length; place += 1) {
    const [x1, y1] = points[place]!;
    if (x > x1) continue;
    const [x0, y0] = points[place - 1]!;
    return x1 === x0 ? y1 : y0 + ((x - x0) / (x1 - x0)) * (y1 - y0);
  }
  return points.at(-1)![1];
}

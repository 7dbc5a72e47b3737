import { describe, expect, it } from 'vitest';
import type { Parameter } from './parameters';
import { toldBy } from './told';

const parameter = (path: Parameter['path'], label: string): Parameter => ({
  path,
  label,
  centre: 1,
  spread: 0.2,
});
const KV = parameter('motor.kvRpmPerVolt', 'motor kV');
const ROLLING = parameter('vehicle.rollingResistance', 'rolling resistance');
const DRAG = parameter('vehicle.dragAreaM2', 'air drag');
const GRIP = parameter('vehicle.grip', 'grip');

describe('what a fit tells', () => {
  // Rolling and air drag: their sum is sharp to 0.1, their difference is as open as before.
  const SUM_ONLY = [
    [0.01, 0, 0, 0],
    [0, 0.505, -0.495, 0],
    [0, -0.495, 0.505, 0],
    [0, 0, 0, 1],
  ];
  const { told, open } = toldBy([KV, ROLLING, DRAG, GRIP], [1, 0.4, 0.4, 0], SUM_ONLY);

  it('a number that is sharp is told alone', () => {
    expect(told.find(({ path }) => path === KV.path)).toMatchObject({ u: 1, sd: 0.1, together: [] });
  });

  it('two whose sum alone is sharp are told only together, and each says with which', () => {
    expect(told.find(({ path }) => path === ROLLING.path)!.together).toEqual(['air drag']);
    expect(told.find(({ path }) => path === DRAG.path)!.together).toEqual(['rolling resistance']);
  });

  it('what no run moves stays open', () => {
    expect(open).toEqual([GRIP]);
  });

  it('sums that share a number are one', () => {
    // Sharp in (1, 1, 0) and in (0, 1, 1), open in the third direction.
    const a = [1, -1, 1].map((value) => value / Math.sqrt(3));
    const cov = a.map((x, i) => a.map((y, j) => 0.9 * x * y + (i === j ? 0.1 : 0)));
    const all = toldBy(
      [ROLLING, DRAG, GRIP],
      [0, 0, 0],
      cov.map((row) => row.map((value) => value * 1.2)),
    );
    expect(all.told.map(({ together }) => together.length)).toEqual([2, 2, 2]);
  });
});

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

  it('a number in two sums names the others of the one in which it has most part', () => {
    // Sharp in (1, 1, 0), less so in (1, −1, 2), open in (1, −1, −1).
    const directions = [
      { of: [1, 1, 0], sd: 0.1 },
      { of: [1, -1, 2], sd: 0.3 },
      { of: [1, -1, -1], sd: 1.2 },
    ];
    const cov = [0, 1, 2].map((i) =>
      [0, 1, 2].map((j) =>
        directions.reduce((sum, { of, sd }) => {
          const square = of.reduce((so, value) => so + value * value, 0);
          return sum + (sd * sd * of[i]! * of[j]!) / square;
        }, 0),
      ),
    );
    const all = toldBy([ROLLING, DRAG, GRIP], [0, 0, 0], cov);
    expect(all.told.map(({ together }) => together)).toEqual([
      ['air drag'],
      ['rolling resistance'],
      ['rolling resistance', 'air drag'],
    ]);
  });

  it('one that is told a little, in no sum, is told with as little as that', () => {
    const all = toldBy(
      [KV, DRAG],
      [0, 0.5],
      [
        [0.01, 0],
        [0, 0.64],
      ],
    );
    expect(all.told[1]).toMatchObject({ u: 0.5, sd: 0.8, together: [] });
  });
});

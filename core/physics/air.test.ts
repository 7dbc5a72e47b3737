import { describe, expect, it } from 'vitest';
import { airDensity } from './air';

describe('air', () => {
  it.each([
    [0, 1.225],
    [500, 1.1673],
    [1000, 1.1116],
    [1500, 1.0581],
    [2000, 1.0065],
  ])('at %i m weighs %f kg/m³ (ISO 2533)', (metres, density) => {
    expect(airDensity(metres)).toBeCloseTo(density, 3);
  });

  it('is thinner when warm', () => {
    expect(airDensity(0, 35) / airDensity(0, 15)).toBeCloseTo(288.15 / 308.15, 6);
  });
});

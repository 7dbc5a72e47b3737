import { describe, expect, it } from 'vitest';
import { positionOf } from './useGamepadHands';

const CENTRED = 0;
const LOW = -1;
const REST = [0, 0, 0, 0];
const buttons = (pressed: Record<number, number> = {}): number[] =>
  Array.from({ length: 8 }, (_, n) => pressed[n] ?? 0);

describe('a trigger', () => {
  it.each([
    ['right, all of it: full', { 7: 1 }, CENTRED, 1],
    ['left, all of it: full brake', { 6: 1 }, CENTRED, -1],
    ['right, half: half way up a throttle that rests low', { 7: 0.5 }, LOW, 0],
    ['right, all of it, where it rests low: full', { 7: 1 }, LOW, 1],
    ['none: at rest', {}, LOW, -1],
  ])('%s', (_, pressed, rest, position) => {
    expect(positionOf(REST, buttons(pressed), rest)).toBe(position);
  });
});

describe('a stick', () => {
  it.each([
    ['up is full', [0, -1, 0, 0], CENTRED, 1],
    ['down is brake', [0, 0.6, 0, 0], CENTRED, -0.6],
    ['the one that is moved further counts', [0, -0.2, 0, -0.9], CENTRED, 0.9],
    ['a tremble is rest', [0, 0.05, 0, -0.03], CENTRED, 0],
    ['half up is half way up a throttle that rests low', [0, -0.5, 0, 0], LOW, 0],
    ['down is rest for a throttle that rests low', [0, 0.7, 0, 0], LOW, -1],
    ['sideways is nothing', [1, 0, 1, 0], CENTRED, 0],
  ])('%s', (_, axes, rest, position) => {
    expect(positionOf(axes, buttons(), rest)).toBe(position);
  });
});

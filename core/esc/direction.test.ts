import fc from 'fast-check';
import { factoryStops, type EscProfile, type StopByItem } from './profile';
import { smallProfile } from './smallProfile.fixture';
import { describe, expect, it } from 'vitest';
import {
  AT_NEUTRAL,
  directionRules,
  nextDirection,
  type Direction,
  type DirectionInput,
  type DirectionRules,
} from './direction';

const rules = (change: Partial<DirectionRules> = {}): DirectionRules => ({
  mode: 'forwardBrakeReverse',
  entry: 'doubleTap',
  delayS: 1,
  ...change,
});
type Moment = readonly [signal: number, turning: DirectionInput['turning'], lastedS?: number];
const after = (by: DirectionRules, ...moments: Moment[]): Direction['going'] =>
  moments.reduce(
    (direction, [signal, turning, lastedS = 0.1]) =>
      nextDirection(by, direction, { signal, turning, lastedS }),
    AT_NEUTRAL,
  ).going;

describe('which way the motor is worked (common practice)', () => {
  it('a second push backs up, and only once the motor stands', () => {
    const byTap = rules();
    expect(after(byTap, [1, 1], [-1, 1])).toBe('brake');
    expect(after(byTap, [1, 1], [-1, 1], [-1, 0])).toBe('brake');
    expect(after(byTap, [1, 1], [-1, 0], [0, 0], [-1, 0])).toBe('reverse');
    // Pumping the brake while it still rolls never backs up.
    expect(after(byTap, [1, 1], [-1, 1], [0, 1], [-1, 1], [0, 1], [-1, 1])).toBe('brake');
    // Driving forward again forgets the first push.
    expect(after(byTap, [-1, 0], [0, 0], [1, 1], [0, 0], [-1, 0])).toBe('brake');
  });

  it('a push counts as over only where it braked and was let go with the motor at rest', () => {
    const byTap = rules();
    // Let go while it rolled: coming to rest later is no push.
    expect(after(byTap, [1, 1], [-1, 1], [0, 1], [0, 0], [-1, 0])).toBe('brake');
    // It came to rest by itself: nothing was pushed yet.
    expect(after(byTap, [1, 1], [0, 1], [0, 0], [-1, 0])).toBe('brake');
    // Once over, it stays over while nothing is done.
    expect(after(byTap, [1, 1], [-1, 0], [0, 0], [0, 0], [-1, 0])).toBe('reverse');
    // Backing up goes on while pushed, whatever turns.
    expect(after(byTap, [1, 1], [-1, 0], [0, 0], [-1, 0], [-1, -1], [-0.2, 0])).toBe('reverse');
  });

  it('reverse at once comes as soon as the motor stands; delayed, after a push that was held so long', () => {
    expect(after(rules({ entry: 'instant' }), [1, 1], [-1, 1])).toBe('brake');
    expect(after(rules({ entry: 'instant' }), [1, 1], [-1, 1], [-1, 0])).toBe('reverse');
    const slowly = rules({ entry: 'delayed', delayS: 1 });
    expect(after(slowly, [1, 1], [-1, 0, 0.5], [-1, 0, 0.4])).toBe('brake');
    expect(after(slowly, [1, 1], [-1, 0, 0.5], [-1, 0, 0.5])).toBe('reverse');
    expect(after(slowly, [-1, 0, 0.9], [0, 0], [-1, 0, 0.9])).toBe('brake');
  });

  it('backs up in no mode that has no reverse, whatever the trigger does', () => {
    const moment = fc.record({
      signal: fc.double({ min: -1, max: 1, noNaN: true }),
      turning: fc.constantFrom(-1 as const, 0 as const, 1 as const),
      lastedS: fc.double({ min: 0, max: 5, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(moment),
        fc.constantFrom('forward' as const, 'forwardBrake' as const),
        fc.constantFrom('doubleTap' as const, 'instant' as const, 'delayed' as const),
        (moments, mode, entry) => {
          let direction = AT_NEUTRAL;
          for (const one of moments) {
            direction = nextDirection(rules({ mode, entry }), direction, one);
            expect(direction.going).not.toBe('reverse');
          }
        },
      ),
    );
  });

  it('with forward and reverse at once, a push from rest is what a pull is, turned round', () => {
    const atOnce = rules({ mode: 'forwardReverse' });
    expect(after(atOnce, [0.4, 0])).toBe('forward');
    expect(after(atOnce, [-0.4, 0])).toBe('reverse');
    expect(after(atOnce, [0.4, 1], [-0.4, 1])).toBe('brake');
    expect(after(atOnce, [-0.4, -1], [-0.2, -1])).toBe('reverse');
  });
});

describe('the rules that a profile gives', () => {
  const profile = smallProfile();
  const withDelay = (seconds: number): EscProfile => ({
    ...profile,
    items: [
      ...profile.items,
      {
        ...profile.items[2]!,
        id: 'wait',
        number: 5,
        setting: 'reverseDelay',
        stops: [{ ...profile.items[2]!.stops[0]!, id: 'wait-1', value: { kind: 'number', value: seconds } }],
      },
    ],
  });
  const rulesOf = (of: EscProfile, held: StopByItem = {}) =>
    directionRules(of, { ...factoryStops(profile), wait: 'wait-1', ...held });

  it('are those of its running mode; without one it brakes', () => {
    expect(rulesOf(profile, { way: 'way-2' }).mode).toBe('forwardReverse');
    const without = { ...profile, items: profile.items.slice(1) };
    expect(rulesOf(without).mode).toBe('forwardBrake');
  });

  it('a delay that is set makes reverse wait for it; where none is, a second push brings it', () => {
    expect(rulesOf(withDelay(0.5))).toMatchObject({ entry: 'delayed', delayS: 0.5 });
    expect(rulesOf(withDelay(0))).toMatchObject({ entry: 'doubleTap', delayS: 1 });
    expect(rulesOf(profile)).toMatchObject({ entry: 'doubleTap', delayS: 1 });
  });
});

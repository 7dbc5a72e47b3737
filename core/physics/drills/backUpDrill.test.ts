import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { act, factoryMemory, motorCommand, placeOnBench } from '../../device/simulatedEsc';
import type { DirectionRules } from '../../esc/direction';
import { smallProfile } from '../../esc/smallProfile.fixture';
import { defaultRig } from '../../rig/defaults';
import { resolveRig } from '../../rig/resolve';
import { plainEsc } from '../behaviour.fixture';
import { reverseWaitS } from './backUpDrill';
import { runDrill } from './runDrill';
import type { ResolvedWheels } from '../resolved';

const crawler = resolveRig(defaultRig('crawler'), smallProfile()) as ResolvedWheels;
const atOnce: DirectionRules = { mode: 'forwardReverse', entry: 'instant', delayS: 1 };
const numbers = (id: 'backUp' | 'topSpeed' | 'launch', esc = plainEsc({ direction: atOnce })) =>
  Object.fromEntries(runDrill(id, crawler, esc).numbers.map((one) => [one.id, one.value]));

describe('backing up', () => {
  it('forward and reverse are symmetric where power, curve and end points are', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        fc.double({ min: 0.4, max: 1, noNaN: true }),
        (power, middle, signal) => {
          const curve = [
            [0, 0],
            [0.5, middle],
            [1, 1],
          ] as const;
          const esc = plainEsc({
            direction: atOnce,
            forwardPower: power,
            reversePower: power,
            throttleCurve: curve,
            brakeCurve: curve,
            forwardSignal: signal,
            brakeSignal: signal,
          });
          expect(numbers('backUp', esc).reverseTop).toBeCloseTo(numbers('topSpeed', esc).top!, 9);
        },
      ),
      { numRuns: 12 },
    );
  });

  it('half the reverse power is slower, and none of it is there without a reverse', () => {
    const tame = numbers('backUp', plainEsc({ direction: atOnce, reversePower: 0.5 }));
    expect(tame.reverseTop).toBeLessThan(0.6 * numbers('backUp').reverseTop!);
    const race = numbers('backUp', plainEsc());
    expect([race.backs, race.reverseTop]).toEqual([undefined, undefined]);
    expect(race.stands).toBeGreaterThan(0);
  });

  it('waits for the second push or the delay, and not at all at once', () => {
    const mode = 'forwardBrakeReverse';
    expect(reverseWaitS({ mode, entry: 'delayed', delayS: 1.5 })).toBe(1.5);
    expect(reverseWaitS({ mode, entry: 'instant', delayS: 1.5 })).toBe(0);
    expect(reverseWaitS({ mode, entry: 'doubleTap', delayS: 1.5 })).toBeGreaterThan(0);
    expect(reverseWaitS(atOnce)).toBe(0);
    expect(reverseWaitS({ ...atOnce, mode: 'forwardBrake' })).toBeUndefined();
  });

  it('the simulated ESC backs up as the drill says: at once in a mode without brakes', () => {
    const profile = smallProfile();
    const memory = factoryMemory(profile);
    const on = [
      { type: 'power', on: true },
      { type: 'elapsed', ms: 2000 },
      { type: 'stick', micros: 1000 },
    ] as const;
    const pushed = (way: string) =>
      motorCommand(
        on.reduce(
          (esc, input) => act(esc, input).esc,
          placeOnBench(profile, { ...memory, stops: { ...memory.stops, way } }, 1500),
        ),
      );
    expect(pushed('way-1').going).toBe('brake');
    expect(pushed('way-2')).toEqual({ going: 'reverse', share: 1 });
  });
});

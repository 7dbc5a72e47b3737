import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { defaultRig } from '../rig/defaults';
import { resolveRig } from '../rig/resolve';
import { rpmOf } from '../units/convert';
import { plainEsc } from './behaviour.fixture';
import { runDrill, type DrillId } from './drills/runDrill';
import { steady } from './drills/propellerDrills';
import { brakeForceAt } from './drills/brake';
import type { EscBehaviour } from './escChain';
import type { ResolvedPropeller, ResolvedWheels } from './resolved';

const buggy = resolveRig(defaultRig('tenthBuggy'), smallProfile()) as ResolvedWheels;
const plane = resolveRig(defaultRig('sportPlane'), smallProfile()) as ResolvedPropeller;
const numbers = (id: DrillId, esc: EscBehaviour, rig: ResolvedWheels | ResolvedPropeller = buggy) =>
  Object.fromEntries(runDrill(id, rig, esc).numbers.map((one) => [one.id, one.value]));

describe('what the guards do to a run', () => {
  it('a governor holds its speed whatever the air asks, and a wrong pole count moves it by their ratio (common practice)', () => {
    const free = rpmOf(steady(plane, plainEsc(), 1).shaftSpeed);
    const target = 0.7 * free;
    const governor = { rpm: target, byThrottle: false, polePairs: 0 };
    const held = (airShare: number, polePairs = 0) =>
      rpmOf(steady(plane, plainEsc({ governor: { ...governor, polePairs } }), 1, airShare).shaftSpeed);
    expect(Math.abs(held(1) / target - 1)).toBeLessThan(0.02);
    expect(Math.abs(held(0.5) / held(1) - 1)).toBeLessThan(0.02);
    const right = plane.motor.polePairs;
    expect(Math.abs(held(1, right - 2) / held(1) / ((right - 2) / right) - 1)).toBeLessThan(0.01);
  });

  it('a low start power keeps a stalled pack up and leaves the top speed alone', () => {
    const gentle = plainEsc({ startShare: 0.4 });
    expect(numbers('launch', gentle).stalled).toBeGreaterThan(numbers('launch', plainEsc()).stalled! + 1);
    expect(numbers('topSpeed', gentle).top).toBeCloseTo(numbers('topSpeed', plainEsc()).top!, 6);
  });

  it('a brake that is firmer when slow bites more at walking pace and no more at speed; constant torque stays the same', () => {
    const force = (change: Partial<EscBehaviour>, speed: number) =>
      brakeForceAt(buggy, plainEsc(change), { strength: 0.5, pushed: true }, speed);
    expect(force({ brakeLaw: 'hybrid' }, 0.8)).toBeGreaterThan(1.2 * force({}, 0.8));
    expect(force({ brakeLaw: 'hybrid' }, 12)).toBeCloseTo(force({}, 12), 9);
    expect(force({ lowSpeedBrake: 0.3 }, 0.8)).toBeGreaterThan(1.2 * force({}, 0.8));
    expect(force({ brakeLaw: 'constant' }, 8)).toBeCloseTo(force({ brakeLaw: 'constant' }, 5), 1);
  });

  it('drag that comes in while easing off shortens the roll, and turbo that goes at once pushes back', () => {
    const at = (dragWhileEasing: number) =>
      numbers('letGo', plainEsc({ dragBrake: 0.3, dragRampS: 0.6, dragWhileEasing })).toWalking!;
    expect(at(0.3)).toBeLessThan(at(0));
    const turbo = (turboOffPerSecond: number) =>
      numbers('letGo', plainEsc({ advance: { ...plainEsc().advance, turbo: 25, turboOffPerSecond } }))
        .turboBack!;
    expect(turbo(1000)).toBeGreaterThan(1.5 * turbo(10));
  });

  it('without sensors it crawls no slower than the motor can be followed', () => {
    expect(numbers('crawl', plainEsc({ usesSensor: false })).leastSpeed).toBeGreaterThan(
      2 * numbers('crawl', plainEsc()).leastSpeed!,
    );
  });
});

import { describe, expect, it } from 'vitest';
import { smallProfile } from '../../esc/smallProfile.fixture';
import { defaultRig } from '../../rig/defaults';
import { resolveRig } from '../../rig/resolve';
import { plainEsc } from '../behaviour.fixture';
import type { ResolvedWheels } from '../resolved';
import { alongTrigger, type TriggerTrace } from './alongTrigger';
import { topSpeed } from './topSpeed';

const buggy = resolveRig(defaultRig('tenthBuggy'), smallProfile()) as ResolvedWheels;
const held = (value: number, lengthS: number, everyS = 0.02): TriggerTrace => {
  const count = Math.round(lengthS / everyS) + 1;
  return {
    seconds: Float64Array.from({ length: count }, (_, n) => n * everyS),
    trigger: new Float64Array(count).fill(value),
  };
};
const along = (trace: TriggerTrace, rig: Parameters<typeof alongTrigger>[0] = buggy) =>
  alongTrigger(rig, plainEsc(), trace, { everyS: 0.1, charged: 0.9 });

describe('the model along a logged trigger', () => {
  it('held full for long, it comes to the rpm of the top-speed drill', () => {
    const rpm = along(held(1, 12)).rpm.at(-1)!;
    const told = topSpeed(buggy, plainEsc()).numbers.find(({ id }) => id === 'rpm')!.value!;
    expect(rpm / told).toBeGreaterThan(0.95);
    expect(rpm / told).toBeLessThan(1.05);
  });

  it('let go, it draws nothing and its pack recovers', () => {
    const { amps, packVolts } = along({
      seconds: [0, 2, 2.0001, 4],
      trigger: [1, 1, 0, 0],
    });
    expect(amps[10]!).toBeGreaterThan(5);
    expect(Math.abs(amps.at(-1)!)).toBeLessThan(0.5);
    expect(packVolts.at(-1)!).toBeGreaterThan(packVolts[10]!);
  });

  it('a finely sampled trigger drives as a coarsely sampled one', () => {
    const [fine, coarse] = [along(held(0.6, 4, 0.01)), along(held(0.6, 4, 0.5))];
    expect(fine.rpm.at(-1)!).toBeCloseTo(coarse.rpm.at(-1)!, -1);
    expect(fine.usedMah.at(-1)!).toBeCloseTo(coarse.usedMah.at(-1)!, 1);
  });

  it('a blank trigger holds what was before', () => {
    const { rpm } = along({ seconds: [0, 1, 2, 3], trigger: [0.5, NaN, NaN, 0.5] });
    expect(rpm.at(-1)!).toBeCloseTo(along({ seconds: [0, 3], trigger: [0.5, 0.5] }).rpm.at(-1)!, 0);
  });

  it('a propeller spins up and stops', () => {
    const plane = resolveRig(defaultRig('sportPlane'), smallProfile());
    const { rpm } = along({ seconds: [0, 3, 3.001, 9], trigger: [0.8, 0.8, 0, 0] }, plane);
    expect(rpm[25]!).toBeGreaterThan(2000);
    expect(rpm.at(-1)!).toBeLessThan(rpm[25]! / 3);
  });
});

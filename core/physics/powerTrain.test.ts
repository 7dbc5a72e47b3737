import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { defaultRig } from '../rig/defaults';
import { resolveRig } from '../rig/resolve';
import { plainEsc } from './behaviour.fixture';
import { breaksOf, PowerTrain, startTrain, TRAIN, TRAIN_SCALES, type RunPart } from './powerTrain';
import { bridgeSettingOf } from './bridge';
import type { ResolvedWheels } from './resolved';

const buggy = resolveRig(defaultRig('tenthBuggy'), smallProfile()) as ResolvedWheels;
const FAST = 1500;

/** What flows while it brakes with a strength, at a shaft speed in rad/s. */
function braking(strength: number, shaft = FAST) {
  const train = new PowerTrain(buggy, bridgeSettingOf(buggy, plainEsc()), 0);
  const y = new Float64Array(TRAIN_SCALES.length);
  startTrain(buggy, y, 0);
  train.begin({ lengthS: 1, kind: 'brake', from: strength, to: strength, perSecond: 0, signal: -1 }, 0);
  train.torqueAt(0, shaft, y);
  const out = new Float64Array(TRAIN_SCALES.length);
  train.rates(true, y, out);
  return { ...train.flow, packVolts: train.packVolts, drawnPerSecond: out[TRAIN.drawn]! };
}

describe('a power train that brakes', () => {
  it('gives back what flows while the bridge is open: nothing at full strength, the more the weaker it is', () => {
    expect(Math.abs(braking(1).packAmps)).toBeLessThan(1e-9);
    const weak = braking(0.25);
    const strong = braking(0.75);
    expect(weak.packAmps).toBeLessThan(0);
    expect(weak.packAmps / weak.motorAmps).toBeLessThan(strong.packAmps / strong.motorAmps);
  });

  it('fills the pack while it does, and lifts its voltage', () => {
    const weak = braking(0.25);
    const { ownAmps } = bridgeSettingOf(buggy, plainEsc());
    expect(weak.drawnPerSecond).toBeCloseTo(weak.packAmps + ownAmps, 9);
    expect(ownAmps).toBeGreaterThan(0);
    expect(weak.packVolts).toBeGreaterThan(braking(1).packVolts);
  });

  it('slows the shaft, and heats winding and ESC and nothing else', () => {
    const full = braking(1);
    expect(full.torque).toBeLessThan(0);
    expect(full.windingWatts).toBeGreaterThan(0);
    expect(full.escWatts).toBeGreaterThan(0);
    expect(full.windingWatts + full.escWatts).toBeCloseTo(-full.torque * FAST, 6);
  });
});

describe('a command that rises', () => {
  const part: RunPart = { lengthS: 2, kind: 'drive', from: 0.2, to: 0.8, perSecond: 0.4, signal: 1 };

  it('breaks where it has come to where it stays, if that lies within', () => {
    expect(breaksOf(part, 3)).toEqual([3 + 0.6 / 0.4, 5]);
    expect(breaksOf({ ...part, lengthS: 1.5 }, 3)).toEqual([4.5]);
    expect(breaksOf({ ...part, perSecond: 0 }, 3)).toEqual([5]);
    expect(breaksOf({ ...part, from: 0.8, to: 0.3 }, 0)).toEqual([0.5 / 0.4, 2]);
  });
});

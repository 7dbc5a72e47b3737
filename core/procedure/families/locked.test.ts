import { describe, expect, it } from 'vitest';
import { factoryMemory } from '../../device/simulatedEsc';
import type { EscProfile } from '../../esc/profile';
import { countedPointsProfile, smallProfile, toneProfile, withLock } from '../../esc/smallProfile.fixture';
import { escMachine } from '../escMachine';
import { playGolden } from '../golden';

const locked = (profile: EscProfile, script: string): string[] => {
  const withItem = withLock(profile);
  const memory = factoryMemory(withItem);
  return playGolden(escMachine(withItem), { ...memory, stops: { ...memory.stops, lock: 'lock-2' } }, script);
};

describe('a locked calibration (common practice)', () => {
  it('with the key held while switching on, the ESC starts as always', () => {
    const script = `
      down
      power on
      wait 3000
      = tone rising
      : state driving
      : range 1000 1500 2000`;
    expect(locked(smallProfile(), script)).toEqual([]);
  });

  it('a key on a running ESC does nothing', () => {
    const script = `
      power on
      wait 2000
      down mode
      wait 3000
      : state driving
      up mode
      stick 1100
      wait 5000
      : range 1000 1500 2000`;
    expect(locked(countedPointsProfile(), script)).toEqual([]);
  });

  it('with the stick up it waits and complains; right down, it drives', () => {
    const script = `
      stick 1900
      power on
      wait 2200
      = tone warning
      stick 1100
      = tone rising
      : state driving
      : range 1100 1100 1900`;
    expect(locked(toneProfile(), script)).toEqual([]);
  });
});

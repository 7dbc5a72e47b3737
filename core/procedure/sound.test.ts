import { describe, expect, it } from 'vitest';
import { beepsOf, soundOf } from './sound';

describe('sounds', () => {
  it('letters are notes: l and h short, L and H long, low and high', () => {
    const [low, high, longLow, longHigh] = beepsOf('lhLH');
    expect([low, high, longLow, longHigh].map((b) => b!.pitch)).toEqual(['low', 'high', 'low', 'high']);
    expect(longLow!.ms).toBe(longHigh!.ms);
    // Four times as long, and so short that a menu with many groups is not waited for. Assumed.
    expect([low!.ms, longLow!.ms]).toEqual([130, 520]);
    expect(high!.ms).toBe(low!.ms);
  });

  it('a group sounds as it is written, and leaves a gap behind every note', () => {
    const beeps = soundOf({ type: 'group', of: 'item', notes: 'llh' });
    expect(beeps.map(({ pitch }) => pitch)).toEqual(['low', 'low', 'high']);
    expect(beeps.every(({ restMs }) => restMs > 50)).toBe(true);
  });

  it('what is only seen is silent', () => {
    expect(soundOf({ type: 'lamp', lamp: 'amber', pattern: 'blinking' })).toEqual([]);
    expect(soundOf({ type: 'count', lamp: 'amber', of: 'item', how: 'flashes', count: 3 })).toEqual([]);
  });

  it('no two tones sound alike', () => {
    const tones = ['short', 'long', 'rising', 'falling', 'warning', 'steady', 'tune', 'reset'] as const;
    const heard = tones.map((tone) => JSON.stringify(soundOf({ type: 'tone', tone })));
    expect(new Set(heard).size).toBe(tones.length);
  });
});

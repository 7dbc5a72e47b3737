import { describe, expect, it } from 'vitest';
import { cardProfile, toneProfile } from '../esc/smallProfile.fixture';
import type { Observed } from '../procedure/language';
import { judge, sayings } from './judge';

const itemTwo: Observed = { type: 'group', of: 'item', notes: 'lhh' };
const stored: Observed = { type: 'tone', tone: 'tune' };
const lamp: Observed = { type: 'lamp', lamp: 'amber', pattern: 'on' };

describe('what a group means', () => {
  it('is the answer that the step waits for, by the item’s name', () => {
    expect(judge(toneProfile(), [itemTwo], 'lhh')).toEqual({ kind: 'answer', words: 'item 2, leap' });
  });

  it('is the last of several answers only when that one comes', () => {
    expect(judge(toneProfile(), [itemTwo, stored, lamp], 'lhh').kind).toBe('underway');
    expect(judge(toneProfile(), [itemTwo, stored, lamp], 'lhlH')).toEqual({
      kind: 'answer',
      words: 'stored',
    });
  });

  it('is heard where the answer runs together with what the step lets hear before it', () => {
    expect(judge(toneProfile(), [itemTwo, stored], 'lhhlhlH').kind).toBe('answer');
    expect(judge(toneProfile(), [stored], 'lhhlhlH').kind).toBe('unknown');
  });

  it('is no other count that ends the same: four beeps are not three, a group is not its last note', () => {
    const beeps = (count: number): Observed => ({
      type: 'count',
      lamp: 'beeps',
      of: 'stop',
      how: 'beeps',
      count,
    });
    expect(judge(cardProfile(), [beeps(3)], 'hhh').kind).toBe('answer');
    expect(judge(cardProfile(), [beeps(3)], 'hhhhh').kind).not.toBe('answer');
    expect(judge(toneProfile(), [{ type: 'tone', tone: 'short' }], 'lhh').kind).toBe('unexpected');
  });

  it('is named where it is not what the step waits for', () => {
    expect(judge(toneProfile(), [itemTwo], 'llh')).toEqual({ kind: 'unexpected', words: 'item 3, bite' });
    expect(judge(toneProfile(), [itemTwo], 'hll')).toEqual({ kind: 'unexpected', words: 'stop 2' });
  });

  it('may be two things where an ESC says both with the same notes', () => {
    expect(judge(toneProfile(), [], 'lh').words).toBe('ready to drive, or item 1, way');
  });

  it('is nothing where this ESC never says it', () => {
    expect(judge(toneProfile(), [itemTwo], 'HLHL').kind).toBe('unknown');
    expect(judge(cardProfile(), [], 'lhh').kind).toBe('unknown');
  });

  it('a card that answers with lamps says little', () => {
    const heard = sayings(cardProfile()).map((cue) => cue.type);
    expect(new Set(heard)).toEqual(new Set(['tone']));
  });
});

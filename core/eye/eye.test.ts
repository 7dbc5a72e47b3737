import { describe, expect, it } from 'vitest';
import { randomFrom } from '../ear/recording.fixture';
import { smallProfile } from '../esc/smallProfile.fixture';
import type { Observed } from '../procedure/language';
import { NEW_EYE, see } from './eye';
import { bench, CALM, film, groupsFlashing, moving } from './film.fixture';
import { lastGroup, type Moment } from './flashes';
import { isAnsweredByFlashes, isRepeated, judgeFlashes } from './judge';
import { seenIn } from './rates.fixture';

const PROFILE = smallProfile();
const TIMES = { onMs: 200, offMs: 220, pauseMs: 1700 };

describe('the eye', () => {
  it('counts each group once, with its colour, its place and its times', () => {
    const random = randomFrom(3);
    const lamp = { ...groupsFlashing([4, 1], TIMES), colour: 'amber', x: 20, y: 30 } as const;
    const [four, one, ...more] = seenIn(film(bench(random), lamp, CALM, random));
    expect(four).toMatchObject({ count: 4, colour: 'amber' });
    expect(Math.hypot(four!.x - 20, four!.y - 30)).toBeLessThan(2);
    expect(Math.abs(four!.onMs - 200)).toBeLessThan(45);
    expect(Math.abs(four!.offMs! - 220)).toBeLessThan(45);
    expect(one).toMatchObject({ count: 1, offMs: undefined });
    expect(more).toEqual([]);
  });

  it('says that it sees nothing while the picture moves, and counts again once it is steady', () => {
    const random = randomFrom(5);
    let eye = NEW_EYE;
    const states: string[] = [];
    for (const picture of moving('carried', 2, random)) {
      const next = see(eye, picture);
      eye = next.eye;
      states.push(next.steadiness);
    }
    expect(states.filter((state) => state === 'moving').length).toBeGreaterThan(states.length / 2);
    const lamp = { ...groupsFlashing([3], TIMES), colour: 'red', x: 24, y: 24 } as const;
    const counts: number[] = [];
    for (const picture of film(bench(random), lamp, CALM, random)) {
      const next = see(eye, { ...picture, atMs: picture.atMs + 2000 });
      eye = next.eye;
      if (next.group) counts.push(next.group.count);
    }
    expect(counts).toEqual([3]);
  });
});

/** Lit and dark by turns, dark first, a moment each 20 ms. */
function moments(...turns: number[]): Moment[] {
  let at = 0;
  return turns.flatMap((ms, n) => {
    const part = Array.from({ length: Math.round(ms / 20) }, (_, k) => ({ atMs: at + 20 * k, lit: n % 2 }));
    at += ms;
    return part;
  });
}

describe('a group of flashes', () => {
  it('is over after a dark time that is long against those within it', () => {
    expect(lastGroup(moments(1500, 200, 240, 200, 240, 200, 500))).toBeUndefined();
    expect(lastGroup(moments(1500, 200, 240, 200, 240, 200, 700))).toMatchObject({ count: 3 });
  });

  it('is the last one, and what went before is not counted to it', () => {
    expect(lastGroup(moments(1500, 200, 240, 200, 1200, 200, 240, 200, 240, 200, 900))).toMatchObject({
      count: 3,
    });
  });

  it('is none where its flashes are not alike, too short or too long', () => {
    expect(lastGroup(moments(1500, 200, 240, 600, 240, 200, 900))).toBeUndefined();
    expect(lastGroup(moments(1500, 20, 240, 20, 900))).toBeUndefined();
    expect(lastGroup(moments(1500, 1400, 1500))).toBeUndefined();
    // As long lit each time, but dark between them for 150 and 520 ms.
    expect(lastGroup(moments(1500, 200, 150, 200, 520, 200, 1300))).toBeUndefined();
  });

  it('of one flash stands alone in the dark', () => {
    expect(lastGroup(moments(1500, 200, 800))).toBeUndefined();
    expect(lastGroup(moments(1500, 200, 1200))).toMatchObject({ count: 1 });
    expect(lastGroup(moments(500, 200, 1200))).toBeUndefined();
    expect(lastGroup(moments(1500, 200, 240, 200, 800, 200, 1200))).toBeUndefined();
  });
});

describe('what flashes mean to a step', () => {
  const count = (of: 'item' | 'stop', n: number): Observed => ({
    type: 'count',
    lamp: 'amber',
    of,
    how: 'flashes',
    count: n,
  });

  it('its last count is its answer, an earlier one is on the way, and nothing else is either', () => {
    const awaited = [count('item', 1), count('item', 2)];
    const label = PROFILE.items[1]!.label;
    expect(judgeFlashes(PROFILE, awaited, 2)).toEqual({ kind: 'answer', words: `item 2, ${label}` });
    expect(judgeFlashes(PROFILE, awaited, 1).kind).toBe('underway');
    expect(judgeFlashes(PROFILE, awaited, 3)).toEqual({ kind: 'other', words: '3 flashes' });
    expect(judgeFlashes(PROFILE, [{ type: 'tone', tone: 'long' }], 1).kind).toBe('other');
  });

  it('flashes before a tone do not answer a step that ends with the tone', () => {
    const awaited: Observed[] = [count('stop', 3), { type: 'tone', tone: 'long' }];
    expect(judgeFlashes(PROFILE, awaited, 3).kind).toBe('underway');
    expect(isAnsweredByFlashes(awaited)).toBe(false);
    const lit: Observed[] = [count('stop', 3), { type: 'lamp', lamp: 'amber', pattern: 'on' }];
    expect(judgeFlashes(PROFILE, lit, 3).kind).toBe('answer');
  });

  it('the same group at the same lamp may be the one before, flashed again', () => {
    const seen = { count: 4, colour: 'amber', x: 20, y: 20 };
    expect(isRepeated(undefined, seen)).toBe(false);
    expect(isRepeated(seen, { ...seen, x: 23 })).toBe(true);
    expect(isRepeated(seen, { ...seen, x: 30 })).toBe(false);
    expect(isRepeated(seen, { ...seen, colour: 'white' })).toBe(false);
    expect(isRepeated(seen, { ...seen, count: 5 })).toBe(false);
  });
});

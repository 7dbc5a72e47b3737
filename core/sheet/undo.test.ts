import { describe, expect, it } from 'vitest';
import type { Observation } from './evidence';
import { stopsBeforeLoad } from './undo';

const seen = (itemId: string, stopId: string | null, minute: number): Observation => ({
  itemId,
  stopId,
  basis: 'countedBack',
  at: `2026-01-01T00:0${minute}:00.000Z`,
});

describe('before a load an item held', () => {
  it('what it was first known to hold, where no sheet is older', () => {
    const history = [seen('bite', 'bite-1', 0), seen('bite', 'bite-3', 2), seen('bite', 'bite-4', 3)];
    expect(stopsBeforeLoad(history, ['bite'], undefined)).toEqual({ bite: 'bite-1' });
  });

  it('what the sheet before says, also where a wrong value was stored on the way', () => {
    const history = [
      seen('bite', 'bite-1', 0),
      seen('bite', 'bite-2', 1),
      seen('bite', 'bite-5', 3),
      seen('bite', 'bite-4', 4),
    ];
    expect(stopsBeforeLoad(history, ['bite'], '2026-01-01T00:02:00.000Z')).toEqual({ bite: 'bite-2' });
  });

  it('also what was seen in the very moment in which the sheet before was kept', () => {
    const history = [seen('bite', 'bite-1', 0), seen('bite', 'bite-2', 2), seen('bite', 'bite-5', 3)];
    expect(stopsBeforeLoad(history, ['bite'], '2026-01-01T00:02:00.000Z')).toEqual({ bite: 'bite-2' });
  });

  it('what it was first known to hold, where that was after the sheet before', () => {
    const history = [seen('bite', null, 0), seen('bite', 'bite-3', 4), seen('bite', 'bite-5', 5)];
    expect(stopsBeforeLoad(history, ['bite'], '2026-01-01T00:02:00.000Z')).toEqual({ bite: 'bite-3' });
  });

  it('nothing that can be put back, where nobody knew it', () => {
    expect(stopsBeforeLoad([seen('bite', null, 0)], ['bite'], undefined)).toEqual({});
  });

  it('is asked of what the load changed, and of nothing else', () => {
    const history = [seen('bite', 'bite-1', 0), seen('leap', 'leap-1', 0)];
    expect(stopsBeforeLoad(history, ['leap'], undefined)).toEqual({ leap: 'leap-1' });
  });
});

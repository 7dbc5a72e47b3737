import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ProfileItem } from './profile';
import { smallProfile } from './smallProfile.fixture';
import { snapToStop } from './snap';

const [, leap, bite, floor] = smallProfile().items as [ProfileItem, ProfileItem, ProfileItem, ProfileItem];

describe('snapping to real stops', () => {
  it('takes an exact stop without a word', () => {
    expect(snapToStop(bite, 65, 2)).toMatchObject({ stop: { label: '65 %' }, exact: true, reason: '' });
  });

  it('moves a brake down and says so', () => {
    const snapped = snapToStop(bite, 79, 2)!;
    expect(snapped.stop.label).toBe('65 %');
    expect(snapped.reason).toContain('the safe side');
  });

  it('moves a cutoff up: 3.2 becomes 3.4 where there is no 3.2', () => {
    expect(snapToStop(floor, 3.2, 4)?.stop.label).toBe('3.4');
  });

  it('reads a pack total per cell: 6.4 V on two cells is 3.2', () => {
    expect(snapToStop(floor, 3.2, 2)).toMatchObject({ stop: { label: 'pack 6.4' }, exact: true });
  });

  it('never rounds to off', () => {
    expect(snapToStop(floor, 0.1, 2)?.stop.label).not.toBe('none');
  });

  it('takes the nearest where nothing is on the safe side, and says so', () => {
    expect(snapToStop(bite, 10, 2)).toMatchObject({ stop: { label: '30 %' } });
    expect(snapToStop(bite, 10, 2)?.reason).toContain('nearest');
  });

  it('works on items whose numbers run the other way', () => {
    expect(snapToStop(leap, 500, 2)?.stop.label).toBe('5');
  });

  it('always lands on a real stop', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 500, noNaN: true }),
        fc.integer({ min: 1, max: 8 }),
        (wanted, cells) => {
          expect(bite.stops).toContain(snapToStop(bite, wanted, cells)?.stop);
        },
      ),
    );
  });
});

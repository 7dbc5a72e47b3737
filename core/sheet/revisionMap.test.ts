import { describe, expect, it } from 'vitest';
import { EMPTY_DRAFT } from './draft';
import { migrateDraft, migrateStops, revisionChanges } from './revisionMap';
import { factoryStops, type EscProfile } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';

/** The small ESC after new firmware: leap and bite have changed places, a stop went, one came, one means more. */
function nextRevision(): EscProfile {
  const profile = smallProfile();
  const [way, leap, bite, floor] = profile.items as [EscProfile['items'][0], ...EscProfile['items']];
  leap!.number = 3;
  bite!.number = 2;
  bite!.stops = bite!.stops
    .filter(({ id }) => id !== 'bite-4')
    .map((stop, n) => ({ ...stop, number: n + 1 }));
  leap!.stops[2]!.value = { kind: 'number', value: 120 };
  floor!.stops.push({
    id: 'floor-9',
    number: 5,
    label: '3.5',
    value: { kind: 'number', value: 3.5 },
    basis: 'stated',
    typed: null,
  });
  return { ...profile, revision: 2, items: [way, bite!, leap!, floor!] };
}

describe('a new revision of a profile', () => {
  it('says what moved, came, went and means something else', () => {
    expect(revisionChanges(smallProfile(), nextRevision()).map(({ sentence }) => sentence)).toEqual([
      'Item 3 “bite” is now item 2 “bite”.',
      'Stop 5 “100 %” of item 2 “bite” is now stop 4 “100 %”.',
      'Stop 4 “80 %” of item 2 “bite” is gone.',
      'Item 2 “leap” is now item 3 “leap”.',
      'Stop 3 “1” of item 3 “leap” means 120\u00a0%/s now, not 150\u00a0%/s.',
      'Stop 5 “3.5” of item 4 “floor” is new.',
    ]);
  });

  it('names limits, directions, sizes and ties, not only items and stops', () => {
    const before = smallProfile();
    const after = smallProfile();
    after.limits = { ...after.limits, maxCells: before.limits.maxCells + 1 };
    after.deadbandMicrosEachSide += 5;
    const leap = after.items.find(({ id }) => id === 'leap')!;
    leap.sense = 'direct';
    leap.renumbersMenu = true;
    before.items.find(({ id }) => id === 'leap')!.stops[0]!.basis = 'assumed';
    leap.stops[0]!.basis = 'measured';
    expect(revisionChanges(before, after).map(({ sentence }) => sentence)).toEqual([
      `Most cells: ${before.limits.maxCells + 1}, not ${before.limits.maxCells}.`,
      `Deadband, each side: ${after.deadbandMicrosEachSide}\u00a0µs, not ${before.deadbandMicrosEachSide}\u00a0µs.`,
      'Higher numbers of item 2 “leap” mean “hits harder” now.',
      'Item 2 “leap” has different ties to other items.',
      expect.stringMatching(/^Stop 1 .* as before: measured now, no longer assumed\.$/),
    ]);
  });

  it('a name and the factory’s stop change nothing for a rig', () => {
    const after = { ...smallProfile(), name: 'Another name' };
    after.items[1]!.factoryStopId = after.items[1]!.stops[0]!.id;
    expect(revisionChanges(smallProfile(), after)).toEqual([]);
  });

  it('changes nothing where nothing changed', () => {
    expect(revisionChanges(smallProfile(), { ...smallProfile(), revision: 2 })).toEqual([]);
  });

  it('keeps the intents of a draft by their ids, and names those it has no place for', () => {
    const draft = { ...EMPTY_DRAFT, stops: { leap: 'leap-3', bite: 'bite-4' }, byHand: {} };
    expect(migrateDraft(smallProfile(), nextRevision(), draft)).toEqual({
      draft: { ...EMPTY_DRAFT, stops: { leap: 'leap-3' }, byHand: {} },
      dropped: [{ sentence: 'bite: 80 %' }],
    });
  });

  it('leaves on the ESC what fits, and takes the factory’s for the rest', () => {
    const held = { ...factoryStops(smallProfile()), bite: 'bite-4', leap: 'leap-1' };
    expect(migrateStops(nextRevision(), held)).toMatchObject({ bite: 'bite-2', leap: 'leap-1' });
  });
});

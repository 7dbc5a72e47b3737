import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { changesOf, moveDraft, EMPTY_DRAFT } from './draft';
import {
  assumeFactory,
  believedStops,
  holdingsOf,
  isVerified,
  weakestBasis,
  type Observation,
} from './evidence';
import { isStillHeld, writeSheet } from './sheet';

const profile = smallProfile();
const early = '2026-01-01T00:00:00.000Z';
const late = '2026-01-02T00:00:00.000Z';
const seen = (
  itemId: string,
  stopId: string | null,
  basis: Observation['basis'],
  at = late,
): Observation => ({
  itemId,
  stopId,
  basis,
  at,
});

describe('evidence', () => {
  it('begins with factory values, assumed', () => {
    const holdings = holdingsOf(profile, assumeFactory(profile, early));
    expect(holdings.bite).toEqual({ stopId: 'bite-2', basis: 'assumedFactory', at: early });
    expect(weakestBasis(holdings)).toBe('assumedFactory');
  });

  it('the latest observation of an item wins, also one that says unknown', () => {
    const observations = [
      ...assumeFactory(profile, early),
      seen('bite', 'bite-4', 'countedBack'),
      seen('bite', null, 'userWord'),
    ];
    expect(holdingsOf(profile, observations).bite?.stopId).toBeNull();
  });

  it('only what the ESC has shown again is verified', () => {
    expect(isVerified('countedBack')).toBe(true);
    expect(isVerified('seenStored')).toBe(false);
    expect(isVerified('userWord')).toBe(false);
  });

  it('drills and plans fall back on the factory’s stop where nothing is known', () => {
    const holdings = holdingsOf(profile, [seen('bite', null, 'userWord')]);
    expect(believedStops(profile, holdings).bite).toBe('bite-2');
  });

  it('remembers the last known stop through every loss after it', () => {
    const lost = [
      seen('bite', 'bite-4', 'readBack'),
      seen('bite', null, 'firmwareUpdate'),
      seen('bite', null, 'interrupted'),
      seen('bite', 'bite-99', 'readBack'),
    ];
    const holdings = holdingsOf(profile, lost);
    expect(holdings.bite).toMatchObject({ stopId: null, basis: 'stopGone', lastStopId: 'bite-4' });
    expect(believedStops(profile, holdings).bite).toBe('bite-4');
    // Known again, it needs no memory.
    expect(holdingsOf(profile, [...lost, seen('bite', 'bite-1', 'readBack')]).bite).not.toHaveProperty(
      'lastStopId',
    );
  });

  it('passes over items that the profile no longer has', () => {
    expect(holdingsOf(profile, [seen('gone', 'gone-1', 'readBack')])).toEqual({});
  });
});

describe('the draft', () => {
  const holdings = holdingsOf(profile, assumeFactory(profile, early));

  it('holds intents only, and forgets one that is moved back', () => {
    const moved = moveDraft(EMPTY_DRAFT, holdings, 'bite', 'bite-4');
    expect(changesOf(profile, holdings, moved)).toEqual([
      { itemId: 'bite', fromStopId: 'bite-2', toStopId: 'bite-4' },
    ]);
    expect(moveDraft(moved, holdings, 'bite', 'bite-2')).toEqual(EMPTY_DRAFT);
  });

  it('keeps an intent for an item whose value is unknown, whatever it is', () => {
    const unknown = holdingsOf(profile, [seen('bite', null, 'userWord')]);
    const moved = moveDraft(EMPTY_DRAFT, unknown, 'bite', 'bite-2');
    expect(changesOf(profile, unknown, moved)).toEqual([
      { itemId: 'bite', fromStopId: null, toStopId: 'bite-2' },
    ]);
  });
});

describe('a sheet', () => {
  it('can be read without its profile, and says how each value is known', () => {
    const holdings = holdingsOf(profile, [
      ...assumeFactory(profile, early),
      seen('bite', 'bite-4', 'countedBack'),
    ]);
    const sheet = writeSheet(profile, holdings, {
      id: 's',
      rigName: 'r',
      keptAt: late,
      medium: 'oneKey',
      simulated: null,
      changedItemIds: ['bite'],
      byHand: {},
      setUp: null,
      reasons: {},
      note: '',
    });
    expect(sheet.values[2]).toEqual({
      itemId: 'bite',
      itemNumber: 3,
      itemLabel: 'bite',
      stopId: 'bite-4',
      stopNumber: 4,
      stopLabel: '80 %',
      basis: 'countedBack',
      seenAt: late,
    });
  });

  it('is held still until one value of it is known to be another, or is known no longer', () => {
    const known = assumeFactory(profile, early);
    const sheet = writeSheet(profile, holdingsOf(profile, known), {
      id: 's',
      rigName: 'r',
      keptAt: late,
      medium: null,
      simulated: null,
      changedItemIds: [],
      byHand: {},
      setUp: null,
      reasons: {},
      note: '',
    });
    const after = (...more: Observation[]) => isStillHeld(sheet, holdingsOf(profile, [...known, ...more]));
    expect(after()).toBe(true);
    expect(after(seen('bite', 'bite-4', 'countedBack'))).toBe(false);
    expect(after(seen('bite', null, 'interrupted'))).toBe(false);
  });
});

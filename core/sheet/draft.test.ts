import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { defaultRig } from '../rig/defaults';
import { isHeld, isStale, type Calibration } from './calibration';
import { changesOf, draftedStops, fittingDraft, loadOrder, moveDraft, sameIntents } from './draft';
import { assumeFactory, believedStops, holdingsOf } from './evidence';
import { readIntents } from './intents';

const profile = smallProfile();
const holdings = holdingsOf(profile, assumeFactory(profile, '2026-01-01T00:00:00.000Z'));

describe('a draft', () => {
  it('lies over what the ESC holds, and leaves the rest alone', () => {
    const believed = believedStops(profile, holdings);
    expect(draftedStops(believed, { stops: { bite: 'bite-4' } })).toEqual({ ...believed, bite: 'bite-4' });
  });

  it('moved there and back is no change', () => {
    const there = moveDraft({ stops: {} }, holdings, 'leap', 'leap-3');
    expect(moveDraft(there, holdings, 'leap', 'leap-2')).toEqual({ stops: {} });
  });

  it('keeps only what the profile has a place for', () => {
    const old = { stops: { bite: 'bite-4', hoot: 'hoot-1', floor: 'floor-77' } };
    expect(fittingDraft(profile, old)).toEqual({ stops: { bite: 'bite-4' } });
  });

  it('means the same as another whatever the order, and only then', () => {
    const draft = { stops: { bite: 'bite-4', way: 'way-2' } };
    expect(sameIntents(draft, { stops: { way: 'way-2', bite: 'bite-4' } })).toBe(true);
    expect(sameIntents(draft, { stops: { bite: 'bite-4' } })).toBe(false);
    expect(sameIntents(draft, { stops: { bite: 'bite-4', leap: 'leap-1' } })).toBe(false);
  });

  it('changes come in menu order, whatever the order of the moves', () => {
    const draft = { stops: { floor: 'floor-3', way: 'way-2' } };
    expect(changesOf(profile, holdings, draft).map(({ itemId }) => itemId)).toEqual(['way', 'floor']);
  });

  it('loading them keeps that order where no BEC voltage is among them', () => {
    const changes = changesOf(profile, holdings, { stops: { floor: 'floor-3', way: 'way-2' } });
    expect(loadOrder(profile, [...changes].reverse())).toEqual(changes);
  });
});

describe('intents from outside', () => {
  it('are taken where every one is a stop of this ESC', () => {
    expect(readIntents(profile, { bite: 'bite-4' })).toEqual({ bite: 'bite-4' });
    expect(readIntents(profile, {})).toEqual({});
  });

  it.each([[null], ['bite-4'], [[]], [{ bite: 'bite-9' }], [{ hoot: 'hoot-1' }], [{ bite: 4 }]])(
    'are refused whole where they are %j',
    (stops) => {
      expect(readIntents(profile, stops)).toBeUndefined();
    },
  );
});

describe('a calibration', () => {
  const { channel } = defaultRig('tenthBuggy');
  const after = { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 };
  const kept: Calibration = {
    family: 'keyConfirmed',
    precaution: 'wheels clear',
    channel,
    before: profile.factoryRange,
    after,
    keptAt: '2026-01-01T00:00:00.000Z',
  };

  it.each([
    ['end point', { forwardEndPointPercent: 90 }],
    ['trim', { trimMicros: 4 }],
    ['direction', { reversed: true }],
    ['rest', { rest: 'low' as const }],
  ])('goes stale with another %s', (_what, change) => {
    expect(isStale(kept, { ...channel, ...change })).toBe(true);
    expect(isStale(kept, channel)).toBe(false);
  });

  it('is held as long as the ESC has the three pulses it learned', () => {
    expect(isHeld(kept, { ...after })).toBe(true);
    expect(isHeld(kept, { ...after, neutralMicros: 1504 })).toBe(false);
  });
});

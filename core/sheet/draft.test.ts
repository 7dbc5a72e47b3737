import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { defaultRig } from '../rig/defaults';
import {
  changesInOrder,
  changesOf,
  draftedStops,
  EMPTY_DRAFT,
  fittingDraft,
  moveDraft,
  moveHandValue,
  sameIntents,
} from './draft';
import { heldStops, assumeFactory, believedStops, holdingsOf } from './evidence';
import { readIntents } from './intents';

const profile = smallProfile();
const holdings = holdingsOf(profile, assumeFactory(profile, '2026-01-01T00:00:00.000Z'));

describe('a draft', () => {
  it('lies over what the ESC holds, and leaves the rest alone', () => {
    const believed = believedStops(profile, holdings);
    expect(draftedStops(believed, { stops: { bite: 'bite-4' } })).toEqual({ ...believed, bite: 'bite-4' });
  });

  it('moved there and back is no change', () => {
    const there = moveDraft(EMPTY_DRAFT, holdings, 'leap', 'leap-3');
    expect(moveDraft(there, holdings, 'leap', 'leap-2')).toEqual(EMPTY_DRAFT);
  });

  it('a number of the model moved there and back is no change either, and leaves the stops alone', () => {
    const rig = defaultRig('tenthBuggy');
    const draft = { ...EMPTY_DRAFT, stops: { bite: 'bite-4' }, byHand: {} };
    const there = moveHandValue(draft, rig, 'packCells', rig.pack.cells + 1);
    expect(there).toEqual({
      ...EMPTY_DRAFT,
      stops: { bite: 'bite-4' },
      byHand: { packCells: rig.pack.cells + 1 },
    });
    expect(moveHandValue(there, rig, 'packCells', rig.pack.cells)).toEqual(draft);
  });

  it('keeps only what the profile has a place for', () => {
    const old = {
      ...EMPTY_DRAFT,
      stops: { bite: 'bite-4', hoot: 'hoot-1', floor: 'floor-77' },
      byHand: { pinionTeeth: 15 },
    };
    expect(fittingDraft(profile, old)).toEqual({
      ...EMPTY_DRAFT,
      stops: { bite: 'bite-4' },
      byHand: { pinionTeeth: 15 },
    });
  });

  it('means the same as another whatever the order, and only then', () => {
    const draft = { ...EMPTY_DRAFT, stops: { bite: 'bite-4', way: 'way-2' }, byHand: { packCells: 3 } };
    expect(sameIntents(draft, { ...draft, stops: { way: 'way-2', bite: 'bite-4' } })).toBe(true);
    expect(sameIntents(draft, { ...draft, stops: { bite: 'bite-4' } })).toBe(false);
    expect(sameIntents(draft, { ...draft, stops: { bite: 'bite-4', leap: 'leap-1' } })).toBe(false);
    expect(sameIntents(draft, { ...draft, byHand: {} })).toBe(false);
    expect(sameIntents(draft, { ...draft, byHand: { packCells: 2 } })).toBe(false);
  });

  it('changes come in menu order, whatever the order of the moves', () => {
    const draft = { stops: { floor: 'floor-3', way: 'way-2' } };
    expect(changesOf(profile, holdings, draft).map(({ itemId }) => itemId)).toEqual(['way', 'floor']);
  });

  it('loading them keeps that order where no BEC voltage is among them', () => {
    const changes = changesOf(profile, holdings, { stops: { floor: 'floor-3', way: 'way-2' } });
    const held = heldStops(profile, holdings);
    expect(changesInOrder(profile, held, [...changes].reverse())).toEqual(changes);
  });

  it('what overwrites others is loaded first, and what it spoils is put back behind it', () => {
    const presets = smallProfile();
    presets.items[2]!.overwrites = [{ stopId: 'bite-4', sets: { way: 'way-2', floor: 'floor-1' } }];
    const held = heldStops(presets, holdings);
    const changes = changesOf(presets, holdings, { stops: { way: 'way-2', bite: 'bite-4' } });
    expect(changesInOrder(presets, held, changes)).toEqual([
      { itemId: 'bite', fromStopId: 'bite-2', toStopId: 'bite-4' },
      // The running mode came along as wanted; the cutoff did not.
      { itemId: 'floor', fromStopId: 'floor-1', toStopId: 'floor-2' },
    ]);
  });

  it('what overwrites an overwriter comes before it, however the menu stands', () => {
    const chained = smallProfile();
    // The last item of the menu sets the third, which sets the first.
    chained.items[3]!.overwrites = [{ stopId: 'floor-3', sets: { bite: 'bite-1' } }];
    chained.items[2]!.overwrites = [{ stopId: 'bite-4', sets: { way: 'way-1' } }];
    chained.items[0]!.renumbersMenu = true;
    const held = heldStops(chained, holdings);
    const stops = { way: 'way-2', bite: 'bite-4', floor: 'floor-3' };
    const done = changesInOrder(chained, held, changesOf(chained, holdings, { stops }));
    expect(done.map(({ itemId }) => itemId)).toEqual(['floor', 'bite', 'way']);
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

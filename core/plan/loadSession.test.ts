import { describe, expect, it } from 'vitest';
import { factoryStops } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import {
  afterAstray,
  afterCounted,
  afterShown,
  afterStored,
  beginLoad,
  legsLeft,
  stopsToPlanFrom,
  type LoadSession,
} from './loadSession';

const profile = smallProfile();
const held = factoryStops(profile);
const begin = (target: Record<string, string>): LoadSession => beginLoad(held, target, [], true);
const left = (session: LoadSession): string[] =>
  legsLeft(profile, session).map((leg) => `${leg.purpose} ${leg.itemId} ${leg.stopId}`);

describe('a load', () => {
  it('stores everything, then counts everything back', () => {
    let session = begin({ bite: 'bite-4', way: 'way-2' });
    expect(left(session)).toEqual([
      'store way way-2',
      'store bite bite-4',
      'show way way-2',
      'show bite bite-4',
    ]);
    session = afterStored(profile, session, [{ itemId: 'way', stopId: 'way-2' }]).session;
    session = afterStored(profile, session, [{ itemId: 'bite', stopId: 'bite-4' }]).session;
    expect(left(session)).toEqual(['show way way-2', 'show bite bite-4']);
    session = afterCounted(profile, session, 'way', 2)!.session;
    session = afterCounted(profile, session, 'bite', 4)!.session;
    expect(left(session)).toEqual([]);
  });

  it('puts right a value that went to the wrong item, and counts both', () => {
    const { session, findings } = afterStored(profile, begin({ bite: 'bite-4' }), [
      { itemId: 'floor', stopId: 'floor-3' },
    ]);
    expect(findings).toEqual([{ itemId: 'floor', stopId: 'floor-3', basis: 'seenStored' }]);
    expect(left(session)).toEqual([
      'store bite bite-4',
      'store floor floor-2',
      'show bite bite-4',
      'show floor floor-2',
    ]);
  });

  it('stores again what was counted wrong', () => {
    const stored = afterStored(profile, begin({ bite: 'bite-4' }), [
      { itemId: 'bite', stopId: 'bite-4' },
    ]).session;
    const { session, finding } = afterCounted(profile, stored, 'bite', 3)!;
    expect(finding).toEqual({ itemId: 'bite', stopId: 'bite-3', basis: 'countedBack' });
    expect(left(session)).toEqual(['store bite bite-4', 'show bite bite-4']);
  });

  it('takes no count that the item cannot flash', () => {
    expect(afterCounted(profile, begin({ bite: 'bite-4' }), 'bite', 9)).toBeUndefined();
  });

  it('counts back what an interrupted load had only stored', () => {
    expect(left(beginLoad(held, {}, ['bite'], true))).toEqual(['show bite bite-2']);
  });

  it('counts nothing back where the medium cannot show stored values', () => {
    expect(left(beginLoad(held, { bite: 'bite-4' }, ['floor'], false))).toEqual(['store bite bite-4']);
  });

  it('stores a value that nobody knows, even where it may be right already', () => {
    const unknown = { ...held, bite: null };
    const session = beginLoad(unknown, { bite: 'bite-2' }, [], true);
    expect(left(session)).toEqual(['store bite bite-2', 'show bite bite-2']);
    expect(stopsToPlanFrom(profile, session).bite).not.toBe('bite-2');
  });

  it('leaves an unknown value alone that nobody wants changed', () => {
    expect(left(beginLoad({ ...held, floor: null }, { bite: 'bite-4' }, [], true))).toEqual([
      'store bite bite-4',
      'show bite bite-4',
    ]);
  });

  it('an item of which nobody knows what was stored is unknown, stored again as it was, and counted', () => {
    const { session, finding } = afterAstray(begin({ bite: 'bite-4' }), 'floor');
    expect(finding).toEqual({ itemId: 'floor', stopId: null, basis: 'interrupted' });
    expect(session.held['floor']).toBeNull();
    expect(left(session)).toEqual([
      'store bite bite-4',
      `store floor ${held['floor']}`,
      'show bite bite-4',
      `show floor ${held['floor']}`,
    ]);
  });

  it('an item that was counted already is counted again after it went astray', () => {
    const stored = afterStored(profile, begin({ way: 'way-2' }), [
      { itemId: 'way', stopId: 'way-2' },
    ]).session;
    const counted = afterCounted(profile, stored, 'way', 2)!.session;
    expect(left(counted)).toEqual([]);
    expect(left(afterAstray(counted, 'way').session)).toEqual(['store way way-2', 'show way way-2']);
  });

  it('an item that nobody knew or meant stays unknown when something was stored there', () => {
    const unknown = beginLoad({ ...held, floor: null }, { bite: 'bite-4' }, [], true);
    const { session, finding } = afterAstray(unknown, 'floor');
    expect(finding.stopId).toBeNull();
    expect(left(session)).toEqual(['store bite bite-4', 'show bite bite-4']);
  });
});

describe('what an ESC shows on the way', () => {
  it('is learned while something is left to store: the plan starts from it', () => {
    const session = begin({ bite: 'bite-4' });
    const next = afterShown(session, { itemId: 'bite', stopId: 'bite-1' });
    expect(next.held.bite).toBe('bite-1');
    expect(stopsToPlanFrom(profile, next).bite).toBe('bite-1');
    expect(left(next)).toEqual(left(session));
  });

  it('takes the storing away where it was right already', () => {
    const unknown = beginLoad({ ...held, bite: null }, { bite: 'bite-4' }, [], true);
    const next = afterShown(unknown, { itemId: 'bite', stopId: 'bite-4' });
    expect(left(unknown)).toEqual(['store bite bite-4', 'show bite bite-4']);
    expect(left(next)).toEqual(['show bite bite-4']);
  });

  it('of an item that nobody means to change, is kept for the next plan and asks for nothing', () => {
    const unknown = beginLoad({ ...held, floor: null }, { bite: 'bite-4' }, [], true);
    const next = afterShown(unknown, { itemId: 'floor', stopId: 'floor-4' });
    expect(stopsToPlanFrom(profile, next).floor).toBe('floor-4');
    expect(left(next)).toEqual(left(unknown));
  });

  it('counts for nothing once all is stored: only the user’s counting says what it holds', () => {
    const stored = afterStored(profile, begin({ bite: 'bite-4' }), [
      { itemId: 'bite', stopId: 'bite-4' },
    ]).session;
    const next = afterShown(stored, { itemId: 'bite', stopId: 'bite-1' });
    expect(next).toBe(stored);
    expect(left(next)).toEqual(['show bite bite-4']);
  });
});

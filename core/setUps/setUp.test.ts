import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { factoryStops } from '../esc/profile';
import { defaultRig } from '../rig/defaults';
import { handValuesOf } from '../rig/handValues';
import { EMPTY_DRAFT } from '../sheet/draft';
import { assumeFactory, holdingsOf } from '../sheet/evidence';
import { writeSheet } from '../sheet/sheet';
import { asTree, changedSinceSetUp, draftFromSetUp, fittingSetUp, setUpValues, stepsBetween } from './setUp';
import { unlikeConditions } from './conditions';
import { smallSetUp } from './setUps.fixture';

const profile = smallProfile();
const rig = defaultRig('tenthBuggy');
const holdings = holdingsOf(profile, assumeFactory(profile, '2026-01-01T00:00:00.000Z'));
const withBite = (stopId: string) => setUpValues(profile, { ...factoryStops(profile), bite: stopId });

describe('a set-up', () => {
  it('is drafted as what differs, with its name, whose it is and why', () => {
    const setUp = smallSetUp({
      values: withBite('bite-4'),
      by: 'Uncle Otter',
      reasons: { bite: 'Dust is slippery.', way: 'Not needed.' },
      byHand: { ...handValuesOf(rig), packCells: 3 },
    });
    expect(draftFromSetUp(profile, holdings, rig, setUp)).toEqual({
      stops: { bite: 'bite-4' },
      byHand: { packCells: 3 },
      reasons: {
        bite: 'From “Dusty day”, Uncle Otter. Dust is slippery.',
        packCells: 'From “Dusty day”, Uncle Otter.',
      },
      setUpId: 'set-up-1',
    });
  });

  it('as the ESC holds it is an empty draft of that set-up', () => {
    const draft = draftFromSetUp(profile, holdings, rig, smallSetUp());
    expect(draft).toEqual({ ...EMPTY_DRAFT, setUpId: 'set-up-1' });
  });

  it('says what a step changed, what came and what went', () => {
    const before = smallSetUp({ byHand: { packCells: 2 } });
    const after = smallSetUp({
      values: withBite('bite-4').slice(1),
      byHand: { packCells: 2, spurTeeth: 60 },
      reasons: { bite: 'dust' },
    });
    expect(stepsBetween(before, after)).toEqual([
      { key: 'way', name: 'way', from: expect.any(String) as string, to: null, reason: '' },
      { key: 'bite', name: 'bite', from: expect.any(String) as string, to: '80 %', reason: 'dust' },
      { key: 'spurTeeth', name: 'Spur', from: null, to: '60\u00a0teeth', reason: '' },
    ]);
  });

  it('a sheet says what it has otherwise, only of what the set-up says', () => {
    const sheet = writeSheet(profile, holdings, {
      id: 's',
      rigName: 'r',
      keptAt: '2026-01-01T00:00:00.000Z',
      medium: null,
      simulated: null,
      changedItemIds: [],
      byHand: { packCells: 3, pinionTeeth: 20 },
      setUp: null,
      reasons: {},
      note: '',
    });
    const onlyBite = smallSetUp({
      values: withBite('bite-4').filter(({ itemId }) => itemId === 'bite'),
      byHand: { packCells: 2 },
    });
    expect(changedSinceSetUp(onlyBite, sheet).map(({ key }) => key)).toEqual(['bite', 'packCells']);
    expect(changedSinceSetUp(smallSetUp({ byHand: {} }), sheet)).toEqual([]);
  });
});

it('a set-up of another ESC fits nowhere, though its ids are the same', () => {
  const other = smallSetUp({ profileId: 'another-esc' });
  expect(fittingSetUp(profile, other)).toEqual({ stops: {}, gone: other.values });
});

describe('a tree of set-ups', () => {
  const one = (id: string, parentId: string | null) => ({ id, parentId });

  it('has each behind what it came from', () => {
    const tree = asTree([one('a', null), one('b', 'a'), one('c', null), one('d', 'b'), one('e', 'a')]);
    expect(tree.map(({ setUp, depth }) => `${setUp.id}${depth}`)).toEqual(['a0', 'b1', 'd2', 'e1', 'c0']);
  });

  it('keeps those whose origin is gone, and those that come from each other', () => {
    const tree = asTree([one('a', 'gone'), one('b', 'c'), one('c', 'b')]);
    expect(tree.map(({ setUp }) => setUp.id)).toEqual(['a', 'b', 'c']);
  });
});

it('conditions that differ are told, those within a hundredth are not', () => {
  const { conditions } = smallSetUp();
  expect(unlikeConditions(conditions, { ...conditions, massKg: conditions.massKg * 1.005 })).toEqual([]);
  const other = { ...conditions, packCells: conditions.packCells + 1, surface: 'loose' as const };
  expect(unlikeConditions(conditions, other).map(({ name }) => name)).toEqual(['Ground', 'Cells']);
});

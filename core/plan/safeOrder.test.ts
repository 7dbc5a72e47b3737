import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { menuOf } from '../archetypes/menuOf.fixture';
import type { EscProfile, StopByItem } from '../esc/profile';
import { factoryStops } from '../esc/profile';
import type { Change } from '../sheet/draft';
import { inSafeOrder } from './safeOrder';

const pattern = ARCHETYPES[0]!.profile;
const profile = menuOf(pattern, [2, 2, 2, 2]);
const held = factoryStops(profile);
const change = (place: number): Change => ({
  itemId: `item-${place}`,
  fromStopId: `item-${place}-stop-1`,
  toStopId: `item-${place}-stop-2`,
});
const isMoved = (stops: StopByItem, place: number): boolean =>
  stops[`item-${place}`] === `item-${place}-stop-2`;
const order = (changes: readonly Change[]): string => changes.map(({ itemId }) => itemId.slice(-1)).join('');
const all = [change(1), change(2), change(3), change(4)];

describe('a safe order', () => {
  it('is the one given where nothing on the way is worse', () => {
    expect(inSafeOrder(profile, held, all, () => [])).toEqual({ changes: all, worseOnTheWay: undefined });
  });

  it('brings forward what makes another safe', () => {
    // As a cutoff by cell that must not stand while cells are still counted the other way.
    const hazardsOf = (stops: StopByItem) =>
      isMoved(stops, 1) && !isMoved(stops, 3) ? ['item 1 without item 3'] : [];
    const { changes, worseOnTheWay } = inSafeOrder(profile, held, all, hazardsOf);
    expect(order(changes)).toBe('2314');
    expect(worseOnTheWay).toBeUndefined();
  });

  it('minds no hazard that was there before or will be there afterwards', () => {
    const hazardsOf = (stops: StopByItem) => (isMoved(stops, 4) ? [] : ['as before']);
    expect(order(inSafeOrder(profile, held, all, hazardsOf).changes)).toBe('1234');
    const later = (stops: StopByItem) => (isMoved(stops, 1) ? ['as afterwards'] : []);
    expect(order(inSafeOrder(profile, held, all, later).changes)).toBe('1234');
  });

  it('says what is worse where no order spares it', () => {
    const hazardsOf = (stops: StopByItem) =>
      isMoved(stops, 1) === isMoved(stops, 2) ? [] : ['only one of both'];
    const { changes, worseOnTheWay } = inSafeOrder(profile, held, [change(1), change(2)], hazardsOf);
    expect(order(changes)).toBe('12');
    expect(worseOnTheWay).toBe('only one of both');
  });

  it('leaves what sets others along first, and the BEC voltage last', () => {
    const items = profile.items.map((item, at) => ({
      ...item,
      ...(at === 0 && { renumbersMenu: true }),
      ...(at === 3 && { setting: 'becVolts' as const }),
    }));
    const tied: EscProfile = { ...profile, items };
    const hazardsOf = (stops: StopByItem) =>
      (isMoved(stops, 1) && !isMoved(stops, 2)) || (!isMoved(stops, 4) && isMoved(stops, 3)) ? ['worse'] : [];
    const { changes, worseOnTheWay } = inSafeOrder(tied, held, all, hazardsOf);
    expect(order(changes)).toBe('1234');
    expect(worseOnTheWay).toBe('worse');
  });

  it('finds one wherever trying all of them does, for hazards at random', () => {
    const sets = fc.uniqueArray(fc.integer({ min: 1, max: 14 }), { maxLength: 14 });
    fc.assert(
      fc.property(sets, (worseSets) => {
        const moved = (stops: StopByItem) =>
          [1, 2, 3, 4].reduce((sum, place) => sum + (isMoved(stops, place) ? 2 ** (place - 1) : 0), 0);
        const hazardsOf = (stops: StopByItem) =>
          worseSets.includes(moved(stops)) ? [`set ${moved(stops)}`] : [];
        const spared = (changes: readonly Change[]): boolean => {
          let at = 0;
          return changes.every(({ itemId }) => {
            at += 2 ** (Number(itemId.slice(-1)) - 1);
            return !worseSets.includes(at);
          });
        };
        const found = inSafeOrder(profile, held, all, hazardsOf);
        const exists = permutations(all).some(spared);
        expect(found.worseOnTheWay === undefined).toBe(exists);
        if (exists) expect(spared(found.changes)).toBe(true);
      }),
    );
  });
});

function permutations<T>(things: readonly T[]): T[][] {
  if (things.length === 0) return [[]];
  return things.flatMap((one) =>
    permutations(things.filter((other) => other !== one)).map((rest) => [one, ...rest]),
  );
}

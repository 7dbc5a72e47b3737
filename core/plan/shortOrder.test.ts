import { found } from './found.fixture';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { menuOf } from '../archetypes/menuOf.fixture';
import type { HandMedium } from '../esc/media';
import { factoryStops, handMediumOf, type EscProfile } from '../esc/profile';
import { escMachine } from '../procedure/escMachine';
import { initialConfig } from '../procedure/step';
import type { Change } from '../sheet/draft';
import { legsFor, planLegs } from './loadPlan';
import { inShortOrder } from './shortOrder';

const patternOf = (family: HandMedium['family']): EscProfile =>
  ARCHETYPES.map(({ profile }) => profile).find((profile) => handMediumOf(profile)?.family === family)!;

/** A menu of items with two stops, and a change of those at these places. */
function changing(family: HandMedium['family'], size: number, places: readonly number[]) {
  const profile = menuOf(
    patternOf(family),
    Array.from({ length: size }, () => 2),
  );
  const changes = places.map((place): Change => {
    const { id, stops } = profile.items[place]!;
    return { itemId: id, fromStopId: stops[0]!.id, toStopId: stops[1]!.id };
  });
  return { profile, changes };
}

const numbers = (changes: readonly Change[]): number[] =>
  changes.map(({ itemId }) => Number(itemId.replace('item-', '')));

describe('the order of changes', () => {
  it('goes back from the last items where that is nearer', () => {
    const { profile, changes } = changing('textBox', 60, [29, 30, 58]);
    // From the first item two steps back, then 28 and one: 31, in the menu's own order 58.
    expect(numbers(inShortOrder(profile, 'textBox', changes))).toEqual([59, 31, 30]);
  });

  it('begins where the hand is', () => {
    const { profile, changes } = changing('textBox', 20, [2, 9]);
    expect(numbers(inShortOrder(profile, 'textBox', changes, 11))).toEqual([10, 3]);
  });

  it('turns round where that is nearer than going all the way', () => {
    const { profile, changes } = changing('textBox', 20, [0, 6, 19]);
    // From the fifth item: one on to the seventh, then back over the first to the last, 2 + 6 + 1; on round it is 16.
    expect(numbers(inShortOrder(profile, 'textBox', changes, 4))).toEqual([7, 1, 20]);
  });

  it('is the menu’s own where keys lead only onward', () => {
    const { profile, changes } = changing('lampCard', 60, [29, 30, 58]);
    expect(inShortOrder(profile, 'lampCard', changes)).toEqual(changes);
  });

  it('leaves first what renumbers the others, and the BEC voltage last', () => {
    const { profile, changes } = changing('textBox', 12, [4, 5, 11, 1]);
    const [first, , , last] = changes;
    const items = profile.items.map((item) => ({
      ...item,
      renumbersMenu: item.id === first!.itemId,
      setting: item.id === last!.itemId ? ('becVolts' as const) : item.setting,
    }));
    const order = inShortOrder({ ...profile, items }, 'textBox', changes);
    expect(numbers(order)).toEqual([5, 6, 12, 2]);
  });
});

const permutations = <T>(of: readonly T[]): T[][] =>
  of.length === 0
    ? [[]]
    : of.flatMap((one, at) => permutations(of.filter((_, n) => n !== at)).map((rest) => [one, ...rest]));

describe.each(['textBox', 'transmitterMenu', 'lampCard', 'twoKeys', 'stickTones'] as const)(
  'a plan by %s',
  (family) => {
    it('takes no longer than in any other order', () => {
      fc.assert(
        fc.property(
          fc.integer({ min: 3, max: 9 }),
          fc.uniqueArray(fc.nat(8), { minLength: 1, maxLength: 4 }),
          (size, wanted) => {
            const places = [...new Set(wanted.map((place) => place % size))].sort((a, b) => a - b);
            const { profile, changes } = changing(family, size, places);
            const machine = escMachine(profile);
            const stick = profile.factoryRange;
            const memory = { stops: factoryStops(profile), range: stick };
            const start = initialConfig(machine, memory, stick.neutralMicros);
            const seconds = (order: Change[]): number =>
              found(planLegs(machine, start, legsFor(order, false), stick, family)).seconds;
            const best = Math.min(...permutations(changes).map(seconds));
            expect(seconds(inShortOrder(profile, family, changes))).toBeCloseTo(best, 6);
          },
        ),
        { numRuns: 15 },
      );
    });
  },
);

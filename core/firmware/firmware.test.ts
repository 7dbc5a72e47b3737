import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { factoryStops, handMediumOf, type EscProfile, type StopByItem } from '../esc/profile';
import { revisionChanges } from '../esc/revisionMap';
import { validateProfile } from '../esc/validateProfile';
import { loadByHand } from '../plan/loadByHand.fixture';
import { writeSheet } from '../sheet/sheet';
import { compareWithSheet, renumberedSince, savedBefore, toPutBack } from './compare';
import { simulatedUpdate } from './simulatedUpdate';

/** Each item one stop away from the factory's. */
const changedStops = (profile: EscProfile): StopByItem =>
  Object.fromEntries(
    profile.items.map(({ id, stops, factoryStopId }) => [
      id,
      stops.find((stop) => stop.id !== factoryStopId)?.id ?? factoryStopId,
    ]),
  );

const sheetOf = (profile: EscProfile, stops: StopByItem) => {
  const at = '2026-01-01T00:00:00.000Z';
  const holdings = Object.fromEntries(
    profile.items.map(({ id }) => [id, { stopId: stops[id]!, basis: 'readBack' as const, at }]),
  );
  const rest = {
    id: 'sheet',
    rigName: 'Rig',
    keptAt: at,
    medium: null,
    changedItemIds: [],
    setup: {},
    note: '',
  };
  return writeSheet(profile, holdings, rest);
};

describe.each(ARCHETYPES.map(({ profile }) => [profile.name, profile] as const))(
  'new firmware for %s',
  (_, profile) => {
    const held = changedStops(profile);
    const { profile: next, stops } = simulatedUpdate(profile, held, profile.revision + 1);

    it('leaves a menu that is valid, with two items under each other’s numbers', () => {
      expect(validateProfile(next)).toEqual([]);
      const moved = revisionChanges(profile, next).filter(({ kind }) => kind === 'itemMoved');
      expect(renumberedSince(next, sheetOf(profile, held)).map(({ itemId }) => itemId)).toEqual(
        next.items.slice(-2).map(({ id }) => id),
      );
      expect(moved.map(({ itemId }) => itemId).sort()).toEqual(
        profile.items
          .slice(-2)
          .map(({ id }) => id)
          .sort(),
      );
    });

    it('loses some values and keeps others, and the comparison names each', () => {
      const compared = compareWithSheet(next, sheetOf(profile, held), stops);
      expect(compared).toHaveLength(profile.items.length);
      for (const { itemId, outcome } of compared) {
        expect(outcome).toBe(stops[itemId] === held[itemId] ? 'kept' : 'lost');
      }
      expect(new Set(compared.map(({ outcome }) => outcome))).toEqual(new Set(['kept', 'lost']));
    });
  },
);

describe('after an update', () => {
  const profile = ARCHETYPES.map((one) => one.profile).find((one) => handMediumOf(one)?.family === 'oneKey')!;
  const held = { ...factoryStops(profile), [profile.items[1]!.id]: profile.items[1]!.stops[0]!.id };

  it('what nobody has looked at is put back, too', () => {
    const unknown = Object.fromEntries(profile.items.map(({ id }) => [id, null]));
    const compared = compareWithSheet(profile, sheetOf(profile, held), unknown);
    expect(toPutBack(compared)).toEqual(held);
  });

  it('is held against what was kept before it, not against what it left', () => {
    const kept = (origin: 'loaded' | 'imported' | 'backup', minute: number) => ({
      origin,
      sheet: { ...sheetOf(profile, held), keptAt: `2026-01-01T00:0${minute}:00.000Z` },
    });
    const [before, foreign, left, loaded] = [
      kept('backup', 1),
      kept('imported', 2),
      kept('backup', 4),
      kept('loaded', 5),
    ];
    const at = '2026-01-01T00:03:00.000Z';
    expect(savedBefore([left, foreign, before], at)).toBe(before);
    expect(savedBefore([loaded, left, foreign, before], at)).toBe(loaded);
    expect(savedBefore([left, foreign, before], undefined)).toBe(left);
    expect(savedBefore([foreign], at)).toBeUndefined();
  });

  it('what the new menu has no place for is left out', () => {
    const [gone, ...items] = profile.items;
    const compared = compareWithSheet({ ...profile, items }, sheetOf(profile, held), held);
    expect(compared.map(({ itemId }) => itemId)).not.toContain(gone!.id);
  });

  it('the plan by the new numbers leaves what was saved', () => {
    const wanted = changedStops(profile);
    const { profile: next, stops } = simulatedUpdate(profile, wanted, profile.revision + 1);
    const back = toPutBack(compareWithSheet(next, sheetOf(profile, wanted), stops));
    expect(Object.keys(back).length).toBeGreaterThan(0);
    const esc = loadByHand({
      profile: next,
      stick: next.factoryRange,
      real: stops,
      known: stops,
      wanted: back,
    });
    expect(esc.config.memory.stops).toMatchObject(back);
  });
});

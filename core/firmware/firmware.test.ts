import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import {
  factoryStops,
  handMediumOf,
  type EscProfile,
  type ProfileItem,
  type StopByItem,
} from '../esc/profile';
import { revisionChanges } from '../sheet/revisionMap';
import { validateProfile } from '../esc/validateProfile';
import { loadByHand } from '../plan/loadByHand.fixture';
import { writeSheet, type Sheet } from '../sheet/sheet';
import { asLeftByLoads, compareWithSheet, renumberedSince, toPutBack } from './compare';
import { stopsAfterUpdate, updatedMenu } from './simulatedUpdate';

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
    simulated: null,
    changedItemIds: [],
    byHand: {},
    setUp: null,
    reasons: {},
    note: '',
  };
  return writeSheet(profile, holdings, rest);
};

describe.each(ARCHETYPES.map(({ profile }) => [profile.name, profile] as const))(
  'new firmware for %s',
  (_, profile) => {
    const held = changedStops(profile);
    const next = updatedMenu(profile, profile.revision + 1);
    const stops = stopsAfterUpdate(profile, held);

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

  describe('is held against what was kept before it', () => {
    const [first, second] = profile.items as [ProfileItem, ProfileItem];
    const kept = (origin: 'loaded' | 'backup', stops: StopByItem = held, changedItemIds: string[] = []) => ({
      origin,
      sheet: { ...sheetOf(profile, stops), changedItemIds },
    });
    const before = kept('backup');
    const stopsOn = ({ sheet }: { sheet: Sheet }) =>
      Object.fromEntries(sheet.values.map(({ itemId, stopId }) => [itemId, stopId]));

    it('but what a load has changed on purpose since is as that load left it, and only that', () => {
      // The update lost the second value; a load then changed the first, and its sheet has both as they were by then.
      const other = (item: ProfileItem) => item.stops.find(({ id }) => id !== held[item.id])!.id;
      const now = { ...held, [first.id]: other(first), [second.id]: other(second) };
      const saved = asLeftByLoads(before, [kept('loaded', now, [first.id])]);
      expect(stopsOn(saved)).toEqual({ ...held, [first.id]: other(first) });
      expect(toPutBack(compareWithSheet(profile, saved.sheet, now))).toEqual({
        [second.id]: held[second.id],
      });
    });

    it('of two loads since, the later one counts', () => {
      const [one, two] = first.stops.filter(({ id }) => id !== held[first.id]);
      const loads = [
        kept('loaded', { ...held, [first.id]: one!.id }, [first.id]),
        kept('loaded', { ...held, [first.id]: two!.id }, [first.id]),
      ];
      expect(stopsOn(asLeftByLoads(before, loads))[first.id]).toBe(two!.id);
    });
  });

  it('what the new menu has no place for is left out', () => {
    const [gone, ...items] = profile.items;
    const compared = compareWithSheet({ ...profile, items }, sheetOf(profile, held), held);
    expect(compared.map(({ itemId }) => itemId)).not.toContain(gone!.id);
  });

  it('the plan by the new numbers leaves what was saved', () => {
    const wanted = changedStops(profile);
    const next = updatedMenu(profile, profile.revision + 1);
    const stops = stopsAfterUpdate(profile, wanted);
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

describe('what the simulated update does, to the value', () => {
  const { profile } = ARCHETYPES.find((one) => one.profile.items.length > 6)!;
  const held = changedStops(profile);

  it('takes back the first of three, and every third after it', () => {
    const stops = stopsAfterUpdate(profile, held);
    const factory = factoryStops(profile);
    const changed = profile.items.map(({ id }) => id).filter((id) => held[id] !== factory[id]);
    const lost = changed.filter((id) => stops[id] === factory[id]);
    expect(lost).toEqual(
      changed.filter((_, place) => [0, 3, 6, 9, 12, 15, 18, 21, 24, 27, 30].includes(place)),
    );
  });

  it('leaves all but the last two where they were', () => {
    const next = updatedMenu(profile, profile.revision + 1);
    const ids = ({ items }: EscProfile) => items.map(({ id }) => id);
    expect(ids(next).slice(0, -2)).toEqual(ids(profile).slice(0, -2));
    expect(ids(next).slice(-2)).toEqual(ids(profile).slice(-2).reverse());
  });

  it('a stop that the sheet names and the ESC lacks is not compared, nor an item that the sheet lacks', () => {
    const sheet = sheetOf(profile, held);
    const [first, second] = sheet.values;
    const strange = [{ ...first!, stopId: 'gone' }, ...sheet.values.slice(2)];
    const compared = compareWithSheet(profile, { ...sheet, values: strange }, held);
    const ids = compared.map(({ itemId }) => itemId);
    expect(ids).not.toContain(first!.itemId);
    expect(ids).not.toContain(second!.itemId);
    expect(ids).toHaveLength(profile.items.length - 2);
  });
});

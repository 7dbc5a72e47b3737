/** Items that an ESC has once in each of its banks: one line in the workshop, an item a bank in the profile. */
import type { EscProfile, ProfileItem } from '../esc/profile';

const inBank = (id: string, place: number): string => `${id}-bank-${place + 1}`;

/**
 * The items of a profile with those of the banks once for each.
 * @param bankItemId the item that chooses; undefined where there are no banks
 * @param ids of the items that the banks have
 */
export function withBanks(
  items: readonly ProfileItem[],
  bankItemId: string | undefined,
  ids: ReadonlySet<string>,
): ProfileItem[] {
  const chooser = items.find(({ id }) => id === bankItemId);
  if (!chooser) return [...items];
  return items.flatMap((item) =>
    ids.has(item.id) && item !== chooser
      ? chooser.stops.map((bank, place) =>
          copyFor(item, place, { itemId: chooser.id, stopIds: [bank.id] }, ids),
        )
      : [item],
  );
}

/** A copy for one bank: what it says of items of the banks, it says of those of its own. */
function copyFor(
  item: ProfileItem,
  place: number,
  whileOn: ProfileItem['existsWhile'][number],
  ids: ReadonlySet<string>,
): ProfileItem {
  const own = (id: string): string => (ids.has(id) ? inBank(id, place) : id);
  return {
    ...item,
    id: inBank(item.id, place),
    existsWhile: [...item.existsWhile.map((one) => ({ ...one, itemId: own(one.itemId) })), whileOn],
    inactiveWhen: item.inactiveWhen.map((one) =>
      one.kind === 'stops' ? { ...one, itemId: own(one.itemId) } : one,
    ),
    overwrites: item.overwrites.map(({ stopId, sets }) => ({
      stopId,
      sets: Object.fromEntries(Object.entries(sets).map(([id, set]) => [own(id), set])),
    })),
    switchedOffBy: item.switchedOffBy && { ...item.switchedOffBy, itemId: own(item.switchedOffBy.itemId) },
  };
}

/** The items with those that are alike in all banks once, as they were typed, and which those are. */
export function withoutBanks({ items, banks }: Pick<EscProfile, 'items' | 'banks'>): {
  items: ProfileItem[];
  ids: ReadonlySet<string>;
} {
  const chooser = items.find(({ id }) => id === banks?.itemId);
  if (!chooser) return { items, ids: new Set() };
  const bases = items.flatMap(({ id }) => (id.endsWith('-bank-1') ? [id.slice(0, -'-bank-1'.length)] : []));
  const ids = new Set(bases);
  const restored = bases.map((base) => baseOf(items, base, ids));
  // One that differs from bank to bank stays as many items as there are banks, and so do those that speak of it.
  const rebuilt = withBanks([chooser, ...restored], chooser.id, ids);
  const isAlike = rebuilt.every(
    (copy) => JSON.stringify(copy) === JSON.stringify(items.find(({ id }) => id === copy.id)),
  );
  if (!isAlike) return { items, ids: new Set() };
  const copies = new Set(rebuilt.slice(1).map(({ id }) => id));
  return {
    items: items.flatMap((item) => {
      if (!copies.has(item.id)) return [item];
      const at = bases.findIndex((base) => item.id === inBank(base, 0));
      return at === -1 ? [] : [restored[at]!];
    }),
    ids,
  };
}

function baseOf(items: readonly ProfileItem[], base: string, ids: ReadonlySet<string>): ProfileItem {
  const first = items.find(({ id }) => id === inBank(base, 0))!;
  const plain = (id: string): string => {
    const stem = id.endsWith('-bank-1') ? id.slice(0, -'-bank-1'.length) : id;
    return ids.has(stem) ? stem : id;
  };
  return {
    ...first,
    id: base,
    existsWhile: first.existsWhile.slice(0, -1).map((one) => ({ ...one, itemId: plain(one.itemId) })),
    inactiveWhen: first.inactiveWhen.map((one) =>
      one.kind === 'stops' ? { ...one, itemId: plain(one.itemId) } : one,
    ),
    overwrites: first.overwrites.map(({ stopId, sets }) => ({
      stopId,
      sets: Object.fromEntries(Object.entries(sets).map(([id, set]) => [plain(id), set])),
    })),
    switchedOffBy: first.switchedOffBy && {
      ...first.switchedOffBy,
      itemId: plain(first.switchedOffBy.itemId),
    },
  };
}

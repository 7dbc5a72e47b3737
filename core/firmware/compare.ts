/** What an update of the firmware did to the values that were kept before it. */
import type { EscProfile, StopByItem } from '../esc/profile';
import type { HeldStops } from '../sheet/evidence';
import type { Sheet, SheetValue } from '../sheet/sheet';

interface KeptSheet {
  origin: 'loaded' | 'imported' | 'backup';
  sheet: Sheet;
}

/**
 * The sheet to hold an update against, with what later loads changed on purpose as they left it. The rest of a later sheet
 * only says what the update left.
 * @param saved the newest that was loaded or kept before the update
 * @param loadedSince what was loaded since the update, oldest first
 */
export const asLeftByLoads = <S extends KeptSheet>(saved: S, loadedSince: readonly KeptSheet[]): S => ({
  ...saved,
  sheet: {
    ...saved.sheet,
    values: loadedSince.reduce((before, { sheet }) => withChangesOf(sheet, before), saved.sheet.values),
  },
});

/** Values as a later load left those that it changed. */
const withChangesOf = (later: Sheet, values: SheetValue[]): SheetValue[] =>
  values.map((value) => {
    const changed = later.changedItemIds.includes(value.itemId);
    const left = changed && later.values.find(({ itemId }) => itemId === value.itemId);
    // The number stays that of the old list: it is what the update may have changed.
    return left ? { ...left, itemNumber: value.itemNumber } : value;
  });

export interface ComparedValue {
  itemId: string;
  /** As it was kept. */
  savedStopId: string;
  /** Null where nobody has looked since. */
  nowStopId: string | null;
  outcome: 'kept' | 'lost' | 'unknown';
}

/** Every value of a sheet that the ESC still has a place for, beside what it holds now, in the ESC's own order. */
export function compareWithSheet(profile: EscProfile, sheet: Sheet, held: HeldStops): ComparedValue[] {
  const saved = new Map(sheet.values.map(({ itemId, stopId }) => [itemId, stopId]));
  return profile.items.flatMap(({ id, stops }): ComparedValue[] => {
    const savedStopId = saved.get(id) ?? null;
    if (savedStopId === null || !stops.some((stop) => stop.id === savedStopId)) return [];
    const nowStopId = held[id] ?? null;
    const outcome = nowStopId === null ? 'unknown' : nowStopId === savedStopId ? 'kept' : 'lost';
    return [{ itemId: id, savedStopId, nowStopId, outcome }];
  });
}

export interface Renumbered {
  itemId: string;
  before: number;
  now: number;
}

/** Items that stand under another number than when the sheet was kept: a count by the old list sets something else. */
export const renumberedSince = (profile: EscProfile, sheet: Sheet): Renumbered[] =>
  profile.items.flatMap(({ id, number }) => {
    const before = sheet.values.find(({ itemId }) => itemId === id)?.itemNumber;
    return before === undefined || before === number ? [] : [{ itemId: id, before, now: number }];
  });

/** What the plan has to put back: all that is not known to be as it was. */
export const toPutBack = (compared: readonly ComparedValue[]): StopByItem =>
  Object.fromEntries(
    compared
      .filter(({ outcome }) => outcome !== 'kept')
      .map(({ itemId, savedStopId }) => [itemId, savedStopId]),
  );

/**
 * From one revision of an ESC profile to the next: what moved, what came, what went. Permanent ids say what is
 * the same; printed numbers and labels are attributes that may change. Drafts migrate by this map, sheets never.
 */
import { fittingDraft, type Draft } from './draft';
import { VOCABULARY } from '../settings/vocabulary';
import { describeValue } from '../settings/value';
import { factoryStops, type EscProfile, type ProfileItem, type Stop, type StopByItem } from '../esc/profile';

export interface RevisionChange {
  itemId: string;
  kind: 'itemGone' | 'itemNew' | 'itemMoved' | 'stopGone' | 'stopNew' | 'stopMoved' | 'stopMeansElse';
  /** What changed, for a person. */
  sentence: string;
}

/** Everything that a new revision changes, in the new menu's order; what is gone comes last. */
export function revisionChanges(before: EscProfile, after: EscProfile): RevisionChange[] {
  const old = new Map(before.items.map((item) => [item.id, item]));
  const kept = new Set(after.items.map((item) => item.id));
  return [
    ...after.items.flatMap((item) => {
      const was = old.get(item.id);
      return was ? itemChanges(was, item) : [newItem(item)];
    }),
    ...before.items.filter((item) => !kept.has(item.id)).map(goneItem),
  ];
}

const name = ({ number, label }: { number: number; label: string }): string => `${number} “${label}”`;

const newItem = (item: ProfileItem): RevisionChange => ({
  itemId: item.id,
  kind: 'itemNew',
  sentence: `Item ${name(item)} is new.`,
});

const goneItem = (item: ProfileItem): RevisionChange => ({
  itemId: item.id,
  kind: 'itemGone',
  sentence: `Item ${name(item)} is gone.`,
});

function itemChanges(was: ProfileItem, is: ProfileItem): RevisionChange[] {
  const old = new Map(was.stops.map((stop) => [stop.id, stop]));
  const kept = new Set(is.stops.map((stop) => stop.id));
  const change = (kind: RevisionChange['kind'], sentence: string): RevisionChange => ({
    itemId: is.id,
    kind,
    sentence,
  });
  const moved =
    name(was) === name(is) ? [] : [change('itemMoved', `Item ${name(was)} is now item ${name(is)}.`)];
  const where = `of item ${name(is)}`;
  return [
    ...moved,
    ...is.stops.flatMap((stop) => {
      const before = old.get(stop.id);
      if (!before) return [change('stopNew', `Stop ${name(stop)} ${where} is new.`)];
      const means = meaningChange(is, before, stop);
      return [
        ...(name(before) === name(stop)
          ? []
          : [change('stopMoved', `Stop ${name(before)} ${where} is now stop ${name(stop)}.`)]),
        ...(means ? [change('stopMeansElse', `Stop ${name(stop)} ${where} means ${means}.`)] : []),
      ];
    }),
    ...was.stops
      .filter((stop) => !kept.has(stop.id))
      .map((stop) => change('stopGone', `Stop ${name(stop)} ${where} is gone.`)),
  ];
}

function meaningChange({ setting }: ProfileItem, before: Stop, after: Stop): string | undefined {
  const words = (stop: Stop): string => describeValue(VOCABULARY[setting], stop.value);
  return words(before) === words(after) ? undefined : `${words(after)} now, not ${words(before)}`;
}

/** An intent that a new revision has no place for. */
export interface DroppedIntent {
  /** In the words of the old revision. */
  sentence: string;
}

/** A draft for the new revision, and what had to be left out of it. */
export function migrateDraft(
  before: EscProfile,
  after: EscProfile,
  draft: Draft,
): { draft: Draft; dropped: DroppedIntent[] } {
  const fitting = fittingDraft(after, draft);
  return {
    draft: fitting,
    dropped: Object.entries(draft.stops)
      .filter(([itemId]) => fitting.stops[itemId] === undefined)
      .map(([itemId, stopId]) => {
        const item = before.items.find(({ id }) => id === itemId);
        const stop = item?.stops.find(({ id }) => id === stopId);
        return { sentence: `${item?.label ?? itemId}: ${stop?.label ?? stopId}` };
      }),
  };
}

/** What an ESC of the old revision holds once it has become one of the new: what fits stays, the rest is the factory's. */
export function migrateStops(after: EscProfile, stops: StopByItem): StopByItem {
  const factory = factoryStops(after);
  return Object.fromEntries(
    after.items.map((item) => {
      const held = stops[item.id];
      const fits = item.stops.some((stop) => stop.id === held);
      return [item.id, fits ? held! : factory[item.id]!];
    }),
  );
}

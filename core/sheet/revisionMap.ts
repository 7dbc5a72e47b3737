/**
 * From one revision of an ESC profile to the next: what moved, what came, what went. Permanent ids say what is
 * the same; printed numbers and labels are attributes that may change. Drafts migrate by this map, sheets never.
 */
import { fittingDraft, type Draft } from './draft';
import { VOCABULARY } from '../settings/vocabulary';
import { describeValue } from '../settings/value';
import {
  hasStop,
  factoryStops,
  BEC_KINDS,
  LAUNCH_LIMIT_LAWS,
  LIMIT_WORDS,
  type EscProfile,
  type ProfileItem,
  type Stop,
  type StopByItem,
} from '../esc/profile';
import { withUnit } from '../units/format';

export interface RevisionChange {
  /** Of the whole ESC where undefined. */
  itemId: string | undefined;
  kind:
    | 'esc'
    | 'itemGone'
    | 'itemNew'
    | 'itemMoved'
    | 'itemMeansElse'
    | 'stopGone'
    | 'stopNew'
    | 'stopMoved'
    | 'stopMeansElse';
  /** What changed, for a person. */
  sentence: string;
}

/** Everything that a new revision changes: the ESC, then its items in the new menu's order; what is gone comes last. */
export function revisionChanges(before: EscProfile, after: EscProfile): RevisionChange[] {
  const old = new Map(before.items.map((item) => [item.id, item]));
  const kept = new Set(after.items.map((item) => item.id));
  return [
    ...escChanges(before, after),
    ...after.items.flatMap((item) => {
      const was = old.get(item.id);
      return was ? itemChanges(was, item) : [newItem(item)];
    }),
    ...before.items.filter((item) => !kept.has(item.id)).map(goneItem),
  ];
}

/** What is not of an item: limits, start-up and deadband, how it learns end points and how it is set. */
function escChanges(before: EscProfile, after: EscProfile): RevisionChange[] {
  const sentences = [
    ...(Object.keys(LIMIT_WORDS) as (keyof typeof LIMIT_WORDS)[]).map((key) => {
      const { label, unit, perSi } = LIMIT_WORDS[key];
      const asked = (value: number | null): number | string =>
        value === null ? 'not stated' : value * perSi;
      return changed(label, asked(before.limits[key]), asked(after.limits[key]), unit);
    }),
    changed('BEC', BEC_KINDS[before.limits.becKind], BEC_KINDS[after.limits.becKind]),
    changed('Checks the throttle after', before.bootMs, after.bootMs, 'ms'),
    changed('Deadband, each side', before.deadbandMicrosEachSide, after.deadbandMicrosEachSide, 'µs'),
    changed(
      'At full signal it shows',
      before.fullSignalShows ?? 'not stated',
      after.fullSignalShows ?? 'not stated',
    ),
    changed('Its launch limit means', launchWords(before), launchWords(after)),
    different(before.factoryRange, after.factoryRange, 'Its factory range changed.'),
    different(before.calibration, after.calibration, 'The way it learns end points changed.'),
    different(before.media, after.media, 'The way it is set changed: keys, times or order.'),
  ];
  return sentences.flatMap((sentence) =>
    sentence === undefined ? [] : [{ itemId: undefined, kind: 'esc' as const, sentence }],
  );
}

const launchWords = ({ launchLimitActs }: EscProfile): string =>
  launchLimitActs === null ? 'not stated' : LAUNCH_LIMIT_LAWS[launchLimitActs];

function changed(what: string, was: string | number, is: string | number, unit = ''): string | undefined {
  const words = (value: string | number): string =>
    typeof value === 'number' ? withUnit(value, unit, 4) : value;
  return was === is ? undefined : `${what}: ${words(is)}, not ${words(was)}.`;
}

const different = (was: unknown, is: unknown, sentence: string): string | undefined =>
  JSON.stringify(was) === JSON.stringify(is) ? undefined : sentence;

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
  const meant = itemMeaningChanges(was, is).map((sentence) => change('itemMeansElse', sentence));
  return [
    ...moved,
    ...meant,
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

/** Which setting it is, which way it runs, what it is tied to. The factory's stop matters to nobody who has values. */
function itemMeaningChanges(was: ProfileItem, is: ProfileItem): string[] {
  const { higher, lower } = VOCABULARY[is.setting];
  const ties = (item: ProfileItem) => [
    item.inactiveWhen,
    item.overwrites,
    item.switchedOffBy,
    item.renumbersMenu,
    item.existsWhile,
    item.alsoSets,
    item.commandStopIds,
  ];
  const entering = ({ numberField, freeCurve, typed }: ProfileItem) => [numberField, freeCurve, typed];
  return [
    was.setting === is.setting
      ? undefined
      : `Item ${name(is)} is ${VOCABULARY[is.setting].name}, not ${VOCABULARY[was.setting].name}.`,
    was.sense === is.sense
      ? undefined
      : `Higher numbers of item ${name(is)} mean “${is.sense === 'direct' ? higher : lower}” now.`,
    different(ties(was), ties(is), `Item ${name(is)} has different ties to other items.`),
    different(entering(was), entering(is), `Item ${name(is)} is entered differently.`),
  ].filter((sentence) => sentence !== undefined);
}

function meaningChange({ setting }: ProfileItem, before: Stop, after: Stop): string | undefined {
  const words = (stop: Stop): string => describeValue(VOCABULARY[setting], stop.value);
  if (words(before) !== words(after)) return `${words(after)} now, not ${words(before)}`;
  const isSurer = before.basis === 'assumed' && after.basis !== 'assumed';
  return isSurer ? `${words(after)}, as before: ${after.basis} now, no longer assumed` : undefined;
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
      const fits = held !== undefined && hasStop(item, held);
      return [item.id, fits ? held : factory[item.id]!];
    }),
  );
}

/** One day that was changed at two places at once: what both did is kept, and what cannot both be is said. */
import type { Day, DayEvent } from './day';

type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };
type Fields = Readonly<Record<string, Json>>;

/** What both changed, each to something else. `theirs` stands in the merged day. */
export interface DayConflict {
  /** Where: the name of a field, or of one in a list behind it. */
  path: string;
  mine: unknown;
  theirs: unknown;
}

export interface MergedDay<D extends Day> {
  day: D;
  conflicts: DayConflict[];
}

/**
 * Merges what was done here into what others made of a day meanwhile.
 * @param base the day that both began with
 * @param mine as it is here
 * @param theirs as it is kept by now
 */
export function mergeDays<D extends Day>(base: D, mine: D, theirs: D): MergedDay<D> {
  const conflicts: DayConflict[] = [];
  const merged = mergeFields(fieldsOf(base), fieldsOf(mine), fieldsOf(theirs), '', conflicts) as unknown as D;
  return {
    day: merged.kind === 'test' ? { ...merged, events: merged.events.toSorted(byTime) } : merged,
    conflicts,
  };
}

const byTime = (a: DayEvent, b: DayEvent): number => Date.parse(a.at) - Date.parse(b.at);

const fieldsOf = (day: Day): Fields => day as unknown as Fields;

function mergeFields(
  base: Fields,
  mine: Fields,
  theirs: Fields,
  at: string,
  conflicts: DayConflict[],
): Fields {
  const names = new Set([...Object.keys(theirs), ...Object.keys(mine)]);
  return Object.fromEntries(
    [...names].map((name) => [
      name,
      mergeValue(base[name] ?? null, mine[name] ?? null, theirs[name] ?? null, `${at}${name}`, conflicts),
    ]),
  );
}

function mergeValue(base: Json, mine: Json, theirs: Json, path: string, conflicts: DayConflict[]): Json {
  if (same(mine, base) || same(mine, theirs)) return theirs;
  if (same(theirs, base)) return mine;
  if (isList(base) && isList(mine) && isList(theirs)) return mergeLists(base, mine, theirs, path, conflicts);
  // Two who tick one line both mean it: it was done when the first of them said so.
  if (path.endsWith('.doneAt') && typeof mine === 'string' && typeof theirs === 'string')
    return mine < theirs ? mine : theirs;
  conflicts.push({ path, mine, theirs });
  return theirs;
}

/** Lines are known by their ids; what has none, like an event, is itself. */
function mergeLists(
  base: readonly Json[],
  mine: readonly Json[],
  theirs: readonly Json[],
  path: string,
  conflicts: DayConflict[],
): Json[] {
  const [before, here] = [byKey(base), byKey(mine)];
  const there = byKey(theirs);
  const kept = [...there].flatMap(([key, line]): Json[] => {
    const [was, is] = [before.get(key), here.get(key)];
    if (was === undefined) return [is === undefined || same(is, line) ? line : mergeLine({}, is, line)];
    if (is !== undefined) return [mergeLine(was, is, line)];
    // Taken away here; kept where they changed it meanwhile.
    return same(was, line) ? [] : [line];
  });
  const added = [...here].filter(([key, line]) => {
    if (there.has(key)) return false;
    const was = before.get(key);
    // Taken away there; kept where it was changed here meanwhile.
    return was === undefined || !same(was, line);
  });
  return [...kept, ...added.map(([, line]) => line)];

  function mergeLine(was: Json, is: Json, line: Json): Json {
    if (!isFields(was) || !isFields(is) || !isFields(line)) return line;
    // What was worked out is worked out again where it does not fit.
    if (path === 'facts') return line;
    return mergeFields(was, is, line, `${path}.`, conflicts);
  }
}

const byKey = (list: readonly Json[]): Map<string, Json> => new Map(list.map((line) => [keyOf(line), line]));

function keyOf(line: Json): string {
  if (!isFields(line)) return JSON.stringify(line);
  if (typeof line.id === 'string') return line.id;
  if (typeof line.what === 'string') return JSON.stringify(line);
  // Questions and facts of a rig.
  return JSON.stringify([line.rigId, line.questionId]);
}

const isList = (value: Json): value is readonly Json[] => Array.isArray(value);
const isFields = (value: Json): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const same = (a: Json, b: Json): boolean => JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));

function sorted(value: Json): Json {
  if (isList(value)) return value.map(sorted);
  if (!isFields(value)) return value;
  return Object.fromEntries(
    Object.keys(value)
      .toSorted()
      .map((key) => [key, sorted(value[key]!)]),
  );
}

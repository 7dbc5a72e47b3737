/**
 * A table typed off a manual, read into items. It may be laid out in three ways, found by what stands where; the
 * finding says why, and whoever knows better can say so.
 */
import type { Problem } from '../units/problem';
import { freshId, newItem, withStopIds, type SketchItem } from './sketch';
import { markedCell, stopsFromCells } from './stopsLine';
import { madeForBy } from './madeFor';
import { readName } from './printedName';
import { suggested } from './suggest';

export const LAYOUTS = {
  itemsDown: 'one item a row, its stops across',
  itemsAcross: 'one item a column, its stops down',
  longList: 'one stop a row',
} as const;
export type Layout = keyof typeof LAYOUTS;

export interface TableReading {
  layout: Layout;
  /** Why it was read this way. */
  reason: string;
  items: SketchItem[];
  /** What must be mended in the table: taken over as it is, stops or numbers would be wrong and nobody would see. */
  problems: Problem[];
  /** What the workshop asks again at the item itself. */
  open: Problem[];
}

type ReadItems = Pick<TableReading, 'items' | 'problems' | 'open'>;

/** Far beyond any manual. */
const MOST_ROWS = 500;
const MOST_COLUMNS = 220;
const LONGEST_CELL = 80;

/**
 * Reads a table of cells.
 * @param cells rows of trimmed or untrimmed text, as the CSV had them
 * @param wanted the layout, where somebody has chosen one
 */
export function readTable(cells: readonly (readonly string[])[], wanted?: Layout): TableReading {
  const rows = cells
    .map((row) => row.map((cell) => cell.trim()))
    .filter((row) => row.some((cell) => cell !== ''));
  const sizeProblem = tooLarge(rows);
  if (sizeProblem) return { layout: 'itemsDown', reason: '', items: [], problems: [sizeProblem], open: [] };
  const found = findLayout(rows);
  const { layout, reason } = wanted ? { layout: wanted, reason: 'You said so.' } : found;
  const read =
    layout === 'longList'
      ? readLongList(rows)
      : readGrid(layout === 'itemsDown' ? rows : turned(rows), layout);
  if (read.items.length === 0 && read.problems.length === 0) {
    const sentence = 'No item found. Each item needs a name and at least two stops.';
    return { layout, reason, items: [], problems: [{ path: '', sentence }], open: [] };
  }
  const madeFor = madeForBy(read.items.map(({ label }) => label));
  return { layout, reason, ...read, items: read.items.map((item) => suggested(item, madeFor)) };
}

function tooLarge(rows: readonly (readonly string[])[]): Problem | undefined {
  const widest = Math.max(0, ...rows.map((row) => row.length));
  if (rows.length === 0) return { path: '', sentence: 'The table is empty. Paste it, headings and all.' };
  if (rows.length > MOST_ROWS || widest > MOST_COLUMNS)
    return {
      path: '',
      sentence: `The table has ${rows.length} rows and ${widest} columns; no ESC’s manual has more than ${MOST_ROWS} and ${MOST_COLUMNS}.`,
    };
  for (const [r, row] of rows.entries()) {
    const c = row.findIndex((cell) => cell.length > LONGEST_CELL);
    if (c !== -1)
      return {
        path: `${r}.${c}`,
        sentence: `Row ${r + 1}, column ${c + 1} holds ${row[c]!.length} letters; a cell holds ${LONGEST_CELL} at most. Is this the right table?`,
      };
  }
  return undefined;
}

const turned = (rows: readonly (readonly string[])[]): string[][] =>
  Array.from({ length: Math.max(...rows.map((row) => row.length)) }, (_, c) =>
    rows.map((row) => row[c] ?? ''),
  );

/** Headings of a table with one stop a row, by what their column holds. */
const HEADINGS = {
  itemNumber: /^(no\.?|nr\.?|#|item (no|nr|number)\.?|number)$/i,
  itemName: /^(name|label|function|setting|parameter|item name|item|menu)$/i,
  stop: /^(stop|stop (no|nr|number)\.?|option|option (no|nr)\.?|step|position)$/i,
  value: /^(value|label|stop label|meaning|choice|text)$/i,
  factory: /^(default|factory|standard|preset|def\.?)$/i,
  unit: /^(unit|units)$/i,
} as const;
type Role = keyof typeof HEADINGS;

function findLayout(rows: readonly (readonly string[])[]): { layout: Layout; reason: string } {
  const roles = rolesOf(rows[0]!);
  if (roles.itemName !== undefined && roles.value !== undefined && repeats(rows, roles.itemName))
    return {
      layout: 'longList',
      reason: `The headings name an item and a value, and “${rows[1]?.[roles.itemName] ?? ''}” repeats row by row.`,
    };
  const columns = turned(rows);
  if (likeness(columns) > likeness(rows))
    return { layout: 'itemsAcross', reason: `${namesOf(columns)} stand side by side.` };
  return { layout: 'itemsDown', reason: `${namesOf(rows)} stand one below the other.` };
}

/** How much lines look like one item each: a known name at their head, and one factory mark. */
function likeness(lines: readonly (readonly string[])[]): number {
  const named = lines.filter((line) => nameAt(line) !== undefined).length;
  const marked = lines.filter(
    (line) => line.filter((cell) => markedCell(cell).isFactory).length === 1,
  ).length;
  return (named + marked) / lines.length;
}

const nameAt = (line: readonly string[]): string | undefined =>
  line.slice(0, 2).find((cell) => /[a-z]/i.test(cell) && readName(cell).kind !== 'unknown');

/** The first names of settings at the heads of lines, in words. */
function namesOf(lines: readonly (readonly string[])[]): string {
  const names = lines.flatMap((line) => nameAt(line) ?? []).slice(0, 2);
  if (names.length === 0) return 'The names';
  return names.map((name) => `“${name}”`).join(' and ');
}

function rolesOf(header: readonly string[]): Partial<Record<Role, number>> {
  const roles: Partial<Record<Role, number>> = {};
  header.forEach((cell, column) => {
    const role = (Object.keys(HEADINGS) as Role[]).find(
      (r) => roles[r] === undefined && HEADINGS[r].test(cell),
    );
    if (role) roles[role] = column;
  });
  return roles;
}

const repeats = (rows: readonly (readonly string[])[], column: number): boolean =>
  rows.slice(1).some((row, n) => n > 0 && row[column] !== '' && row[column] === rows[n]![column]);

/** One item a row: a number, a name, then its stops; maybe a row of stop numbers above, and a column of defaults. */
function readGrid(rows: readonly (readonly string[])[], layout: Layout): ReadItems {
  const where = (r: number): string => (layout === 'itemsDown' ? `Row ${r + 1}` : `Column ${r + 1}`);
  const header = headerOf(rows);
  const body = header ? rows.slice(1) : rows;
  const offset = header ? 1 : 0;
  const numbered = body.filter((row) => /^\d+\.?$/.test(row[0] ?? '')).length > body.length / 2;
  const nameColumn = numbered ? 1 : 0;
  const factoryColumn = header?.findIndex((cell) => HEADINGS.factory.test(cell)) ?? -1;
  const unitColumn = header?.findIndex((cell) => HEADINGS.unit.test(cell)) ?? -1;
  const problems = headerProblems(header, nameColumn, layout);
  const open: Problem[] = [];
  const taken: string[] = [];
  const items = body.flatMap((row, n): SketchItem[] => {
    const label = row[nameColumn] ?? '';
    const unit = unitColumn === -1 ? '' : (row[unitColumn] ?? '');
    const cells = row
      .filter((_, column) => column > nameColumn && column !== factoryColumn && column !== unitColumn)
      .map((cell) => withUnit(cell, unit));
    if (label === '' && cells.every((cell) => cell === '')) return [];
    const say =
      (list: Problem[]) =>
      (sentence: string): void =>
        void list.push({ path: `${n + offset}`, sentence: `${where(n + offset)}, “${label}”: ${sentence}` });
    const problem = say(problems);
    if (label === '') problem('the item has no name.');
    const printedNumber = numbered ? Number.parseInt(row[0]!, 10) : NaN;
    if (numbered && printedNumber !== n + 1)
      problem(
        `it has the number ${row[0] || 'nothing'}, and ${n + 1} comes next. Numbers must run 1, 2, 3 … as in the menu.`,
      );
    const last = cells.findLastIndex((cell) => cell !== '');
    const used = cells.slice(0, last + 1);
    if (used.some((cell) => cell === ''))
      problem('there is an empty cell between two stops. The ESC cannot count past a missing stop.');
    return [
      itemFrom(
        label,
        used.filter(Boolean),
        factoryColumn === -1 ? '' : withUnit(row[factoryColumn] ?? '', unit),
        taken,
        problem,
        say(open),
      ),
    ];
  });
  return { items, problems, open };
}

/** A bare number with the unit of its row; anything else as it is. */
function withUnit(cell: string, unit: string): string {
  const { label, isFactory } = markedCell(cell);
  return unit !== '' && /^[-+−]?\d+([.,]\d+)?$/.test(label)
    ? `${label} ${unit}${isFactory ? '*' : ''}`
    : cell;
}

/** The first row where it holds headings: stop numbers, or words such as name and default. */
function headerOf(rows: readonly (readonly string[])[]): readonly string[] | undefined {
  const first = rows[0]!;
  const counts = first.filter((cell) => /^\d+\.?$/.test(cell)).length;
  const words = first.filter((cell) => Object.values(HEADINGS).some((test) => test.test(cell)));
  const looksLikeItem = first.some((cell) => readName(cell).kind !== 'unknown') && counts < 2;
  const numbersOnly = counts >= 2 && counts >= first.filter(Boolean).length - 2;
  return (words.length > 0 && !looksLikeItem) ||
    (numbersOnly && rows.length > 1 && !hasName(first)) ||
    words.length > 1
    ? first
    : undefined;
}

const hasName = (row: readonly string[]): boolean =>
  row
    .slice(0, 2)
    .some(
      (cell) =>
        /[a-z]/i.test(cell) &&
        !Object.values(HEADINGS).some((test) => test.test(cell)) &&
        readName(cell).kind !== 'unknown',
    );

function headerProblems(
  header: readonly string[] | undefined,
  nameColumn: number,
  layout: Layout,
): Problem[] {
  const counts = (header ?? [])
    .slice(nameColumn + 1)
    .filter((cell) => /^\d+$/.test(cell))
    .map(Number);
  const wrong = counts.findIndex((count, place) => count !== counts[0]! + place);
  if (wrong === -1) return [];
  const sentence = `Stop numbers run ${counts.slice(0, wrong + 1).join(', ')}: ${layout === 'itemsDown' ? 'columns' : 'rows'} must stand in the order in which the ESC counts, 1, 2, 3 …`;
  return [{ path: '0', sentence }];
}

/** One stop a row, with headings that say which column is what. */
function readLongList(rows: readonly (readonly string[])[]): ReadItems {
  const { itemName, value, stop, factory } = rolesOf(rows[0]!);
  const problems: Problem[] = [];
  if (itemName === undefined || value === undefined) {
    const sentence = 'One stop a row needs headings: at least “name” and “value”; “stop” and “default” help.';
    return { items: [], problems: [{ path: '0', sentence }], open: [] };
  }
  const groups: { label: string; cells: string[]; rows: number[] }[] = [];
  rows.slice(1).forEach((row, n) => {
    const label = row[itemName] || groups.at(-1)?.label || '';
    let group = groups.at(-1);
    if (group?.label !== label) {
      if (groups.some((g) => g.label === label))
        problems.push({
          path: `${n + 1}`,
          sentence: `Row ${n + 2}: “${label}” appears again after other items. Keep its stops together.`,
        });
      group = { label, cells: [], rows: [] };
      groups.push(group);
    }
    const isFactory =
      factory !== undefined && /^(\*|x|yes|y|1|true|default|factory)$/i.test(row[factory] ?? '');
    group.cells.push(`${row[value] ?? ''}${isFactory ? '*' : ''}`);
    group.rows.push(n + 1);
    const printed = stop === undefined ? NaN : Number.parseInt(row[stop] ?? '', 10);
    if (Number.isFinite(printed) && printed !== group.cells.length)
      problems.push({
        path: `${n + 1}`,
        sentence: `Row ${n + 2}, “${label}”: stop ${printed} stands where ${group.cells.length} comes next. Stops must run 1, 2, 3 …`,
      });
  });
  const taken: string[] = [];
  const open: Problem[] = [];
  const items = groups.map((group) => {
    const say =
      (list: Problem[]) =>
      (sentence: string): void =>
        void list.push({ path: `${group.rows[0]}`, sentence: `“${group.label}”: ${sentence}` });
    return itemFrom(group.label, group.cells, '', taken, say(problems), say(open));
  });
  return { items, problems, open };
}

function itemFrom(
  label: string,
  cells: readonly string[],
  factoryLabel: string,
  taken: string[],
  problem: (sentence: string) => void,
  leaveOpen: (sentence: string) => void,
): SketchItem {
  const marked = cells.map(markedCell);
  const lone = marked.findIndex((cell) => cell.label === '');
  if (lone !== -1) problem(`a star stands alone at stop ${lone + 1}. Put it next to its value.`);
  const cellsRead = marked.filter((cell) => cell.label !== '');
  const { stops, number, factory: starred } = stopsFromCells(cellsRead);
  const named = stops.findIndex(
    (cell) => factoryLabel !== '' && cell.label.toLowerCase() === factoryLabel.toLowerCase(),
  );
  const factory = [...new Set([...starred, ...(named === -1 ? [] : [named])])];
  if (factoryLabel !== '' && named === -1) problem(`its default “${factoryLabel}” is not one of its stops.`);
  if (stops.length < 2)
    leaveOpen(
      `it has ${stops.length === 0 ? 'no stop' : 'one stop'}; at least two are needed to choose between.`,
    );
  else if (factory.length === 0)
    leaveOpen('no factory stop is marked. Use a star, brackets, or a column “default”.');
  else if (factory.length > 1)
    leaveOpen(
      `${factory.length} stops are marked as factory stop (${factory.map((place) => stops[place]!.label).join(', ')}). Mark only one.`,
    );
  const id = freshId(label, taken);
  taken.push(id);
  return withStopIds({ ...newItem(id, label), stops, number, factory });
}

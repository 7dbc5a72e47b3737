/** How the table of a log is laid out: where its heads stand, whether commas are decimal, what its time is. */
import { plainDecimal } from './plainDecimal';
import { asksTime, columnOf, type Column } from './columns';

/** How a time column writes: a number of its unit, a clock, or nothing: then rows come at an even pace. */
export type TimeKind = 'number' | 'clock' | 'none';

export interface Layout {
  decimalComma: boolean;
  /** Of the file, from 0. */
  headRow: number;
  /** Whether units stand in a row of their own below the heads. */
  hasUnitRow: boolean;
  firstDataRow: number;
  columns: Column[];
  timeKind: TimeKind;
  /** Where there is no time: how far rows lie apart, s. */
  everyS: number;
  /** What of the layout is not certain, beside the questions of its columns. */
  question: string | undefined;
}

/** Rows that are looked at: heads come before, and behind them enough numbers to tell what they are. */
export const ROWS_LOOKED_AT = 200;

/** How far rows lie apart where nothing says so, s. Assumed, and asked. */
const USUAL_PACE_S = 0.1;
/** Steps of a time without a unit that are larger than this may be milliseconds: it is asked. */
const LARGE_STEP = 4;

/** A cell that says that nothing was measured. */
export const isBlank = (cell: string): boolean =>
  cell === '' || /^(-+|—|n\/?a|nan|null|none|inf)$/i.test(cell);

/** A cell as a number; NaN where it is none. @param decimalComma whether 1,5 is one and a half */
export function cellNumber(cell: string, decimalComma: boolean): number {
  if (cell === '') return NaN;
  if (!decimalComma) {
    const plain = plainDecimal(cell);
    if (!Number.isNaN(plain)) return plain;
  }
  const text = decimalComma ? withPoint(cell) : cell;
  const value = Number(text);
  return Number.isFinite(value) ? value : NaN;
}

/** A point stands between thousands where it looks like that; else it is what it is. */
const withPoint = (cell: string): string =>
  (/^[-+]?\d{1,3}(\.\d{3})+(,\d*)?$/.test(cell) ? cell.replaceAll('.', '') : cell).replace(',', '.');

const CLOCK = /(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,](\d+))?)?\s*$/;

/** A clock as seconds of its day; NaN where it is none. A date before it is passed over: days are counted by midnights. */
export function clockSeconds(cell: string): number {
  const found = CLOCK.exec(cell.replace(/[zZ]$/, ''));
  if (!found) return NaN;
  const [, hours, minutes, seconds, fraction] = found;
  // Two numbers are minutes and seconds of a stopwatch; three are a clock.
  if (seconds === undefined) return Number(hours) * 60 + Number(minutes);
  return Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds) + Number(`0.${fraction ?? '0'}`);
}

const cleaned = (cell: string | undefined): string => (cell ?? '').trim().replaceAll(/^"|"$/g, '').trim();

/**
 * Finds the layout in the first rows of a file.
 * @param separator with which the cells were split: beside a comma no comma is decimal
 * @returns undefined where there is no row of heads with numbers below
 */
export function findLayout(rows: readonly (readonly string[])[], separator: string): Layout | undefined {
  const decimalComma = separator !== ',' && hasDecimalCommas(rows);
  const numbers = rows.map((row) => countNumbers(row, decimalComma));
  const firstDataRow = numbers.findIndex(
    (count, row) => count >= 1 && count * 2 >= filled(rows[row]!) && isFollowed(rows, numbers, row),
  );
  if (firstDataRow < 1) return firstDataRow === 0 ? withoutHeads(rows, decimalComma) : undefined;
  const { headRow, hasUnitRow } = headsAbove(rows, firstDataRow);
  const heads = rows[headRow]!.map(cleaned);
  const units = hasUnitRow ? rows[headRow + 1]! : undefined;
  const width = Math.max(heads.length, rows[firstDataRow]!.length);
  const columns = Array.from({ length: width }, (_, place) =>
    columnOf(place, heads[place] ?? '', units && cleaned(units[place])),
  );
  return withTime({ decimalComma, headRow, hasUnitRow, firstDataRow, columns }, rows);
}

/** Numbers alone: nobody says what they are, so each is asked for. */
function withoutHeads(rows: readonly (readonly string[])[], decimalComma: boolean): Layout {
  const columns = rows[0]!.map((_, place): Column => ({
    place,
    name: `column ${place + 1}`,
    unit: '',
    use: 'other',
    factor: 1,
    offset: 0,
    question: `The file has no heads. What is in column ${place + 1}?`,
    units: [],
  }));
  return withTime({ decimalComma, headRow: -1, hasUnitRow: false, firstDataRow: 0, columns }, rows);
}

const filled = (row: readonly string[]): number => row.filter((cell) => cleaned(cell) !== '').length;

const isNumberCell = (cell: string, decimalComma: boolean): boolean =>
  !Number.isNaN(cellNumber(cell, decimalComma)) || (!Number.isNaN(clockSeconds(cell)) && /\d/.test(cell));

const countNumbers = (row: readonly string[], decimalComma: boolean): number =>
  row.filter((cell) => isNumberCell(cleaned(cell), decimalComma)).length;

/** Data goes on: one row with a number in it may be a serial number of the device. */
function isFollowed(rows: readonly (readonly string[])[], numbers: readonly number[], row: number): boolean {
  const [next, ...later] = [1, 2, 3, 4]
    .map((by) => row + by)
    .filter((place) => place < rows.length && filled(rows[place]!) > 0);
  if (next === undefined) return true;
  const isAlike = (place: number): boolean => Math.abs(rows[place]!.length - rows[row]!.length) <= 1;
  return numbers[next]! >= 1 && [next, ...later].some(isAlike);
}

function hasDecimalCommas(rows: readonly (readonly string[])[]): boolean {
  const cells = rows.flat().map(cleaned);
  const commas = cells.filter((cell) => /^-?\d*,\d+$/.test(cell)).length;
  const points = cells.filter((cell) => /^-?\d*\.\d+$/.test(cell)).length;
  return commas > points;
}

/** The heads stand in the last filled row above the data; where that has only units, in the one above it. */
function headsAbove(
  rows: readonly (readonly string[])[],
  firstDataRow: number,
): { headRow: number; hasUnitRow: boolean } {
  const above = (row: number): number => {
    let place = row - 1;
    while (place > 0 && filled(rows[place]!) === 0) place -= 1;
    return place;
  };
  const last = above(firstDataRow);
  const cells = rows[last]!.map(cleaned).filter((cell) => cell !== '');
  const before = last > 0 ? above(last) : -1;
  const looksLikeUnits =
    before >= 0 &&
    filled(rows[before]!) >= Math.max(2, cells.length) &&
    cells.length > 0 &&
    cells.every((cell) => cell.length <= 9 && /^[[(]?[°µμ%]?[A-Za-z%/°0-9.]*[\])]?$/.test(cell)) &&
    cells.filter((cell) =>
      /^[[(]?(s|ms|sec|v|mv|a|ma|%|rpm|1\/min|°?c|°?f|mah|km\/h|mph|m\/s|[µu]s|hh:mm:ss)[\])]?$/i.test(cell),
    ).length *
      2 >=
      cells.length;
  return looksLikeUnits && before === last - 1
    ? { headRow: before, hasUnitRow: true }
    : { headRow: last, hasUnitRow: false };
}

function withTime(
  layout: Omit<Layout, 'timeKind' | 'everyS' | 'question'>,
  rows: readonly (readonly string[])[],
): Layout {
  const data = rows.slice(layout.firstDataRow);
  const columns = onlyOneTime(layout.columns);
  const time = columns.find(({ use }) => use === 'time');
  if (!time) {
    const clock = columns.find(({ place }) => isClock(data, place));
    if (clock)
      return {
        ...layout,
        columns: columns.map((one) => (one === clock ? { ...one, use: 'time', question: undefined } : one)),
        timeKind: 'clock',
        everyS: 0,
        question: undefined,
      };
    return {
      ...layout,
      columns,
      timeKind: 'none',
      everyS: USUAL_PACE_S,
      question: 'The file has no time. How many rows a second does it have?',
    };
  }
  if (isClock(data, time.place))
    return { ...layout, columns, timeKind: 'clock', everyS: 0, question: undefined };
  const isBare = time.unit === '' && time.factor === 1;
  const step = middleStep(data, time.place, layout.decimalComma);
  return {
    ...layout,
    columns:
      isBare && step >= LARGE_STEP ? columns.map((one) => (one === time ? asksTime(one) : one)) : columns,
    timeKind: 'number',
    everyS: 0,
    question: undefined,
  };
}

/** A second time, as the clock beside the seconds since the start, is passed over. */
function onlyOneTime(columns: readonly Column[]): Column[] {
  const first = columns.find(({ use }) => use === 'time');
  return columns.map((column) =>
    column.use === 'time' && column !== first ? { ...column, use: 'skip' } : column,
  );
}

const isClock = (rows: readonly (readonly string[])[], place: number): boolean => {
  const cells = rows.map((row) => cleaned(row[place])).filter((cell) => cell !== '');
  return (
    cells.length > 0 &&
    cells.filter((cell) => CLOCK.test(cell.replace(/[zZ]$/, ''))).length * 2 > cells.length
  );
};

function middleStep(rows: readonly (readonly string[])[], place: number, decimalComma: boolean): number {
  const times = rows
    .map((row) => cellNumber(cleaned(row[place]), decimalComma))
    .filter((t) => !Number.isNaN(t));
  const steps = times
    .slice(1)
    .map((t, n) => t - times[n]!)
    .filter((step) => step > 0)
    .toSorted((a, b) => a - b);
  return steps[Math.floor((steps.length - 1) / 2)] ?? 0;
}

/** The heads of a file in one line: files of the same device have the same. */
export const headKey = ({ columns }: Pick<Layout, 'columns'>): string =>
  columns
    .map(({ name, unit }) => `${name}|${unit}`)
    .join(';')
    .slice(0, 2000);

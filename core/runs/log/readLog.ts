/** Reads the rows of a log, one after the other, into compact arrays, and says what was wrong with them and what was done about it. */
import { CHANNELS, type Channel, type Log } from './channels';
import { cellNumber, clockSeconds, isBlank, type Layout } from './layout';
import type { Column } from './columns';
import { MOST_SAMPLES } from './packed';

/** Something that was wrong, with where it was first, how often, and what was done. */
export interface LogProblem {
  /** Of the file, from 1. */
  row: number;
  /** The name of the column; empty where the whole row is meant. */
  column: string;
  what: string;
  done: string;
  count: number;
}

export interface ReadLog {
  log: Log;
  problems: LogProblem[];
  /** Rows of data that were taken. */
  rows: number;
}

const DAY_S = 86_400;
/** A clock that goes back by more was set anew; by less, rows came out of their order. */
const RESET_S = 1;
/** A pause that is worth a word, s. */
const GAP_S = 10;
const GROWS_BY = 65_536;

/** Numbers that are added one by one. */
class Growing<T extends Float32Array | Float64Array> {
  private full: T[] = [];
  private last: T;
  private used = 0;
  length = 0;
  constructor(
    private readonly make: (size: number) => T,
    private readonly atFirst: number,
  ) {
    this.last = make(atFirst);
  }
  push(value: number): void {
    if (this.used === this.last.length) {
      this.full.push(this.last);
      this.last = this.make(GROWS_BY);
      this.used = 0;
    }
    this.last[this.used] = value;
    this.used += 1;
    this.length += 1;
  }
  /** All of them, once: the pieces are let go, since a long log would be there twice. */
  all(): T {
    // Memory that was never written to is none.
    if (this.full.length === 0) return this.last.subarray(0, this.used) as T;
    const whole = this.make(this.length);
    this.full.forEach((part, n) => whole.set(part, n === 0 ? 0 : this.atFirst + (n - 1) * GROWS_BY));
    whole.set(this.last.subarray(0, this.used), this.length - this.used);
    this.full = [];
    this.last = this.make(0);
    return whole;
  }
}

interface Reading {
  column: Column;
  /** Beyond these nothing is read. */
  least: number;
  most: number;
  values: Growing<Float32Array>;
  seen: number;
}

export class LogReader {
  private readonly layout: Layout;
  private readonly time: Column | undefined;
  private readonly readings: Reading[];
  private readonly seconds: Growing<Float64Array>;
  private readonly found = new Map<string, LogProblem>();
  private readonly heads: string;
  private row = 0;
  private first: number | undefined;
  private last = -Infinity;
  private shift = 0;
  private isOutOfOrder = false;

  /** @param layout with what its reader confirmed @param expectedRows about how many rows there are, rather too many */
  constructor(layout: Layout, expectedRows = 0) {
    this.layout = layout;
    const atFirst = Math.min(MOST_SAMPLES, Math.max(GROWS_BY, Math.ceil(expectedRows)));
    this.seconds = new Growing((size) => new Float64Array(size), atFirst);
    this.time = layout.columns.find(({ use }) => use === 'time');
    this.readings = layout.columns
      .filter(({ use }) => use !== 'time' && use !== 'skip')
      .map((column) => ({
        column,
        ...boundsOf(column),
        values: new Growing((size) => new Float32Array(size), atFirst),
        seen: 0,
      }));
    this.heads = layout.columns.map(({ name }) => name).join('|');
  }

  /** Takes the next row of the file, heads and all. */
  push(cells: readonly string[]): void {
    const { layout } = this;
    const row = this.row;
    this.row += 1;
    if (row < layout.firstDataRow || isEmptyRow(cells)) return;
    if (this.seconds.length >= MOST_SAMPLES) {
      this.note('', `There are more than ${MOST_SAMPLES} rows.`, 'The rest is left out.');
      return;
    }
    const t = this.timeOf(cells);
    if (Number.isNaN(t)) {
      this.noteRowWithoutTime(cells);
      return;
    }
    if (cells.length < layout.columns.length - 1)
      this.note('', 'The row is cut short.', 'What it lacks is left blank.');
    this.noteTime(t);
    for (const reading of this.readings) this.read(reading, cells[reading.column.place]);
  }

  /** All that was read. */
  finish(): ReadLog {
    const seconds = this.seconds.all();
    const order = this.isOutOfOrder ? inOrder(seconds) : undefined;
    const channels = this.readings.flatMap(({ column, values, seen }): Channel[] => {
      const { name, unit, use } = column;
      if (seen === 0) {
        this.note(name, 'It is blank all through.', 'It is left out.', this.layout.firstDataRow + 1);
        return [];
      }
      const kind = use === 'other' || use === 'time' || use === 'skip' ? null : use;
      return [
        {
          kind,
          name: kind === null ? name : CHANNELS[kind].name,
          unit: kind === null ? unit : CHANNELS[kind].unit,
          values: order ? taken(values.all(), order) : values.all(),
        },
      ];
    });
    return {
      log: { seconds: order ? taken(seconds, order) : seconds, channels },
      problems: [...this.found.values()].toSorted((a, b) => a.row - b.row),
      rows: seconds.length,
    };
  }

  private timeOf(cells: readonly string[]): number {
    const { timeKind, everyS, decimalComma } = this.layout;
    if (timeKind === 'none') return this.seconds.length * everyS;
    const cell = (cells[this.time!.place] ?? '').trim();
    if (timeKind === 'clock') return clockSeconds(cell);
    return cellNumber(cell, decimalComma) * this.time!.factor;
  }

  private noteRowWithoutTime(cells: readonly string[]): void {
    const words = cells.map((cell) => cell.trim());
    const isHeads = words.some((word) => word !== '' && this.heads.includes(word));
    if (isHeads) this.note('', 'The heads are repeated.', 'The row is passed over.');
    else
      this.note(
        '',
        `“${words.filter(Boolean).join(' ').slice(0, 40)}” has no time.`,
        'The row is passed over.',
      );
  }

  /** Puts a time behind the one before, whatever its clock did. */
  private noteTime(raw: number): void {
    let t = raw + this.shift;
    if (this.first !== undefined) {
      const back = this.last - t;
      if (back > DAY_S / 2 && this.layout.timeKind === 'clock') {
        this.shift += DAY_S;
        t += DAY_S;
      } else if (back > RESET_S) {
        this.note('', 'The clock was set back.', 'The log goes on where it was.');
        this.shift += back;
        t += back;
      } else if (back > 0) {
        this.note('', 'Rows are out of their order.', 'They are put in order.');
        this.isOutOfOrder = true;
      } else if (-back > GAP_S && this.layout.timeKind !== 'none')
        this.note('', `The log pauses for ${Math.round(-back)}\u00a0s.`, 'The pause stays.');
    }
    this.first ??= t;
    this.last = Math.max(this.last, t);
    this.seconds.push(t - this.first);
  }

  private read(reading: Reading, raw: string | undefined): void {
    const { column, values, least, most } = reading;
    let value = cellNumber(raw ?? '', this.layout.decimalComma) * column.factor + column.offset;
    // A million rows come this way: only a cell that is no plain number within bounds is looked at closely.
    if (value >= least && value <= most) reading.seen += 1;
    else value = this.oddValue(reading, (raw ?? '').trim());
    values.push(value);
  }

  /** What a cell is worth that is no plain number within bounds: NaN, unless its unit stands behind it. */
  private oddValue(reading: Reading, cell: string): number {
    if (isBlank(cell)) return NaN;
    const { column, least, most } = reading;
    const { decimalComma } = this.layout;
    const plain = cellNumber(cell, decimalComma);
    const value =
      (Number.isNaN(plain) ? withoutUnit(cell, decimalComma) : plain) * column.factor + column.offset;
    if (Number.isNaN(value)) {
      this.note(column.name, `“${cell.slice(0, 20)}” is no number.`, 'It is left blank.');
      return NaN;
    }
    if (value < least || value > most) {
      const { unit } = CHANNELS[column.use as keyof typeof CHANNELS];
      this.note(column.name, `${Number(value.toPrecision(4))} ${unit} cannot be.`, 'It is left blank.');
      return NaN;
    }
    reading.seen += 1;
    return value;
  }

  private note(column: string, what: string, done: string, row = this.row): void {
    // One line for each kind of fault of a column: the first of them stands for all.
    const key = `${column} ${done} ${what.replaceAll(/[\d.]+|“.*”/g, '#')}`;
    const known = this.found.get(key);
    if (known) known.count += 1;
    else this.found.set(key, { row, column, what, done, count: 1 });
  }
}

const isEmptyRow = (cells: readonly string[]): boolean =>
  cells.every((cell) => cell === '' || cell.trim() === '');

const boundsOf = ({ use }: Column): { least: number; most: number } =>
  use in CHANNELS
    ? CHANNELS[use as keyof typeof CHANNELS]
    : { least: -Number.MAX_VALUE, most: Number.MAX_VALUE };

/** A number with its unit behind it, as in "7.4V". */
function withoutUnit(cell: string, decimalComma: boolean): number {
  const [, number] = /^([-+]?[\d.,]+)\s*[°µμ%A-Za-z/]{1,5}$/.exec(cell) ?? [];
  return number === undefined ? NaN : cellNumber(number, decimalComma);
}

const inOrder = (seconds: Float64Array): Uint32Array =>
  Uint32Array.from(seconds.keys()).sort((a, b) => seconds[a]! - seconds[b]! || a - b);

function taken<T extends Float32Array | Float64Array>(values: T, order: Uint32Array): T {
  const sorted = values.slice() as T;
  order.forEach((from, to) => {
    sorted[to] = values[from]!;
  });
  return sorted;
}

import type { Result } from '#core/units/problem';
import Papa from 'papaparse';

/** A typed table of a manual is a few kilobytes. */
export const LARGEST_TABLE_LETTERS = 200_000;

const DELIMITERS = ['\t', ';', '|', ','] as const;

/**
 * Cells of a table that was pasted or uploaded: CSV (RFC 4180), or separated by tabs, semicolons or bars.
 * The separator is the one that gives the most even rows, so that decimal commas do not split numbers.
 */
export function parseTable(text: string): Result<string[][]> {
  if (text.length > LARGEST_TABLE_LETTERS) {
    const kilobytes = Math.round(text.length / 1000);
    return refused(`This is ${kilobytes} kB. A table from a manual has only a few. Is it the right file?`);
  }
  if (text.includes('\u0000')) return refused('This is not text. Save the table as CSV, or paste it.');
  const plain = text.replace(/^\ufeff/, '');
  const found = separated(plain);
  return found
    ? { ok: true, value: found.rows }
    : refused('No columns were found. Separate cells with tabs, semicolons or commas.');
}

/** The separator that gives the most even rows, and those rows; undefined where none gives columns. */
export function separated(text: string): { separator: string; rows: string[][] } | undefined {
  const tries = DELIMITERS.map((separator) => {
    const { data } = Papa.parse<string[]>(text, { delimiter: separator, skipEmptyLines: 'greedy' });
    return { separator, rows: data, score: evenness(data) };
  });
  const best = tries.reduce((a, b) => (b.score > a.score ? b : a));
  return best.score > 0 ? best : undefined;
}

/** How table-like rows are: many of them wide, and alike. */
function evenness(rows: string[][]): number {
  const wide = rows.filter((row) => row.length > 1);
  if (wide.length < rows.length / 2 || wide.length === 0) return 0;
  const mean = wide.reduce((sum, row) => sum + row.length, 0) / wide.length;
  const spread = wide.reduce((sum, row) => sum + Math.abs(row.length - mean), 0) / wide.length;
  return (wide.length / rows.length) * (1 + 1 / (1 + spread));
}

const refused = (sentence: string): Result<never> => ({ ok: false, problems: [{ path: '', sentence }] });

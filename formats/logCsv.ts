/** A log as comma-separated values: what its first letters say of it, and all of it read. */
import { findLayout, ROWS_LOOKED_AT, type Layout } from '#core/runs/log/layout';
import { MOST_CHANNELS } from '#core/runs/log/packed';
import { LogReader, type ReadLog } from '#core/runs/log/readLog';
import type { Result } from '#core/units/problem';
import Papa from 'papaparse';
import { separated } from './csvTable';

/** So much of a file is looked at to tell how it is laid out. */
export const LETTERS_LOOKED_AT = 64_000;

export interface Sniffed {
  separator: string;
  layout: Layout;
  /** The first rows, for whoever checks it. */
  rows: string[][];
}

/** Finds out how a log is laid out. @param text its first letters */
export function sniffLog(text: string): Result<Sniffed> {
  const start = text.slice(0, LETTERS_LOOKED_AT).replace(/^\ufeff/, '');
  if (start.includes('\u0000')) return refused('This is not text. Export the log as CSV.');
  // What may have been cut through is not looked at.
  const whole = text.length > LETTERS_LOOKED_AT ? start.slice(0, start.lastIndexOf('\n') + 1) : start;
  const table = separated(tableIn(whole));
  if (!table) return refused('No columns were found. Export the log as CSV, with commas or semicolons.');
  const rows = rowsOf(whole, table.separator).slice(0, ROWS_LOOKED_AT);
  const layout = findLayout(rows, table.separator);
  if (!layout) return refused('No row of numbers was found. Is this the log, or a summary of it?');
  if (layout.columns.length > MOST_CHANNELS)
    return refused(
      `The log has ${layout.columns.length} columns; ${MOST_CHANNELS} fit. Export only what you want to see.`,
    );
  return { ok: true, value: { separator: table.separator, layout, rows } };
}

/** What a device says before its table would hide the separator: the last rows say it. */
function tableIn(text: string): string {
  const lines = text.split(/\r\n|\n|\r/).filter((line) => line.trim() !== '');
  return lines
    .slice(Math.floor(lines.length / 2))
    .slice(-60)
    .join('\n');
}

const rowsOf = (text: string, separator: string): string[][] =>
  Papa.parse<string[]>(text, { delimiter: separator }).data;

/** Reads a whole log from text. */
export function readLogText(
  text: string,
  { separator, layout }: Pick<Sniffed, 'separator' | 'layout'>,
): ReadLog {
  const reader = new LogReader(layout);
  for (const row of rowsOf(text.replace(/^\ufeff/, ''), separator)) reader.push(row);
  return reader.finish();
}

/**
 * Which letters a file is written in, by its first bytes.
 * @returns a name that browsers know
 */
export function encodingOf(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  try {
    // The last letter may have been cut through.
    new TextDecoder('utf-8', { fatal: true }).decode(bytes, { stream: true });
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}

const refused = (sentence: string): Result<never> => ({ ok: false, problems: [{ path: '', sentence }] });

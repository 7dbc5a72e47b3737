/** What an ESC logged, as it goes over the line: a few numbers, then the bytes in blocks, in hex. */
import { checksum } from './protocol';

/** What an ESC says of its log before it is read. */
export interface LogSummary {
  /** Of this log: it changes with each that is begun. */
  log: number;
  bytes: number;
  /** Over all bytes in hex, four hex digits. */
  sum: string;
  /** Whether the next drive finds no room: the ESC beeps until it is cleared. */
  isFull: boolean;
  /** Whether values were saved since: then nobody knows what it was driven with. */
  isStale: boolean;
  seconds: number;
  leastVolts: number;
  mostRpm: number;
  mostMotorCelsius: number;
  mostEscCelsius: number;
}

/** So many bytes a block: twice as many letters, and the line stays short enough. */
export const BLOCK_BYTES = 100;

const HUNDRED = 100;

export const summaryWords = (summary: LogSummary): string[] =>
  [
    summary.log,
    summary.bytes,
    summary.sum,
    summary.isFull ? 1 : 0,
    summary.isStale ? 1 : 0,
    Math.round(summary.seconds),
    Math.round(HUNDRED * summary.leastVolts),
    Math.round(summary.mostRpm),
    Math.round(summary.mostMotorCelsius),
    Math.round(summary.mostEscCelsius),
  ].map(String);

/** @returns undefined where the words are no summary */
export function readSummary(words: readonly string[]): LogSummary | undefined {
  const [log, bytes, sum, isFull, isStale, seconds, centivolts, rpm, motor, esc] = words;
  const numbers = [log, bytes, isFull, isStale, seconds, centivolts, rpm, motor, esc].map(Number);
  if (words.length !== 10 || !/^[0-9A-F]{4}$/.test(sum!) || !numbers.every(Number.isInteger))
    return undefined;
  return {
    log: Number(log),
    bytes: Number(bytes),
    sum: sum!,
    isFull: isFull === '1',
    isStale: isStale === '1',
    seconds: Number(seconds),
    leastVolts: Number(centivolts) / HUNDRED,
    mostRpm: Number(rpm),
    mostMotorCelsius: Number(motor),
    mostEscCelsius: Number(esc),
  };
}

/** How many blocks so many bytes make. */
export const blocksOf = (bytes: number): number => Math.ceil(bytes / BLOCK_BYTES);

/** A block of a log in hex, from 1; undefined where it has no such block. */
export function blockOf(bytes: Uint8Array, block: number): string | undefined {
  if (block < 1 || block > blocksOf(bytes.length)) return undefined;
  return hexOf(bytes.subarray((block - 1) * BLOCK_BYTES, block * BLOCK_BYTES));
}

/** Bytes from hex; undefined where it is none. */
export function bytesOf(hex: string): Uint8Array | undefined {
  if (hex.length % 2 !== 0 || !/^[0-9a-f]*$/.test(hex)) return undefined;
  return Uint8Array.from({ length: hex.length / 2 }, (_, n) => parseInt(hex.slice(2 * n, 2 * n + 2), 16));
}

/** By which a whole log is told from one with a block of another. */
export const sumOf = (bytes: Uint8Array): string => checksum(hexOf(bytes));

export function hexOf(bytes: Uint8Array): string {
  let hex = '';
  for (const byte of bytes) hex += byte.toString(16).padStart(2, '0');
  return hex;
}

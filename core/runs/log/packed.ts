/**
 * A log as bytes: what is kept, sent and drawn. First the mark, then the length of the head (both four bytes), then the head in
 * JSON (letters beyond ASCII escaped), filled up with spaces to a multiple of eight, then the times (64-bit floats) and one array of 32-bit floats for
 * each channel, in the order of the head. All little-endian. A blank is NaN.
 */
import type { Result } from '../../units/problem';
import { CHANNELS, type Channel, type ChannelKind, type Log } from './channels';

/** "LTL1" */
const MARK = 0x314c544c;
const PREFIX_BYTES = 8;
/** More than any device writes. */
export const MOST_SAMPLES = 5_000_000;
export const MOST_CHANNELS = 40;
const LONGEST_NAME = 80;

/** A channel without its values. */
export interface ChannelHead {
  kind: ChannelKind | null;
  name: string;
  unit: string;
}

interface Head {
  samples: number;
  channels: ChannelHead[];
}

/** A log as bytes, in pieces that lie one behind the other: its arrays are not copied. */
export function packedPieces({ seconds, channels }: Log): Uint8Array<ArrayBuffer>[] {
  const head: Head = {
    samples: seconds.length,
    channels: channels.map(({ kind, name, unit }) => ({ kind, name, unit })),
  };
  const plain = ascii(JSON.stringify(head));
  const headBytes = Math.ceil(plain.length / 8) * 8;
  const bytes = new Uint8Array(PREFIX_BYTES + headBytes);
  const view = new DataView(bytes.buffer);
  view.setUint32(0, MARK, true);
  view.setUint32(4, headBytes, true);
  bytes.fill(0x20, PREFIX_BYTES);
  bytes.set(plain, PREFIX_BYTES);
  const arrays = [seconds, ...channels.map(({ values }) => values)];
  return [
    bytes,
    ...arrays.map((array) => new Uint8Array(array.buffer as ArrayBuffer, array.byteOffset, array.byteLength)),
  ];
}

/** A log as bytes, in one piece. */
export function packLog(log: Log): Uint8Array<ArrayBuffer> {
  const pieces = packedPieces(log);
  const bytes = new Uint8Array(pieces.reduce((sum, { byteLength }) => sum + byteLength, 0));
  let at = 0;
  for (const piece of pieces) {
    bytes.set(piece, at);
    at += piece.byteLength;
  }
  return bytes;
}

/** Bytes as a log, or why they are none. Times must not fall. */
export function unpackLog(bytes: Uint8Array<ArrayBuffer>): Result<Log> {
  const head = headOf(bytes);
  if (typeof head === 'string') return refused(head);
  const { samples, channels, from } = head;
  if (bytes.byteLength !== from + samples * (8 + 4 * channels.length))
    return refused('The log is cut short, or too long.');
  // Arrays want to begin at a multiple of their size: bytes that do not are copied.
  const isAligned = (bytes.byteOffset + from) % 8 === 0;
  const body = isAligned ? bytes.subarray(from) : bytes.slice(from);
  const { buffer, byteOffset } = body;
  const seconds = new Float64Array(buffer, byteOffset, samples);
  for (let n = 0; n < samples; n += 1)
    if (!(seconds[n]! >= (n === 0 ? -Infinity : seconds[n - 1]!) && Number.isFinite(seconds[n])))
      return refused(`The time of sample ${n + 1} is before the one before it.`);
  return {
    ok: true,
    value: {
      seconds,
      channels: channels.map((channel, n): Channel => ({
        ...channel,
        values: new Float32Array(buffer, byteOffset + samples * 8 + n * samples * 4, samples),
      })),
    },
  };
}

/** What stands in the head, and where the samples begin; or why there is none. */
export function headOf(bytes: Uint8Array<ArrayBuffer>): (Head & { from: number }) | string {
  if (bytes.byteLength < PREFIX_BYTES) return 'This is no log of Live Tune.';
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (view.getUint32(0, true) !== MARK) return 'This is no log of Live Tune.';
  const headBytes = view.getUint32(4, true);
  if (PREFIX_BYTES + headBytes > bytes.byteLength || headBytes % 8 !== 0) return 'The log is cut short.';
  let head: unknown;
  try {
    head = JSON.parse(textOf(bytes.subarray(PREFIX_BYTES, PREFIX_BYTES + headBytes)));
  } catch {
    return 'The head of the log cannot be read.';
  }
  return isHead(head)
    ? { ...head, from: PREFIX_BYTES + headBytes }
    : 'The head of the log says something that no log has.';
}

/** Text of JSON as one byte a letter. */
const ascii = (json: string): Uint8Array =>
  Uint8Array.from(
    json.replaceAll(
      /[^\u0020-\u007e]/g,
      (letter) => `\\u${letter.charCodeAt(0).toString(16).padStart(4, '0')}`,
    ),
    (letter) => letter.charCodeAt(0),
  );

function textOf(bytes: Uint8Array): string {
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return text;
}

function isHead(head: unknown): head is Head {
  const { samples, channels } = (head ?? {}) as Partial<Head>;
  return (
    Number.isInteger(samples) &&
    samples! >= 1 &&
    samples! <= MOST_SAMPLES &&
    Array.isArray(channels) &&
    channels.length >= 1 &&
    channels.length <= MOST_CHANNELS &&
    channels.every(
      (one: Partial<ChannelHead> | null) =>
        (one?.kind === null || (typeof one?.kind === 'string' && Object.hasOwn(CHANNELS, one.kind))) &&
        isName(one.name) &&
        isName(one.unit),
    )
  );
}

const isName = (text: unknown): boolean =>
  typeof text === 'string' && text.length <= LONGEST_NAME && !/[\p{Cc}]/u.test(text);

const refused = (sentence: string): Result<never> => ({ ok: false, problems: [{ path: '', sentence }] });

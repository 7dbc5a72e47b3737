/** A log on its way from a page to the server: what is known of it, and its samples, in one piece. */
import { CHANNELS, type ChannelKind } from '#core/runs/log/channels';
import type { ColumnUse } from '#core/runs/log/columns';
import { MOST_PROBLEMS, type LogMeta } from '#core/runs/log/meta';
import { MOST_CHANNELS, MOST_SAMPLES, unpackLog } from '#core/runs/log/packed';
import type { Result } from '#core/units/problem';
import * as yup from 'yup';
import { between, keyOf, listOf, nameField, oneOf, record, textField, whole } from './fields';

const USES: Record<ColumnUse, true> = {
  time: true,
  other: true,
  skip: true,
  ...(Object.fromEntries(Object.keys(CHANNELS).map((kind) => [kind, true])) as Record<ChannelKind, true>),
};

const channel = record({
  kind: keyOf<ChannelKind>(CHANNELS).nullable().defined(),
  name: nameField(),
  unit: textField().max(80),
});
const problem = record({
  row: whole(1, 100_000_000),
  column: textField().max(200),
  what: textField().max(300),
  done: textField().max(300),
  count: whole(1, 100_000_000),
});

export const logMetaSchema = record({
  source: oneOf(['file', 'link'] as const),
  fileName: textField().max(300),
  headKey: textField(),
  uses: listOf(keyOf<ColumnUse>(USES), 0, 200),
  units: listOf(textField().max(20), 0, 200),
  problems: listOf(problem, 0, MOST_PROBLEMS),
  samples: whole(1, MOST_SAMPLES),
  seconds: between(0, 1e9, 's'),
  channels: listOf(channel, 1, MOST_CHANNELS),
}) as unknown as yup.ObjectSchema<LogMeta>;

const PREFIX_BYTES = 4;

/** What stands before a packed log on its way: the length of the meta (four bytes, little-endian), and the meta in JSON. */
export function headOfKept(meta: LogMeta): Uint8Array<ArrayBuffer> {
  const head = new TextEncoder().encode(JSON.stringify(meta));
  const bytes = new Uint8Array(PREFIX_BYTES + head.length);
  new DataView(bytes.buffer).setUint32(0, head.length, true);
  bytes.set(head, PREFIX_BYTES);
  return bytes;
}

/** @returns undefined where it is not such a piece */
export function splitLog(
  bytes: Uint8Array<ArrayBuffer>,
): { meta: unknown; packed: Uint8Array<ArrayBuffer> } | undefined {
  if (bytes.byteLength < PREFIX_BYTES) return undefined;
  const length = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength).getUint32(0, true);
  if (PREFIX_BYTES + length > bytes.byteLength) return undefined;
  try {
    const head = new TextDecoder('utf-8', { fatal: true }).decode(
      bytes.subarray(PREFIX_BYTES, PREFIX_BYTES + length),
    );
    return { meta: JSON.parse(head) as unknown, packed: bytes.subarray(PREFIX_BYTES + length) };
  } catch {
    return undefined;
  }
}

/** Longer samples than these, in bytes, are too long for a document. */
const LONGEST_IN_FILE = 600_000;
const LETTERS_AT_ONCE = 0x8000;

/** A log for the file of its run; undefined where it is too long for one. */
export function logInFile(meta: LogMeta, packed: Uint8Array): { meta: LogMeta; samples: string } | undefined {
  if (packed.length > LONGEST_IN_FILE) return undefined;
  let letters = '';
  for (let at = 0; at < packed.length; at += LETTERS_AT_ONCE)
    letters += String.fromCharCode(...packed.subarray(at, at + LETTERS_AT_ONCE));
  return { meta, samples: btoa(letters) };
}

/** A log as it is kept. */
export interface LogToKeep {
  meta: LogMeta;
  packed: Uint8Array<ArrayBuffer>;
}

/** A log where its samples are one and what is told of it is what it holds; else why not. @param meta checked by its schema */
export function checkedLog({ meta, packed }: LogToKeep): Result<LogToKeep> {
  const log = unpackLog(packed);
  if (!log.ok) return log;
  if (log.value.seconds.length !== meta.samples)
    return { ok: false, problems: [{ path: '', sentence: 'The log says other numbers than it holds.' }] };
  const channels = log.value.channels.map(({ kind, name, unit }) => ({ kind, name, unit }));
  return { ok: true, value: { meta: { ...meta, channels }, packed } };
}

/** The log of a run's file, checked. */
export function logOfFile({ meta, samples }: { meta: LogMeta; samples: string }): Result<LogToKeep> {
  let bytes: Uint8Array<ArrayBuffer>;
  try {
    bytes = Uint8Array.from(atob(samples), (letter) => letter.charCodeAt(0));
  } catch {
    return {
      ok: false,
      problems: [{ path: 'log.samples', sentence: 'The samples of the log are not base 64.' }],
    };
  }
  return checkedLog({ meta, packed: bytes });
}

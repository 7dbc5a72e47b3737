/** Reads, holds and answers for logs beside the page: a million rows never come to its main thread. */
import { alongTrigger } from '#core/physics/drills/alongTrigger';
import { channelOf, CHANNELS, lengthOf, type ChannelKind, type Log } from '#core/runs/log/channels';
import { chargeAtFirst } from '#core/runs/log/chargeAtFirst';
import type { Layout } from '#core/runs/log/layout';
import { marksOf, type LogMark } from '#core/runs/log/marks';
import type { Watched } from '#core/runs/log/watched';
import type { LogMeta } from '#core/runs/log/meta';
import { packedPieces, unpackLog } from '#core/runs/log/packed';
import type { LogProblem } from '#core/runs/log/readLog';
import { drawn, extremes, lookInto, placeOf, type Drawn, type Looked } from '#core/runs/log/view';
import type { Rig } from '#core/rig/rig';
import { drivenOn, type OnRig } from '#core/runs/predicted';
import { stopsOfRun, type Run } from '#core/runs/run';
import type { Result } from '#core/units/problem';
import { headOfKept } from '#formats/keptLog';
import { encodingOf, LETTERS_LOOKED_AT, sniffLog, type Sniffed } from '#formats/logCsv';
import { expose, proxy, transfer, wrap } from 'comlink';
import Papa from 'papaparse';
import type { ReadLogWorker } from './readLog.worker';

/** One channel, as it is told to the page. */
export interface ChannelTold {
  kind: ChannelKind | null;
  name: string;
  unit: string;
  decimals: number;
  least: number;
  most: number;
}

export interface LogTold {
  samples: number;
  seconds: number;
  channels: ChannelTold[];
}

/** A log that the page looks at: its own, one beside it, or the model's. */
export type Shown = 'own' | 'model' | 'other';

const MODEL_CHANNELS = [
  'packVolts',
  'amps',
  'rpm',
  'canCelsius',
  'escCelsius',
  'packCelsius',
  'usedMah',
] as const satisfies readonly ChannelKind[];

type Pack = Rig['pack'];

export interface TriggerOfLog {
  seconds: Float64Array;
  /** −1 to 1. */
  trigger: Float32Array;
  /** How full the pack was at first, 0 to 1. */
  charged: number;
}

interface Held {
  log: Log;
  looked: Looked[];
}

const held = new Map<Shown, Held>();
const BYTES_LOOKED_AT = 2 * LETTERS_LOOKED_AT;
/** The model is driven for no longer, s. */
const MODEL_LONGEST_S = 1800;
const MODEL_EVERY_S = 0.1;

const hold = (shown: Shown, log: Log): LogTold => {
  const looked = log.channels.map(lookInto);
  held.set(shown, { log, looked });
  return {
    samples: log.seconds.length,
    seconds: lengthOf(log),
    channels: looked.map((one): ChannelTold => {
      const { kind, name, unit } = one.channel;
      const { low, high } = extremes(one, 0, log.seconds.length);
      return {
        kind,
        name,
        unit,
        decimals: kind === null ? 2 : CHANNELS[kind].decimals,
        least: low,
        most: high,
      };
    }),
  };
};

const worker = {
  /** How a file is laid out, by its beginning. */
  async sniff(file: File): Promise<Result<Sniffed & { encoding: string }>> {
    const bytes = new Uint8Array(await file.slice(0, BYTES_LOOKED_AT).arrayBuffer());
    const encoding = encodingOf(bytes);
    const sniffed = sniffLog(new TextDecoder(encoding).decode(bytes));
    return sniffed.ok ? { ok: true, value: { ...sniffed.value, encoding } } : sniffed;
  },

  /** Reads a whole file in a worker of its own. @param told how much of it was read, 0 to 1 */
  async read(
    file: File,
    sniffed: { separator: string; encoding: string },
    layout: Layout,
    told: (share: number) => void,
  ): Promise<LogTold & { problems: LogProblem[] }> {
    const thread = new Worker(new URL('./readLog.worker.ts', import.meta.url), { type: 'module' });
    try {
      const { log, problems } = await wrap<ReadLogWorker>(thread).read(file, sniffed, layout, proxy(told));
      return { ...hold('own', log), problems };
    } finally {
      thread.terminate();
    }
  },

  /** Sends the log that is held to be kept. @returns whether it is */
  async keep(address: string, meta: Omit<LogMeta, 'samples' | 'seconds' | 'channels'>): Promise<boolean> {
    const { log } = held.get('own')!;
    const whole: LogMeta = {
      ...meta,
      samples: log.seconds.length,
      seconds: lengthOf(log),
      channels: log.channels.map(({ kind, name, unit }) => ({ kind, name, unit })),
    };
    const response = await fetch(address, {
      method: 'POST',
      headers: { 'Content-Type': 'application/octet-stream' },
      body: new Blob([headOfKept(whole), ...packedPieces(log)]),
    }).catch(() => undefined);
    return response?.ok === true;
  },

  /** Fetches a kept log. */
  async open(shown: 'own' | 'other', address: string): Promise<Result<LogTold>> {
    const response = await fetch(address);
    if (!response.ok)
      return {
        ok: false,
        problems: [{ path: '', sentence: 'The log cannot be fetched. Load this page again.' }],
      };
    const read = unpackLog(new Uint8Array(await response.arrayBuffer()));
    return read.ok ? { ok: true, value: hold(shown, read.value) } : read;
  },

  /** What of all channels is seen between two times. @param columns of the screen */
  view(shown: Shown, from: number, to: number, columns: number): Drawn[] {
    const one = held.get(shown);
    return one ? one.looked.map((looked) => drawn(one.log, looked, from, to, columns)) : [];
  },

  /** What all channels are at a time; null where the log says nothing near it. */
  at(shown: Shown, t: number): (number | null)[] {
    const one = held.get(shown);
    return one ? one.log.channels.map(({ values }) => lastBefore(one.log, values, t)) : [];
  },

  /** @returns none where no such log is held */
  marks(shown: 'own' | 'other', watched: Watched): LogMark[] {
    const one = held.get(shown);
    return one ? marksOf(one.log, watched) : [];
  },

  /** The trigger of the log, for a worker that drives the model: this one goes on answering meanwhile. */
  trigger(pack: Pack, usualCharge: number): TriggerOfLog | undefined {
    const { log } = held.get('own')!;
    const percent = channelOf(log, 'trigger')?.values;
    if (!percent) return undefined;
    const until = log.seconds.findIndex((t) => t - log.seconds[0]! > MODEL_LONGEST_S);
    const size = until < 0 ? log.seconds.length : until;
    const told = {
      seconds: log.seconds.slice(0, size),
      trigger: percent.slice(0, size).map((value) => value / 100),
      charged: chargeAtFirst(log, pack, usualCharge),
    };
    return transfer(told, [told.seconds.buffer, told.trigger.buffer]);
  },

  /** Drives the model along a trigger. @returns undefined where the rig leads nowhere */
  drive({ rig, profile, range, goals }: OnRig, run: Run, trace: TriggerOfLog): Log | undefined {
    try {
      const { resolved, esc } = drivenOn({ rig, profile, range, goals }, run, stopsOfRun(run));
      const along = alongTrigger(resolved, esc, trace, { everyS: MODEL_EVERY_S, charged: trace.charged });
      return {
        seconds: Float64Array.from(along.rpm, (_, n) => trace.seconds[0]! + n * along.everyS),
        channels: MODEL_CHANNELS.map((kind) => ({
          kind,
          name: CHANNELS[kind].name,
          unit: CHANNELS[kind].unit,
          values: along[kind],
        })),
      };
    } catch {
      return undefined;
    }
  },

  hold: (log: Log): LogTold => hold('model', log),

  /** The log as a table: seconds, and a column for each channel with its unit. */
  table(): Blob {
    const { log } = held.get('own')!;
    const head = [
      'Time (s)',
      ...log.channels.map(({ name, unit }) => (unit === '' ? name : `${name} (${unit})`)),
    ];
    const parts: string[] = [`${Papa.unparse([head], { escapeFormulae: true })}\r\n`];
    const lines: string[] = [];
    for (let n = 0; n < log.seconds.length; n += 1) {
      const cells = log.channels.map(({ values }) => {
        const value = values[n]!;
        return Number.isNaN(value) ? '' : String(Number(value.toPrecision(6)));
      });
      lines.push(`${Number(log.seconds[n]!.toFixed(6))},${cells.join(',')}`);
      if (lines.length === 50_000) parts.push(`${lines.splice(0).join('\r\n')}\r\n`);
    }
    if (lines.length > 0) parts.push(`${lines.join('\r\n')}\r\n`);
    return new Blob(parts, { type: 'text/csv' });
  },
};

/** How far back a slow channel's last value still counts, samples. */
const LOOKS_BACK = 2000;

function lastBefore({ seconds }: Log, values: Float32Array, t: number): number | null {
  const from = Math.min(seconds.length - 1, placeOf(seconds, t));
  for (let n = from; n >= Math.max(0, from - LOOKS_BACK); n -= 1)
    if (!Number.isNaN(values[n]!)) return values[n]!;
  return null;
}

export type LogWorker = typeof worker;

expose(worker);

/**
 * What is said to the hands at the stand-in's bench, and what they answer: one JSON request and one JSON reply a line. Not
 * part of the link protocol: a real ESC has hands of its own. Both ends check what the other one sent.
 */
import { validateProfile } from '../esc/validateProfile';
import { hasStop, type EscProfile } from '../esc/profile';
import type { EscMemory } from '../procedure/language';
import type { LearnedRange } from '../radio/pulse';
import type { Verb } from '../link/protocol';

/** A memory with the number of times it was changed, by which the newer of two is told. */
export interface CountedMemory {
  memory: EscMemory;
  writes: number;
}

/**
 * What can go wrong on a link, on demand. Silence and slowness may be to one verb only. A cut happens `byte` bytes
 * after the begin of the next request of that verb, counting its line and then the reply: 0 lets nothing through.
 */
export type Fault =
  | { kind: 'none' }
  | { kind: 'silent'; verb?: Verb }
  | { kind: 'slow'; ms: number; verb?: Verb }
  | { kind: 'garbled' }
  | { kind: 'wrongIdentity' }
  | { kind: 'cut'; verb: Verb; byte: number; staysAway: boolean }
  | { kind: 'powerLostWhileSaving'; after: number; staysAway: boolean };

export type ControlRequest =
  | { do: 'place'; serial: string; profile: EscProfile; memory: CountedMemory }
  | { do: 'memory'; serial: string }
  /** Drives the model that the plugged-in ESC is in, as it really is; the ESC logs it. */
  | { do: 'drive'; serial: string; drive: DriveToLog }
  /** Faults are for whoever tests or rehearses; a fault of kind none brings a dead line back. */
  | { do: 'fault'; fault: Fault };

/** What is driven: plain data of the rooms above, read by who drives it. */
export interface DriveToLog {
  rig: object;
  use: object;
  minutes: number;
  airCelsius: number;
  /** So many times as fast as a real drive, with its numbers told meanwhile; at once where nothing is said. */
  pace?: number;
}

/** Nobody waits for a longer drive, minutes. */
const LONGEST_DRIVE = 20;

export type ControlReply = { ok: true; memory?: CountedMemory | undefined } | { ok: false; sentence: string };

/** Lines longer than this are none of ours: a profile of the longest list with room to spare. */
export const LONGEST_CONTROL_LINE = 2_000_000;

const isObject = (data: unknown): data is Record<string, unknown> =>
  typeof data === 'object' && data !== null && !Array.isArray(data);

/** A serial number is a file's name on the stand-in's bench. */
export const isSerial = (serial: unknown): serial is string =>
  typeof serial === 'string' && /^[A-Za-z0-9._-]{1,64}$/.test(serial) && !/^\.+$/.test(serial);

/** A memory from outside. @returns undefined where it is none */
export function readCountedMemory(data: unknown): CountedMemory | undefined {
  if (!isObject(data) || !isObject(data.memory)) return undefined;
  const { memory, writes } = data;
  const { stops, range } = memory;
  const isCount = typeof writes === 'number' && Number.isSafeInteger(writes) && writes >= 0;
  const areStops = isObject(stops) && Object.values(stops).every((stop) => typeof stop === 'string');
  return isCount && areStops && isRange(range)
    ? { memory: { stops: stops as EscMemory['stops'], range }, writes }
    : undefined;
}

const isRange = (data: unknown): data is LearnedRange =>
  isObject(data) &&
  [data.brakeMicros, data.neutralMicros, data.forwardMicros].every(
    (micros) => typeof micros === 'number' && Number.isFinite(micros),
  );

/** Whether a memory is one of this ESC: a stop that it has for every item, and nothing else. */
export const isMemoryOf = ({ items }: EscProfile, { stops }: EscMemory): boolean =>
  Object.keys(stops).length === items.length && items.every((item) => hasStop(item, stops[item.id] ?? ''));

const parsed = (line: string): unknown => {
  try {
    return JSON.parse(line);
  } catch {
    return undefined;
  }
};

/** @returns the request, or why it is none */
export function readControlRequest(line: string): ControlRequest | string {
  const data = parsed(line);
  if (!isObject(data)) return 'A request is a JSON object on one line.';
  switch (data.do) {
    case 'place': {
      const memory = readCountedMemory(data.memory);
      if (!isSerial(data.serial)) return 'A serial number has letters, digits, dots and dashes only.';
      if (!isProfile(data.profile)) return 'The profile is none.';
      if (!memory || !isMemoryOf(data.profile, memory.memory)) return 'The memory is not one of this ESC.';
      return { do: 'place', serial: data.serial, profile: data.profile, memory };
    }
    case 'memory':
      return isSerial(data.serial)
        ? { do: 'memory', serial: data.serial }
        : 'A serial number has letters, digits, dots and dashes only.';
    case 'drive':
      return isSerial(data.serial) && isDrive(data.drive)
        ? { do: 'drive', serial: data.serial, drive: data.drive }
        : `A drive has a rig, a use, its air, at most ${LONGEST_DRIVE} minutes, and a pace from 1.`;
    case 'fault':
      return isFault(data.fault) ? { do: 'fault', fault: data.fault } : 'There is no such fault.';
    default:
      return 'There is no such request: place, memory, drive or fault.';
  }
}

const isDrive = (data: unknown): data is DriveToLog =>
  isObject(data) &&
  isObject(data.rig) &&
  isObject(data.use) &&
  typeof data.airCelsius === 'number' &&
  typeof data.minutes === 'number' &&
  data.minutes > 0 &&
  data.minutes <= LONGEST_DRIVE &&
  (data.pace === undefined || (typeof data.pace === 'number' && data.pace >= 1));

/** A profile that a machine can be made of. */
function isProfile(data: unknown): data is EscProfile {
  try {
    return isObject(data) && validateProfile(data as unknown as EscProfile).length === 0;
  } catch {
    return false;
  }
}

const FAULT_KINDS: readonly Fault['kind'][] = [
  'none',
  'silent',
  'slow',
  'garbled',
  'wrongIdentity',
  'cut',
  'powerLostWhileSaving',
];
const isFault = (data: unknown): data is Fault =>
  isObject(data) && FAULT_KINDS.includes(data.kind as Fault['kind']);

/** @returns the reply; undefined where it is none */
export function readControlReply(line: string): ControlReply | undefined {
  const data = parsed(line);
  if (!isObject(data)) return undefined;
  if (data.ok === false)
    return typeof data.sentence === 'string' ? { ok: false, sentence: data.sentence } : undefined;
  if (data.ok !== true) return undefined;
  if (data.memory === undefined) return { ok: true };
  const memory = readCountedMemory(data.memory);
  return memory && { ok: true, memory };
}

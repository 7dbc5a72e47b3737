/**
 * The ESC that lies on the stand-in's bench, with a memory that survives the process. One file an ESC, replaced
 * as a whole, so that a death at any moment leaves the old memory or the new one.
 */
import { bytesOf, hexOf, sumOf, type LogSummary } from '#core/link/escLog';
import type { EscMemory } from '#core/procedure/language';
import { plugIn, stale, type EscLog, type LinkedEsc } from '#core/device/linkedEsc';
import type { EscProfile } from '#core/esc/profile';
import {
  isMemoryOf,
  isSerial,
  readCountedMemory,
  type CountedMemory,
  type Fault,
} from '#core/device/control';
import { isPassCode } from '#core/link/protocol';
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readFileSync,
  renameSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';
import { NO_FAULT } from './faults';
import type { PlayedDrive } from './playedDrive';

/** What the file of an ESC keeps. */
interface Kept extends CountedMemory {
  passCode?: number;
  log?: { summary: LogSummary; hex: string } | undefined;
  /** How many logs it began. */
  logs?: number;
}

export class StandInBench {
  esc: LinkedEsc | undefined;
  fault: Fault = NO_FAULT;
  /** After a cut that stays: nobody is let in until the fault is taken away. */
  lineDead = false;
  /** The drive that is under way. */
  driving: PlayedDrive | undefined;
  /** Pass codes in a row that were not right, whoever said them. */
  wrongCodes = 0;
  private writes = 0;
  private logs = 0;
  private readonly folder: string;

  constructor(folder: string) {
    this.folder = folder;
    mkdirSync(folder, { recursive: true });
  }

  /**
   * Plugs an ESC in, switched on. A memory of it that is newer than the given one wins, where it is one of this ESC.
   * @returns the memory that it has now
   */
  place(profile: EscProfile, serial: string, given: CountedMemory): CountedMemory {
    if (this.esc?.serial !== serial) this.stopDriving();
    const own = this.memoryOf(serial);
    const isNewer = own !== undefined && own.writes > given.writes && isMemoryOf(profile, own.memory);
    const newest = isNewer ? own : given;
    const kept = this.keptOf(serial);
    // Loaded by other media meanwhile, it was driven with what nobody knows.
    const log = isNewer || !own || sameStops(own.memory, newest.memory) ? logIn(kept) : stale(logIn(kept));
    this.esc = plugIn(profile, serial, newest.memory, kept?.passCode, log);
    this.writes = newest.writes;
    this.logs = kept?.logs ?? 0;
    this.persist();
    return newest;
  }

  /** The memory of an ESC that was on this bench before. */
  memoryOf(serial: string): CountedMemory | undefined {
    const kept = this.keptOf(serial);
    return kept && { memory: kept.memory, writes: kept.writes };
  }

  /** What its file says; nothing where there is none, or where it cannot be read: it is an ESC that was never here. */
  private keptOf(serial: string): Kept | undefined {
    const file = this.fileOf(serial);
    if (!existsSync(file)) return undefined;
    const data = dataIn(readFileSync(file, 'utf8'));
    const counted = readCountedMemory(data);
    if (!counted) return undefined;
    const { passCode, log, logs } = data as Partial<Kept>;
    return {
      ...counted,
      ...(typeof passCode === 'number' && isPassCode(passCode) && { passCode }),
      ...(typeof log?.hex === 'string' && { log }),
      ...(Number.isInteger(logs) && { logs }),
    };
  }

  /** Takes the ESC as a request left it. A changed memory is on disk before anybody hears of it. */
  leave(esc: LinkedEsc): void {
    const changed = this.esc !== undefined && esc.kept !== this.esc.kept;
    const recoded = this.esc !== undefined && esc.passCode !== this.esc.passCode;
    const relogged = this.esc !== undefined && esc.log !== this.esc.log;
    this.esc = esc;
    if (changed) this.writes += 1;
    if (changed || recoded || relogged) this.persist();
  }

  /** The number that its next log will have. */
  nextLog(): number {
    return this.logs + 1;
  }

  /** Begins a drive of the plugged-in ESC. */
  drive(drive: PlayedDrive): void {
    this.driving = drive;
  }

  private stopDriving(): void {
    this.driving?.stop();
    this.driving = undefined;
  }

  /** The plugged-in ESC logs a drive, which is over then. @throws {Error} where its memory is full: it beeps until that is cleared */
  record(seen: Omit<LogSummary, 'log' | 'bytes' | 'sum' | 'isFull' | 'isStale'>, bytes: Uint8Array): void {
    const { esc } = this;
    this.stopDriving();
    if (!esc) throw new Error('no ESC is plugged in');
    if (esc.log) throw new Error('its log is full: it beeps until that is read and cleared');
    this.logs += 1;
    const summary = {
      ...seen,
      log: this.logs,
      bytes: bytes.length,
      sum: sumOf(bytes),
      isFull: true,
      isStale: false,
    };
    this.leave({ ...esc, log: { summary, bytes } });
  }

  private persist(): void {
    const esc = this.esc!;
    const file = this.fileOf(esc.serial);
    const descriptor = openSync(`${file}.new`, 'w');
    writeSync(
      descriptor,
      JSON.stringify({
        memory: esc.kept,
        writes: this.writes,
        passCode: esc.passCode,
        log: esc.log && { summary: esc.log.summary, hex: hexOf(esc.log.bytes) },
        logs: this.logs,
      } satisfies Kept),
    );
    fsyncSync(descriptor);
    closeSync(descriptor);
    renameSync(`${file}.new`, file);
  }

  private fileOf(serial: string): string {
    if (!isSerial(serial)) throw new Error(`'${String(serial)}' is no serial number`);
    return join(this.folder, `${serial}.json`);
  }
}

const sameStops = (a: EscMemory, b: EscMemory): boolean =>
  Object.entries(a.stops).every(([itemId, stopId]) => b.stops[itemId] === stopId);

/** The log in a file; nothing where it is none. */
function logIn(kept: Kept | undefined): EscLog | undefined {
  const bytes = kept?.log && bytesOf(kept.log.hex);
  return bytes && { summary: kept.log!.summary, bytes };
}

function dataIn(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

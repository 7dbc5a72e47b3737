/**
 * The ESC that lies on the stand-in's bench, with a memory that survives the process. One file an ESC, replaced
 * as a whole, so that a death at any moment leaves the old memory or the new one.
 */
import { plugIn, type LinkedEsc } from '#core/device/linkedEsc';
import type { EscProfile } from '#core/esc/profile';
import type { EscMemory } from '#core/procedure/language';
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
import { NO_FAULT, type Fault } from './faults';

/** A memory with the number of times it was changed, by which the newer of two is told. */
export interface CountedMemory {
  memory: EscMemory;
  writes: number;
}

/** What the file of an ESC keeps. */
interface Kept extends CountedMemory {
  passCode?: number;
}

export class StandInBench {
  esc: LinkedEsc | undefined;
  fault: Fault = NO_FAULT;
  /** After a cut that stays: nobody is let in until the fault is taken away. */
  lineDead = false;
  private writes = 0;
  private readonly folder: string;

  constructor(folder: string) {
    this.folder = folder;
    mkdirSync(folder, { recursive: true });
  }

  /**
   * Plugs an ESC in, switched on. A memory of it that is newer than the given one wins.
   * @returns the memory that it has now
   */
  place(profile: EscProfile, serial: string, given: CountedMemory): CountedMemory {
    const own = this.memoryOf(serial);
    const newest = own && own.writes > given.writes ? own : given;
    this.esc = plugIn(profile, serial, newest.memory, this.keptOf(serial)?.passCode);
    this.writes = newest.writes;
    this.persist();
    return newest;
  }

  /** The memory of an ESC that was on this bench before. */
  memoryOf(serial: string): CountedMemory | undefined {
    const kept = this.keptOf(serial);
    return kept && { memory: kept.memory, writes: kept.writes };
  }

  private keptOf(serial: string): Kept | undefined {
    const file = this.fileOf(serial);
    return existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Kept) : undefined;
  }

  /** Takes the ESC as a request left it. A changed memory is on disk before anybody hears of it. */
  leave(esc: LinkedEsc): void {
    const changed = this.esc !== undefined && esc.kept !== this.esc.kept;
    const recoded = this.esc !== undefined && esc.passCode !== this.esc.passCode;
    this.esc = esc;
    if (changed) this.writes += 1;
    if (changed || recoded) this.persist();
  }

  private persist(): void {
    const esc = this.esc!;
    const file = this.fileOf(esc.serial);
    const descriptor = openSync(`${file}.new`, 'w');
    writeSync(
      descriptor,
      JSON.stringify({ memory: esc.kept, writes: this.writes, passCode: esc.passCode } satisfies Kept),
    );
    fsyncSync(descriptor);
    closeSync(descriptor);
    renameSync(`${file}.new`, file);
  }

  private fileOf(serial: string): string {
    if (!/^[A-Za-z0-9._-]+$/.test(serial)) throw new Error(`'${serial}' is no serial number`);
    return join(this.folder, `${serial}.json`);
  }
}

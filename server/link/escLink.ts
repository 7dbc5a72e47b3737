import type { LogSummary } from '#core/link/escLog';
import type { LiveReading } from '#core/link/live';
import { REFUSALS, type Identity, type Refusal } from '#core/link/protocol';

/** Why a link failed, in a word for the program and a sentence for the user. */
export class LinkError extends Error {
  readonly code:
    | 'away'
    | 'busy'
    | 'cut'
    | 'silent'
    | 'locked'
    | 'refused'
    | 'still'
    | 'strange'
    | 'wrongEsc'
    | 'mismatch'
    | 'cancelled';
  constructor(code: LinkError['code'], sentence: string) {
    super(sentence);
    this.code = code;
  }
}

/** The ESC said no. */
export const refusedBy = (refusal: Refusal): LinkError =>
  new LinkError(
    refusal === 'busy' || refusal === 'locked' || refusal === 'still' ? refusal : 'refused',
    `The ESC refused: ${REFUSALS[refusal]}.`,
  );

/**
 * A computer's link to one ESC. Every call fails with a LinkError. Reading is tried again when a reply does not
 * come or is garbled; so is writing, since a value written twice is written once. Saving and restarting are not:
 * whether they happened must be looked at, not repeated.
 */
export interface EscLink {
  identify(): Promise<Identity>;
  /** Says the pass code. Nothing is read or written before. */
  pair(passCode: number): Promise<void>;
  setPassCode(passCode: number): Promise<void>;
  /** @returns the number of the stop */
  read(itemNumber: number): Promise<number>;
  write(itemNumber: number, stopNumber: number): Promise<void>;
  save(): Promise<void>;
  /** @throws {LinkError} `refused` where it logged nothing */
  logSummary(): Promise<LogSummary>;
  /** @param block from 1 */
  logBlock(block: number): Promise<Uint8Array>;
  /** Forgets a log that was kept elsewhere. Not tried again: whether it happened is looked at. */
  clearLog(log: number): Promise<void>;
  /** The numbers of this moment. @throws {LinkError} `still` where it is not driven */
  live(): Promise<LiveReading>;
  restart(): Promise<void>;
  close(): void;
}

/** Opens links to the ESC that is plugged in now. */
export type OpenLink = () => Promise<EscLink>;

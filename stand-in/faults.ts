import type { Verb } from '#core/link/protocol';

/**
 * What can go wrong on a link, on demand. A cut happens `byte` bytes after the begin of the next request of
 * that verb, counting its line and then the reply: 0 lets nothing through.
 */
export type Fault =
  | { kind: 'none' }
  | { kind: 'silent' }
  | { kind: 'slow'; ms: number }
  | { kind: 'garbled' }
  | { kind: 'wrongIdentity' }
  | { kind: 'cut'; verb: Verb; byte: number; staysAway: boolean }
  | { kind: 'powerLostWhileSaving'; after: number; staysAway: boolean };

export const NO_FAULT: Fault = { kind: 'none' };

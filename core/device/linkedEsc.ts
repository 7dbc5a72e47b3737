/**
 * An ESC as a computer on its link sees it: a working copy of its values that is read and written, and a memory
 * that keeps them. What was written is gone at the next start unless it was saved.
 */
import type { EscProfile } from '../esc/profile';
import { blockOf, summaryWords, type LogSummary } from '../link/escLog';
import {
  FACTORY_PASS_CODE,
  identityWords,
  LOGS_SINCE,
  OLDEST_VERSION,
  type Reply,
  type Request,
} from '../link/protocol';
import type { EscMemory } from '../procedure/language';

export interface LinkedEsc {
  profile: EscProfile;
  serial: string;
  /** What survives switching off. */
  kept: EscMemory;
  /** Values that were written and not saved, by item id. */
  unsaved: Readonly<Record<string, string>>;
  starts: number;
  /** What it logged, until that is cleared; undefined where it logged nothing. It survives switching off. */
  log: EscLog | undefined;
  /** Whoever says it may read and write. It survives switching off. */
  passCode: number;
}

/** A log in the memory of an ESC. */
export interface EscLog {
  summary: LogSummary;
  bytes: Uint8Array;
}

/** An ESC with its link plugged in, just switched on. */
export const plugIn = (
  profile: EscProfile,
  serial: string,
  kept: EscMemory,
  passCode = FACTORY_PASS_CODE,
  log?: EscLog,
): LinkedEsc => ({
  profile,
  serial,
  kept,
  unsaved: {},
  starts: 1,
  passCode,
  log,
});

/** A log that was driven with other values than the ESC has now. */
export const stale = (log: EscLog | undefined): EscLog | undefined =>
  log && { ...log, summary: { ...log.summary, isStale: true } };

/** Keeps what was written. @param most how many of the values; fewer when the power goes in the middle */
export function save(esc: LinkedEsc, most = Infinity): LinkedEsc {
  const stored = Object.fromEntries(Object.entries(esc.unsaved).slice(0, most));
  const changed = Object.entries(stored).some(([itemId, stopId]) => esc.kept.stops[itemId] !== stopId);
  return {
    ...esc,
    kept: { ...esc.kept, stops: { ...esc.kept.stops, ...stored } },
    unsaved: {},
    log: changed ? stale(esc.log) : esc.log,
  };
}

/** Switched off and on: what was not saved is gone. */
export const restart = (esc: LinkedEsc): LinkedEsc => ({ ...esc, unsaved: {}, starts: esc.starts + 1 });

const NO_LOG: Reply = { ok: false, refusal: 'noLog' };

/** Whether a request is heard before the pass code was said. */
export const isOpenTo = ({ verb }: Request): boolean => verb === 'ID' || verb === 'PAIR';

/** What the ESC does with a request of somebody whom it lets in, and what it replies. */
export function answer(esc: LinkedEsc, request: Request): { esc: LinkedEsc; reply: Reply } {
  switch (request.verb) {
    case 'ID':
      return {
        esc,
        reply: {
          ok: true,
          words: identityWords({
            version: (request.version ?? OLDEST_VERSION) >= LOGS_SINCE ? LOGS_SINCE : OLDEST_VERSION,
            profileId: esc.profile.id,
            profileRevision: esc.profile.revision,
            serial: esc.serial,
            starts: esc.starts,
            unsaved: Object.keys(esc.unsaved).length,
          }),
        },
      };
    case 'PAIR': {
      const isRight = request.code === esc.passCode;
      return { esc, reply: isRight ? { ok: true, words: [] } : { ok: false, refusal: 'locked' } };
    }
    case 'PASS':
      return { esc: { ...esc, passCode: request.code }, reply: { ok: true, words: [] } };
    case 'READ': {
      const item = esc.profile.items.find((i) => i.number === request.item);
      if (!item) return { esc, reply: { ok: false, refusal: 'noItem' } };
      const stopId = esc.unsaved[item.id] ?? esc.kept.stops[item.id];
      const stop = item.stops.find((s) => s.id === stopId);
      if (!stop) return { esc, reply: { ok: false, refusal: 'noStop' } };
      return { esc, reply: { ok: true, words: [String(item.number), String(stop.number)] } };
    }
    case 'WRITE': {
      const item = esc.profile.items.find((i) => i.number === request.item);
      if (!item) return { esc, reply: { ok: false, refusal: 'noItem' } };
      const stop = item.stops.find((s) => s.number === request.stop);
      if (!stop) return { esc, reply: { ok: false, refusal: 'noStop' } };
      const written = { ...esc, unsaved: { ...esc.unsaved, [item.id]: stop.id } };
      return { esc: written, reply: { ok: true, words: [String(item.number), String(stop.number)] } };
    }
    case 'SAVE':
      return {
        esc: save(esc),
        reply: { ok: true, words: [String(Object.keys(esc.unsaved).length)] },
      };
    case 'SUMMARY':
      return { esc, reply: esc.log ? { ok: true, words: summaryWords(esc.log.summary) } : NO_LOG };
    case 'LOG': {
      const hex = esc.log && blockOf(esc.log.bytes, request.block);
      return { esc, reply: hex === undefined ? NO_LOG : { ok: true, words: [String(request.block), hex] } };
    }
    case 'CLEAR':
      if (esc.log?.summary.log !== request.log) return { esc, reply: NO_LOG };
      return { esc: { ...esc, log: undefined }, reply: { ok: true, words: [String(request.log)] } };
    case 'LIVE':
      // Who drives it answers for it.
      return { esc, reply: { ok: false, refusal: 'still' } };
    case 'RESTART':
      return { esc: restart(esc), reply: { ok: true, words: [] } };
  }
}

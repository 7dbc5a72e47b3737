/** How far a load is, by what was seen, heard and counted: what each of these teaches, and what is said of it. */
import type { SimulatedEsc } from '../device/simulatedEsc';
import { itemById, profileOn, type EscProfile } from '../esc/profile';
import type { Config, Observed } from '../procedure/language';
import { countInWords } from '../units/format';
import {
  afterAstray,
  afterCounted,
  afterShown,
  afterStored,
  type Finding,
  type LoadSession,
} from './loadSession';
import { NOTHING_SEEN, shownStored, watch, type Watched } from './watch';

export interface LoadProgress {
  session: LoadSession;
  /** What was shown or heard last. */
  watched: Watched;
  /** What went otherwise than planned, in a sentence. */
  surprise: string | undefined;
}

/** What was learned, and where the load is then. */
export interface Learned {
  progress: LoadProgress;
  findings: Finding[];
}

export const beginProgress = (session: LoadSession): LoadProgress => ({
  session,
  watched: NOTHING_SEEN,
  surprise: undefined,
});

interface Answer {
  observed: Observed[];
  esc: SimulatedEsc;
  /** Where the ESC was before it answered. */
  before: Config;
  /** Whether the page sees what the ESC shows; of one beside it, it only knows what it believes. */
  seesDisplay: boolean;
}

/** After the ESC showed and sounded something. */
export function afterAnswer(profile: EscProfile, progress: LoadProgress, answer: Answer): Learned {
  const { observed, esc, before, seesDisplay } = answer;
  const { watched, stored } = watch(profileOn(profile, before.memory.stops), progress.watched, observed);
  const shown = seesDisplay ? shownStored(profile, esc.machine, esc.config) : undefined;
  const now = shown ? afterShown(progress.session, shown) : progress.session;
  if (stored.length === 0) return { progress: { ...progress, watched, session: now }, findings: [] };
  const { session, findings } = afterStored(profile, now, stored);
  // A bank that is chosen on the way is meant, too.
  const astray = stored.find(
    ({ itemId, stopId }) => progress.session.target[itemId] !== stopId && profile.banks?.itemId !== itemId,
  );
  const surprise =
    astray && `“${itemById(profile, astray.itemId).label}” was set to something else. The plan corrects it.`;
  return { progress: { session, watched, surprise }, findings };
}

/** After somebody counted flashes. Nothing changes where the item has no such stop. @param flashes 1 upward */
export function afterCount(
  profile: EscProfile,
  progress: LoadProgress,
  itemId: string,
  flashes: number,
): Learned {
  const counted = afterCounted(profile, progress.session, itemId, flashes);
  if (!counted) return { progress, findings: [] };
  const { label } = itemById(profile, itemId);
  const isRight = counted.finding.stopId === progress.session.target[itemId];
  const surprise = isRight
    ? undefined
    : `“${label}” shows ${countInWords(flashes)}, not the drafted value. It is stored again.`;
  return { progress: { ...progress, session: counted.session, surprise }, findings: [counted.finding] };
}

/** After it showed, on opening, that an item holds something else than was believed, or than nobody knew. */
export function afterOther(progress: LoadProgress, itemId: string, stopId: string): Learned {
  const session = { ...progress.session, held: { ...progress.session.held, [itemId]: stopId } };
  return {
    progress: { ...progress, session, surprise: undefined },
    findings: [{ itemId, stopId, basis: 'userWord' }],
  };
}

/**
 * After it was lost where the ESC is; it was switched off.
 * @param itemId what may have been stored without anybody knowing what; undefined where nothing was
 */
export function afterLost(profile: EscProfile, progress: LoadProgress, itemId: string | undefined): Learned {
  if (itemId === undefined) {
    const surprise = 'Start this value again. Everything stored before stays stored.';
    return { progress: { ...progress, watched: NOTHING_SEEN, surprise }, findings: [] };
  }
  const { session, finding } = afterAstray(progress.session, itemId);
  const outcome =
    progress.session.target[itemId] === undefined ? 'It was unknown before, too.' : 'The plan corrects it.';
  const surprise = `“${itemById(profile, itemId).label}” is unknown now. ${outcome}`;
  return { progress: { session, watched: NOTHING_SEEN, surprise }, findings: [finding] };
}

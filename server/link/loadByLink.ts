/**
 * A load by link, from the first reading to the last. What is certain is written down before and after every
 * step that changes something: an item that is about to be written counts as unknown until it was read back, so
 * that a death of anything at any moment leaves no wrong belief behind.
 */
import type { Goals } from '#core/advice/goals';
import { openHazards } from '#core/advice/verdicts/verdict';
import { verdictsOn } from '#core/advice/verdicts/verdictsOn';
import { itemById, stopById, type EscProfile, type WantedStops } from '#core/esc/profile';
import type { Identity } from '#core/link/protocol';
import { changesOf, loadOrder, type Change } from '#core/sheet/draft';
import { downgrade } from '#core/sheet/downgrade';
import { believedStops, holdingsOf, type Observation } from '#core/sheet/evidence';
import type { EventRules } from '#core/rig/eventRules';
import type { Rig } from '#core/rig/rig';
import type { LearnedRange } from '#core/radio/pulse';
import { LinkError, type EscLink, type OpenLink } from './escLink';

/** Where a load is, for whoever watches. */
export type LinkPhase =
  'connecting' | 'reading' | 'backingUp' | 'writing' | 'saving' | 'restarting' | 'readingBack';

export interface LinkProgress {
  phase: LinkPhase;
  done: number;
  total: number;
}

/** A value that was found to be other than was believed. */
export interface Surprise {
  itemId: string;
  believedStopId: string | null;
  foundStopId: string;
}

export interface LoadByLink {
  rig: Rig;
  profile: EscProfile;
  range: LearnedRange;
  /** The event that is being prepared for, if any. */
  rules: EventRules | undefined;
  /** With the hazards that the driver takes upon himself. */
  goals: Goals;
  /** Of this very ESC. */
  serial: string;
  /** With which it lets us in. */
  passCode: number;
  /** The history so far, oldest first. */
  observations: readonly Observation[];
  /** The stop that each drafted item has to have in the end; empty for reading only. */
  intents: WantedStops;
  open: OpenLink;
  report: (progress: LinkProgress) => void;
  isCancelled: () => boolean;
  /** Adds to the history, for good, before it returns. */
  note: (observations: Observation[]) => Promise<void>;
  /** Keeps a sheet of what the ESC holds. @returns its number */
  keepSheet: (origin: 'backup' | 'loaded', observations: Observation[], changed: string[]) => Promise<number>;
  now: () => string;
}

export interface LoadedByLink {
  surprises: Surprise[];
  changed: string[];
  sheetNumber: number | undefined;
}

/** The ESC is away while it starts; asked this often, this long. */
const RESTART_TRIES = 40;
const RESTART_PAUSE_MS = 100;
const BUSY_TRIES = 6;
const BUSY_PAUSE_MS = 50;

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Reads all, compares, backs up as a sheet, writes what differs, saves, restarts, reads back, compares.
 * @throws {LinkError} where it came to nothing; the history says then what is certain
 */
export async function loadByLink(job: LoadByLink): Promise<LoadedByLink> {
  const history = [...job.observations];
  const learn = async (observations: Observation[]): Promise<void> => {
    await job.note(observations);
    history.push(...observations);
  };
  job.report({ phase: 'connecting', done: 0, total: 1 });
  let link = await openChecked(job);
  try {
    const surprises = surprisesIn(job.profile, history, await readAll(job, link, 'reading', learn));
    const changes = changesNow(job, history);
    if (changes.length === 0) return { surprises, changed: [], sheetNumber: undefined };
    refuseHazards(job, history);
    job.report({ phase: 'backingUp', done: 0, total: 1 });
    await job.keepSheet('backup', history, []);

    const changed = changes.map(({ itemId }) => itemId);
    await learn(downgrade(job.profile, { kind: 'interrupted', itemIds: changed }, job.now()));
    try {
      await writeAll(job, link, changes);
      job.report({ phase: 'saving', done: 0, total: 1 });
      await link.save();
      link = await startAnew(job, link);
    } catch (error) {
      link.close();
      link = await lookAgain(job, learn, error);
      throw error;
    }
    await readAll(job, link, 'readingBack', learn);
    const astray = changesNow(job, history);
    if (astray.length > 0) throw didNotTake(job.profile, astray);
    const sheetNumber = await job.keepSheet('loaded', history, changed);
    return { surprises, changed, sheetNumber };
  } finally {
    link.close();
  }
}

/** Opens the link to the right ESC, with nothing unsaved in it. */
async function openChecked(job: LoadByLink): Promise<EscLink> {
  const { link, identity } = await openFree(job);
  try {
    checkIdentity(job, identity);
    await link.pair(job.passCode);
    return identity.unsaved === 0 ? link : await startAnew(job, link);
  } catch (error) {
    link.close();
    throw error;
  }
}

/** A line that we have just left, or lost, may count as taken for a moment. */
async function openFree(job: LoadByLink): Promise<{ link: EscLink; identity: Identity }> {
  for (let tried = 1; ; tried += 1) {
    const link = await job.open();
    try {
      return { link, identity: await link.identify() };
    } catch (error) {
      link.close();
      const again = error instanceof LinkError && error.code === 'busy' && tried < BUSY_TRIES;
      if (!again) throw error;
      await pause(BUSY_PAUSE_MS);
    }
  }
}

function checkIdentity({ profile, serial }: LoadByLink, identity: Identity): void {
  if (identity.profileId !== profile.id || identity.profileRevision !== profile.revision) {
    throw new LinkError(
      'wrongEsc',
      `The ESC on the link says it is '${identity.profileId}', revision ${identity.profileRevision}; this rig has a ${profile.name}, revision ${profile.revision}. Nothing was written: its numbers mean something else.`,
    );
  }
  if (identity.serial !== serial) {
    throw new LinkError('wrongEsc', 'This ESC is the same kind, but not the one of this rig.');
  }
}

async function readAll(
  job: LoadByLink,
  link: EscLink,
  phase: 'reading' | 'readingBack',
  learn: (observations: Observation[]) => Promise<void>,
): Promise<Observation[]> {
  const { items } = job.profile;
  const read: Observation[] = [];
  for (const item of items) {
    stopWhenCancelled(job, phase);
    job.report({ phase, done: read.length, total: items.length });
    const number = await link.read(item.number);
    const stop = item.stops.find((s) => s.number === number);
    if (!stop) {
      throw new LinkError(
        'strange',
        `The ESC says that “${item.label}” is on stop ${number}, which the profile does not have.`,
      );
    }
    read.push({ itemId: item.id, stopId: stop.id, basis: 'readBack', at: job.now() });
  }
  await learn(read);
  return read;
}

function surprisesIn(profile: EscProfile, history: Observation[], read: Observation[]): Surprise[] {
  const before = holdingsOf(profile, history.slice(0, history.length - read.length));
  return read.flatMap(({ itemId, stopId }) => {
    const believedStopId = before[itemId]?.stopId ?? null;
    return stopId === null || stopId === believedStopId
      ? []
      : [{ itemId, believedStopId, foundStopId: stopId }];
  });
}

const changesNow = ({ profile, intents }: LoadByLink, history: Observation[]): Change[] =>
  loadOrder(profile, changesOf(profile, holdingsOf(profile, history), { stops: intents }));

/** What was read may make a draft dangerous that looked sound beside what was believed. */
function refuseHazards(
  { rig, profile, range, rules, goals, intents }: LoadByLink,
  history: Observation[],
): void {
  const stops = { ...believedStops(profile, holdingsOf(profile, history)), ...intents };
  const [hazard] = openHazards(verdictsOn({ rig, profile, stops, range, rules, goals }));
  if (hazard) {
    throw new LinkError(
      'mismatch',
      `Nothing was written. With the values the ESC really holds, there is a hazard: ${hazard.title}`,
    );
  }
}

async function writeAll(job: LoadByLink, link: EscLink, changes: Change[]): Promise<void> {
  let done = 0;
  for (const { itemId, toStopId } of changes) {
    stopWhenCancelled(job, 'writing');
    job.report({ phase: 'writing', done, total: changes.length });
    const item = itemById(job.profile, itemId);
    await link.write(item.number, stopById(item, toStopId).number);
    done += 1;
  }
  stopWhenCancelled(job, 'writing');
}

/** Between two values only: a value is never left half-written. Reading back is not worth stopping. */
function stopWhenCancelled({ isCancelled }: LoadByLink, phase: LinkPhase): void {
  if (phase !== 'readingBack' && isCancelled())
    throw new LinkError('cancelled', 'Stopped. Nothing was saved.');
}

/** Restarts the ESC and waits until it is back, at a start that it has not said before. */
async function startAnew(job: LoadByLink, link: EscLink): Promise<EscLink> {
  job.report({ phase: 'restarting', done: 0, total: 1 });
  const { starts } = await link.identify();
  await link.restart();
  link.close();
  for (let tried = 0; tried < RESTART_TRIES; tried += 1) {
    await pause(RESTART_PAUSE_MS);
    const back = await job.open().catch(() => undefined);
    const identity = await back?.identify().catch(() => undefined);
    if (back && identity && identity.starts > starts) {
      await back.pair(job.passCode);
      return back;
    }
    back?.close();
  }
  throw new LinkError('away', 'The ESC did not come back after its restart.');
}

/**
 * After a break in the middle: looks once whether the ESC can still be asked. If so, everything is certain
 * again; if not, what was to be written stays unknown.
 */
async function lookAgain(
  job: LoadByLink,
  learn: (observations: Observation[]) => Promise<void>,
  cause: unknown,
): Promise<EscLink> {
  try {
    const link = await openChecked(job);
    await readAll(job, link, 'readingBack', learn);
    return link;
  } catch (error) {
    // The first break is what the user has to hear of.
    throw error instanceof LinkError ? cause : error;
  }
}

function didNotTake(profile: EscProfile, astray: Change[]): LinkError {
  const labels = astray.map(({ itemId }) => `“${itemById(profile, itemId).label}”`).join(', ');
  return new LinkError(
    'mismatch',
    `Read back, ${labels} ${astray.length === 1 ? 'is' : 'are'} not what was written. Load again.`,
  );
}

/**
 * Runs that were noted and that the server does not have yet, kept in this browser: they outlive a reload, a closed page and a
 * server that is away. Each has its id from the start, so that one that is sent twice is kept once.
 */
import type { RunEntry } from '#core/runs/entry';
import type { Run, RunNote } from '#core/runs/run';
import type { HandValues } from '#core/rig/handValues';

/** What is sent of a run; the server adds what its ESC held then. */
export interface WaitingRun {
  id: string;
  /** ISO 8601. */
  drivenAt: string;
  note: RunNote;
  byHand: HandValues;
  question: Run['question'];
}

export interface RunOfRig {
  rigId: string;
  run: WaitingRun;
}

const LIST = 'live-tune-runs-';
const ID_LENGTH = '00000000-0000-4000-8000-000000000000'.length;
const listKey = (rigId: string): string => `${LIST}${rigId}-`;
const entryKey = (rigId: string): string => `live-tune-run-entry-${rigId}`;

/** All runs that wait, the oldest first. */
export function allWaitingRuns(): RunOfRig[] {
  return Object.keys(localStorage)
    .filter((key) => key.startsWith(LIST))
    .flatMap((key): RunOfRig[] => {
      const run = read(key) as WaitingRun | undefined;
      return run ? [{ rigId: key.slice(LIST.length, LIST.length + ID_LENGTH), run }] : [];
    })
    .toSorted((a, b) => (a.run.drivenAt < b.run.drivenAt ? -1 : 1));
}

/** The runs of a rig that wait, the oldest first. */
export const waitingRuns = (rigId: string): WaitingRun[] =>
  allWaitingRuns().flatMap((one) => (one.rigId === rigId ? [one.run] : []));

/** One entry each: two tabs never write over each other. */
export const keepWaitingRun = (rigId: string, run: WaitingRun): void =>
  localStorage.setItem(listKey(rigId) + run.id, JSON.stringify(run));

export const forgetWaitingRun = (rigId: string, id: string): void =>
  localStorage.removeItem(listKey(rigId) + id);

/** What stands in the form as it is typed, with the side of a question that it is for. */
export interface OpenEntry {
  entry: RunEntry;
  side: string;
}

export const keepEntry = (rigId: string, open: OpenEntry): void =>
  localStorage.setItem(entryKey(rigId), JSON.stringify(open));
export const openEntry = (rigId: string): OpenEntry | undefined =>
  read(entryKey(rigId)) as OpenEntry | undefined;
export const forgetEntry = (rigId: string): void => localStorage.removeItem(entryKey(rigId));

function read(key: string): unknown {
  try {
    return (JSON.parse(localStorage.getItem(key) ?? 'null') as unknown) ?? undefined;
  } catch {
    return undefined;
  }
}

/** The header in which a device says when it sends, ISO 8601: by it the bench knows how wrong the clock of a phone goes. */
export const SENT_AT = 'sent-at';

/** What became of a run that was sent. */
export type SentRun = 'kept' | 'away' | 'refused';

/** Sends a run. Only one that is kept may be forgotten here. */
export async function sendRun(rigId: string, run: WaitingRun): Promise<SentRun> {
  try {
    const response = await fetch(`/rigs/${rigId}/keep-run`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', [SENT_AT]: new Date().toISOString() },
      body: JSON.stringify(run),
      keepalive: true,
    });
    if (response.ok) return 'kept';
    return response.status < 500 ? 'refused' : 'away';
  } catch {
    return 'away';
  }
}

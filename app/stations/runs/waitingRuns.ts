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

const listKey = (rigId: string): string => `live-tune-runs-${rigId}-`;
const entryKey = (rigId: string): string => `live-tune-run-entry-${rigId}`;

/** The runs of a rig that wait, the oldest first. */
export function waitingRuns(rigId: string): WaitingRun[] {
  return Object.keys(localStorage)
    .filter((key) => key.startsWith(listKey(rigId)))
    .flatMap((key) => (read(key) as WaitingRun | undefined) ?? [])
    .toSorted((a, b) => (a.drivenAt < b.drivenAt ? -1 : 1));
}

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

/** What became of a run that was sent. */
export type SentRun = 'kept' | 'away' | 'refused';

/** Sends a run. Only one that is kept may be forgotten here. */
export async function sendRun(rigId: string, run: WaitingRun): Promise<SentRun> {
  try {
    const response = await fetch(`/rigs/${rigId}/keep-run`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(run),
      keepalive: true,
    });
    if (response.ok) return 'kept';
    return response.status < 500 ? 'refused' : 'away';
  } catch {
    return 'away';
  }
}

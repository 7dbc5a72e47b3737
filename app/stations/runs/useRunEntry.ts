import { entryOf, type RunEntry } from '#core/runs/entry';
import { nextNote, type RunNote } from '#core/runs/run';
import { useEffect, useState } from 'react';
import { forgetEntry, keepEntry, openEntry, waitingRuns, type OpenEntry } from './waitingRuns';

const begun = (last: RunNote | undefined): OpenEntry => ({ entry: entryOf(nextNote(last)), side: '' });

/** What a day at the track says of the run that comes next. */
export interface ForNext {
  pack: string;
  minutes: string;
  /** Of a question, as the form names it. */
  side: string;
}

/** What the day says goes before what the last run had. */
const asPlanned = ({ entry, side }: OpenEntry, next: ForNext): OpenEntry => ({
  entry: { ...entry, pack: next.pack || entry.pack, minutes: next.minutes || entry.minutes },
  side: next.side || side,
});

/**
 * What stands in the form of a new run. It is kept in this browser at every change, and begins like the last run, whether the
 * server has that already or not.
 */
export function useRunEntry(
  rigId: string,
  lastOnServer: RunNote | undefined,
  { pack, minutes, side }: ForNext,
) {
  const [open, setOpen] = useState<OpenEntry>(() => asPlanned(begun(lastOnServer), { pack, minutes, side }));
  useEffect(() => {
    // What only this browser knows is shown after the first look, which is the server's.
    queueMicrotask(() => {
      const kept = openEntry(rigId);
      const last = waitingRuns(rigId).at(-1)?.note;
      const next = { pack, minutes, side };
      if (kept) setOpen(asPlanned(kept, next));
      else if (last) setOpen(asPlanned(begun(last), next));
    });
  }, [rigId, pack, minutes, side]);
  const write = (next: OpenEntry): void => {
    setOpen(next);
    keepEntry(rigId, next);
  };
  return {
    open,
    change: (part: Partial<RunEntry>): void => write({ ...open, entry: { ...open.entry, ...part } }),
    choose: (side: string): void => write({ ...open, side }),
    begin: (last: RunNote): void => {
      forgetEntry(rigId);
      setOpen(begun(last));
    },
  };
}

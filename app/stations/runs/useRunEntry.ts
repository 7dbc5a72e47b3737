import { entryOf, type RunEntry } from '#core/runs/entry';
import { nextNote, type RunNote } from '#core/runs/run';
import { useEffect, useState } from 'react';
import { forgetEntry, keepEntry, openEntry, waitingRuns, type OpenEntry } from './waitingRuns';

const begun = (last: RunNote | undefined): OpenEntry => ({ entry: entryOf(nextNote(last)), side: '' });

/**
 * What stands in the form of a new run. It is kept in this browser at every change, and begins like the last run, whether the
 * server has that already or not.
 */
export function useRunEntry(rigId: string, lastOnServer: RunNote | undefined) {
  const [open, setOpen] = useState<OpenEntry>(() => begun(lastOnServer));
  useEffect(() => {
    // What only this browser knows is shown after the first look, which is the server's.
    queueMicrotask(() => {
      const kept = openEntry(rigId);
      const last = waitingRuns(rigId).at(-1)?.note;
      if (kept) setOpen(kept);
      else if (last) setOpen(begun(last));
    });
  }, [rigId]);
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

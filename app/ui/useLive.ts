import { useEffect, useEffectEvent, useState } from 'react';
import { useParams, useRevalidator } from 'react-router';
import { isServerWell } from './serverHealth';

interface Change {
  /** Null where it is not about one rig. */
  rigId: string | null;
  /** The device, as its owner calls it. */
  by: string;
}

/** Several things that are done at once are asked for once. */
const TOGETHER_MS = 120;
/** Fifty phones that hear of the same do not all ask at the same moment. */
const SPREAD_MS = 500;
/** A line that the server refused is tried again after this. */
const AGAIN_MS = 5000;
/** So long it is said who changed something. */
const SAID_MS = 6000;

/**
 * Keeps a page as the others have changed it, while it is looked at. A page behind another has no line open: browsers have only
 * a few for one server. What was missed meanwhile is asked for when it comes to the front.
 * @param isShared whether there are others at all
 * @returns who changed something just now, to be said
 */
export function useLive(isShared: boolean): string | undefined {
  const { rigId } = useParams();
  const { revalidate } = useRevalidator();
  const [by, setBy] = useState<string>();
  // A page that asks a server that is not well gets an error in the place of what it shows.
  const refresh = useEffectEvent(async () => {
    if (await isServerWell()) await revalidate();
  });
  const concerns = useEffectEvent((change: Change): boolean =>
    rigId === undefined ? true : change.rigId === null || change.rigId === rigId,
  );
  useEffect(() => {
    if (!isShared) return undefined;
    let line: EventSource | undefined;
    let soon: ReturnType<typeof setTimeout> | undefined;
    let again: ReturnType<typeof setTimeout> | undefined;
    let quiet: ReturnType<typeof setTimeout> | undefined;
    let hasMissed = false;
    const refreshSoon = (): void => {
      clearTimeout(soon);
      soon = setTimeout(() => void refresh(), TOGETHER_MS + SPREAD_MS * Math.random());
    };
    const close = (): void => {
      line?.close();
      line = undefined;
      clearTimeout(again);
    };
    const open = (): void => {
      close();
      line = new EventSource('/live');
      line.addEventListener('open', () => {
        if (hasMissed) refreshSoon();
        hasMissed = false;
      });
      line.addEventListener('error', () => {
        hasMissed = true;
        if (line?.readyState !== EventSource.CLOSED) return;
        again = setTimeout(open, AGAIN_MS);
        // Where this device was removed, that leads to the doorstep.
        void isServerWell();
      });
      line.addEventListener('change', ({ data }: MessageEvent<string>) => {
        const change = JSON.parse(data) as Change;
        if (!concerns(change)) return;
        refreshSoon();
        setBy(change.by);
        clearTimeout(quiet);
        quiet = setTimeout(() => setBy(undefined), SAID_MS);
      });
    };
    const onVisibility = (): void => {
      if (document.hidden) {
        close();
        hasMissed = true;
      } else open();
    };
    onVisibility();
    document.addEventListener('visibilitychange', onVisibility);
    return () => {
      document.removeEventListener('visibilitychange', onVisibility);
      close();
      clearTimeout(soon);
      clearTimeout(quiet);
    };
  }, [isShared]);
  return by;
}

import { useEffect, useState } from 'react';
import type { KeepPages, PageToKeep } from './keepPages';

/** Behind what is looked at first: some two hundred files are fetched for a build. */
const FIRST_AFTER_MS = 5000;
const EVERY_MS = 5 * 60_000;

/** `untrusted`: the browser keeps pages of a bench only whose certificate it trusts. */
export type Keeping = 'unknown' | 'keeps' | 'untrusted';

/**
 * Lets a paired phone keep its pages for when the bench is away, and renews them now and then.
 * @param build of the page @param isPaired the bench computer itself needs none of it
 */
export function useKeeping(build: string, isPaired: boolean): Keeping {
  const [keeping, setKeeping] = useState<Keeping>('unknown');
  useEffect(() => {
    if (!isPaired) return undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let isLeft = false;
    const renew = async (): Promise<void> => {
      if (!document.hidden) await renewPages().catch(() => undefined);
      if (!isLeft) timer = setTimeout(() => void renew(), EVERY_MS);
    };
    const begin = async (): Promise<void> => {
      try {
        // Without trust there is either no such thing, or it refuses.
        if (!('serviceWorker' in navigator)) throw new Error('not trusted');
        await navigator.serviceWorker.register(`/sw.js?build=${encodeURIComponent(build)}`);
        if (isLeft) return;
        setKeeping('keeps');
        void renew();
      } catch (error) {
        // A page that was kept asks for a worker that it has.
        if (!navigator.onLine || error instanceof TypeError) return;
        setKeeping('untrusted');
      }
    };
    timer = setTimeout(() => void begin(), FIRST_AFTER_MS);
    return () => {
      isLeft = true;
      clearTimeout(timer);
    };
  }, [build, isPaired]);
  return keeping;
}

async function renewPages(): Promise<void> {
  const { active } = await navigator.serviceWorker.ready;
  const answer = await fetch('/kept.json');
  if (!answer.ok) return;
  const keep = (await answer.json()) as PageToKeep[];
  active?.postMessage({ keep } satisfies KeepPages);
}

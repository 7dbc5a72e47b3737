import { ownLoadAfter, type LoadWord } from '#core/plan/ownLoad';
import type { OpenLoad, Said } from '#server/repositories/openLoads';
import { useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import { useRevalidator } from 'react-router';
import { useBench } from '../bench/BenchContext';
import { waitingHere } from '../../ui/waitingHere';
import { sendOwnLoad } from './sendOwnLoad';

const TRY_AGAIN_MS = 2000;

/** Something said at this device, and how many words it knew of then. */
interface Mine {
  id: string;
  word: LoadWord;
  place: number;
}

/** Words that the server does not have yet, by the load: they outlive a page that is closed. */
const waitingWords = waitingHere<{ words: Mine[] }>('live-tune-load-');

/**
 * A load of one's own ESC as all devices see it, and what is said here: shown at once, sent one after the other until the server has
 * it. What others said first counts; what was said here without knowing it is let go of, and that is told.
 */
export function useOwnLoad(open: OpenLoad) {
  const { rigId, profile } = useBench();
  const { revalidate } = useRevalidator();
  const { id, escNumber, beginning, words } = open;
  // Also what the server has noted, until it comes back among the words of all.
  const [mine, setMine] = useState<readonly Mine[]>([]);
  const [unsent, setUnsent] = useState(0);
  const [trouble, setTrouble] = useState<'away' | 'refused'>();
  const [lost, setLost] = useState<Exclude<Said, 'noted'>>();

  const all = useMemo(() => {
    const known = new Set(words.map((said) => said.id));
    return [...words, ...mine.filter((said) => !known.has(said.id))].map(({ word }) => word);
  }, [words, mine]);
  const load = useMemo(() => ownLoadAfter(profile, beginning, all), [profile, beginning, all]);
  const count = useRef(0);
  useEffect(() => {
    count.current = all.length;
  }, [all]);

  const queue = useRef<Mine[]>([]);
  const setQueue = (next: Mine[]): void => {
    queue.current = next;
    setUnsent(next.length);
    if (next.length > 0) waitingWords.keep(id, { words: next });
    else waitingWords.forget(id);
  };
  const isSending = useRef(false);
  const send = async (): Promise<void> => {
    if (isSending.current) return;
    isSending.current = true;
    for (let next = queue.current[0]; next; next = queue.current[0]) {
      const { id: wordId, word, place } = next;
      const said = await sendOwnLoad(rigId, { do: 'say', escNumber, id, wordId, place, word });
      setTrouble(said === 'away' || said === 'refused' ? said : undefined);
      if (said === 'away') await pause(TRY_AGAIN_MS);
      else if (said === 'noted') setQueue(queue.current.slice(1));
      else {
        const dropped = new Set(queue.current.map((one) => one.id));
        setQueue([]);
        setMine((before) => before.filter((one) => !dropped.has(one.id)));
        if (said !== 'refused') setLost(said);
        await revalidate();
      }
    }
    isSending.current = false;
  };

  const takeUp = useEffectEvent((): void => {
    const left = waitingWords.take(id)?.words ?? [];
    if (left.length === 0) return;
    setQueue(left);
    setMine(left);
    void send();
  });
  useEffect(() => {
    // What waits in the browser is an outside system: it can be read only once the page is there.
    queueMicrotask(takeUp);
  }, [id]);

  const say = (word: LoadWord): void => {
    const next = { id: crypto.randomUUID(), word, place: count.current };
    count.current += 1;
    setQueue([...queue.current, next]);
    setLost(undefined);
    setMine((before) => [...before, next]);
    void send();
  };

  const take = async (): Promise<void> => {
    setLost(undefined);
    await sendOwnLoad(rigId, { do: 'take', escNumber, id });
    await revalidate();
  };

  return { load, say, take, trouble, lost, isTelling: unsent > 0 };
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

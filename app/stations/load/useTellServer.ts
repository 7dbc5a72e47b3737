import type { Finding } from '#core/plan/loadSession';
import type { EscMemory } from '#core/procedure/language';
import { useRef, useState } from 'react';
import { useBench } from '../bench/BenchContext';
import { sendBenchRecord, type BenchRecord } from '../bench/benchRecord';

const TRY_AGAIN_MS = 2000;

/**
 * Tells the server what was found, one after the other, until it has it: a sheet that is kept must find all of it.
 */
export function useTellServer() {
  const { rigId, escNumber, memory: known } = useBench();
  /** Why the server does not have all that was found. */
  const [trouble, setTrouble] = useState<'away' | 'refused'>();
  const [telling, setTelling] = useState(0);
  const told = useRef(Promise.resolve());

  const send = async (record: BenchRecord): Promise<boolean> => {
    for (;;) {
      const sent = await sendBenchRecord(rigId, record);
      setTrouble(sent === 'kept' ? undefined : sent);
      // What is refused once is refused for good, and no sheet may be kept without it.
      if (sent !== 'away') return sent === 'kept';
      await new Promise((resolve) => setTimeout(resolve, TRY_AGAIN_MS));
    }
  };

  /** @param memory of the page's ESC, where it was worked */
  const tell = (seen: Finding[], memory: EscMemory = known): void => {
    setTelling((count) => count + 1);
    told.current = told.current.then(async () => {
      if (await send({ escNumber, memory, seen })) setTelling((count) => count - 1);
    });
  };
  return { tell, trouble, isTelling: telling > 0 };
}

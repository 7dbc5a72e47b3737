import { wrap, type Remote } from 'comlink';
import { startTransition, useEffect, useState } from 'react';

/** What runs in a thread of its own while the page is open; undefined until the page is there. @param begin always the same function */
export function useThread<Task>(begin: () => Worker): Remote<Task> | undefined {
  const [remote, setRemote] = useState<{ remote: Remote<Task> }>();
  useEffect(() => {
    const thread = begin();
    // A remote is a function to the eye of React: in an object it is only kept.
    startTransition(() => setRemote({ remote: wrap<Task>(thread) }));
    return () => thread.terminate();
  }, [begin]);
  return remote?.remote;
}

import { useEffect, useState } from 'react';
import { useLocation } from 'react-router';

/**
 * A page that is older than the bench goes on until it is left; the next is loaded whole, as the new build has it.
 * @param build of the server that answered last
 */
export function useNewBuild(build: string): void {
  const [first] = useState(build);
  const { key } = useLocation();
  const [startedAt] = useState(key);
  useEffect(() => {
    if (build !== first && key !== startedAt) window.location.reload();
  }, [build, first, key, startedAt]);
}

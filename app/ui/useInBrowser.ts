import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/**
 * False while the server renders, and at the first look in the browser, which must be the same. What may take long (a
 * plan, say) is worked out only where this is true: the server has others to answer.
 */
export const useInBrowser = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

import { createContext, use, type ReactNode } from 'react';
import { useYou } from '../../ui/useYou';
import { useSendRuns } from './useSendRuns';

type Waiting = ReturnType<typeof useSendRuns>;

const WaitingContext = createContext<Waiting | null>(null);

/** Round all pages: what was noted goes on being sent wherever one is. */
export function WaitingRuns({ children }: { children: ReactNode }) {
  const { name } = useYou();
  return <WaitingContext value={useSendRuns(name !== '')}>{children}</WaitingContext>;
}

/** The runs of all rigs that wait, and how to keep another. @throws {Error} outside of a page */
export function useWaitingRuns(): Waiting {
  const waiting = use(WaitingContext);
  if (!waiting) throw new Error('useWaitingRuns needs WaitingRuns above it');
  return waiting;
}

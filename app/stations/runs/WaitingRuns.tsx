import { createContext, use, type ReactNode } from 'react';
import { useSendRuns } from './useSendRuns';

type Waiting = ReturnType<typeof useSendRuns>;

const WaitingContext = createContext<Waiting | null>(null);

/** Round all stations of a rig: what was noted goes on being sent wherever one is. */
export function WaitingRuns({ rigId, children }: { rigId: string; children: ReactNode }) {
  return <WaitingContext value={useSendRuns(rigId)}>{children}</WaitingContext>;
}

/** The runs that wait, and how to keep another. @throws {Error} outside a rig */
export function useWaitingRuns(): Waiting {
  const waiting = use(WaitingContext);
  if (!waiting) throw new Error('useWaitingRuns needs WaitingRuns above it');
  return waiting;
}

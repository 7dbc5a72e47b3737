import type { Goals } from '#core/advice/goals';

/**
 * What the driver is after, until the server is known to have it: it outlives a reload. A page that is loaded in the meantime
 * was made without it, and takes it from here.
 */
const KEY = 'live-tune-goals-';

export const keepWaitingGoals = (rigId: string, goals: Goals): void =>
  sessionStorage.setItem(KEY + rigId, JSON.stringify(goals));

export const forgetWaitingGoals = (rigId: string): void => sessionStorage.removeItem(KEY + rigId);

export function waitingGoals(rigId: string): Goals | undefined {
  try {
    return (JSON.parse(sessionStorage.getItem(KEY + rigId) ?? 'null') as Goals | null) ?? undefined;
  } catch {
    return undefined;
  }
}

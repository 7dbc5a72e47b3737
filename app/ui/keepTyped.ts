import { isRouteErrorResponse, type ShouldRevalidateFunctionArgs } from 'react-router';
import { savingHealth } from './serverHealth';

/** What an action answers where the server is away, has no room, or may not take it from here: the form stays as it was typed. */
export interface NotKept {
  notKept: 'away' | 'full' | 'notYours';
}

/**
 * Sends a form, and keeps the page with everything typed in it where the server or its database is away.
 * Without this the router would put an error page in its place.
 * @throws what the action threw, where it was refused, or failed though the server is well
 */
export async function keepTyped<T>(serverAction: () => Promise<T>): Promise<T | NotKept> {
  try {
    return await serverAction();
  } catch (error) {
    if (isUnsent(error)) return { notKept: 'away' };
    if (isRouteErrorResponse(error) && error.status === 403) return { notKept: 'notYours' };
    if (isRouteErrorResponse(error) && error.status < 500) throw error;
    // The router hands on what failed at the server as an error without a status. The database may be away behind a server
    // that answers, or have no room: it says so itself.
    const health = await savingHealth();
    if (health === 'well') throw error;
    return { notKept: health };
  }
}

/** What browsers throw where a request did not get through; a mistake in a program is a TypeError, too. */
const isUnsent = (error: unknown): boolean =>
  error instanceof TypeError && /failed to fetch|networkerror|load failed/i.test(error.message);

/** What an action answered, where it did. */
export const answered = <T extends object>(answer: T | NotKept | undefined): T | undefined =>
  answer && !isNotKept(answer) ? answer : undefined;

export const isNotKept = (answer: unknown): answer is NotKept =>
  typeof answer === 'object' && answer !== null && 'notKept' in answer;

/** Loads nothing again after an action that did not get through: that could not get through either. */
export const unlessAway = ({
  actionResult,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean => (isNotKept(actionResult) ? false : defaultShouldRevalidate);

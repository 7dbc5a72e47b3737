import { isRouteErrorResponse, type ShouldRevalidateFunctionArgs } from 'react-router';
import { isServerWell } from './isServerWell';

/** What an action answers where the server is away: the form stays as it was typed. */
export const AWAY = { away: true } as const;

/**
 * Sends a form, and keeps the page with everything typed in it where the server or its database is away.
 * Without this the router would put an error page in its place.
 * @throws what the action threw, where it was refused, or failed though the server is well
 */
export async function keepTyped<T>(serverAction: () => Promise<T>): Promise<T | typeof AWAY> {
  try {
    return await serverAction();
  } catch (error) {
    if (isUnsent(error)) return AWAY;
    // The database may be away behind a server that answers: it says so itself.
    if (isRouteErrorResponse(error) && error.status >= 500 && !(await isServerWell())) return AWAY;
    throw error;
  }
}

/** What browsers throw where a request did not get through; a mistake in a program is a TypeError, too. */
const isUnsent = (error: unknown): boolean =>
  error instanceof TypeError && /failed to fetch|networkerror|load failed/i.test(error.message);

/** What an action answered, where it did. */
export const answered = <T extends object>(answer: T | typeof AWAY | undefined): T | undefined =>
  answer && !('away' in answer) ? answer : undefined;

/** Loads nothing anew after an action that did not get through: that could not get through either. */
export const unlessAway = ({
  actionResult,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean => (actionResult === AWAY ? false : defaultShouldRevalidate);

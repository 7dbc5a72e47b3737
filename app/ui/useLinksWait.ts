import { useEffect, useRef } from 'react';
import { NavigationType, useBlocker, useNavigate, useNavigation, type Location } from 'react-router';

/**
 * A link that is pressed while an action is under way is followed when that is through. Otherwise the router would
 * give the action up, and show the next view as it was before, or as it was not.
 */
export function useLinksWait(): void {
  const underWay = useNavigation().state === 'submitting';
  const navigate = useNavigate();
  const waiting = useRef<Location>(undefined);
  // The router forgets what it blocks as soon as the action is through: the way is kept here.
  useBlocker(({ nextLocation, historyAction }) => {
    if (!underWay || historyAction === NavigationType.Pop) return false;
    waiting.current = nextLocation;
    return true;
  });
  useEffect(() => {
    const to = waiting.current;
    if (underWay || !to) return;
    waiting.current = undefined;
    void navigate(to);
  }, [underWay, navigate]);
}

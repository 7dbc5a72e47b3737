import { useEffect } from 'react';
import { useBlocker, useNavigation } from 'react-router';

/**
 * A link that is pressed while an action is under way is followed when that is through. Otherwise the router would
 * give the action up, and show the next view as it was before, or as it was not.
 */
export function useLinksWait(): void {
  const underWay = useNavigation().state === 'submitting';
  const link = useBlocker(underWay);
  useEffect(() => {
    if (link.state === 'blocked' && !underWay) link.proceed();
  }, [link, underWay]);
}

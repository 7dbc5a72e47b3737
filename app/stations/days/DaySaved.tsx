import { AwayNotice } from '../../ui/AwayNotice';
import { Notice } from '../../ui/Notice';
import { Problems } from '../../ui/Problems';
import type { useDay } from './useDay';

/** What became of the last change of a day, where it was not simply kept. */
export const DaySaved = ({ told, away }: Pick<ReturnType<typeof useDay>, 'told' | 'away'>) => (
  <>
    <AwayNotice answer={away} />
    {told && <Problems problems={told.problems} title="Not saved." />}
    {told?.outcome === 'changed' && (
      <Notice grade="caution" title="Somebody else changed this day.">
        <p>What they kept is shown now. Enter your change again.</p>
      </Notice>
    )}
  </>
);

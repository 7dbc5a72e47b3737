import { isNotKept } from './keepTyped';
import { Notice } from './Notice';

/** Said beside a form that was not kept. */
export function AwayNotice({ answer }: { answer: object | undefined }) {
  if (!isNotKept(answer)) return null;
  return (
    <div role="alert">
      {answer.notKept === 'away' ? (
        <Notice grade="caution" title="Not saved: Live Tune does not answer.">
          <p>What you typed is still here. It starts again by itself; try once more in a moment.</p>
        </Notice>
      ) : (
        <Notice grade="caution" title="Not saved: there is no room on the disk of the bench computer.">
          <p>What you typed is still here. Make room there, then try once more.</p>
        </Notice>
      )}
    </div>
  );
}

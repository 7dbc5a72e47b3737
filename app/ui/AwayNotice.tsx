import { isNotKept } from './keepTyped';
import { Notice } from './Notice';

/** Said beside a form that was not kept. */
export function AwayNotice({ answer }: { answer: object | undefined }) {
  if (!isNotKept(answer)) return null;
  return (
    <div role="alert">
      {answer.notKept === 'notYours' ? (
        <Notice grade="caution" title="Not saved: this device may not do that.">
          <p>What you typed is still here. Ask the owner, at the bench.</p>
        </Notice>
      ) : answer.notKept === 'away' ? (
        <Notice grade="caution" title="Not saved: Live Tune does not answer.">
          <p>What you typed is still here. It starts again by itself. Try again in a moment.</p>
        </Notice>
      ) : (
        <Notice grade="caution" title="Not saved: the disk of the bench computer is full.">
          <p>What you typed is still here. Free some space, then try again.</p>
        </Notice>
      )}
    </div>
  );
}

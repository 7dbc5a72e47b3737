import { Notice } from './Notice';

/** Said beside a form that could not be sent. */
export function AwayNotice({ answer }: { answer: object | undefined }) {
  if (!answer || !('away' in answer)) return null;
  return (
    <div role="alert">
      <Notice grade="caution" title="Not saved: Live Tune does not answer.">
        <p>What you typed is still here. It starts again by itself; try once more in a moment.</p>
      </Notice>
    </div>
  );
}

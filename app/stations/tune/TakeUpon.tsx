import type { Verdict } from '#core/advice/verdicts/verdict';
import { useId, useState } from 'react';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';

/** A hazard is loaded only by somebody who says why. The reason is kept, and stands on the sheet. */
export function TakeUpon({ verdict: { id, sentence, overridden } }: { verdict: Verdict }) {
  const { goals, changeGoals } = useBench();
  const [reason, setReason] = useState('');
  const field = useId();
  if (overridden !== undefined)
    return (
      <p className="mt-1 border-t border-hazard pt-1">
        You load it all the same: “{overridden}”{' '}
        <Button
          look="quiet"
          onClick={() => {
            const { [id]: _, ...others } = goals.overridden;
            changeGoals({ overridden: others });
          }}
        >
          take that back
        </Button>
      </p>
    );
  const typed = reason.trim();
  return (
    <details className="mt-1">
      <summary className="min-h-8 cursor-pointer py-1">Load it all the same …</summary>
      <label htmlFor={field} className="block">
        Why? The reason stands on the sheet.
      </label>
      <span className="mt-1 flex flex-wrap gap-2">
        <input
          id={field}
          value={reason}
          maxLength={300}
          onChange={(event) => setReason(event.target.value)}
          className={`${INPUT} min-w-0 flex-1`}
        />
        <Button
          disabled={typed === ''}
          onClick={() =>
            changeGoals({ overridden: { ...goals.overridden, [id]: { sentence, reason: typed } } })
          }
        >
          I take it upon me
        </Button>
      </span>
    </details>
  );
}

import type { Verdict } from '#core/advice/verdicts/verdict';
import { useId, useState } from 'react';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';

/** What a hazard and a thing done on purpose are called here. */
const WORDS = {
  hazard: {
    kept: 'You load it anyway',
    ask: 'Load it anyway …',
    say: 'I accept the risk',
  },
  meant: { kept: 'You mean it', ask: 'I mean it …', say: 'Keep it' },
};

/**
 * A hazard is loaded only by somebody who says why; what is done on purpose can be kept as meant. The reason is kept, and stands
 * on the sheet.
 */
export function TakeUpon({ verdict: { id, grade, sentence, overridden } }: { verdict: Verdict }) {
  const words = WORDS[grade === 'hazard' ? 'hazard' : 'meant'];
  const { goals, changeGoals } = useBench();
  const [reason, setReason] = useState('');
  const field = useId();
  if (overridden !== undefined)
    return (
      <p className={`mt-1 border-t pt-1 ${grade === 'hazard' ? 'border-hazard' : 'border-rule'}`}>
        {words.kept}: “{overridden}”{' '}
        <Button
          look="quiet"
          onClick={() => {
            const { [id]: _, ...others } = goals.overridden;
            changeGoals({ overridden: others });
          }}
        >
          undo that
        </Button>
      </p>
    );
  const typed = reason.trim();
  return (
    <details className="mt-1">
      <summary className="min-h-8 cursor-pointer py-1">{words.ask}</summary>
      <label htmlFor={field} className="block">
        Why? The sheet will show your reason.
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
          {words.say}
        </Button>
      </span>
    </details>
  );
}

import { openAdvice } from '#core/advice/advise';
import { PURPOSES, SURFACES, type Purpose, type Surface } from '#core/advice/goals';
import { Redo2, Sparkle, Undo2 } from 'lucide-react';
import { useMemo } from 'react';
import { Button } from '../../ui/Button';
import { useBench, useKeeping } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';
import { useGoals } from './useGoals';

/** What the driver is after, and one key for all that follows from it. */
export function AdviceBar() {
  const { profile, rig, drafted, moveAll } = useBench();
  const { goals, change, case_ } = useGoals();
  const { undo, redo, steps } = useKeeping();
  const open = useMemo(() => openAdvice(case_, profile.items, drafted), [case_, profile, drafted]);
  const count = Object.keys(open).length;
  return (
    <section aria-labelledby="advice" className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
      <h2 id="advice" className="sr-only">
        Advice
      </h2>
      <label className="flex items-center gap-2">
        For
        <select
          value={goals.purpose}
          onChange={(event) => change({ purpose: event.target.value as Purpose })}
          className={INPUT}
        >
          {Object.entries(PURPOSES).map(([id, words]) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </select>
      </label>
      {rig.vehicle.kind === 'wheels' && (
        <label className="flex items-center gap-2">
          on ground that is
          <select
            value={goals.surface}
            onChange={(event) => change({ surface: event.target.value as Surface })}
            className={INPUT}
          >
            {Object.entries(SURFACES).map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </select>
        </label>
      )}
      <Button onClick={() => moveAll(open)} disabled={count === 0}>
        <Sparkle className="size-5" aria-hidden="true" />
        {count === 0 ? 'All advice is taken' : `Take all advice: ${count}`}
      </Button>
      <span className="flex gap-2">
        <Button onClick={undo} disabled={steps.back === 0} aria-label="Undo">
          <Undo2 className="size-5" aria-hidden="true" />
        </Button>
        <Button onClick={redo} disabled={steps.forward === 0} aria-label="Redo">
          <Redo2 className="size-5" aria-hidden="true" />
        </Button>
      </span>
    </section>
  );
}

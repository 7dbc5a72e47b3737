import { openAdvice } from '#core/advice/advise';
import { PURPOSES, SURFACES, type Goals } from '#core/advice/goals';
import { Redo2, Sparkle, Undo2 } from 'lucide-react';
import { memo, useId } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button';
import { QuickLine } from './QuickLine';
import { focusRailOf } from './useRailKeys';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';

/** What the driver is after, and one key for all that follows from it. */
export function AdviceBar() {
  const { rigId, profile, rig, sure, advice, goals, changeGoals, moveAll, history } = useBench();
  const { undo, redo, steps } = history;
  const open = openAdvice(advice, profile.items, sure);
  const count = Object.keys(open).length;
  return (
    <section aria-labelledby="advice" className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2 text-sm">
      <h2 id="advice" className="sr-only">
        Advice
      </h2>
      <Choice name="For" of={PURPOSES} goal="purpose" value={goals.purpose} onChoose={changeGoals} />
      {rig.vehicle.kind === 'wheels' && (
        <Choice
          name="on ground that is"
          of={SURFACES}
          goal="surface"
          value={goals.surface}
          onChoose={changeGoals}
        />
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
      <QuickLine onNamed={focusRailOf} />
      <p className="flex basis-full flex-wrap gap-x-5">
        <Button look="quiet" asChild>
          <Link to={`/rigs/${rigId}/list`}>Whole sheet, compared</Link>
        </Button>
        <Button look="quiet" asChild>
          <Link to={`/rigs/${rigId}/trouble`}>What is wrong with it?</Link>
        </Button>
        <Button look="quiet" asChild>
          <a href="#off-the-esc">
            {rig.vehicle.kind === 'wheels' ? 'Pinion, pack, radio' : 'Pack and radio'}
          </a>
        </Button>
      </p>
    </section>
  );
}

interface ChoiceProps {
  name: string;
  of: Readonly<Record<string, string>>;
  goal: 'purpose' | 'surface';
  value: string;
  onChoose: (change: Partial<Goals>) => void;
}

const Choice = memo(function Choice({ name, of, goal, value, onChoose }: ChoiceProps) {
  const id = useId();
  return (
    <span className="flex items-center gap-2">
      <label htmlFor={id}>{name}</label>
      <select
        id={id}
        value={value}
        onChange={(event) => onChoose({ [goal]: event.target.value })}
        className={INPUT}
      >
        {Object.entries(of).map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </select>
    </span>
  );
});

import { openAdvice } from '#core/advice/advise';
import { PURPOSES, SURFACES, type Goals } from '#core/advice/goals';
import { Ellipsis, Redo2, Sparkle, Undo2 } from 'lucide-react';
import { memo, useId, useState } from 'react';
import { Button } from '../../ui/Button';
import { ListDialog } from './ListDialog';
import { QuickLine } from './QuickLine';
import { preferencesNow, savePreferences } from '../../preferences/usePreferences';
import { focusRailOf } from './useRailKeys';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';
import { MarksLegend } from './MarksLegend';

/** In one row: what the driver is after, all advice by one key, undo, and the quick line. On a phone the rest folds. */
export function ToolRow() {
  const { profile, rig, sure, advice, goals, changeGoals, moveAll, history } = useBench();
  const { undo, redo, steps } = history;
  const [isOpen, setOpen] = useState(false);
  const [list, setList] = useState<string>();
  const open = openAdvice(advice, profile.items, sure);
  const count = Object.keys(open).length;
  const folds = isOpen ? '' : 'max-md:hidden';
  return (
    <section
      aria-labelledby="advice"
      className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-rule px-5 py-1 text-sm"
    >
      <h2 id="advice" className="sr-only">
        Advice
      </h2>
      <span className={`flex flex-wrap items-center gap-x-3 gap-y-1 ${folds}`}>
        <Choice name="For" of={PURPOSES} goal="purpose" value={goals.purpose} onChoose={changeGoals} />
        {rig.vehicle.kind === 'wheels' && (
          <Choice name="Ground" of={SURFACES} goal="surface" value={goals.surface} onChoose={changeGoals} />
        )}
      </span>
      <Button onClick={() => moveAll(open)} disabled={count === 0} className={folds}>
        <Sparkle className="size-5" aria-hidden="true" />
        {count === 0 ? 'All advice is taken' : `Take all advice: ${count}`}
      </Button>
      <span className="flex gap-1">
        <Button onClick={undo} disabled={steps.back === 0} aria-label="Undo">
          <Undo2 className="size-5" aria-hidden="true" />
        </Button>
        <Button onClick={redo} disabled={steps.forward === 0} aria-label="Redo">
          <Redo2 className="size-5" aria-hidden="true" />
        </Button>
      </span>
      <QuickLine onNamed={goToRail} onList={setList} />
      <span className={folds}>
        <ListDialog begun={list} onBegin={setList} />
      </span>
      <Button
        className="md:hidden"
        aria-expanded={isOpen}
        aria-label="More tools"
        onClick={() => setOpen(!isOpen)}
      >
        <Ellipsis className="size-5" aria-hidden="true" />
      </Button>
      <span className={folds}>
        <MarksLegend />
      </span>
    </section>
  );
}

/** To the rail of an item, which may be among those that are not shown. */
function goToRail(itemId: string): void {
  if (focusRailOf(itemId)) return;
  savePreferences({ ...preferencesNow(), essentialsOnly: false });
  requestAnimationFrame(() => focusRailOf(itemId));
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

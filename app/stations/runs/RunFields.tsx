import { SURFACES, type Surface } from '#core/advice/goals';
import type { RunEntry } from '#core/runs/entry';
import { readingsOf, type ReadingId } from '#core/runs/readings';
import { TROUBLES, type TroubleId } from '#core/triage/symptoms';
import { troublesOf } from '#core/triage/triage';
import type { Problem } from '#core/units/problem';
import { useId, type ReactNode } from 'react';
import { TickBox } from '../../ui/TickBox';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';
import { MomentTaps } from './MomentTaps';
import { ReadingFields } from './ReadingFields';

/** The numbers that most people read after a run. Common practice: a thermometer on the can, the ESC's own least volts. */
const FIRST: readonly ReadingId[] = ['canCelsius', 'lowestVolts', 'putBackMah'];

interface Props {
  entry: RunEntry;
  problems: readonly Problem[];
  /** Packs to choose from; any other may be typed. */
  packs?: readonly string[];
  change: (part: Partial<RunEntry>) => void;
  /** What stands at the end of the part that folds. */
  children?: ReactNode;
}

/** What can be said of a run: the moments and a few numbers first, everything else folded. */
export function RunFields({ entry, problems, packs = [], change, children }: Props) {
  const shelf = useId();
  const { kind } = useBench().rig.vehicle;
  const rest = readingsOf(kind).filter((id) => !FIRST.includes(id));
  const problemAt = (path: string): string | undefined =>
    problems.find((problem) => problem.path === path)?.sentence;
  const isFolded = !problems.some(({ path }) => [...rest, 'airCelsius'].includes(path));
  return (
    <>
      <MomentTaps felt={entry.felt} onChange={(felt) => change({ felt })} />
      <div className="mt-2">
        <ReadingFields
          kinds={FIRST}
          readings={entry.readings}
          problems={problems}
          onChange={(readings) => change({ readings })}
        />
      </div>
      <div className="mt-2 grid grid-cols-2 gap-3">
        <Field label="Pack">
          <input
            value={entry.pack}
            list={shelf}
            maxLength={200}
            autoComplete="off"
            onChange={(event) => change({ pack: event.target.value })}
            className={`${INPUT} w-full`}
          />
          <datalist id={shelf}>
            {packs.map((label) => (
              <option key={label} value={label} />
            ))}
          </datalist>
        </Field>
        <NumberField
          label="Time, min"
          value={entry.minutes}
          problem={problemAt('minutes')}
          onChange={(minutes) => change({ minutes })}
        />
      </div>
      <Words value={entry.words} onChange={(words) => change({ words })} />
      <details open={isFolded ? undefined : true} className="mt-1">
        <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">
          What was wrong, more numbers, place and weather
        </summary>
        <TroubleTicks troubles={entry.troubles} onChange={(troubles) => change({ troubles })} />
        <ReadingFields
          kinds={rest}
          readings={entry.readings}
          problems={problems}
          onChange={(readings) => change({ readings })}
        />
        <div className="mt-2 grid grid-cols-2 gap-3">
          <Field label="Place">
            <input
              value={entry.place}
              maxLength={200}
              onChange={(event) => change({ place: event.target.value })}
              className={`${INPUT} w-full`}
            />
          </Field>
          <NumberField
            label="Air, °C"
            value={entry.airCelsius}
            problem={problemAt('airCelsius')}
            onChange={(airCelsius) => change({ airCelsius })}
          />
          <Field label="Ground">
            <select
              value={entry.surface}
              onChange={(event) => change({ surface: event.target.value as Surface | '' })}
              className={`${INPUT} w-full`}
            >
              <option value="">not noted</option>
              {Object.entries(SURFACES).map(([id, words]) => (
                <option key={id} value={id}>
                  {words}
                </option>
              ))}
            </select>
          </Field>
          <Field label="Cooling">
            <input
              value={entry.cooling}
              maxLength={200}
              placeholder="fan, closed body"
              onChange={(event) => change({ cooling: event.target.value })}
              className={`${INPUT} w-full`}
            />
          </Field>
        </div>
        <Field label="Does not count, because">
          <input
            value={entry.leftOut}
            maxLength={200}
            placeholder="empty if it counts"
            onChange={(event) => change({ leftOut: event.target.value })}
            className={`${INPUT} w-full`}
          />
        </Field>
        {children}
      </details>
    </>
  );
}

function TroubleTicks({
  troubles,
  onChange,
}: {
  troubles: readonly TroubleId[];
  onChange: (troubles: readonly TroubleId[]) => void;
}) {
  const { rig, profile, believed, memory, rules, goals } = useBench();
  const known = troublesOf({ rig, profile, stops: believed, range: memory.range, rules, goals });
  return (
    <fieldset>
      <legend className="font-bold">What was wrong?</legend>
      <div className="grid gap-x-4 sm:grid-cols-2">
        {known.map((id) => (
          <TickBox
            key={id}
            on={troubles.includes(id)}
            onChange={(on) => onChange(on ? [...troubles, id] : troubles.filter((one) => one !== id))}
          >
            {TROUBLES[id].words}
          </TickBox>
        ))}
      </div>
    </fieldset>
  );
}

const Field = ({ label, children }: { label: string; children: ReactNode }) => (
  <label className="mt-1 block min-w-0">
    <span className="block text-sm">{label}</span>
    {children}
  </label>
);

/** What is written in a text area counts to the text of a label round it: this one stands beside. */
function Words({ value, onChange }: { value: string; onChange: (value: string) => void }) {
  const id = useId();
  return (
    <div className="mt-1">
      <label htmlFor={id} className="block text-sm">
        In your words
      </label>
      <textarea
        id={id}
        rows={2}
        maxLength={2000}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className="w-full rounded-sm border border-muted bg-sheet p-2"
      />
    </div>
  );
}

interface NumberFieldProps {
  label: string;
  value: string;
  problem: string | undefined;
  onChange: (value: string) => void;
}

const NumberField = ({ label, value, problem, onChange }: NumberFieldProps) => (
  <Field label={label}>
    <input
      value={value}
      inputMode="decimal"
      autoComplete="off"
      aria-invalid={problem !== undefined}
      onChange={(event) => onChange(event.target.value)}
      className={`${INPUT} w-full`}
    />
    {problem && <span className="block text-sm font-bold text-hazard">{problem}</span>}
  </Field>
);

import { usuallyFrom, type RunEntry } from '#core/runs/entry';
import { READ_FROM, READINGS, type ReadFrom, type ReadingId } from '#core/runs/readings';
import type { Problem } from '#core/units/problem';
import { INPUT } from '../rig/formParts';

interface Props {
  kinds: readonly ReadingId[];
  readings: RunEntry['readings'];
  problems: readonly Problem[];
  onChange: (readings: RunEntry['readings']) => void;
}

/** Numbers that were read, each with where it was read off. */
export function ReadingFields({ kinds, readings, problems, onChange }: Props) {
  return kinds.map((kind) => {
    const { name, unit } = READINGS[kind];
    const { value, from } = readings[kind] ?? { value: '', from: usuallyFrom(kind) };
    const problem = problems.find(({ path }) => path === kind);
    const write = (next: { value: string; from: ReadFrom }): void => onChange({ ...readings, [kind]: next });
    return (
      <div key={kind} className="border-b border-rule py-1">
        <div className="flex items-center gap-2">
          <label htmlFor={kind} className="min-w-0 flex-1 leading-tight">
            {name}
          </label>
          <input
            id={kind}
            value={value}
            inputMode="decimal"
            autoComplete="off"
            aria-invalid={problem !== undefined}
            aria-describedby={problem ? `${kind}-problem` : undefined}
            onChange={(event) => write({ value: event.target.value, from })}
            className={`${INPUT} w-20 px-2 text-right`}
          />
          <span className="w-10 shrink-0">{unit}</span>
          <select
            aria-label={`${name}: read`}
            value={from}
            onChange={(event) => write({ value, from: event.target.value as ReadFrom })}
            className="min-h-11 w-28 shrink-0 rounded-sm border border-muted bg-sheet px-1 text-sm"
          >
            {(Object.keys(READ_FROM) as ReadFrom[]).map((id) => (
              <option key={id} value={id}>
                {READ_FROM[id]}
              </option>
            ))}
          </select>
        </div>
        {problem && (
          <p id={`${kind}-problem`} className="text-sm font-bold text-hazard">
            {problem.sentence}
          </p>
        )}
      </div>
    );
  });
}

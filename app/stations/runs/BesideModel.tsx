import { READ_FROM, READINGS } from '#core/runs/readings';
import type { Run } from '#core/runs/run';
import { withUnit } from '#core/units/format';
import { useMemo } from 'react';
import { DataTable } from '../../ui/DataTable';
import { usePredicted } from './usePredicted';

/** The numbers of a run beside the model's own, for the same values, pack, air and minutes. */
export function BesideModel({ run }: { run: Run }) {
  const runs = useMemo(() => [{ key: 0, run }], [run]);
  const kinds = useMemo(() => run.readings.map(({ kind }) => kind), [run]);
  const told = usePredicted(runs, kinds)[0];
  if (run.readings.length === 0)
    return (
      <p className="mt-4 text-muted">
        No number was noted. With one, the model stands beside it here: the can after a short run, say.
      </p>
    );
  return (
    <section className="mt-5" aria-label="Beside the model">
      <h2 className="text-2xl">Beside the model</h2>
      <DataTable
        label="Beside the model"
        heads={['number', { name: 'read', isNumber: true }, { name: 'model', isNumber: true }, 'difference']}
        className="max-w-3xl"
      >
        {run.readings.map(({ kind, value, from }) => {
          const { name, unit, decimals } = READINGS[kind];
          const model = told?.[kind];
          return (
            <tr key={kind}>
              <th scope="row">
                {name} <span className="text-sm text-muted">{READ_FROM[from]}</span>
              </th>
              <td className="text-right font-bold">{withUnit(value, unit, decimals)}</td>
              <td className="text-right">
                {told === undefined
                  ? '…'
                  : model === undefined
                    ? 'cannot say'
                    : withUnit(model, unit, decimals)}
              </td>
              <td className="text-muted">
                {model === undefined ? '' : differenceWords(value - model, kind)}
              </td>
            </tr>
          );
        })}
      </DataTable>
      <p className="mt-1 max-w-2xl text-sm text-muted">
        The model drives this rig as it is described now, with what the ESC held on this run
        {run.minutes === null && '. Without the minutes it cannot say what depends on them'}.
      </p>
    </section>
  );
}

function differenceWords(difference: number, kind: keyof typeof READINGS): string {
  const { unit, decimals, less, more } = READINGS[kind];
  const size = Math.abs(difference);
  if (Number(size.toFixed(decimals)) === 0) return 'as predicted';
  return `${withUnit(size, unit, decimals)} ${difference < 0 ? less : more} than predicted`;
}

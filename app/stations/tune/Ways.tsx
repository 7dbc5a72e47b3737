import { waysOf, type Way } from '#core/advice/ways';
import { factoryStops } from '#core/esc/profile';
import { memo, useMemo, useState } from 'react';
import { DataTable } from '../../ui/DataTable';
import { useBench } from '../bench/BenchContext';

/** Disagreements about how to work, computed once somebody looks. */
export const Ways = memo(function Ways() {
  const [isOpen, setOpen] = useState(false);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2 font-bold">Ways to work</summary>
      {isOpen && <Questions />}
    </details>
  );
});

function Questions() {
  const { draftedRig: rig, profile, drafted, believed, memory, rules, goals } = useBench();
  const ways = useMemo(
    () =>
      waysOf({
        rig,
        profile,
        stops: drafted,
        believed,
        factory: factoryStops(profile),
        range: memory.range,
        rules,
        goals,
      }),
    [rig, profile, drafted, believed, memory.range, rules, goals],
  );
  return ways.map((way) => <Question key={way.id} way={way} />);
}

function Question({ way: { question, sides, usual } }: { way: Way }) {
  return (
    <div className="border-t border-rule py-2">
      <h3 className="font-sans">{question}</h3>
      <DataTable label={question} heads={['side', 'here']} hidesHeads>
        {sides.map(({ name, because, here }) => (
          <tr key={name} className="align-top">
            <th scope="row" className="w-2/5 py-1.5 pr-4 font-normal">
              <span className="block font-bold">{name}</span>
              <span className="block text-sm text-muted">{because}</span>
            </th>
            <td>{here}</td>
          </tr>
        ))}
      </DataTable>
      <p className="text-muted">Usual: {usual}</p>
    </div>
  );
}

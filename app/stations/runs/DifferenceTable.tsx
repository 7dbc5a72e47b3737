import type { Difference } from '#core/runs/differences';
import { DataTable } from '../../ui/DataTable';

/** What was different between two runs. */
export function DifferenceTable({ differences }: { differences: readonly Difference[] }) {
  if (differences.length === 0) return <p>Nothing that was noted differs.</p>;
  return (
    <DataTable label="What differs" heads={['what', 'before', 'then']} className="max-w-2xl">
      {differences.map(({ key, name, from, to, matters }) => (
        <tr key={key} className={matters ? '' : 'text-muted'}>
          <th scope="row">{name}</th>
          <td>{from}</td>
          <td className={matters ? 'font-bold' : ''}>{to}</td>
        </tr>
      ))}
    </DataTable>
  );
}

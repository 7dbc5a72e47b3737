import { itemById, stopById } from '#core/esc/profile';
import type { ComparedValue } from '#core/firmware/compare';
import { DataTable } from '../../ui/DataTable';
import { useBench } from '../bench/BenchContext';

/** What was saved beside what is there, for all that is not known to be the same. */
export function ComparedTable({ compared }: { compared: readonly ComparedValue[] }) {
  const { profile } = useBench();
  const differing = compared.filter(({ outcome }) => outcome !== 'kept');
  return (
    <DataTable label="Saved and now" heads={['item, by its number now', 'saved', 'now']}>
      {differing.map(({ itemId, savedStopId, nowStopId }) => {
        const item = itemById(profile, itemId);
        return (
          <tr key={itemId}>
            <th scope="row">
              {item.number} {item.label}
            </th>
            <td className="font-bold text-draft">{stopById(item, savedStopId).label}</td>
            <td>{nowStopId === null ? 'not checked' : stopById(item, nowStopId).label}</td>
          </tr>
        );
      })}
    </DataTable>
  );
}

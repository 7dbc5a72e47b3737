import { itemById, stopById } from '#core/esc/profile';
import type { ComparedValue } from '#core/firmware/compare';
import { Scrollable } from '../../ui/Scrollable';
import { useBench } from '../bench/BenchContext';

/** What was saved beside what is there, for all that is not known to be the same. */
export function ComparedTable({ compared }: { compared: readonly ComparedValue[] }) {
  const { profile } = useBench();
  const differing = compared.filter(({ outcome }) => outcome !== 'kept');
  return (
    <Scrollable label="Saved and now">
      <table className="w-full text-left">
        <thead className="text-sm text-muted">
          <tr>
            <th className="py-1 pr-3 font-normal">item, by its number now</th>
            <th className="py-1 pr-3 font-normal">saved</th>
            <th className="py-1 font-normal">now</th>
          </tr>
        </thead>
        <tbody>
          {differing.map(({ itemId, savedStopId, nowStopId }) => {
            const item = itemById(profile, itemId);
            return (
              <tr key={itemId} className="border-t border-rule">
                <th scope="row" className="py-1.5 pr-3 font-normal">
                  {item.number} {item.label}
                </th>
                <td className="py-1.5 pr-3 font-bold text-draft">{stopById(item, savedStopId).label}</td>
                <td className="py-1.5">
                  {nowStopId === null ? 'not checked' : stopById(item, nowStopId).label}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </Scrollable>
  );
}

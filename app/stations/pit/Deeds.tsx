import type { Deed } from '#server/repositories/deeds';
import { DataTable } from '../../ui/DataTable';
import { Time } from '../../ui/Time';
import type { NamedRig } from './Invite';

/** Who did what, the newest first. */
export function Deeds({ deeds, rigs }: { deeds: readonly Deed[]; rigs: readonly NamedRig[] }) {
  if (deeds.length === 0) return null;
  return (
    <details className="mt-8">
      <summary className="min-h-11 cursor-pointer font-display text-2xl font-bold">Who did what</summary>
      <DataTable label="Who did what" heads={['when', 'who', 'what', { name: 'rig', isWide: true }]}>
        {deeds.map(({ who, deed, rigId, times, firstAt, lastAt }) => (
          <tr key={`${firstAt} ${who} ${deed} ${rigId}`}>
            <td className="whitespace-nowrap">
              <Time iso={lastAt} />
            </td>
            <td>{who}</td>
            <td>
              {deed}
              {times > 1 && `, ${times} times`}
            </td>
            <td className="max-md:hidden">{rigs.find((rig) => rig.rigId === rigId)?.name}</td>
          </tr>
        ))}
      </DataTable>
    </details>
  );
}

import { stopById, type ProfileItem, nameOf } from '#core/esc/profile';
import { HAND_VALUE_KEYS, HAND_VALUES } from '#core/rig/handValues';
import type { Draft } from '#core/sheet/draft';
import { DataTable } from '../../ui/DataTable';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useBench, useKeeping } from './BenchContext';

/** Two drafts of one rig: what each means to change where they differ, and the choice between them. */
export function DraftConflict({ theirs }: { theirs: Draft }) {
  const { rig, profile, draft } = useBench();
  const { settle } = useKeeping();
  const differing = profile.items.filter(({ id }) => draft.stops[id] !== theirs.stops[id]);
  return (
    <Notice grade="caution" title="This draft was changed in another tab or on another device.">
      <DataTable
        label="Both drafts where they differ"
        heads={['setting', 'here', 'there']}
        className="max-w-2xl"
      >
        {differing.map((item) => (
          <tr key={item.id}>
            <th scope="row">{nameOf(item)}</th>
            <td className="font-bold">{wanted(item, draft)}</td>
            <td className="font-bold">{wanted(item, theirs)}</td>
          </tr>
        ))}
        {HAND_VALUE_KEYS.filter((key) => draft.byHand[key] !== theirs.byHand[key]).map((key) => {
          const { name, unit, read } = HAND_VALUES[key];
          const wantedIn = ({ byHand }: Draft): string =>
            byHand[key] === undefined || byHand[key] === read(rig) ? 'not changed' : `${byHand[key]} ${unit}`;
          return (
            <tr key={key}>
              <th scope="row">{name}</th>
              <td className="font-bold">{wantedIn(draft)}</td>
              <td className="font-bold">{wantedIn(theirs)}</td>
            </tr>
          );
        })}
      </DataTable>
      <p className="mt-2 flex flex-wrap gap-2">
        <Button onClick={() => settle('mine')}>Keep what is here</Button>
        <Button onClick={() => settle('theirs')}>Take what is there</Button>
      </p>
    </Notice>
  );
}

function wanted(item: ProfileItem, draft: Draft): string {
  const stopId = draft.stops[item.id];
  return stopId === undefined ? 'not changed' : stopById(item, stopId).label;
}

import { stopById, type ProfileItem, nameOf } from '#core/esc/profile';
import { HAND_VALUE_KEYS, HAND_VALUES } from '#core/rig/handValues';
import type { Draft } from '#core/sheet/draft';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Scrollable } from '../../ui/Scrollable';
import { useBench, useKeeping } from './BenchContext';

/** Two drafts of one rig: what each means to change where they differ, and the choice between them. */
export function DraftConflict({ theirs }: { theirs: Draft }) {
  const { rig, profile, draft } = useBench();
  const { settle } = useKeeping();
  const differing = profile.items.filter(({ id }) => draft.stops[id] !== theirs.stops[id]);
  return (
    <Notice grade="caution" title="This draft was changed in another tab or on another device.">
      <Scrollable label="Both drafts where they differ">
        <table className="mt-2 text-left">
          <thead className="text-sm text-muted">
            <tr>
              <th className="pr-5 font-normal">setting</th>
              <th className="pr-5 font-normal">here</th>
              <th className="font-normal">there</th>
            </tr>
          </thead>
          <tbody>
            {differing.map((item) => (
              <tr key={item.id} className="border-t border-rule">
                <th scope="row" className="py-1 pr-5 font-normal">
                  {nameOf(item)}
                </th>
                <td className="py-1 pr-5 font-bold">{wanted(item, draft)}</td>
                <td className="py-1 font-bold">{wanted(item, theirs)}</td>
              </tr>
            ))}
            {HAND_VALUE_KEYS.filter((key) => draft.setup[key] !== theirs.setup[key]).map((key) => {
              const { name, unit, read } = HAND_VALUES[key];
              const wantedIn = ({ setup }: Draft): string =>
                setup[key] === undefined || setup[key] === read(rig)
                  ? 'not changed'
                  : `${setup[key]} ${unit}`;
              return (
                <tr key={key} className="border-t border-rule">
                  <th scope="row" className="py-1 pr-5 font-normal">
                    {name}
                  </th>
                  <td className="py-1 pr-5 font-bold">{wantedIn(draft)}</td>
                  <td className="py-1 font-bold">{wantedIn(theirs)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </Scrollable>
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

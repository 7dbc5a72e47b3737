import { itemById, nameOf, stopById } from '#core/esc/profile';
import { handChangeTitle } from '#core/rig/handValues';
import { unknownItems } from '#core/sheet/evidence';
import { Link } from 'react-router';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';
import { usePutBack } from './usePutBack';

const CHIPS_SHOWN = 3;

/** What differs, and the way to load it. */
export function ChangeBar() {
  const { profile, holdings, changes, handChanges, changeCount, rigId, stations } = useBench();
  const { back, putBack } = usePutBack();
  const unknown = unknownItems(profile, holdings).length;
  const shown = back.length > 0 ? CHIPS_SHOWN - 1 : CHIPS_SHOWN;
  const chips = [
    ...changes.map(({ itemId, fromStopId, toStopId }) => {
      const item = itemById(profile, itemId);
      const from = fromStopId ? stopById(item, fromStopId).label : 'unknown';
      return `${nameOf(item)} ${from} → ${stopById(item, toStopId).label}`;
    }),
    ...handChanges.map(handChangeTitle),
  ];
  return (
    <div
      className={`z-5 flex min-h-13 flex-wrap items-center gap-x-3 gap-y-1 border-t border-ink bg-film px-5 py-1 lg:sticky lg:bottom-0 lg:col-span-2 ${
        changeCount === 0 && back.length === 0 ? 'max-lg:hidden' : ''
      }`}
    >
      {changeCount === 0 && (
        <p className="text-sm text-muted">
          {unknown === 0
            ? 'The draft and the ESC are the same. Move a marker to try something.'
            : `Nothing to load; ${unknown} ${unknown === 1 ? 'value' : 'values'} on the ESC ${unknown === 1 ? 'is' : 'are'} unknown.`}
        </p>
      )}
      {chips.slice(0, shown).map((chip) => (
        <span
          key={chip}
          className="hidden rounded-full border border-draft px-3 py-1 text-sm font-bold text-draft md:inline"
        >
          {chip}
        </span>
      ))}
      {chips.length > shown && (
        <span className="hidden text-sm text-muted md:inline">and {chips.length - shown} more</span>
      )}
      {back.length > 0 && <Button onClick={putBack}>Event over: put {back.length} back</Button>}
      {changeCount > 0 && (
        <Button look="main" asChild className="ml-auto py-1.5!">
          <Link to={`/rigs/${rigId}/load`}>
            {stations.load.state === 'blocked'
              ? 'Load: a hazard is open'
              : `Load ${changeCount} ${changeCount === 1 ? 'change' : 'changes'}`}
          </Link>
        </Button>
      )}
    </div>
  );
}

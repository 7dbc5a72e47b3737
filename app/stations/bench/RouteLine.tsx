import { STATIONS, type StationId, type StationState } from '#core/advice/stationStates';
import { Check, CircleDashed, OctagonAlert } from 'lucide-react';
import { NavLink, Link, useNavigate } from 'react-router';
import { useCommands } from '../../preferences/useCommands';
import { useBench } from './BenchContext';

const STATE_WORDS: Record<StationState, string> = {
  done: 'done',
  due: 'due',
  stale: 'stale',
  blocked: 'blocked',
  idle: 'nothing waiting',
};

/** The stations in the order of the job, each with where it stands. A bar at the bottom on a phone. */
export function RouteLine() {
  const { rigId, stations, changes } = useBench();
  const navigate = useNavigate();
  const goTo = (id: StationId) => () => void navigate(`/rigs/${rigId}/${id}`);
  useCommands({
    rig: goTo('rig'),
    endpoints: goTo('endpoints'),
    tune: goTo('tune'),
    load: goTo('load'),
    sheets: goTo('sheets'),
  });
  return (
    <nav
      aria-label="Stations"
      className="fixed inset-x-0 bottom-0 z-10 border-t border-ink bg-film md:sticky md:top-0 md:h-fit md:w-37 md:shrink-0 md:border-t-0 md:pt-6 print:hidden"
    >
      <ol className="flex justify-between px-1 md:flex-col md:gap-7 md:px-3.5">
        {(Object.keys(STATIONS) as StationId[]).map((id, index) => {
          const { state, why } = stations[id];
          const count = id === 'load' && state === 'due' ? changes.length : undefined;
          return (
            <li key={id} className="relative flex-1 md:flex-none">
              {index > 0 && (
                <span
                  aria-hidden="true"
                  className="absolute -top-9 left-3.5 hidden h-9 border-l-2 border-ink md:block"
                />
              )}
              <NavLink
                to={`/rigs/${rigId}/${id}`}
                title={why}
                className="group flex h-16 flex-col items-center justify-center gap-0.5 text-sm md:h-auto md:min-h-9 md:flex-row md:justify-start md:gap-3 md:text-base aria-[current=page]:font-bold aria-[current=page]:text-draft"
              >
                <StateMark state={state} count={count} />
                {STATIONS[id]}
                <span className="sr-only">
                  , {STATE_WORDS[state]}: {why}
                </span>
              </NavLink>
            </li>
          );
        })}
      </ol>
      <p className="mt-8 ml-4 hidden border-t border-rule pt-4 md:block">
        <Link to="/" className="hover:text-draft">
          All rigs
        </Link>
      </p>
    </nav>
  );
}

/** Filled and ticked when done, numbered or dotted when due, dashed when stale, eight-sided when blocked. */
function StateMark({ state, count }: { state: StationState; count: number | undefined }) {
  const ring =
    'relative z-1 flex size-7 items-center justify-center rounded-full border-2 bg-film text-sm font-bold';
  if (state === 'blocked') {
    return <OctagonAlert className="relative z-1 size-7 bg-film text-hazard" aria-hidden="true" />;
  }
  if (state === 'stale') {
    return <CircleDashed className="relative z-1 size-7 bg-film text-caution" aria-hidden="true" />;
  }
  if (state === 'done') {
    return (
      <span className={`${ring} border-ink bg-ink text-film`} aria-hidden="true">
        <Check className="size-4" strokeWidth={3} />
      </span>
    );
  }
  return (
    <span className={`${ring} ${state === 'due' ? 'border-ink' : 'border-rule'}`} aria-hidden="true">
      {count ?? (state === 'due' ? <span className="size-2.5 rounded-full bg-ink" /> : null)}
    </span>
  );
}

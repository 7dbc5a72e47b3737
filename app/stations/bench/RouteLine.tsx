import { STATIONS, type StationId } from '#core/advice/stationStates';
import { NavLink, Link, useNavigate } from 'react-router';
import { useCommands } from '../../preferences/useCommands';
import { StateMark, STATE_WORDS } from '../../ui/StateMark';
import { useYou } from '../../ui/useYou';
import { useBench } from './BenchContext';

/** What a visitor sees of a rig. */
const SEEN_BY: Partial<Record<StationId, 'visitor'>> = { rig: 'visitor', tune: 'visitor', sheets: 'visitor' };

/** The stations in the order of the job, each with where it stands. A bar at the bottom on a phone. */
export function RouteLine() {
  const { rigId, profile, stations, changeCount } = useBench();
  const { sees } = useYou();
  const shown = (Object.keys(STATIONS) as StationId[]).filter((id) => sees(SEEN_BY[id] ?? 'helper'));
  const navigate = useNavigate();
  const goTo = (id: StationId) => () => void navigate(`/rigs/${rigId}/${id}`);
  useCommands({
    rig: goTo('rig'),
    endpoints: goTo('endpoints'),
    tune: goTo('tune'),
    load: goTo('load'),
    runs: goTo('runs'),
    sheets: goTo('sheets'),
  });
  return (
    <nav
      aria-label="Stations"
      className="fixed inset-x-0 bottom-0 z-10 border-t border-ink bg-film md:sticky md:top-0 md:h-fit md:w-37 md:shrink-0 md:border-t-0 md:pt-6 print:hidden"
    >
      <ol className="flex justify-between px-1 md:flex-col md:gap-7 md:px-3.5">
        {shown.map((id, index) => {
          const { state, why } = stations[id];
          const count = id === 'load' && state === 'due' ? changeCount : undefined;
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
                aria-label={`${STATIONS[id]}, ${STATE_WORDS[state]}: ${why}`}
                className="group flex h-16 flex-col items-center justify-center gap-0.5 text-sm md:h-auto md:min-h-9 md:flex-row md:justify-start md:gap-3 md:text-base aria-[current=page]:font-bold aria-[current=page]:text-draft"
              >
                <StateMark state={state} count={count} />
                <span className="min-w-0">
                  {STATIONS[id]}
                  {state === 'stale' && (
                    <span
                      aria-hidden="true"
                      className="hidden text-xs leading-tight font-normal text-caution md:block"
                    >
                      {why}
                    </span>
                  )}
                </span>
              </NavLink>
            </li>
          );
        })}
      </ol>
      <p className="mt-8 ml-4 hidden border-t border-rule pt-4 md:block">
        {sees('helper') && (
          <>
            <Link
              to={`/rehearse/${profile.id}?rig=${rigId}`}
              className="block min-h-9 font-bold hover:text-draft"
            >
              Rehearse
            </Link>
            <Link to="/" className="block min-h-9 hover:text-draft">
              All rigs
            </Link>
          </>
        )}
        <Link to="/glossary" className="block min-h-9 hover:text-draft">
          Glossary
        </Link>
      </p>
    </nav>
  );
}

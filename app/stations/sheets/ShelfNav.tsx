import { NavLink } from 'react-router';
import { useBench } from '../bench/BenchContext';

const PLACES = [
  ['sheets', 'Sheets'],
  ['set-ups', 'Set-ups'],
  ['compare', 'Compare'],
  ['history', 'History'],
] as const;

/** What is kept of a rig, and the ways to look at it. */
export function ShelfNav() {
  const { rigId } = useBench();
  return (
    <nav aria-label="Kept" className="print:hidden">
      <ul className="flex flex-wrap gap-x-5 border-b border-rule text-lg">
        {PLACES.map(([path, name]) => (
          <li key={path}>
            <NavLink
              to={`/rigs/${rigId}/${path}`}
              end
              className="inline-block min-h-11 py-2 hover:text-draft aria-[current=page]:border-b-2 aria-[current=page]:border-draft aria-[current=page]:font-bold"
            >
              {name}
            </NavLink>
          </li>
        ))}
      </ul>
    </nav>
  );
}

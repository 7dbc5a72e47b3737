import { NavLink } from 'react-router';
import { useBench } from '../bench/BenchContext';

const PLACES = [
  ['runs', 'Runs'],
  ['runs/between', 'Between heats'],
  ['runs/questions', 'Questions'],
  ['runs/compare', 'Compare runs'],
  ['runs/measure', 'Measure'],
] as const;

/** What is done with runs. */
export function RunsNav() {
  const { rigId } = useBench();
  return (
    <nav aria-label="Runs" className="print:hidden">
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

import { NavLink } from 'react-router';
import { useBench } from './BenchContext';

interface Props {
  /** What the places are of, for those who do not see them. */
  label: string;
  places: readonly (readonly [path: string, name: string])[];
}

/** The pages of a station that has several. */
export function PlacesNav({ label, places }: Props) {
  const { rigId } = useBench();
  return (
    <nav aria-label={label} className="print:hidden">
      <ul className="flex flex-wrap gap-x-5 border-b border-rule text-lg">
        {places.map(([path, name]) => (
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

import { Link } from 'react-router';

/** The mark: one pull of the trigger, with the draft resting on its top. Leads to all rigs. */
export function Logo() {
  return (
    <Link to="/" className="flex items-center gap-2 font-display text-xl font-bold">
      <svg viewBox="0 0 28 24" className="h-6 w-7" aria-hidden="true">
        <path
          d="M2 20c5 0 5-3 8-9 1.4-2.8 3-2.8 4.4 0 2.8 6.5 4.6 9 11.6 9"
          fill="none"
          stroke="currentColor"
          strokeWidth="2.4"
          strokeLinecap="round"
        />
        <path d="M12.2 1.5l4 4-4 4-4-4z" className="fill-draft" />
      </svg>
      Live Tune
    </Link>
  );
}

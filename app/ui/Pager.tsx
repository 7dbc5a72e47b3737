import { Link, useSearchParams } from 'react-router';

interface Props {
  /** What the list holds, as in "rigs". */
  of: string;
  page: number;
  pages: number;
  found: number;
  /** How many come before this page, and how many are on it. */
  offset: number;
  shown: number;
}

/** From page to page of a long list, with where one is; nothing where one page holds it all. */
export function Pager({ of, page, pages, found, offset, shown }: Props) {
  const [params] = useSearchParams();
  if (pages === 1) return null;
  const to = (number: number): string => {
    const next = new URLSearchParams(params);
    next.set('page', String(number));
    return `?${next.toString()}`;
  };
  return (
    <nav aria-label={`Pages of ${of}`} className="mt-4 flex flex-wrap items-center gap-x-5 gap-y-1">
      {page > 1 && (
        <Link to={to(page - 1)} className={STEP} rel="prev">
          previous page
        </Link>
      )}
      <span>
        {offset + 1} to {offset + shown} of {found} {of}
      </span>
      {page < pages && (
        <Link to={to(page + 1)} className={STEP} rel="next">
          next page
        </Link>
      )}
    </nav>
  );
}

const STEP = 'inline-flex min-h-11 items-center underline underline-offset-4 hover:text-draft';

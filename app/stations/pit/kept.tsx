import { useEffect, useState } from 'react';
import { keptHere, type KeptHere } from '../../offline/keptHere';
import { momentHere } from '../../offline/momentHere';
import { Doorstep } from './Doorstep';
import type { Route } from './+types/kept';

export const meta: Route.MetaFunction = () => [{ title: 'Kept pages · Live Tune' }];

/** What can be opened while the bench is away. It stands in for every page that was not kept. */
export default function KeptRoute() {
  const [pages, setPages] = useState<KeptHere[]>();
  useEffect(() => {
    void keptHere().then(setPages);
  }, []);
  return (
    <Doorstep title="What this phone has kept">
      <p className="mt-3">
        These pages open without the bench. Runs you note and lines you tick wait here, and are sent when it
        answers again.
      </p>
      {pages?.length === 0 && (
        <p className="mt-4 text-muted">
          Nothing yet. Open Live Tune for half a minute while the bench answers, on a phone that trusts it.
        </p>
      )}
      <ul className="mt-4 border-t border-rule">
        {pages?.map(({ path, title, at }) => (
          <li key={path} className="border-b border-rule">
            {/* Opened whole: that is how it was kept. */}
            <a href={path} className="flex min-h-11 flex-wrap items-center justify-between gap-x-4 py-2">
              <span className="min-w-0 wrap-anywhere underline underline-offset-4">{title}</span>
              <span className="text-sm text-muted">{momentHere(at)}</span>
            </a>
          </li>
        ))}
      </ul>
    </Doorstep>
  );
}

import { copiesFolderOf } from '#server/archive/folder';
import { currentGarage } from '#server/repositories/garages';
import { copiesIn, type Copies } from '#server/archive/dailyCopies';
import { Download } from 'lucide-react';
import { Button } from '../../ui/Button';
import { Page } from '../../ui/Page';
import { Restore } from './Restore';
import type { Route } from './+types/route';

export async function loader() {
  const garage = await currentGarage();
  return copiesIn(await copiesFolderOf(garage.id));
}

export const meta: Route.MetaFunction = () => [{ title: 'Copies · Live Tune' }];

/** Everything saved in one file, and brought back from one. */
export default function CopiesRoute({ loaderData }: Route.ComponentProps) {
  return (
    <Page>
      <h1 className="text-4xl">Save and restore</h1>
      <section className="mt-6" aria-labelledby="save">
        <h2 id="save" className="text-2xl">
          Save everything
        </h2>
        <p className="mt-1 max-w-2xl">
          One file with all rigs, ESC profiles, drafts, sheets, set-ups, tests, rules and pictures. Pass codes
          are not in it. Keep it on another disk.
        </p>
        <p className="mt-3">
          <Button look="main" asChild>
            <a href="/archive" download>
              <Download className="size-5" aria-hidden="true" />
              Save everything
            </a>
          </Button>
        </p>
      </section>
      <Daily {...loaderData} />
      <Restore />
    </Page>
  );
}

function Daily({ folder, kept, skipped }: Copies) {
  return (
    <section className="mt-8 border-t border-rule pt-4" aria-labelledby="daily">
      <h2 id="daily" className="text-2xl">
        Daily copies
      </h2>
      <p className="mt-1 max-w-2xl">
        Live Tune keeps a copy each day that it runs, the last seven of them, in{' '}
        <code className="wrap-anywhere">{folder}</code>.
      </p>
      {skipped && <p className="mt-2 font-bold text-caution">{skipped}</p>}
      {kept.length === 0 ? (
        <p className="mt-2 text-muted">None yet. The first comes a minute after the start.</p>
      ) : (
        <ul className="mt-2">
          {kept.map(({ day, bytes }) => (
            <li key={day} className="border-t border-rule py-1">
              {day} <span className="text-muted">{Math.ceil(bytes / 1000)} kB</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

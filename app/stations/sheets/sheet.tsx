import { MEDIA } from '#core/esc/media';
import { findSheet } from '#server/repositories/sheets';
import { data } from 'react-router';
import { PrintBar } from '../../ui/PrintBar';
import { Time } from '../../ui/Time';
import { benchOf } from '../bench/benchData.server';
import { SheetTable } from './SheetTable';
import type { Route } from './+types/sheet';

export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  const stored = await findSheet(rigId, Number(params.number));
  if (!stored) throw data(null, { status: 404 });
  return { rigId, ...stored };
}

/** One sheet, laid out for paper: A4 or letter, one page, with room to write. */
export default function SheetRoute({ loaderData }: Route.ComponentProps) {
  const { rigId, number, sheet } = loaderData;
  return (
    <article className="max-w-3xl px-5 py-6 print:max-w-none print:p-0">
      <PrintBar back={[`/rigs/${rigId}/sheets`, 'All sheets']} />
      <h1 className="mt-5 text-3xl print:mt-0">
        {sheet.rigName}: sheet {number}
      </h1>
      <p className="mt-1">
        {sheet.profileName}, revision {sheet.profileRevision} · kept <Time iso={sheet.keptAt} />
        {sheet.medium && ` · by ${MEDIA[sheet.medium].words}`}
        {sheet.simulated === true && ' · on the simulated ESC'}
      </p>
      <div className="mt-4">
        <SheetTable sheet={sheet} />
      </div>
      <p className="mt-4 max-w-2xl border-t border-rule pt-2 wrap-anywhere whitespace-pre-line">
        {sheet.note || 'No note.'}
      </p>
      <p className="mt-2 hidden text-sm print:block">
        Live Tune. A ring means believed only; a broken ring means unknown. Club rules, event rules and local
        law come first.
      </p>
    </article>
  );
}

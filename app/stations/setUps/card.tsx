import { MEDIA } from '#core/esc/media';
import { handMediumOf } from '#core/esc/profile';
import { writeCode } from '#core/setUps/code';
import { setUpTable } from '#core/setUps/setUpTable';
import { findSetUp } from '#server/repositories/setUps';
import QRCode from 'qrcode';
import { data } from 'react-router';
import { DataTable } from '../../ui/DataTable';
import { PrintBar } from '../../ui/PrintBar';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/card';

export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  const stored = await findSetUp(rigId, params.setUpId);
  if (!stored) throw data(null, { status: 404 });
  const code = writeCode(stored.setUp);
  return { setUp: stored.setUp, code, picture: picturesOf(code) };
}

/** The dark squares of a QR code as a path, a unit a square; null where the text is too long for one. */
function picturesOf(code: string): { size: number; path: string } | null {
  let modules: { size: number; get: (row: number, column: number) => number };
  try {
    ({ modules } = QRCode.create(code, { errorCorrectionLevel: 'M' }));
  } catch {
    return null;
  }
  const { size } = modules;
  const dark: string[] = [];
  for (let row = 0; row < size; row += 1)
    for (let column = 0; column < size; column += 1)
      if (modules.get(row, column)) dark.push(`M${column} ${row}h1v1h-1z`);
  return { size, path: dark.join('') };
}

/** A set-up on a page for whoever holds the model: what to set, by what, and a code for another Live Tune. */
export default function CardRoute({ loaderData }: Route.ComponentProps) {
  const { setUp, code, picture } = loaderData;
  const { rigId, rig, profile } = useBench();
  const medium = handMediumOf(profile);
  return (
    <article className="max-w-4xl px-5 py-6 print:max-w-none print:p-0">
      <PrintBar back={[`/rigs/${rigId}/set-ups/${setUp.id}`, 'Back to the set-up']}>
        <a href={`/rigs/${rigId}/set-ups/${setUp.id}.csv`} download className="underline underline-offset-4">
          As a table
        </a>
      </PrintBar>
      <h1 className="mt-5 text-3xl wrap-anywhere print:mt-0">
        {rig.name}: {setUp.name}
      </h1>
      <p>
        {profile.name}
        {medium && ` · set by ${MEDIA[medium.family].words}`}
        {setUp.isFor && ` · for ${setUp.isFor}`}
        {setUp.by && ` · from ${setUp.by}`}
      </p>
      <div className="mt-3 grid gap-6 md:grid-cols-[1fr_auto] print:grid-cols-[1fr_auto]">
        <div>
          <DataTable label="Values" heads={['item', 'name', 'stop', 'value', 'why', 'set']}>
            {setUpTable(setUp).map(({ item, label, stop, value, reason }) => (
              <tr key={`${item} ${label}`}>
                <td className="font-bold">{item}</td>
                <td>{label}</td>
                <td className="text-xl font-bold">{stop}</td>
                <td>{value}</td>
                <td className="text-sm">{reason}</td>
                <td>
                  <span aria-hidden="true" className="inline-block size-5 border border-ink align-middle" />
                </td>
              </tr>
            ))}
          </DataTable>
          {setUp.note && <p className="mt-3 max-w-2xl whitespace-pre-line">{setUp.note}</p>}
          <p className="mt-4 max-w-2xl border-t border-rule pt-2 text-sm">
            Wheels off the ground, propeller off, fingers clear. Unplug the pack before you touch the drive.
            The numbers are those of this ESC only. Club rules, event rules and local law come first.
          </p>
        </div>
        <div className="w-72">
          {picture ? (
            // Dark on white in both themes: a camera needs it so.
            <svg
              viewBox={`-4 -4 ${picture.size + 8} ${picture.size + 8}`}
              role="img"
              aria-label="Code of this set-up"
              className="w-72"
              shapeRendering="crispEdges"
            >
              <rect x={-4} y={-4} width={picture.size + 8} height={picture.size + 8} fill="white" />
              <path d={picture.path} fill="black" />
            </svg>
          ) : (
            <p>This set-up is too long for a code. Hand on its file.</p>
          )}
          <p className="mt-2 text-sm">
            Another Live Tune reads it under Set-ups, Take one in: as a picture, or as this text.
          </p>
          <textarea
            readOnly
            aria-label="Text of the code"
            value={code}
            rows={5}
            onFocus={(event) => event.currentTarget.select()}
            className="mt-1 w-full rounded-sm border border-rule bg-film p-1 font-mono text-xs break-all print:hidden"
          />
        </div>
      </div>
    </article>
  );
}

import { setUpTable } from '#core/setUps/setUpTable';
import { DataTable } from '../../ui/DataTable';
import { QrCode } from '../../ui/QrCode';
import type { Card } from './card.server';

/** What to set on the ESC, by what, and a code for another Live Tune. */
export function SetUpCard({ rigName, escName, setBy, setUp, code, picture }: Card) {
  return (
    <>
      <h1 className="mt-5 text-3xl wrap-anywhere print:mt-0">
        {rigName}: {setUp.name}
      </h1>
      <p>
        {escName}
        {setBy && ` · set by ${setBy}`}
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
            <QrCode picture={picture} label="Code of this set-up" />
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
    </>
  );
}

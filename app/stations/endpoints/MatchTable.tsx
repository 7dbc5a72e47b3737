import { KNOWN_BY, knownEscs } from '#core/calibration/escs';
import { matchTable, SCHOOLS } from '#core/calibration/matchTable';
import { percentOf } from '#core/units/format';
import { DataTable } from '../../ui/DataTable';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import { useChosenEsc } from './useEndpoints';

/** Where each motor starts and tops out on the stick, and which ESC to redo. */
export function MatchTable() {
  const { rig, calibrations, benchTests } = useBench();
  const { ranges, deadbandMicros } = useChosenEsc();
  const escs = knownEscs(rig, ranges, deadbandMicros, calibrations, benchTests);
  const { rows, startSpread, fullSpread, redo, sentence } = matchTable(rig.channel, escs);
  return (
    <section aria-labelledby="match" className="mt-6">
      <h2 id="match" className="border-b border-ink pb-1 text-2xl">
        Do they agree?
      </h2>
      <div className="mt-3 max-w-4xl">
        <Notice grade={redo.length > 0 ? 'caution' : 'note'} title={sentence} />
      </div>
      <DataTable
        label="Match of the ESCs"
        heads={['ESC', 'starts at', 'full from', 'on the stick', 'known by']}
        className="max-w-4xl min-w-130"
      >
        {rows.map(({ name, startShare, fullShare, fullArrives }, place) => (
          <tr key={name}>
            <th scope="row">
              {redo.includes(place) && <span className="text-caution">redo: </span>}
              {name}
            </th>
            <td>{percentOf(startShare, 1)}</td>
            <td>{fullArrives ? percentOf(fullShare, 1) : 'never'}</td>
            <td className="w-2/5 pr-4">
              <Bar from={startShare} to={fullArrives ? fullShare : 1} odd={redo.includes(place)} />
            </td>
            <td>{KNOWN_BY[escs[place]!.basis]}</td>
          </tr>
        ))}
        <tr>
          <th scope="row">Spread</th>
          <td>{percentOf(startSpread, 1)}</td>
          <td>{percentOf(fullSpread, 1)}</td>
          <td colSpan={2} />
        </tr>
      </DataTable>
      <details className="mt-2 max-w-4xl">
        <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">
          One by one or together?
        </summary>
        <dl className="grid gap-x-6 gap-y-2 sm:grid-cols-2">
          {Object.values(SCHOOLS).map(({ name, risk }) => (
            <div key={name}>
              <dt className="font-bold">{name}</dt>
              <dd className="text-muted">{risk}</dd>
            </div>
          ))}
        </dl>
      </details>
    </section>
  );
}

/** The live part of the stick's travel. */
function Bar({ from, to, odd }: { from: number; to: number; odd: boolean }) {
  return (
    <svg viewBox="0 0 200 16" className="h-4 w-full" preserveAspectRatio="none" aria-hidden="true">
      <rect width="200" height="16" className="fill-rule" />
      <rect
        x={from * 200}
        width={Math.max(0, to - from) * 200}
        height="16"
        className={odd ? 'fill-caution' : 'fill-ink'}
      />
    </svg>
  );
}

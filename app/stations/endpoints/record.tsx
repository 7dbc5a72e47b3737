import { CALIBRATED_BY, PULSE_SOURCES, staleReason } from '#core/calibration/calibration';
import { escNames } from '#core/calibration/escs';
import { judgeSupply } from '#core/calibration/supplyTest';
import { FAMILY_WORDS } from '#core/esc/media';
import type { LearnedRange } from '#core/radio/pulse';
import { formatNumber } from '#core/units/format';
import { DataTable } from '../../ui/DataTable';
import { Time } from '../../ui/Time';
import { useBench } from '../bench/BenchContext';
import { useChosenEsc } from './useEndpoints';

/** Every calibration and every test, newest first, with the radio as it was. */
export default function Record() {
  const { rig, profile, calibrations, benchTests: all } = useBench();
  // What is measured of the model stands under Runs.
  const benchTests = all.filter((one) => one.kind !== 'measured');
  const { ranges } = useChosenEsc();
  const names = escNames(rig);
  return (
    <div className="max-w-5xl px-5 py-6">
      <h1 className="text-3xl">What was calibrated and tested</h1>
      {calibrations.length === 0 && <p className="mt-2 text-muted">No calibrations yet.</p>}
      {calibrations.length > 0 && (
        <DataTable
          label="Calibrations"
          heads={['When', ...(names.length > 1 ? ['ESC'] : []), 'How', 'Radio', 'Learned, µs', 'Now']}
          className="min-w-180"
        >
          {calibrations.map((calibration, place) => {
            const { escNumber, channel, family, source, how, after, before, keptAt } = calibration;
            const isLast = calibrations.findIndex((c) => c.escNumber === escNumber) === place;
            const range = ranges[escNumber - 1];
            const why = range && staleReason(calibration, rig.channel, profile.id, range);
            return (
              <tr key={keptAt + String(escNumber)} className="align-top">
                <td>
                  <Time iso={keptAt} />
                </td>
                {names.length > 1 && <td>{names[escNumber - 1] ?? escNumber}</td>}
                <td>
                  {FAMILY_WORDS[family]}
                  <span className="block text-sm text-muted">
                    {PULSE_SOURCES[source]}; {CALIBRATED_BY[how]}
                  </span>
                </td>
                <td>
                  {formatNumber(channel.forwardEndPointPercent, 0)} /{' '}
                  {formatNumber(channel.brakeEndPointPercent, 0)} %
                  <span className="block text-sm text-muted">
                    trim {formatNumber(channel.trimMicros, 0)}, sub-trim{' '}
                    {formatNumber(channel.subTrimMicros, 0)} µs
                    {channel.reversed ? ', reversed' : ''}
                  </span>
                </td>
                <td>
                  {rangeWords(after)}
                  <span className="block text-sm text-muted">before: {rangeWords(before)}</span>
                </td>
                <td>
                  {isLast ? why ? <strong className="text-caution">{why}</strong> : 'holds' : 'replaced'}
                </td>
              </tr>
            );
          })}
        </DataTable>
      )}
      <h2 className="mt-8 border-b border-ink pb-1 text-2xl">Tests</h2>
      {benchTests.length === 0 && <p className="mt-2 text-muted">No tests yet.</p>}
      <ul>
        {benchTests.map((one) => (
          <li key={one.keptAt + one.kind} className="border-b border-rule py-2">
            <Time iso={one.keptAt} />:{' '}
            {one.kind === 'supply'
              ? `supply ${formatNumber(one.test.setVolts, 2)} V, lowest ${formatNumber(one.test.lowestVolts, 2)} V. ${judgeSupply(one.test).title}`
              : `bench test of ${names[one.escNumber - 1] ?? `ESC ${one.escNumber}`}: starts at ${pulseWords(one.test.firstForwardMicros)}, full at ${pulseWords(one.test.fullForwardMicros)}.`}
          </li>
        ))}
      </ul>
    </div>
  );
}

const rangeWords = ({ brakeMicros, neutralMicros, forwardMicros }: LearnedRange): string =>
  (brakeMicros === neutralMicros
    ? [neutralMicros, forwardMicros]
    : [brakeMicros, neutralMicros, forwardMicros]
  )
    .map((micros) => formatNumber(micros, 0))
    .join(' – ');

const pulseWords = (micros: number | null): string =>
  micros === null ? 'no pulse' : `${formatNumber(micros, 0)} µs`;

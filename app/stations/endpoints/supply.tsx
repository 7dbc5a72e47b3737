import { lastSupplyTest } from '#core/calibration/benchTest';
import { judgeSupply, METER_ERROR_VOLTS, type SupplyFinding } from '#core/calibration/supplyTest';
import { itemForSetting, valueOf } from '#core/esc/profile';
import { formatNumber } from '#core/units/format';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';
import { readNumber } from '#core/units/readNumber';
import { useBenchNotes } from './useBenchNotes';

const GRADES: Record<SupplyFinding['grade'], 'note' | 'caution' | 'hazard'> = {
  healthy: 'note',
  weak: 'caution',
  dangerous: 'hazard',
};

/** A minute on the bench: every servo worked at once, the lowest bus voltage read off a meter. */
export default function Supply() {
  const { rig, benchTests } = useBench();
  const servos = rig.busLoads.filter(({ stallAmps, idleAmps }) => stallAmps > idleAmps);
  const last = lastSupplyTest(benchTests)?.test;
  const believedVolts = useSetVolts();
  const [set, setSet] = useState(formatNumber(last?.setVolts ?? believedVolts, 2));
  const [lowest, setLowest] = useState(last ? formatNumber(last.lowestVolts, 2) : '');
  const notes = useBenchNotes();
  const setVolts = readNumber(set);
  const lowestVolts = readNumber(lowest);
  const problem = problemOf(set, setVolts, lowest, lowestVolts);
  const finding =
    problem === undefined && setVolts !== undefined && lowestVolts !== undefined
      ? judgeSupply({ setVolts, lowestVolts })
      : undefined;
  return (
    <div className="max-w-4xl px-5 py-6">
      <h1 className="text-3xl">Does the supply hold up?</h1>
      <p className="mt-1 text-muted">
        A brown-out looks like a low-battery cutoff or a lost radio signal. This one-minute test tells them
        apart.
      </p>
      <ol className="mt-4 list-decimal pl-6 text-lg">
        <li>Disconnect the motor or make the model safe. Use a charged pack.</li>
        <li>Put a meter on a free receiver socket, or watch the radio’s telemetry.</li>
        <li>
          Move all servos at once, fast and to their ends, for ten seconds
          {servos.length > 0 && `: ${servos.map(({ name }) => name).join(', ')}`}.
        </li>
        <li>Note the lowest value.</li>
      </ol>
      <div className="mt-5 flex flex-wrap gap-6">
        <Volts label="BEC setting" value={set} onChange={setSet} />
        <Volts label="Lowest reading" value={lowest} onChange={setLowest} />
      </div>
      <div className="mt-4" aria-live="polite">
        {problem && <p className="font-bold text-hazard">{problem}</p>}
        {finding && (
          <Notice grade={GRADES[finding.grade]} title={finding.title}>
            <p className="mt-1">{finding.reason}</p>
            <ol className="mt-2 list-decimal pl-6">
              {finding.next.map((step) => (
                <li key={step}>{step}</li>
              ))}
            </ol>
          </Notice>
        )}
      </div>
      {finding && (
        <div className="mt-4 flex items-center gap-4">
          <Button
            look="main"
            disabled={notes.busy}
            onClick={() =>
              notes.send({
                note: 'test',
                test: {
                  kind: 'supply',
                  test: { setVolts: setVolts!, lowestVolts: lowestVolts! },
                  keptAt: new Date().toISOString(),
                },
              })
            }
          >
            Keep this test
          </Button>
          <p role="status" className="font-bold text-ok">
            {notes.kept && 'Kept.'}
          </p>
        </div>
      )}
    </div>
  );
}

/** What the BEC gives as it is set now, V. */
function useSetVolts(): number {
  const { profile, believed } = useBench();
  const value = itemForSetting(profile, 'becVolts') && valueOf(profile, believed, 'becVolts');
  return value?.kind === 'number' ? value.value : profile.limits.becMostVolts;
}

function problemOf(
  set: string,
  setVolts: number | undefined,
  lowest: string,
  lowestVolts: number | undefined,
) {
  if (setVolts === undefined) return `“${set}” is not a voltage: 6, say.`;
  if (lowest.trim() === '') return undefined;
  if (lowestVolts === undefined) return `“${lowest}” is not a voltage: 5.8, say.`;
  if (lowestVolts > 30)
    return `${lowest} V is not a bus voltage. If that was millivolts, type ${formatNumber(lowestVolts / 1000, 2)} V.`;
  return lowestVolts > setVolts + METER_ERROR_VOLTS
    ? `The lowest reading is above the BEC setting. One of the two is wrong.`
    : undefined;
}

function Volts({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
}) {
  return (
    <label>
      <span className="block text-sm text-muted">{label}</span>
      <input
        value={value}
        onChange={(event) => onChange(event.target.value)}
        inputMode="decimal"
        autoComplete="off"
        className={`${INPUT} w-28 text-right`}
      />{' '}
      V
    </label>
  );
}

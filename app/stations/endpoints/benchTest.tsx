import { lastTravelTest } from '#core/calibration/benchTest';
import {
  EMPTY_TRAVEL_TEST,
  foundRange,
  measuredSide,
  percentOfMicros,
  problemsOf,
  readPulse,
  TEST_POINTS,
  type PulseUnit,
  type TestPoint,
  type TravelTest,
} from '#core/calibration/travelTest';
import type { ThrottleChannel } from '#core/radio/pulse';
import { asymmetryOf, travelReport } from '#core/radio/travel';
import { formatNumber, percentOf } from '#core/units/format';
import { useState } from 'react';
import { SafetyGate } from '../../simulated/SafetyGate';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { PulseRuler } from '../../ui/PulseRuler';
import { Scrollable } from '../../ui/Scrollable';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';
import { LivePulse, useLivePulse } from './LivePulse';
import { useBenchNotes } from './useBenchNotes';
import { useChosenEsc } from './useEndpoints';

type Choices = Pick<TravelTest, 'quietAtNeutral' | 'reverseEntry' | 'failSafe'>;

/** A minute on the bench: where the motor starts and tops out, neutral, reverse, fail-safe. */
export default function BenchTestPart() {
  const { escNumber } = useChosenEsc();
  return <TestOfEsc key={escNumber} />;
}

function TestOfEsc() {
  const { rig, benchTests } = useBench();
  const { channel } = rig;
  const { escNumber, range, deadbandMicros, names } = useChosenEsc();
  const [precaution, setPrecaution] = useState<string>();
  const kept = lastTravelTest(benchTests, escNumber)?.test ?? EMPTY_TRAVEL_TEST;
  const [unit, setUnit] = useState<PulseUnit>('micros');
  const [typed, setTyped] = useState<Record<TestPoint, string>>(() => typedOf(kept, 'micros', channel));
  const [choices, setChoices] = useState<Choices>(kept);
  const live = useLivePulse(channel);
  const notes = useBenchNotes();
  const points = (Object.keys(TEST_POINTS) as TestPoint[]).filter(
    (point) => channel.rest === 'centre' || !point.includes('Brake'),
  );
  const read = Object.fromEntries(
    points.map((point) => [
      point,
      typed[point].trim() === '' ? null : readPulse(typed[point], unit, channel),
    ]),
  ) as Record<TestPoint, ReturnType<typeof readPulse> | null>;
  const micros = (point: TestPoint): number | null => (read[point]?.ok ? read[point].micros : null);
  const test: TravelTest = {
    ...choices,
    firstForwardMicros: micros('firstForwardMicros'),
    fullForwardMicros: micros('fullForwardMicros'),
    firstBrakeMicros: micros('firstBrakeMicros'),
    fullBrakeMicros: micros('fullBrakeMicros'),
  };
  const problems = problemsOf(test, channel);
  const unread = points.some((point) => read[point]?.ok === false);
  const found = problems.length === 0 && !unread ? foundRange(test, channel, range) : undefined;
  const changeUnit = (next: PulseUnit): void => {
    setTyped(unread ? typed : { ...typed, ...typedOf(test, next, channel) });
    setUnit(next);
  };
  return (
    <div className="px-5 py-6">
      <h1 className="text-3xl">
        A minute on the bench{names.length > 1 ? `: ${names[escNumber - 1]!}` : ''}
      </h1>
      <p className="mt-1 max-w-3xl text-muted">
        Move the throttle slowly and note the pulse, or the radio’s own per cent, at which each thing happens.
        It shows what the ESC has really learned.
      </p>
      <div className="mt-4 max-w-4xl">
        <SafetyGate kind={rig.vehicle.kind} chosen={precaution} onChoose={setPrecaution} />
      </div>
      {precaution === undefined && <p className="mt-3 text-muted">Say first what makes the model safe.</p>}
      {precaution !== undefined && (
        <>
          <div className="mt-4">
            <LivePulse live={live} channel={channel} range={range} deadbandMicros={deadbandMicros} />
          </div>
          <div className="mt-5 grid gap-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
            <section aria-label="What happens where">
              <label className="flex items-center gap-3">
                Typed in
                <select
                  value={unit}
                  onChange={(event) => changeUnit(event.target.value as PulseUnit)}
                  className={INPUT}
                >
                  <option value="micros">µs</option>
                  <option value="percent">the radio’s own %</option>
                </select>
              </label>
              {points.map((point) => {
                const bad = read[point]?.ok === false ? read[point].sentence : undefined;
                return (
                  <div key={point} className="border-b border-rule py-2">
                    <div className="flex flex-wrap items-center gap-3">
                      <label className="flex flex-1 basis-60 items-center justify-between gap-3">
                        <span className="first-letter:uppercase">{TEST_POINTS[point]}</span>
                        <input
                          value={typed[point]}
                          onChange={(event) => setTyped({ ...typed, [point]: event.target.value })}
                          inputMode="decimal"
                          autoComplete="off"
                          aria-invalid={bad !== undefined}
                          className={`${INPUT} w-24 text-right`}
                        />
                      </label>
                      {live.micros !== undefined && (
                        <Button
                          aria-label={`Take now for: ${TEST_POINTS[point]}`}
                          onClick={() =>
                            setTyped({ ...typed, [point]: written(live.micros!, unit, channel) })
                          }
                        >
                          Now
                        </Button>
                      )}
                    </div>
                    {bad && <p className="text-sm font-bold text-hazard">{bad}</p>}
                  </div>
                );
              })}
              <Choice
                label="Quiet at rest"
                value={choices.quietAtNeutral}
                options={{ yes: 'quiet', no: 'creeps or hums' }}
                onChange={(quietAtNeutral) => setChoices({ ...choices, quietAtNeutral })}
              />
              {channel.rest === 'centre' && (
                <Choice
                  label="Reverse"
                  value={choices.reverseEntry}
                  options={{
                    atOnce: 'comes at once',
                    afterStop: 'after a stop',
                    doubleTap: 'at the second push',
                    never: 'never',
                  }}
                  onChange={(reverseEntry) => setChoices({ ...choices, reverseEntry })}
                />
              )}
              <Choice
                label="Transmitter off at a little throttle"
                value={choices.failSafe}
                options={{ stops: 'the motor stops', runsOn: 'it runs on' }}
                onChange={(failSafe) => setChoices({ ...choices, failSafe })}
              />
            </section>
            <section aria-label="What that says" aria-live="polite">
              {problems.map((sentence) => (
                <p key={sentence} className="font-bold text-hazard">
                  {sentence}
                </p>
              ))}
              {found && <Findings test={test} />}
              {!found && problems.length === 0 && (
                <p className="text-muted">
                  With the first movement noted, dead and clipped travel stand here.
                </p>
              )}
              <Warnings choices={choices} />
              <div className="mt-4 flex flex-wrap items-center gap-4">
                <Button
                  look="main"
                  disabled={!found || notes.busy}
                  onClick={() =>
                    notes.send({
                      note: 'test',
                      test: { kind: 'travel', escNumber, test, keptAt: new Date().toISOString() },
                    })
                  }
                >
                  Keep this test
                </Button>
                <p role="status" className="font-bold text-ok">
                  {notes.kept && 'Kept.'}
                </p>
                {notes.problem && <p className="font-bold text-hazard">{notes.problem}</p>}
              </div>
            </section>
          </div>
        </>
      )}
      <Scrollable label="Pulses" className="mt-5 grid gap-6 rounded-sm border border-rule bg-sheet p-4">
        <PulseRuler
          title="Believed"
          channel={channel}
          range={range}
          deadbandMicros={deadbandMicros}
          liveMicros={live.micros}
        />
        {found && (
          <PulseRuler
            title="As tested"
            channel={channel}
            range={found.range}
            deadbandMicros={found.deadbandMicros}
            liveMicros={live.micros}
          />
        )}
      </Scrollable>
    </div>
  );
}

const written = (micros: number, unit: PulseUnit, channel: ThrottleChannel): string =>
  // Typed again, a true minus sign would be no number.
  String(Number((unit === 'micros' ? micros : percentOfMicros(channel, micros)).toFixed(1)));

const typedOf = (test: TravelTest, unit: PulseUnit, channel: ThrottleChannel): Record<TestPoint, string> =>
  Object.fromEntries(
    (Object.keys(TEST_POINTS) as TestPoint[]).map((point) => {
      const micros = test[point];
      return [point, micros === null ? '' : written(micros, unit, channel)];
    }),
  ) as Record<TestPoint, string>;

function Findings({ test }: { test: TravelTest }) {
  const { rig } = useBench();
  const { channel } = rig;
  const { range } = useChosenEsc();
  const found = foundRange(test, channel, range)!;
  const report = travelReport(channel, found.range, found.deadbandMicros);
  const forward = measuredSide(channel, test.firstForwardMicros, test.fullForwardMicros, 1)!;
  const brake = measuredSide(channel, test.firstBrakeMicros, test.fullBrakeMicros, -1);
  return (
    <dl className="grid grid-cols-[1fr_auto] gap-x-4 gap-y-1.5">
      <Row name="Dead at first, forward" value={percentOf(forward.deadShare, 1)} />
      <Row
        name="Clipped at the end, forward"
        value={forward.fullArrives ? percentOf(forward.clippedShare, 1) : 'full never shows'}
      />
      {brake && (
        <>
          <Row name="Dead at first, brake" value={percentOf(brake.deadShare, 1)} />
          <Row
            name="Clipped at the end, brake"
            value={brake.fullArrives ? percentOf(brake.clippedShare, 1) : 'full never shows'}
          />
        </>
      )}
      <Row name="Largest signal, forward" value={percentOf(report.forward.largestSignal, 1)} />
      {report.brake && brake && (
        <Row name="Largest signal, brake" value={percentOf(report.brake.largestSignal, 1)} />
      )}
      <Row name="Neutral off by" value={`${formatNumber(report.neutralOffsetMicros, 0)} µs`} />
      <Row name="Deadband, each side" value={`${formatNumber(found.deadbandMicros, 0)} µs`} />
      <Row name="Positions from start to full" value={String(report.forwardResolution)} />
      {brake && (
        <Row name="Forward lives on more travel than brake by" value={percentOf(asymmetryOf(report), 1)} />
      )}
    </dl>
  );
}

function Row({ name, value }: { name: string; value: string }) {
  return (
    <>
      <dt>{name}</dt>
      <dd className="text-right font-bold">{value}</dd>
    </>
  );
}

function Warnings({ choices }: { choices: Choices }) {
  return (
    <div className="mt-4 grid gap-2 empty:hidden">
      {choices.failSafe === 'runsOn' && (
        <Notice grade="hazard" title="The motor runs on without a signal.">
          <p>
            Set the receiver’s fail-safe to throttle at rest, and test again, before anything drives or flies.
          </p>
        </Notice>
      )}
      {choices.quietAtNeutral === 'no' && (
        <Notice grade="caution" title="Neutral is not quiet.">
          <p>Trim may be off, or the deadband too narrow. Trouble tells them apart.</p>
        </Notice>
      )}
      {choices.reverseEntry === 'atOnce' && (
        <Notice grade="note" title="Reverse comes at once: hard on gears at speed." />
      )}
    </div>
  );
}

interface ChoiceProps<T extends string> {
  label: string;
  value: T | null;
  options: Record<T, string>;
  onChange: (value: T | null) => void;
}

function Choice<T extends string>({ label, value, options, onChange }: ChoiceProps<T>) {
  return (
    <label className="flex flex-wrap items-center justify-between gap-3 border-b border-rule py-2">
      {label}
      <select
        value={value ?? ''}
        onChange={(event) => onChange((event.target.value || null) as T | null)}
        className={INPUT}
      >
        <option value="">not tried</option>
        {(Object.entries(options) as [T, string][]).map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

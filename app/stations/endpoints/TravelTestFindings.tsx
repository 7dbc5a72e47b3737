import { foundRange, measuredSide, type TravelTest } from '#core/calibration/travelTest';
import { asymmetryOf, travelReport } from '#core/radio/travel';
import { formatNumber, percentOf } from '#core/units/format';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import { useBenchNotes } from './useBenchNotes';
import { useChosenEsc } from './useEndpoints';
import type { Choices, TravelTestForm } from './useTravelTest';

/** What the test says, and keeping it. */
export function TravelTestFindings({ form: { test, problems, found, choices } }: { form: TravelTestForm }) {
  const { escNumber } = useChosenEsc();
  const notes = useBenchNotes();
  return (
    <section aria-label="What this shows" aria-live="polite">
      {problems.map((sentence) => (
        <p key={sentence} className="font-bold text-hazard">
          {sentence}
        </p>
      ))}
      {found && <Findings test={test} />}
      {!found && problems.length === 0 && (
        <p className="text-muted">Note the first movement to see dead and clipped travel here.</p>
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
  );
}

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
        <Notice grade="hazard" title="The motor keeps running without a signal.">
          <p>Set the receiver’s fail-safe to throttle at rest. Test again before you drive or fly.</p>
        </Notice>
      )}
      {choices.quietAtNeutral === 'no' && (
        <Notice grade="caution" title="The motor moves at neutral.">
          <p>The trim may be off, or the deadband too narrow. The page Trouble tells you which.</p>
        </Notice>
      )}
      {choices.reverseEntry === 'atOnce' && (
        <Notice grade="note" title="Reverse comes at once. At speed that breaks gears." />
      )}
    </div>
  );
}

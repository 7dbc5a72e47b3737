import { FULL_SIGNAL } from '#core/radio/pulse';
import { calibrationWords, staleReason } from '#core/calibration/calibration';
import type { ThrottleChannel } from '#core/radio/pulse';
import { travelReport, type SideTravel, type TravelReport } from '#core/radio/travel';
import { formatNumber, percentOf } from '#core/units/format';
import { Link } from 'react-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Scrollable } from '../../ui/Scrollable';
import { PulseRuler } from '../../ui/PulseRuler';
import { useBench } from '../bench/BenchContext';
import { MatchTable } from './MatchTable';
import { useChosenEsc } from './useEndpoints';

/** What trigger and ESC make of each other now, beside what it was before. */
export function CalibrationResult({ onAgain }: { onAgain: () => void }) {
  const { rigId, rig, profile } = useBench();
  const { range, last, deadbandMicros, names, name, escNumber } = useChosenEsc();
  const why = last && staleReason(last, rig.channel, profile.id, range);
  const report = travelReport(rig.channel, range, deadbandMicros);
  return (
    <div className="flex flex-1 flex-col px-5 py-6 lg:px-8">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h1 className="text-3xl">
          {names.length > 1 && `${name}: `}
          {headline(last !== undefined && why === undefined, report, rig.channel.rest)}
        </h1>
        {last && <p className="text-muted">{calibrationWords(last)}</p>}
      </div>
      {why !== undefined && (
        <div className="mt-3 max-w-3xl">
          <Notice grade="caution" title={`Calibrate again: ${why}.`} />
        </div>
      )}
      <Scrollable label="Pulses" className="mt-4 grid gap-6 rounded-sm border border-rule bg-sheet p-4">
        {last && (
          <PulseRuler
            title="Before"
            channel={last.channel}
            range={last.before}
            deadbandMicros={deadbandMicros}
          />
        )}
        <PulseRuler title="Now" channel={rig.channel} range={range} deadbandMicros={deadbandMicros} />
      </Scrollable>
      <div className="mt-5 grid gap-6 md:grid-cols-3">
        <Finding
          title={`${report.brake ? 'Forward' : 'Throttle'}: ${sideTitle(report.forward)}`}
          text={sideText(report.forward)}
        />
        {report.brake && (
          <Finding title={`Brake: ${sideTitle(report.brake)}`} text={sideText(report.brake)} />
        )}
        <Finding
          title={report.neutralInsideDeadband ? 'Neutral is safe' : 'The model may creep'}
          text={`Neutral is ${formatNumber(report.neutralOffsetMicros, 0)} µs off what was learned; the deadband takes ${formatNumber(deadbandMicros, 0)} µs each side. ${report.forwardResolution} trigger positions lie between first movement and full.`}
        />
      </div>
      {names.length > 1 && <MatchTable />}
      <div className="mt-auto flex flex-wrap items-center gap-4 pt-8">
        <Button onClick={onAgain}>Calibrate again</Button>
        <Button asChild>
          <Link to={{ pathname: `/rigs/${rigId}/endpoints/bench-test`, search: `?esc=${escNumber}` }}>
            Bench test
          </Link>
        </Button>
        <Button look="main" asChild className="ml-auto">
          <Link to={`/rigs/${rigId}/tune`}>Go to Tune</Link>
        </Button>
      </div>
    </div>
  );
}

function Finding({ title, text }: { title: string; text: string }) {
  return (
    <section>
      <h2 className="text-lg">{title}</h2>
      <p className="mt-1 text-muted">{text}</p>
    </section>
  );
}

function headline(
  holds: boolean,
  { forward, brake, neutralInsideDeadband }: TravelReport,
  rest: ThrottleChannel['rest'],
): string {
  if (!neutralInsideDeadband) return 'The radio does not rest at the learned neutral.';
  if (forward.largestSignal < FULL_SIGNAL || (brake && brake.largestSignal < FULL_SIGNAL))
    return 'The ESC never sees full throttle.';
  return holds
    ? `Calibrated. The ${rest === 'centre' ? 'trigger' : 'stick'} and the ESC agree.`
    : 'The ESC has learned another radio.';
}

const sideTitle = (side: SideTravel): string =>
  side.largestSignal >= FULL_SIGNAL ? 'full arrives' : `stops at ${percentOf(side.largestSignal)}`;

function sideText(side: SideTravel): string {
  const dead = `First movement after ${percentOf(side.deadShare)} of travel.`;
  const end =
    side.clippedShare > 0.005
      ? `The last ${percentOf(side.clippedShare)} is clipped.`
      : side.largestSignal >= FULL_SIGNAL
        ? 'Nothing is clipped, but nothing is spare. If the trigger wanders, raise the end point by 5 to 10 %.'
        : 'Raise this end point, or calibrate again.';
  return `${dead} ${end}`;
}

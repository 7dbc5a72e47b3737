import type { EndPointFamily } from '#core/esc/media';
import { deadbandOf } from '#core/physics/escChain';
import { travelReport, type SideTravel, type TravelReport } from '#core/radio/travel';
import { formatNumber } from '#core/units/format';
import { Link } from 'react-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Scrollable } from '../../ui/Scrollable';
import { PulseRuler } from '../../ui/PulseRuler';
import { useBench } from '../bench/BenchContext';

/** What trigger and ESC make of each other now, beside what it was before. */
export function CalibrationResult({ onAgain }: { onAgain: () => void }) {
  const { rigId, rig, profile, memory, believed, calibration, stations } = useBench();
  const { state, why } = stations.endpoints;
  const deadbandMicros = deadbandOf(profile, believed);
  const report = travelReport(rig.channel, memory.range, deadbandMicros);
  return (
    <div className="flex flex-1 flex-col px-5 py-6 lg:px-8">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h1 className="text-3xl">{headline(state, report)}</h1>
        <p className="text-muted">
          {FAMILY_WORDS[profile.calibration.family]}
          {calibration ? ` · ${calibration.precaution}` : ''}
        </p>
      </div>
      {state === 'stale' && (
        <div className="mt-3 max-w-3xl">
          <Notice grade="caution" title={`Calibrate again: ${why}.`} />
        </div>
      )}
      <Scrollable label="Pulses" className="mt-4 grid gap-2 rounded-sm border border-rule bg-sheet p-4">
        {calibration && (
          <PulseRuler
            title="Before"
            channel={calibration.channel}
            range={calibration.before}
            deadbandMicros={deadbandMicros}
          />
        )}
        <PulseRuler title="Now" channel={rig.channel} range={memory.range} deadbandMicros={deadbandMicros} />
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
          title={report.neutralInsideDeadband ? 'Neutral is quiet' : 'The model may creep'}
          text={`Neutral is ${formatNumber(report.neutralOffsetMicros, 0)} µs off what was learned; the deadband takes ${formatNumber(deadbandMicros, 0)} µs each side. ${report.forwardResolution} positions are left between first movement and full.`}
        />
      </div>
      <div className="mt-auto flex flex-wrap items-center gap-4 pt-8">
        <Button onClick={onAgain}>Calibrate again</Button>
        <Button look="main" asChild className="ml-auto">
          <Link to={`/rigs/${rigId}/tune`}>Go to Tune</Link>
        </Button>
      </div>
    </div>
  );
}

const FAMILY_WORDS: Record<EndPointFamily['family'], string> = {
  keyConfirmed: 'three points confirmed by key',
  stickAtPowerOn: 'two points, stick up at power-on',
};

function Finding({ title, text }: { title: string; text: string }) {
  return (
    <section>
      <h2 className="text-lg">{title}</h2>
      <p className="mt-1 text-muted">{text}</p>
    </section>
  );
}

/** Signals this close to full count as full: one step of most radios. */
const FULL = 0.995;

const percent = (share: number): string => `${formatNumber(share * 100, 0)} %`;

function headline(state: string, { forward, brake, neutralInsideDeadband }: TravelReport): string {
  if (!neutralInsideDeadband) return 'Neutral is not neutral.';
  if (forward.largestSignal < FULL || (brake && brake.largestSignal < FULL))
    return 'Full never quite arrives.';
  return state === 'done'
    ? 'Calibrated. The trigger and the ESC agree.'
    : 'The ESC has another radio in mind.';
}

const sideTitle = (side: SideTravel): string =>
  side.largestSignal >= FULL ? 'full arrives' : `stops at ${percent(side.largestSignal)}`;

function sideText(side: SideTravel): string {
  const dead = `Moves after ${percent(side.deadShare)} of travel (deadband).`;
  const end =
    side.clippedShare > 0.005
      ? `The last ${percent(side.clippedShare)} does nothing more.`
      : side.largestSignal >= FULL
        ? 'Nothing is clipped, and nothing is to spare: raise the end point by 5 to 10 % if the trigger wanders.'
        : 'Raise this end point, or calibrate again.';
  return `${dead} ${end}`;
}

import type { NoCalibration } from '#core/esc/media';
import { rangeOf, restMicros } from '#core/radio/pulse';
import { useState } from 'react';
import { Link } from 'react-router';
import { SafetyGate } from '../../simulated/SafetyGate';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { PulseRuler } from '../../ui/PulseRuler';
import { Scrollable } from '../../ui/Scrollable';
import { useBench } from '../bench/BenchContext';
import { useChosenEsc } from './useEndpoints';
import { useKeepCalibration } from './useKeepCalibration';

const WHY: Record<NoCalibration['reason'], string> = {
  digital:
    'A flight controller or a link sets the range. The ESC gets numbers, not pulses, so it has nothing to learn.',
  locked:
    'The maker locked the range. A calibration does nothing; with the stick up it can even give full throttle.',
};

const INSTEAD: Record<NoCalibration['reason'], readonly string[]> = {
  digital: [
    'Set the throttle range of this radio, and an idle above zero, in the flight controller or over the link.',
    'Bench test, propeller off: no movement with the stick down, and it starts at the first move.',
    'Full stick shows as full in the controller’s monitor.',
    'All motors start and reach full together.',
    'Fail-safe: switch the transmitter off; the motor must stop. A receiver’s fail-safe may not reach an ESC on a bus.',
  ],
  locked: [
    'Adjust end points and trims in the radio until it sends what the ESC expects.',
    'Bench test: still at rest, starts at the first move, full at the end.',
    'Fail-safe: switch the transmitter off; the motor must stop.',
  ],
};

/** An ESC without a calibration of its own: why, and what is looked at instead. */
export function NothingToTeach({ reason, onDone }: { reason: NoCalibration['reason']; onDone: () => void }) {
  const { rig, rigId, profile } = useBench();
  const { range, deadbandMicros, escNumber } = useChosenEsc();
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const [precaution, setPrecaution] = useState<string>();
  const { keep, keeping } = useKeepCalibration(onDone);
  const lines = INSTEAD[reason];
  const ready = precaution !== undefined && ticked.length === lines.length;
  return (
    <div className="max-w-4xl px-5 py-6">
      <h1 className="text-3xl">This ESC needs no calibration</h1>
      <p className="mt-1 text-lg text-muted">
        {profile.name}: {WHY[reason]}
      </p>
      <Scrollable label="Pulses" className="mt-4 rounded-sm border border-rule bg-sheet p-4">
        <PulseRuler title="As it is" channel={rig.channel} range={range} deadbandMicros={deadbandMicros} />
      </Scrollable>
      <div className="mt-5">
        <SafetyGate kind={rig.vehicle.kind} chosen={precaution} onChoose={setPrecaution} />
      </div>
      <h2 className="mt-6 border-b border-ink pb-1 text-2xl">Check this instead</h2>
      {lines.map((line) => (
        <label key={line} className="flex gap-3 border-b border-rule py-2.5">
          <input
            type="checkbox"
            autoComplete="off"
            className="mt-0.5 size-6 shrink-0 accent-draft"
            checked={ticked.includes(line)}
            onChange={(event) =>
              setTicked(event.target.checked ? [...ticked, line] : ticked.filter((one) => one !== line))
            }
          />
          {line}
        </label>
      ))}
      <div className="mt-5 flex flex-wrap items-center gap-4">
        <Button
          look="main"
          disabled={!ready || keeping === 'busy'}
          onClick={() =>
            void keep({
              escNumber,
              source: 'radio',
              how: 'checkedOnly',
              precaution: precaution!,
              channel: rig.channel,
              before: range,
              // Looked at and found right: what the controller or the link makes of it is what the radio sends.
              after: reason === 'digital' ? rangeOf(rig.channel) : range,
            })
          }
        >
          All checked: keep that
        </Button>
        <Button asChild>
          <Link to={`/rigs/${rigId}/endpoints/bench-test`}>Go to the bench test</Link>
        </Button>
      </div>
      {keeping === 'failed' && (
        <div className="mt-3">
          <Notice grade="caution" title="Not kept: the server does not answer. Try again in a moment." />
        </div>
      )}
      <p className="mt-4 text-sm text-muted">At rest your radio sends {restMicros(rig.channel)} µs.</p>
    </div>
  );
}

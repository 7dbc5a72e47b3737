import type { EndPointFamily } from '#core/esc/media';
import { planCalibration, sameRange } from '#core/plan/calibrationPlan';
import { deadbandOf } from '#core/physics/escChain';
import { stateOf } from '#core/procedure/step';
import { rangeOf } from '#core/radio/pulse';
import { useMemo, useState } from 'react';
import { useRevalidator } from 'react-router';
import { GuideStep, NextSteps } from '../../simulated/GuideStep';
import { SimulatedEscPanel } from '../../simulated/SimulatedEscPanel';
import { useTopOfPage } from '../../simulated/useTopOfPage';
import { useSimulatedEsc } from '../../simulated/useSimulatedEsc';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Scrollable } from '../../ui/Scrollable';
import { PulseRuler } from '../../ui/PulseRuler';
import { useBench } from '../bench/BenchContext';
import { sendBenchRecord } from '../bench/benchRecord';

interface Props {
  precaution: string;
  onDone: () => void;
}

/** The calibration, one large step at a time, on the simulated ESC. */
export function CalibrationGuide({ precaution, onDone }: Props) {
  const { rigId, rig, profile, memory } = useBench();
  const { channel } = rig;
  const wanted = rangeOf(channel);
  const [before] = useState(memory.range);
  const [keeping, setKeeping] = useState<'no' | 'busy' | 'failed'>('no');
  const revalidator = useRevalidator();
  useTopOfPage();

  const bench = useSimulatedEsc(profile, memory, wanted.neutralMicros, () => undefined);
  const { esc, resting } = bench;
  const gestures = useMemo(
    () => planCalibration(esc.machine, resting, channel),
    [esc.machine, resting, channel],
  );
  const learned =
    stateOf(esc.machine, esc.config).role === 'calibrated' && sameRange(esc.config.memory.range, wanted);

  const keep = async (): Promise<void> => {
    setKeeping('busy');
    const kept = await sendBenchRecord(rigId, {
      memory: esc.config.memory,
      seen: [],
      calibration: {
        family: profile.calibration.family,
        precaution,
        channel,
        before,
        after: esc.config.memory.range,
        keptAt: new Date().toISOString(),
      },
    });
    if (kept) {
      await revalidator.revalidate();
      onDone();
    } else setKeeping('failed');
  };

  return (
    <div className="grid flex-1 gap-6 px-5 py-6 lg:grid-cols-[1fr_22rem] lg:px-8">
      <div className="flex min-w-0 flex-col">
        <p className="text-muted">Calibrating · {precaution}</p>
        <h1 className="sr-only">Calibrating the end points</h1>
        <div className="mt-4 flex-1">
          {learned ? (
            <>
              <p
                className="font-display text-4xl leading-tight font-bold lg:text-5xl"
                data-testid="instruction"
              >
                Learned: all {profile.calibration.family === 'keyConfirmed' ? 'three' : 'two'} points.
              </p>
              <p className="mt-4 max-w-2xl text-xl">
                Keep it, then compare what the trigger sends with what the ESC knows now.
              </p>
              <Button look="main" className="mt-6" onClick={() => void keep()} disabled={keeping === 'busy'}>
                Keep this calibration
              </Button>
              {keeping === 'failed' && (
                <div className="mt-3">
                  <Notice
                    grade="caution"
                    title="Not kept: the server does not answer. Try again in a moment."
                  />
                </div>
              )}
            </>
          ) : gestures ? (
            <GuideStep
              profile={profile}
              channel={channel}
              gestures={gestures}
              sinceMs={esc.config.msInState}
            />
          ) : (
            <Notice grade="hazard" title="This radio cannot be learned.">
              <p>
                {unlearnable(profile.calibration)} Raise the end points to 100 % in the radio, and in this
                rig.
              </p>
            </Notice>
          )}
        </div>
        {!learned && gestures && <NextSteps profile={profile} channel={channel} gestures={gestures} />}
      </div>
      <SimulatedEscPanel bench={bench} channel={channel} safe use="endPoints" />
      <Scrollable label="Pulses" className="rounded-sm border border-rule bg-sheet p-3 lg:col-span-2">
        <PulseRuler
          title="Now"
          channel={channel}
          range={esc.config.memory.range}
          deadbandMicros={deadbandOf(profile, esc.config.memory.stops)}
          liveMicros={esc.config.stickMicros}
        />
      </Scrollable>
    </div>
  );
}

/** Why no way leads to a calibration with this radio. */
function unlearnable(calibration: EndPointFamily): string {
  return calibration.family === 'keyConfirmed'
    ? `Its ends are less than ${calibration.leastSpanMicros} µs from neutral.`
    : `Full up must send at least ${calibration.highFromMicros} µs and right down at most ${calibration.lowToMicros} µs; the direction must not be reversed.`;
}

import { learnedSlip, slipOf, type Slip } from '#core/calibration/slips';
import { asksForThree } from '#core/esc/media';
import { planCalibration } from '#core/plan/calibrationPlan';
import { deadbandOf } from '#core/physics/escChain';
import type { SimulatedEsc } from '#core/device/simulatedEsc';
import { isPlanned } from '#core/plan/search';
import type { Config } from '#core/procedure/language';
import { stateOf } from '#core/procedure/step';
import { rangeOf } from '#core/radio/pulse';
import { useEffect, useMemo, useState } from 'react';
import { GuideStep, NextSteps } from '../../simulated/GuideStep';
import { SimulatedEscPanel } from '../../simulated/SimulatedEscPanel';
import { useTopOfPage } from '../../simulated/useTopOfPage';
import { useSimulatedEsc } from '../../simulated/useSimulatedEsc';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Scrollable } from '../../ui/Scrollable';
import { PulseRuler } from '../../ui/PulseRuler';
import { useBench } from '../bench/BenchContext';
import { FullSignal } from './FullSignal';
import { CannotTeach } from './CannotTeach';
import type { GuideProps } from './occasion';
import { useChosenEsc, useFrame } from './useEndpoints';
import { useKeepCalibration } from './useKeepCalibration';

/** The calibration, one large step at a time, on the simulated ESC. Whatever goes wrong is named. */
export function CalibrationGuide({ channel, source, precaution, onDone, onStop }: GuideProps) {
  const { rig, profile, memory } = useBench();
  const { escNumber, name, names, range: before } = useChosenEsc();
  const { setHandsBusy } = useFrame();
  const wanted = rangeOf(channel);
  const [started] = useState({ ...memory, range: before });
  const [held, setHeld] = useState(false);
  const [slip, setSlip] = useState<Slip>();
  const { keep, keeping } = useKeepCalibration(onDone);
  useTopOfPage();
  useEffect(() => {
    setHandsBusy(true);
    return () => setHandsBusy(false);
  }, [setHandsBusy]);

  const noteSlip = ({ machine, config: after }: SimulatedEsc, config: Config): void => {
    const next = slipOf({ profile, machine, channel, held, before: config, after });
    // What was said stays until the ESC is switched off and on, or asks for a point again.
    const off = stateOf(machine, after).role === 'off';
    if (next || off || after.memory !== config.memory) setSlip(next);
  };
  const bench = useSimulatedEsc(profile, started, wanted.neutralMicros, (_, esc, config) =>
    noteSlip(esc, config),
  );
  const { esc, resting } = bench;
  const learnedNow = esc.config.memory.range;
  const taught = learnedNow !== started.range;
  const wrong = taught ? learnedSlip(profile, channel, learnedNow) : undefined;
  const right = taught && !wrong;
  const gestures = useMemo(
    () => planCalibration(esc.machine, resting, rangeOf(channel)),
    [esc.machine, resting, channel],
  );
  const keepIt = (): void =>
    void keep(
      { escNumber, source, how: 'simulated', precaution, channel, before, after: learnedNow },
      esc.config.memory,
    );

  return (
    <div className="grid flex-1 gap-6 px-5 py-6 lg:grid-cols-[1fr_22rem] lg:px-8">
      <div className="flex min-w-0 flex-col">
        <p className="flex flex-wrap items-center gap-x-4 text-muted">
          Calibrating{names.length > 1 ? ` ${name}` : ''} · {precaution}
          <Button look="quiet" onClick={onStop}>
            Stop
          </Button>
        </p>
        <h1 className="sr-only">Calibrating the end points</h1>
        <div className="mt-4 flex-1">
          {(wrong ?? slip) && (
            <div className="mb-4" role="alert">
              <Notice grade="caution" title={(wrong ?? slip)!.title}>
                <p className="mt-1">{(wrong ?? slip)!.sentence}</p>
                {wrong && (
                  <Button look="quiet" onClick={keepIt} disabled={keeping === 'busy'}>
                    Keep it anyway
                  </Button>
                )}
              </Notice>
            </div>
          )}
          {right ? (
            <>
              <p
                className="font-display text-4xl leading-tight font-bold lg:text-5xl"
                data-testid="instruction"
              >
                Learned: all {asksForThree(profile.calibration) ? 'three' : 'two'} points.
              </p>
              <p className="mt-4 max-w-2xl text-xl">
                Keep it. Then check on the ruler that the radio and the ESC agree.
              </p>
              <FullSignal className="mt-3 max-w-2xl" />
              <Button look="main" className="mt-6" onClick={keepIt} disabled={keeping === 'busy'}>
                Keep this calibration
              </Button>
            </>
          ) : isPlanned(gestures) ? (
            <GuideStep
              profile={profile}
              channel={channel}
              gestures={gestures}
              sinceMs={esc.config.msInState}
            />
          ) : (
            <CannotTeach why={gestures} />
          )}
          {keeping === 'failed' && (
            <div className="mt-3">
              <Notice grade="caution" title="Not kept: the server does not answer. Try again in a moment." />
            </div>
          )}
        </div>
        {!right && isPlanned(gestures) && (
          <NextSteps profile={profile} channel={channel} gestures={gestures} />
        )}
      </div>
      <SimulatedEscPanel
        bench={bench}
        channel={channel}
        safe
        use="endPoints"
        hold={{ on: held, set: setHeld }}
      />
      <Scrollable label="Pulses" className="rounded-sm border border-rule bg-sheet p-3 lg:col-span-2">
        <PulseRuler
          title="Now"
          channel={rig.channel}
          range={learnedNow}
          deadbandMicros={deadbandOf(profile, esc.config.memory.stops)}
          liveMicros={esc.config.stickMicros}
        />
      </Scrollable>
    </div>
  );
}

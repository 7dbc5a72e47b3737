import { choreographyOf } from '#core/plan/choreography';
import { OUTCOMES, type Outcome } from '#core/calibration/outcomes';
import { isPlanned } from '#core/plan/search';
import { rangeOf } from '#core/radio/pulse';
import { Play, Square } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useCommands } from '../../preferences/useCommands';
import { GuideStep, NextSteps } from '../../simulated/GuideStep';
import { useTopOfPage } from '../../simulated/useTopOfPage';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import { FullSignal } from './FullSignal';
import { CannotTeach } from './CannotTeach';
import type { GuideProps } from './occasion';
import { useChosenEsc, useFrame } from './useEndpoints';
import { useKeepCalibration } from './useKeepCalibration';
import { usePlannedCalibration } from './usePlannedCalibration';
import { usePlayer } from './usePlayer';

/** The calibration beside a real ESC: the same steps, played hands free or ticked, with a way out for each that fails. */
export function RealGuide({ channel, source, precaution, onDone, onStop }: GuideProps) {
  const { profile } = useBench();
  const { escNumber, name, names, range: before } = useChosenEsc();
  const { setHandsBusy } = useFrame();
  const planned = usePlannedCalibration(channel);
  const gestures = planned && isPlanned(planned) ? planned : [];
  const [place, setPlace] = useState(0);
  const [asking, setAsking] = useState(false);
  const [outcome, setOutcome] = useState<Outcome>();
  const { keep, keeping } = useKeepCalibration(onDone);
  useTopOfPage();
  useEffect(() => {
    setHandsBusy(true);
    return () => setHandsBusy(false);
  }, [setHandsBusy]);

  const player = usePlayer(choreographyOf(gestures), () => setPlace(gestures.length));
  const at = player.place ?? place;
  // Without a way to calibrate there is nothing that could have been done.
  const finished = gestures.length > 0 && !player.playing && place >= gestures.length;
  const next = (): void => {
    if (!player.playing && !asking) setPlace(Math.min(place + 1, gestures.length));
  };
  useCommands({ space: next });
  const again = (): void => {
    setPlace(0);
    setAsking(false);
    setOutcome(undefined);
  };

  return (
    <div className="flex flex-1 flex-col px-5 py-6 lg:px-8">
      <p className="flex flex-wrap items-center gap-x-4 text-muted">
        Calibrating {names.length > 1 ? name : 'your own ESC'} · {precaution}
        <Button look="quiet" onClick={onStop}>
          Stop
        </Button>
      </p>
      <h1 className="sr-only">Calibrating the end points of your own ESC</h1>
      <div className="mt-4 flex-1">
        {outcome ? (
          <div className="max-w-3xl">
            <Notice grade="caution" title={outcome.seen}>
              <p className="mt-1 text-lg">{outcome.means}</p>
              <p className="mt-1 text-lg font-bold">{outcome.next}</p>
            </Notice>
            <Button look="main" className="mt-4" onClick={again}>
              Begin again
            </Button>
          </div>
        ) : asking ? (
          <fieldset className="max-w-3xl">
            <legend className="font-display text-3xl font-bold">What did it do?</legend>
            <div className="mt-3 grid gap-2">
              {OUTCOMES[profile.calibration.family].map((one) => (
                <Button key={one.seen} className="justify-start text-left" onClick={() => setOutcome(one)}>
                  {one.seen}
                </Button>
              ))}
              <Button look="quiet" className="justify-start" onClick={() => setAsking(false)}>
                Back: it did what it should
              </Button>
            </div>
          </fieldset>
        ) : finished ? (
          <>
            <p className="font-display text-4xl font-bold lg:text-5xl" data-testid="instruction">
              Did every beep come as described?
            </p>
            <p className="mt-3 max-w-2xl text-xl">
              Then keep it. It counts as your word until the bench test proves it.
            </p>
            <FullSignal className="mt-3 max-w-2xl" />
            <Button
              look="main"
              className="mt-5"
              disabled={keeping === 'busy'}
              onClick={() =>
                void keep({
                  escNumber,
                  source,
                  how: 'onYourWord',
                  precaution,
                  channel,
                  before,
                  after: rangeOf(channel),
                })
              }
            >
              Yes: keep this calibration
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
        ) : gestures.length === 0 ? (
          planned && !isPlanned(planned) && <CannotTeach why={planned} />
        ) : (
          <TimedStep key={at} place={at} gestures={gestures} channel={channel} countIn={player.countIn} />
        )}
      </div>
      {!outcome && !asking && (
        <>
          {!finished && <NextSteps profile={profile} channel={channel} gestures={gestures.slice(at)} />}
          <div className="sticky bottom-16 mt-6 flex flex-wrap gap-3 bg-film py-3 md:bottom-0">
            {!finished && !player.playing && (
              <Button
                look="main"
                className="min-h-16 flex-1 sm:flex-none"
                onClick={next}
                aria-keyshortcuts="Space"
              >
                Done, it did that
              </Button>
            )}
            {!finished && (
              <Button className="min-h-16" onClick={() => (player.playing ? player.stop() : player.play())}>
                {player.playing ? (
                  <Square className="size-5" aria-hidden="true" />
                ) : (
                  <Play className="size-5" aria-hidden="true" />
                )}
                {player.playing ? 'Stop playing' : 'Play it: hands free'}
              </Button>
            )}
            <Button
              className="min-h-16"
              onClick={() => {
                player.stop();
                setAsking(true);
              }}
            >
              It did something else
            </Button>
          </div>
        </>
      )}
    </div>
  );
}

interface StepProps {
  place: number;
  gestures: Parameters<typeof GuideStep>[0]['gestures'];
  channel: GuideProps['channel'];
  countIn: number | undefined;
}

/** One step, with the time since it was reached: a real ESC does not tell how far its window has run. */
function TimedStep({ place, gestures, channel, countIn }: StepProps) {
  const { profile } = useBench();
  const [sinceMs, setSince] = useState(0);
  useEffect(() => {
    const began = performance.now();
    const timer = setInterval(() => setSince(performance.now() - began), 100);
    return () => clearInterval(timer);
  }, []);
  if (countIn !== undefined)
    return <p className="font-display text-6xl font-bold">{countIn}: hands on the model</p>;
  return <GuideStep profile={profile} channel={channel} gestures={gestures.slice(place)} sinceMs={sinceMs} />;
}

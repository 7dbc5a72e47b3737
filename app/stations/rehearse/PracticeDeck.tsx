import type { PracticeBench } from '#core/rehearsal/bench';
import { isPassed, type Lesson } from '#core/rehearsal/lesson';
import type { Rehearsal } from '#core/rehearsal/rehearsal';
import { resultOf } from '#core/rehearsal/results';
import { isByHand } from '#core/esc/media';
import { restPosition } from '#core/radio/pulse';
import { Pause, Play } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { SimulatedEscPanel } from '../../simulated/SimulatedEscPanel';
import { Button } from '../../ui/Button';
import { TickBox } from '../../ui/TickBox';
import type { Chosen } from './BeforeLesson';
import { SPEEDS } from './BeforeLesson';
import { Coach } from './Coach';
import { ComputerPanel } from './ComputerPanel';
import type { Ground } from './ground.server';
import { ManualPanel } from './ManualPanel';
import { Paused } from './Paused';
import { RadioPanel } from './RadioPanel';
import { ReportOfLesson } from './ReportOfLesson';
import { sendPractice, type PracticeSent } from './sendPractice';
import { SurprisePanel } from './SurprisePanel';
import { TellPanel } from './TellPanel';
import { useGamepadHands } from './useGamepadHands';
import { useRehearsal } from './useRehearsal';
import { useReport } from './useReport';

interface Props {
  ground: Ground;
  lesson: Lesson;
  chosen: Chosen;
  onAgain: () => void;
}

/** The bench of a lesson: the coach, or silence, on one side; what the hands work on the other; then the report. */
export function PracticeDeck({ ground, lesson, chosen, onAgain }: Props) {
  const [speed, setSpeed] = useState(chosen.speed);
  const [isPaused, setPaused] = useState(false);
  const [ended, setEnded] = useState<Rehearsal>();
  const stopped = isPaused || ended !== undefined;
  const { practice, bench, act, correct } = useRehearsal(lesson, chosen.surpriseId, { speed, stopped });
  const { rehearsal, resting } = practice;
  const { radio } = rehearsal.bench;
  const passed = isPassed(lesson, rehearsal.bench);
  const isCoached = chosen.mode === 'coach';
  const open = chosen.surpriseId !== undefined && !practice.isNamed;
  // The coach ends with the goal; an exam ends when the learner says so.
  if (!ended && isCoached && passed && !open) setEnded(rehearsal);

  const report = useReport(ended, useSituation(ground, lesson));
  const sent = useKept(report, lesson, chosen, speed);

  const [usesPad, setUsesPad] = useState(false);
  const key = useMainKey(lesson);
  const pad = useGamepadHands(usesPad, restPosition(radio.channel), {
    move: (position) => act({ do: 'throttle', position }),
    press: key && (() => act({ do: 'esc', input: { type: 'down', key } })),
    release: key && (() => act({ do: 'esc', input: { type: 'up', key } })),
  });

  if (ended)
    return (
      <ReportOfLesson
        ground={ground}
        lesson={lesson}
        report={report}
        practice={practice}
        sent={sent}
        onAgain={onAgain}
      />
    );
  const family = lesson.medium && isByHand(lesson.medium) ? lesson.medium.family : undefined;
  const needsEsc = lesson.id !== 'prepareRadio';
  const use = family ?? (lesson.medium ? 'computer' : 'endPoints');
  return (
    <div className="mt-4 grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-4 lg:grid-cols-[minmax(0,1fr)_22rem] lg:grid-rows-[auto_1fr]">
      <div className="z-10 min-w-0 bg-film max-lg:sticky max-lg:top-0 max-lg:border-b max-lg:border-ink max-lg:py-2">
        {isPaused ? (
          <Paused lesson={lesson} bench={resting} isCoached={isCoached} />
        ) : isCoached && !open ? (
          <Coach
            lesson={lesson}
            bench={resting}
            sinceMs={rehearsal.bench.esc.config.msInState}
            speed={speed}
            byItself={rehearsal.moments.at(-1)?.byItself ?? false}
            onSlip={() => setSpeed(slower(speed))}
          />
        ) : (
          <p className="max-w-2xl text-lg" data-testid="silent">
            {open
              ? 'Something may be wrong. Watch and listen; say what it is as soon as you know.'
              : 'No help now. Do it, then say that you are done.'}
          </p>
        )}
      </div>
      <div className="grid content-start gap-4 lg:col-start-2 lg:row-span-2 lg:row-start-1">
        {use === 'computer' && (
          <ComputerPanel
            lesson={lesson}
            bench={rehearsal.bench}
            onDeed={(deed) => act({ do: 'computer', deed })}
          />
        )}
        {needsEsc && (
          <SimulatedEscPanel
            bench={bench}
            channel={radio.channel}
            safe
            use={use}
            hold={{ on: radio.hold, set: (on) => act({ do: 'hold', on }) }}
          />
        )}
        <CellsBeeped bench={rehearsal.bench} />
        <RadioPanel
          radio={radio}
          isOpen={!needsEsc || open}
          showsHold={!needsEsc}
          onSet={(set) => act({ do: 'radio', set })}
          onHold={(on) => act({ do: 'hold', on })}
        />
        <TickBox on={usesPad} onChange={setUsesPad} className="text-sm">
          work it with a game controller
          {usesPad && (pad ? `: ${pad}` : ': none found yet; press one of its buttons')}
        </TickBox>
      </div>
      <div className="min-w-0">
        <div className="flex flex-wrap items-center gap-3">
          <Button onClick={() => setPaused(!isPaused)}>
            {isPaused ? (
              <Play className="size-5" aria-hidden="true" />
            ) : (
              <Pause className="size-5" aria-hidden="true" />
            )}
            {isPaused ? 'Go on' : 'Pause'}
          </Button>
          <label className="flex items-center gap-2">
            speed
            <select
              value={String(speed)}
              onChange={(event) => setSpeed(Number(event.target.value))}
              className="min-h-11 rounded-sm border border-ink bg-sheet px-2"
            >
              {SPEEDS.map(([value, words]) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </select>
          </label>
          <Button look={isCoached ? 'quiet' : 'main'} onClick={() => setEnded(rehearsal)}>
            {isCoached ? 'Stop and see the report' : 'I am done'}
          </Button>
        </div>
        {chosen.surpriseId !== undefined && (
          <SurprisePanel practice={practice} onGuess={correct} lesson={lesson} />
        )}
        {lesson.tell.length > 0 && (
          <TellPanel
            lesson={lesson}
            told={rehearsal.bench.told}
            onTell={(itemId, stopId) => act({ do: 'tell', itemId, stopId })}
          />
        )}
        <ManualPanel lesson={lesson} isOpen={!isCoached} />
      </div>
    </div>
  );
}

/** The next lower speed; the lowest stays. */
function slower(speed: number): number {
  const lower = SPEEDS.map(([value]) => Number(value)).filter((value) => value < speed);
  return Math.max(...lower, Number(SPEEDS[0][0]));
}

function CellsBeeped({ bench: { cellsBeeped, pack } }: { bench: PracticeBench }) {
  if (cellsBeeped === undefined || !pack) return null;
  return (
    <p className="text-sm text-muted">
      When it started, it beeped the cells: <strong className="text-ink">{cellsBeeped}</strong>. The label of
      the pack says {pack.cells}.
    </p>
  );
}

/** The key beside the lamp of the ESC, where it has one that this lesson uses. */
function useMainKey({ profile, medium }: Lesson): 'set' | 'mode' | undefined {
  if (medium) return medium.family === 'oneKey' || medium.family === 'twoKeys' ? 'set' : undefined;
  const { family } = profile.calibration;
  if (family === 'keyConfirmed') return 'set';
  return family === 'heldStill' || family === 'countedPoints' ? 'mode' : undefined;
}

function useSituation({ rig, goals }: Ground, { profile, target }: Lesson) {
  return useMemo(
    () => ({ rig, profile, stops: target.stops, range: target.range, rules: undefined, goals }),
    [rig, profile, target, goals],
  );
}

/** Keeps the result once. @returns what became of it; undefined while nobody knows */
function useKept(
  report: ReturnType<typeof useReport>,
  lesson: Lesson,
  { mode, surpriseId }: Chosen,
  speed: number,
): PracticeSent | undefined {
  const [sent, setSent] = useState<PracticeSent>();
  useEffect(() => {
    if (!report) return;
    const result = resultOf(report, lesson, {
      id: crypto.randomUUID(),
      mode,
      at: new Date().toISOString(),
      speed,
      surprise: surpriseId ?? null,
    });
    void sendPractice(lesson.profile.id, result).then(setSent);
    // One report is one result, whatever else is rendered again.
  }, [report]); // eslint-disable-line react-hooks/exhaustive-deps
  return sent;
}

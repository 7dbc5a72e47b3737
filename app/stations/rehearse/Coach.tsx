import { isByHand } from '#core/esc/media';
import { soundOf } from '#core/procedure/sound';
import { beepsOf, type Beep } from '#core/procedure/sound';
import { ahead } from '#core/rehearsal/ahead';
import type { Step } from '#core/rehearsal/steps';
import type { PracticeBench } from '#core/rehearsal/bench';
import { TOLERANCE_S } from '#core/rehearsal/judge';
import type { Lesson } from '#core/rehearsal/lesson';
import { stepInWords } from '#core/rehearsal/stepWords';
import { formatDuration } from '#core/units/format';
import { Volume2 } from 'lucide-react';
import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import { GuideStep } from '../../simulated/GuideStep';
import { playBeeps } from '../../simulated/sound';
import { ToneStrip } from '../../simulated/ToneStrip';
import { Button } from '../../ui/Button';

interface Props {
  lesson: Lesson;
  bench: PracticeBench;
  /** How long the ESC has been in its state, ms. */
  sinceMs: number;
  speed: number;
  /** Whether what happened last was nobody's doing. */
  byItself: boolean;
  /** Told when the learner made the way longer. */
  onSlip: () => void;
}

/** Says what comes next, shows how long there is for it, and lets its sound be heard beforehand. After a slip it goes slower. */
export function Coach({ lesson, bench, sinceMs, speed, byItself, onSlip }: Props) {
  const plan = useMemo(() => ahead(lesson, bench), [lesson, bench]);
  const { lost, wasSlip } = useLost(plan, byItself);
  const slip = useEffectEvent(onSlip);
  useEffect(() => {
    if (wasSlip) slip();
  }, [plan, wasSlip]);
  if (typeof plan === 'string')
    return (
      <p className="text-lg" data-testid="instruction">
        From here no plan leads on. Switch the ESC off, bring the throttle to rest, and begin again.
      </p>
    );
  const [step, ...later] = plan.steps;
  if (!step) return null;
  const medium = lesson.medium && isByHand(lesson.medium) ? lesson.medium : undefined;
  const gestures =
    step.kind === 'gesture'
      ? [step, ...later].flatMap((one) => (one.kind === 'gesture' ? [one.gesture] : []))
      : [];
  return (
    <div>
      {step.kind === 'gesture' ? (
        <GuideStep
          profile={lesson.profile}
          channel={bench.radio.channel}
          gestures={gestures}
          {...(medium && { medium })}
          sinceMs={sinceMs}
          speed={speed}
        />
      ) : (
        <PlainStep lesson={lesson} bench={bench} step={step} />
      )}
      <Beforehand step={step} speed={speed} />
      {lost > 0 && (
        <p className="mt-3 font-bold text-caution" role="alert">
          {wasSlip
            ? `That cost about ${formatDuration(lost)}. Nothing is lost here: follow the line above.`
            : 'That was not your doing. Follow the line above.'}
          {wasSlip && speed < 1 && ' It goes slower now.'}
        </p>
      )}
      {later.length > 0 && <p className="mt-3 text-muted max-lg:hidden">{stepsLeft(later.length)}</p>}
    </div>
  );
}

/** How much longer the way became with the last thing that happened, s, 0 where it did not; and whether it was done. */
function useLost(plan: ReturnType<typeof ahead>, byItself: boolean): { lost: number; wasSlip: boolean } {
  const [seen, setSeen] = useState({ plan, lost: 0, wasSlip: false });
  if (seen.plan === plan) return seen;
  const [before, after] = [seen.plan, plan];
  const longer = typeof before === 'string' || typeof after === 'string' ? 0 : after.seconds - before.seconds;
  const lost = longer > TOLERANCE_S ? longer : 0;
  const next = { plan, lost, wasSlip: lost > 0 && !byItself };
  setSeen(next);
  return next;
}

const stepsLeft = (count: number): string => `Then ${count} more ${count === 1 ? 'step' : 'steps'}.`;

function PlainStep({ lesson, bench, step }: Pick<Props, 'lesson' | 'bench'> & { step: Step }) {
  const { before, detail } = stepInWords(lesson, bench, step);
  return (
    <div className="lg:min-h-60" aria-live="polite">
      <p
        className="font-display text-3xl leading-tight font-bold sm:text-4xl lg:text-5xl"
        data-testid="instruction"
      >
        {before}
      </p>
      <p className="mt-2 max-w-2xl text-lg lg:mt-4 lg:text-xl">{detail}</p>
    </div>
  );
}

/** The sound that will come, to be heard and seen before it counts. */
function Beforehand({ step, speed }: { step: Step; speed: number }) {
  const beeps = soundAhead(step);
  if (beeps.length === 0) return null;
  // A group that is waited for is drawn above already.
  const isDrawn =
    step.kind === 'gesture' && step.gesture.kind === 'stick' && step.gesture.during !== undefined;
  return (
    <p className="mt-3 flex flex-wrap items-center gap-3">
      <Button onClick={() => playBeeps(beeps, speed)}>
        <Volume2 className="size-5" aria-hidden="true" />
        Hear it first
      </Button>
      {!isDrawn && <ToneStrip beeps={beeps} />}
    </p>
  );
}

function soundAhead(step: Step): Beep[] {
  if (step.kind !== 'gesture') return [];
  const { gesture } = step;
  if (gesture.kind === 'stick' && gesture.during) return beepsOf(gesture.during.notes);
  return gesture.observed.flatMap(soundOf);
}

import type { EscProfile } from '#core/esc/profile';
import { instructionFor, shortLine } from '#core/plan/instruction';
import type { Gesture } from '#core/plan/gestures';
import type { ThrottleChannel } from '#core/radio/pulse';
import { useState } from 'react';

interface Props {
  profile: EscProfile;
  channel: ThrottleChannel;
  gestures: Gesture[];
}

/** One step, large enough to read from a metre away, with its count drawn. */
export function GuideStep({ profile, channel, gestures }: Props) {
  const [gesture] = gestures;
  const total = useTotal(gesture);
  if (!gesture) return null;
  const { before, key, after, detail, count } = instructionFor(profile, channel, gesture);
  return (
    <div aria-live="polite" className="lg:min-h-60">
      <p
        className="font-display text-3xl leading-tight font-bold sm:text-4xl lg:text-5xl"
        data-testid="instruction"
      >
        {before} {key && <kbd className="rounded-md border-3 border-ink px-3 font-display">{key}</kbd>}{' '}
        {after}
      </p>
      <p className="mt-2 max-w-2xl text-lg lg:mt-4 lg:text-xl">{detail}</p>
      {count !== undefined && total > 1 && <Dots done={total - count} total={total} />}
    </div>
  );
}

/** The steps after the present one, small. */
export function NextSteps({ profile, channel, gestures }: Props) {
  const next = gestures.slice(1, 5);
  if (next.length === 0) return null;
  return (
    <div className="hidden lg:block">
      <h2 className="text-lg">Then</h2>
      <ol className="mt-1 list-decimal pl-6 text-muted">
        {next.map((gesture, index) => (
          <li key={index} className="py-0.5">
            {shortLine(profile, channel, gesture)}
          </li>
        ))}
      </ol>
    </div>
  );
}

/** How many presses the step had when it first appeared: the guide counts down from there as they are made. */
function useTotal(gesture: Gesture | undefined): number {
  const count = gesture?.kind === 'press' ? gesture.count : 0;
  const goal = gesture
    ? `${gesture.kind} ${gesture.end.state} ${gesture.end.itemCursor} ${gesture.end.stopCursor}`
    : '';
  const [seen, setSeen] = useState({ goal, total: count });
  const grown = seen.goal !== goal || count > seen.total;
  if (grown) setSeen({ goal, total: count });
  return grown ? count : seen.total;
}

function Dots({ done, total }: { done: number; total: number }) {
  return (
    <ol
      className="mt-3 flex flex-wrap gap-2 lg:mt-6 lg:gap-3"
      aria-label={`${done} of ${total} presses made`}
    >
      {Array.from({ length: total }, (_, n) => (
        <li
          key={n}
          className={`flex size-11 items-center justify-center rounded-full border-3 border-draft font-display text-lg font-bold ${n < done ? 'bg-draft text-on-draft' : 'text-draft'}`}
        >
          {n + 1}
        </li>
      ))}
    </ol>
  );
}

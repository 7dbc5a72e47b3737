import type { HandMedium } from '#core/esc/media';
import type { EscProfile } from '#core/esc/profile';
import { instructionFor, shortLine, type Instruction } from '#core/plan/instruction';
import type { Gesture } from '#core/plan/gestures';
import type { ThrottleChannel } from '#core/radio/pulse';
import { formatNumber } from '#core/units/format';
import { useState } from 'react';
import { Metronome } from './Metronome';
import { NoteStrip } from './ToneStrip';

interface Props {
  profile: EscProfile;
  channel: ThrottleChannel;
  gestures: Gesture[];
  /** What the ESC is worked by; else its handiest medium. */
  medium?: HandMedium;
  /** How long the ESC has been in the state that the gestures start from, ms. */
  sinceMs?: number;
  /** Against real time, where a simulated ESC is slowed down. */
  speed?: number;
}

const HAS_BEAT: readonly Gesture['kind'][] = ['press', 'hold', 'holdAndSwitchOn'];

/** One step, large enough to read from a metre away, with its count or its notes drawn. */
export function GuideStep({ profile, channel, gestures, medium, sinceMs = 0, speed = 1 }: Props) {
  const [gesture] = gestures;
  const total = useTotal(gesture);
  const missed = useMissed(gesture);
  if (!gesture) return null;
  const beat = HAS_BEAT.includes(gesture.kind) && (gesture.kind !== 'press' || total > 1);
  const { before, key, after, detail, count, notes, timing } = instructionFor(
    profile,
    channel,
    gesture,
    medium,
  );
  return (
    <div className="lg:min-h-60">
      <div aria-live="polite">
        <p
          className="font-display text-3xl leading-tight font-bold sm:text-4xl lg:text-5xl"
          data-testid="instruction"
        >
          {before} {key && <kbd className="rounded-md border-3 border-ink px-3 font-display">{key}</kbd>}{' '}
          {after}
        </p>
        {notes && <NoteStrip notes={notes} className="mt-4 h-14 lg:h-18" />}
        <p className="mt-2 max-w-2xl text-lg lg:mt-4 lg:text-xl">{detail}</p>
      </div>
      {timing && <Countdown {...timing} sinceMs={sinceMs} />}
      {missed && (
        <p className="mt-3 font-bold text-caution" role="alert">
          Missed. Nothing is lost: keep the stick where it is, it comes round again.
        </p>
      )}
      {count !== undefined && total > 1 && <Dots done={total - count} total={total} />}
      {beat && <Metronome presses={gesture.kind === 'press'} speed={speed} />}
    </div>
  );
}

/** When it is time, and how long it is time: a strip that runs out. */
function Countdown({ afterMs, withinMs, sinceMs }: Required<Instruction>['timing'] & { sinceMs: number }) {
  const waitMs = Math.max(0, afterMs - sinceMs);
  const isTime = waitMs === 0;
  const leftMs = isTime ? Math.max(0, withinMs - (sinceMs - afterMs)) : withinMs;
  return (
    <div className="mt-4 max-w-xl" data-testid="countdown">
      <p className={`font-display text-2xl font-bold ${isTime ? 'text-draft' : 'text-muted'}`}>
        {isTime
          ? `Now: ${formatNumber(leftMs / 1000, 1)} s left`
          : `Next in ${formatNumber(Math.ceil(waitMs / 1000), 0)} s`}
      </p>
      <div className="mt-2 h-4 rounded-sm border border-ink">
        <div
          className={`h-full ${isTime ? 'bg-draft' : 'bg-rule'}`}
          style={{
            width: `${isTime ? (leftMs / withinMs) * 100 : 100 - Math.min(100, (waitMs / Math.max(afterMs, 1)) * 100)}%`,
          }}
        />
      </div>
    </div>
  );
}

/** The steps after the present one, small. */
export function NextSteps({ profile, channel, gestures, medium }: Props) {
  const next = gestures.slice(1, 5);
  if (next.length === 0) return null;
  return (
    <div className="hidden lg:block">
      <h2 className="text-lg">Then</h2>
      <ol className="mt-1 list-decimal pl-6 text-muted">
        {next.map((gesture, index) => (
          <li key={index} className="py-0.5">
            {shortLine(profile, channel, gesture, medium)}
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

/** Whether it was time for this very move, and the moment went by. Forgotten when another move is due. */
function useMissed(gesture: Gesture | undefined): boolean {
  const timed = gesture?.kind === 'stick' && gesture.during ? gesture : undefined;
  const move = timed ? `${timed.micros} ${timed.during!.notes}` : '';
  const isTime = timed?.afterMs === 0;
  const [seen, setSeen] = useState({ move, isTime, missed: false });
  const missed = seen.move === move && move !== '' && (seen.missed || (seen.isTime && !isTime));
  if (seen.move !== move || seen.isTime !== isTime || seen.missed !== missed)
    setSeen({ move, isTime, missed });
  return missed;
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

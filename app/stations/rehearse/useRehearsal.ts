import { msUntilNext, type Deed } from '#core/rehearsal/bench';
import type { Lesson } from '#core/rehearsal/lesson';
import type { SurpriseId } from '#core/rehearsal/surprises';
import { beepsOf, soundOf, type Beep } from '#core/procedure/sound';
import { positionAt } from '#core/radio/pulse';
import { useCallback, useEffect, useRef, useState } from 'react';
import { playBeeps } from '../../simulated/sound';
import type { WorkedEsc } from '../../simulated/useSimulatedEsc';
import { doneBy, startOf, type Practice } from './practice';

const TICK_MS = 50;
/** Longer than this between two ticks the page has slept, and the ESC with it. */
const SLEPT_MS = 5000;

interface Clock {
  /** Against real time, 0.25 to 1. */
  speed: number;
  stopped: boolean;
}

/** A rehearsal whose time is the page's, slowed down or stopped. */
export function useRehearsal(lesson: Lesson, surpriseId: SurpriseId | undefined, { speed, stopped }: Clock) {
  const [practice, setPractice] = useState(() => startOf(lesson, surpriseId));
  const current = useRef(practice);
  const last = useRef<number>(undefined);

  const take = useCallback(
    (next: Practice): void => {
      const before = current.current;
      current.current = next;
      setPractice(next);
      playBeeps(newBeeps(before, next), speed);
    },
    [speed],
  );

  const catchUp = useCallback(
    (always: boolean): void => {
      const now = performance.now();
      const passed = now - (last.current ?? now);
      const waits = msUntilNext(current.current.rehearsal.bench) !== undefined;
      // Where nothing will happen by itself, time is counted with the next thing that is done.
      if (!always && !waits) return;
      last.current = now;
      const ms = (waits ? Math.min(passed, SLEPT_MS) : passed) * speed;
      if (ms > 0) take(doneBy(current.current, { do: 'wait', ms }));
    },
    [speed, take],
  );

  useEffect(() => {
    if (stopped) return undefined;
    last.current = performance.now();
    const timer = setInterval(() => catchUp(false), TICK_MS);
    return () => {
      clearInterval(timer);
      catchUp(true);
    };
  }, [catchUp, stopped]);

  const act = useCallback(
    (deed: Deed): void => {
      // A key that is held comes up also while time stands still.
      const letsGo = deed.do === 'esc' && deed.input.type === 'up';
      if (stopped && !letsGo) return;
      if (!stopped) catchUp(true);
      take(doneBy(current.current, deed));
    },
    [catchUp, stopped, take],
  );
  const correct = useCallback(
    (change: (at: Practice) => Practice): void => take(change(current.current)),
    [take],
  );

  const { rehearsal, display, resting } = practice;
  const { esc, radio, plugIsIn } = rehearsal.bench;
  const bench: WorkedEsc = {
    esc,
    display,
    resting: resting.esc.config,
    cardIn: plugIsIn,
    input: (input) =>
      act(
        input.type === 'stick'
          ? { do: 'throttle', position: positionAt(radio.channel, input.micros) }
          : { do: 'esc', input },
      ),
    throttle: { position: radio.position, move: (position) => act({ do: 'throttle', position }) },
  };
  return { practice, bench, act, correct };
}

function newBeeps(before: Practice, after: Practice): Beep[] {
  const fresh = after.rehearsal.moments.slice(before.rehearsal.moments.length);
  const cells = after.rehearsal.bench.cellsBeeped;
  const counts = cells !== undefined && before.rehearsal.bench.cellsBeeped === undefined ? cells : 0;
  return [...fresh.flatMap(({ observed }) => observed.flatMap(soundOf)), ...beepsOf('l'.repeat(counts))];
}

import { doNothing, doneBy, startOf, type Practice } from './practice';
import type { Deed } from '#core/rehearsal/bench';
import { msUntilNext } from '#core/rehearsal/bench';
import type { Lesson } from '#core/rehearsal/lesson';
import type { SurpriseId } from '#core/rehearsal/surprises';
import { soundOf, type Beep } from '#core/procedure/sound';
import { positionAt } from '#core/radio/pulse';
import { useCallback, useEffect, useRef, useState } from 'react';
import { playBeeps } from '../../simulated/sound';
import type { Bench } from '../../simulated/useSimulatedEsc';

const TICK_MS = 50;

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
      playBeeps(slowed(newBeeps(before, next), speed));
    },
    [speed],
  );

  const catchUp = useCallback(
    (always: boolean): void => {
      const now = performance.now();
      const ms = (now - (last.current ?? now)) * speed;
      // Where nothing will happen by itself, time is counted with the next thing that is done.
      if (!always && msUntilNext(current.current.rehearsal.bench) === undefined) return;
      last.current = now;
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
      if (stopped) return;
      catchUp(true);
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
  const bench: Bench = {
    esc,
    display,
    resting: resting.esc.config,
    cardIn: plugIsIn,
    msLeft: msUntilNext(rehearsal.bench),
    input: (input) =>
      act(
        input.type === 'stick'
          ? { do: 'throttle', position: positionAt(radio.channel, input.micros) }
          : { do: 'esc', input },
      ),
    throttle: { position: radio.position, move: (position) => act({ do: 'throttle', position }) },
    play: doNothing,
    lose: doNothing,
  };
  return { practice, bench, act, correct };
}

function newBeeps(before: Practice, after: Practice): Beep[] {
  const fresh = after.rehearsal.moments.slice(before.rehearsal.moments.length);
  const cells = after.rehearsal.bench.cellsBeeped;
  const counts = cells !== undefined && before.rehearsal.bench.cellsBeeped === undefined ? cells : 0;
  const cellBeeps = Array.from({ length: counts }, (): Beep => ({ pitch: 'low', ms: 130, restMs: 110 }));
  return [...fresh.flatMap(({ observed }) => observed.flatMap(soundOf)), ...cellBeeps];
}

const slowed = (beeps: readonly Beep[], speed: number): Beep[] =>
  beeps.map(({ pitch, ms, restMs }) => ({ pitch, ms: ms / speed, restMs: restMs / speed }));

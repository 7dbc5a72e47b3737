import type { Beat } from '#core/plan/choreography';
import { soundOf, type Beep } from '#core/procedure/sound';
import { useEffect, useRef, useState } from 'react';
import { playBeeps } from '../../simulated/sound';

const TICK_MS = 50;
const COUNT_IN_MS = 3000;
const TOCK: Beep = { pitch: 'low', ms: 60, restMs: 0 };

/**
 * Plays a choreography in real time: a count of three, then beat after beat. A low tock begins each beat; what the ESC
 * is expected to answer sounds at its end.
 */
export function usePlayer(beats: readonly Beat[], onEnd: () => void = () => undefined) {
  const [elapsedMs, setElapsed] = useState<number>();
  const ended = useRef(onEnd);
  useEffect(() => {
    ended.current = onEnd;
  });
  const playing = elapsedMs !== undefined;
  const danceMs = playing ? elapsedMs - COUNT_IN_MS : 0;
  const place = !playing || danceMs < 0 ? undefined : placeAt(beats, danceMs);

  useEffect(() => {
    if (!playing) return undefined;
    const began = performance.now();
    const timer = setInterval(() => {
      const now = performance.now() - began;
      const last = beats.at(-1);
      if (!last || now - COUNT_IN_MS < last.atMs + last.lengthMs) setElapsed(now);
      else {
        setElapsed(undefined);
        ended.current();
      }
    }, TICK_MS);
    return () => clearInterval(timer);
  }, [playing, beats.length]); // eslint-disable-line react-hooks/exhaustive-deps -- a plan does not change while it is played

  useEffect(() => {
    if (place === undefined) return undefined;
    playBeeps([TOCK]);
    const beat = beats[place]!;
    const answer = beat.gesture.observed.flatMap(soundOf);
    const timer = setTimeout(() => playBeeps(answer), Math.max(0, beat.lengthMs - SOUND_LEAD_MS));
    return () => clearTimeout(timer);
  }, [place]); // eslint-disable-line react-hooks/exhaustive-deps -- only a new beat sounds

  return {
    playing,
    place,
    /** 3, 2, 1 before the first beat. */
    countIn: playing && danceMs < 0 ? Math.ceil(-danceMs / 1000) : undefined,
    play: () => setElapsed(0),
    stop: () => setElapsed(undefined),
  };
}

/** The answer sounds this long before the next beat. */
const SOUND_LEAD_MS = 600;

const placeAt = (beats: readonly Beat[], ms: number): number | undefined => {
  const found = beats.findIndex(({ atMs, lengthMs }) => ms >= atMs && ms < atMs + lengthMs);
  return found === -1 ? undefined : found;
};

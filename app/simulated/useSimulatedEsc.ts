import { actAll, loseValue, placeOnBench, type SimulatedEsc } from '#core/device/simulatedEsc';
import type { EscProfile } from '#core/esc/profile';
import type { Config, EscMemory, HandInput, Input, Observed } from '#core/procedure/language';
import { soundOf, type Beep } from '#core/procedure/sound';
import { msToDeadline, stateOf } from '#core/procedure/step';
import { useCallback, useEffect, useRef, useState } from 'react';
import { playBeeps } from './sound';

/** What lamps and sounder last did. */
export interface Display {
  /** The lamp on the ESC itself, or its flashes. */
  lamp: Extract<Observed, { type: 'lamp' | 'count' }> | undefined;
  heard: { cue: Extract<Observed, { type: 'tone' | 'group' | 'count' }>; beeps: Beep[] } | undefined;
  /** Counts cues up, so that the same cue twice is seen as two. */
  serial: number;
}

export const DARK: Display = {
  lamp: undefined,
  heard: undefined,
  serial: 0,
};

/** A simulated ESC as the panels show it and work it. */
export interface WorkedEsc {
  esc: SimulatedEsc;
  display: Display;
  /** The config when no key was down: what the guide speaks about while a press is on its way. */
  resting: Config;
  /** Whether the card is in its socket, or the box plugged in. */
  cardIn: boolean;
  input: (input: HandInput) => void;
  /** The throttle of a radio that is more than its pulse, where the bench has one. */
  throttle?: { position: number; move: (position: number) => void };
}

/** One that a plan may be played on, too. */
export interface Bench extends WorkedEsc {
  /** Does these one after the other, at once: their waiting takes no time. */
  play: (inputs: readonly Input[]) => void;
  /** The ESC forgets a stored value, and says nothing. */
  lose: (itemId: string) => void;
}

const TICK_MS = 50;

/**
 * The simulated ESC in real time: the clock of the page is its clock.
 * @param onObserved told of every cue and every new state, with the ESC as it was left and as it was before
 * @param stopped whether time passes only in what is played
 */
export function useSimulatedEsc(
  profile: EscProfile,
  memory: EscMemory,
  stickMicros: number,
  onObserved: (observed: Observed[], esc: SimulatedEsc, before: Config) => void,
  stopped = false,
): Bench {
  const [bench, setBench] = useState(() => {
    const esc = placeOnBench(profile, memory, stickMicros);
    return { esc, display: DARK, resting: esc.config, cardIn: false };
  });
  const current = useRef(bench);
  const clock = useRef<number>(undefined);
  const report = useRef(onObserved);
  useEffect(() => {
    report.current = onObserved;
  });

  const play = useCallback((inputs: readonly Input[]): void => {
    const { esc: old, display, resting, cardIn } = current.current;
    const { esc, observed } = actAll(old, inputs);
    current.current = {
      esc,
      display: observed.reduce(show, display),
      resting: restingAfter(resting, esc),
      cardIn: inputs.findLast((input) => input.type === 'card')?.in ?? cardIn,
    };
    setBench(current.current);
    if (observed.length === 0 && esc.config.state === old.config.state) return;
    playBeeps(observed.flatMap(soundOf));
    report.current(observed, esc, old.config);
  }, []);

  const catchUp = useCallback((): void => {
    const now = performance.now();
    const ms = now - (clock.current ?? now);
    clock.current = now;
    const { machine, config } = current.current.esc;
    // Time matters only where something will happen by itself.
    if (ms > 0 && msToDeadline(machine, config) !== undefined) play([{ type: 'elapsed', ms }]);
  }, [play]);

  useEffect(() => {
    if (stopped) return;
    clock.current = performance.now();
    const timer = setInterval(catchUp, TICK_MS);
    return () => clearInterval(timer);
  }, [catchUp, stopped]);

  const input = useCallback(
    (next: HandInput): void => {
      if (!stopped) catchUp();
      play([next]);
    },
    [play, catchUp, stopped],
  );
  const lose = useCallback((itemId: string): void => {
    current.current = { ...current.current, esc: loseValue(current.current.esc, itemId) };
    setBench(current.current);
  }, []);
  return { ...bench, input, play, lose };
}

export function show(display: Display, cue: Observed): Display {
  const serial = display.serial + 1;
  if (cue.type === 'tone' || cue.type === 'group' || (cue.type === 'count' && cue.how === 'beeps')) {
    return { ...display, heard: { cue, beeps: soundOf(cue) }, serial };
  }
  // Rows of lamps and texts stand beside their keys.
  if (cue.type === 'count' && cue.how !== 'flashes') return { ...display, serial };
  return { ...display, lamp: cue, serial };
}

/** The same object as long as nothing but time has passed, so that plans are not made again at every tick. */
function restingAfter(before: Config, { machine, config }: SimulatedEsc): Config {
  if (stateOf(machine, config).keyDown) return before;
  return sameButForTime(before, config) ? before : { ...config, msInState: 0 };
}

/** Whether nothing but time has passed between two. */
export const sameButForTime = (a: Config, b: Config): boolean =>
  a.state === b.state &&
  a.itemCursor === b.itemCursor &&
  a.stopCursor === b.stopCursor &&
  a.rounds === b.rounds &&
  a.stickMicros === b.stickMicros &&
  a.memory === b.memory &&
  a.learning === b.learning;

import type { Beep } from '#core/procedure/sound';
import { preferencesNow } from '../preferences/usePreferences';

/** Between speech and the squeal of a small motor; invented. */
const HERTZ: Record<Beep['pitch'], number> = { low: 1480, high: 2350 };
const LOUDNESS = 0.08;
const EDGE_S = 0.008;

let context: AudioContext | undefined;
let playing: OscillatorNode | undefined;

/**
 * Plays notes at once, in place of what was playing. Silent where sounds are switched off or the browser forbids them.
 * @param speed against real time, where a simulated ESC is slowed down
 */
export function playBeeps(beeps: readonly Beep[], speed = 1): void {
  if (beeps.length === 0 || !preferencesNow().sound) return;
  playing?.stop();
  playing = start(beeps.map(({ pitch, ms, restMs }) => ({ pitch, ms: ms / speed, restMs: restMs / speed })));
}

/** A tick, beside whatever is playing. */
export function playTick(): void {
  if (preferencesNow().sound) start(TICK);
}

const TICK: readonly Beep[] = [{ pitch: 'low', ms: 30, restMs: 0 }];

function start(beeps: readonly Beep[]): OscillatorNode {
  context ??= new AudioContext();
  if (context.state === 'suspended') void context.resume().catch(() => undefined);
  const oscillator = context.createOscillator();
  const gain = context.createGain();
  oscillator.connect(gain).connect(context.destination);
  gain.gain.value = 0;
  let at = context.currentTime + 0.01;
  for (const { pitch, ms, restMs } of beeps) {
    oscillator.frequency.setValueAtTime(HERTZ[pitch], at);
    gain.gain.setValueAtTime(0, at);
    gain.gain.linearRampToValueAtTime(LOUDNESS, at + EDGE_S);
    gain.gain.setValueAtTime(LOUDNESS, at + ms / 1000 - EDGE_S);
    gain.gain.linearRampToValueAtTime(0, at + ms / 1000);
    at += (ms + restMs) / 1000;
  }
  oscillator.start();
  oscillator.stop(at);
  return oscillator;
}

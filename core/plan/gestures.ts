import type { Config, Input, Machine, Observed } from '../procedure/language';
import { edgeFor, step } from '../procedure/step';

/** What the hand does in one go, and what is seen and heard at the end of it. */
export type Gesture = { observed: Observed[]; end: Config; gate: boolean } & (
  | { kind: 'press'; count: number }
  | { kind: 'hold'; ms: number }
  | { kind: 'holdAndSwitchOn'; ms: number }
  | { kind: 'power'; on: boolean }
  | { kind: 'stick'; micros: number }
  | { kind: 'letGo' }
  | { kind: 'wait'; ms: number }
);

type Single = { input: Input; observed: Observed[]; end: Config; gate: boolean };

/**
 * Raw inputs as a hand thinks of them: down and up become a press, several presses one count, down with time
 * and up a hold. Waiting for the ESC to start belongs to switching it on.
 * @param start the config before the first input
 */
export function gesturesOf(machine: Machine, start: Config, inputs: Input[]): Gesture[] {
  const singles: Single[] = [];
  let config = start;
  for (const input of inputs) {
    const gate = input.type !== 'elapsed' && edgeFor(machine, config, input)?.gate !== undefined;
    const next = step(machine, config, input);
    config = next.config;
    singles.push({ input, observed: next.observed, end: config, gate });
  }
  const gestures: Gesture[] = [];
  for (let at = 0; at < singles.length;) {
    const { gesture, used } = gestureAt(singles, at);
    at += used;
    const last = gestures.at(-1);
    if (last?.kind === 'press' && gesture.kind === 'press') {
      gestures[gestures.length - 1] = { ...gesture, count: last.count + 1 };
    } else {
      gestures.push(gesture);
    }
  }
  return gestures;
}

function gestureAt(singles: Single[], at: number): { gesture: Gesture; used: number } {
  const first = singles[at]!;
  const upTo = (used: number): Pick<Gesture, 'observed' | 'end' | 'gate'> => {
    const part = singles.slice(at, at + used);
    return {
      observed: part.flatMap((s) => s.observed),
      end: part.at(-1)!.end,
      gate: part.some((s) => s.gate),
    };
  };
  const { input } = first;
  switch (input.type) {
    case 'up':
      return { gesture: { kind: 'letGo', ...upTo(1) }, used: 1 };
    case 'stick':
      return { gesture: { kind: 'stick', micros: input.micros, ...upTo(1) }, used: 1 };
    case 'elapsed':
      return { gesture: { kind: 'wait', ms: input.ms, ...upTo(1) }, used: 1 };
    case 'power': {
      const used = 1 + waitsFrom(singles, at + 1).count;
      return { gesture: { kind: 'power', on: input.on, ...upTo(used) }, used };
    }
    case 'down': {
      const switchesOn = singles[at + 1]?.input.type === 'power';
      const waits = waitsFrom(singles, at + (switchesOn ? 2 : 1));
      const used = 1 + (switchesOn ? 1 : 0) + waits.count + 1;
      if (switchesOn) return { gesture: { kind: 'holdAndSwitchOn', ms: waits.ms, ...upTo(used) }, used };
      if (waits.count > 0) return { gesture: { kind: 'hold', ms: waits.ms, ...upTo(used) }, used };
      return { gesture: { kind: 'press', count: 1, ...upTo(used) }, used };
    }
  }
}

function waitsFrom(singles: Single[], at: number): { count: number; ms: number } {
  let count = 0;
  let ms = 0;
  for (let i = at; singles[i]?.input.type === 'elapsed'; i += 1) {
    count += 1;
    ms += (singles[i]!.input as { ms: number }).ms;
  }
  return { count, ms };
}

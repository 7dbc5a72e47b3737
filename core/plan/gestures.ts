import type { Config, HandInput, Input, KeyId, Machine, Observed } from '../procedure/language';
import { edgeFor, groupSounding, msToDeadline, stateOf, step } from '../procedure/step';

/** What the hand does in one go, and what is seen and heard at the end of it. */
export type Gesture = { inputs: Input[]; observed: Observed[]; end: Config; gate: boolean } & (
  | { kind: 'press'; key: KeyId; count: number }
  | { kind: 'hold'; key: KeyId; ms: number }
  | { kind: 'holdAndSwitchOn'; key: KeyId; ms: number }
  | { kind: 'power'; on: boolean }
  | { kind: 'card'; in: boolean }
  | StickGesture
  | { kind: 'code'; digits: string }
  | { kind: 'letGo'; key: KeyId }
  | { kind: 'wait'; ms: number }
);

/** Bringing the throttle somewhere, at once or when something is heard. */
export interface StickGesture {
  kind: 'stick';
  micros: number;
  /** How long until it is time, ms. */
  afterMs: number;
  /** How long it is time then, ms; undefined where nothing presses. */
  withinMs: number | undefined;
  /** How long to keep it there until the ESC answers, ms; 0 where it answers at once. */
  keepMs: number;
  /** The group of notes during which it is time. */
  during: Extract<Observed, { type: 'group' }> | undefined;
  /** Where the cursors stand at that time. */
  at: Config;
}

type Single = { input: Input; observed: Observed[]; before: Config; end: Config; gate: boolean };

/**
 * Raw inputs as a hand thinks of them: down and up become a press, several presses one count, down with time
 * and up a hold. Waiting for the ESC to start belongs to switching it on, and waiting for a group of notes to
 * the move that it is waited for.
 * @param start the config before the first input
 */
export function gesturesOf(machine: Machine, start: Config, inputs: Input[]): Gesture[] {
  const singles: Single[] = [];
  let config = start;
  for (const input of inputs) {
    const gate = input.type !== 'elapsed' && edgeFor(machine, config, input)?.gate !== undefined;
    const next = step(machine, config, input);
    singles.push({ input, observed: next.observed, before: config, end: next.config, gate });
    config = next.config;
  }
  const gestures: Gesture[] = [];
  for (let at = 0; at < singles.length;) {
    const { gesture, used } = gestureAt(machine, singles, at);
    at += used;
    const last = gestures.at(-1);
    if (last?.kind === 'press' && gesture.kind === 'press' && gesture.key === last.key) {
      // What is seen in the end is what the last of them shows.
      last.count += 1;
      last.inputs.push(...gesture.inputs);
      Object.assign(last, { observed: gesture.observed, end: gesture.end, gate: gesture.gate });
    } else {
      gestures.push(gesture);
    }
  }
  return gestures;
}

function gestureAt(machine: Machine, singles: Single[], at: number): { gesture: Gesture; used: number } {
  const first = singles[at]!;
  const upTo = (used: number): Pick<Gesture, 'inputs' | 'observed' | 'end' | 'gate'> => {
    const inputs: Input[] = [];
    const observed: Observed[] = [];
    let { end, gate } = first;
    for (const single of singles.slice(at, at + used)) {
      inputs.push(single.input);
      observed.push(...single.observed);
      end = single.end;
      gate ||= single.gate;
    }
    return { inputs, observed, end, gate };
  };
  const { input } = first;
  switch (input.type) {
    case 'up':
      return { gesture: { kind: 'letGo', key: input.key, ...upTo(1) }, used: 1 };
    case 'card':
      return { gesture: { kind: 'card', in: input.in, ...upTo(1) }, used: 1 };
    case 'code':
      return { gesture: { kind: 'code', digits: input.digits, ...upTo(1) }, used: 1 };
    case 'stick': {
      // In a calibration, what is waited for after a move is its answer.
      const kept = isCalibrating(machine, first.end) ? waitsFrom(singles, at + 1) : { count: 0, ms: 0 };
      const used = 1 + kept.count;
      return { gesture: { ...stickGesture(machine, first, 0), keepMs: kept.ms, ...upTo(used) }, used };
    }
    case 'elapsed': {
      const waits = waitsFrom(singles, at);
      const next = singles[at + waits.count];
      if (next?.input.type !== 'stick' || isCalibrating(machine, next.before))
        return { gesture: { kind: 'wait', ms: waits.ms, ...upTo(waits.count) }, used: waits.count };
      const used = waits.count + 1;
      return { gesture: { ...stickGesture(machine, next, waits.ms), ...upTo(used) }, used };
    }
    case 'power': {
      // The wait for the ESC to start, not the ones for what it tells after that.
      const used = 1 + Math.min(1, waitsFrom(singles, at + 1).count);
      return { gesture: { kind: 'power', on: input.on, ...upTo(used) }, used };
    }
    case 'down': {
      const { key } = input;
      const switchesOn = singles[at + 1]?.input.type === 'power';
      const waits = waitsFrom(singles, at + (switchesOn ? 2 : 1));
      const used = 1 + (switchesOn ? 1 : 0) + waits.count + 1;
      if (switchesOn) return { gesture: { kind: 'holdAndSwitchOn', key, ms: waits.ms, ...upTo(used) }, used };
      if (waits.count > 0) return { gesture: { kind: 'hold', key, ms: waits.ms, ...upTo(used) }, used };
      return { gesture: { kind: 'press', key, count: 1, ...upTo(used) }, used };
    }
  }
}

const isCalibrating = (machine: Machine, config: Config): boolean =>
  stateOf(machine, config).role === 'calibrating';

function stickGesture(machine: Machine, { input, before }: Single, afterMs: number): StickGesture {
  const group = stateOf(machine, before).cues.find((cue) => cue.type === 'group');
  return {
    kind: 'stick',
    micros: (input as Extract<HandInput, { type: 'stick' }>).micros,
    afterMs,
    keepMs: 0,
    withinMs: msToDeadline(machine, before),
    during: group && groupSounding(machine, before, group.of),
    at: before,
  };
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

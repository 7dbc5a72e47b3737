/** Lessons that begin in the middle: worked out on the machine itself. */
import { isByHand, type MediumFamily } from '../esc/media';
import { planLegs } from '../plan/loadPlan';
import { isPlanned } from '../plan/search';
import type { Input } from '../procedure/language';
import { doDeed, type Deed, type PracticeBench } from './bench';
import type { Exercise } from './lessonItems';
import { reachedRange } from './radio';
import { positionAt } from '../radio/pulse';

/** After this was stored: the ESC is left where the last key left it. */
export function atStored(
  bench: PracticeBench,
  family: MediumFamily,
  { item, stop }: Exercise,
): PracticeBench {
  const stored = doAll(bench, inputsToStore(bench, family, { item, stop }));
  if (stored.esc.config.memory.stops[item.id] === stop.id) return asBeginning(stored);
  // A computer has sent it, and was unplugged.
  const { config } = bench.esc;
  const stops = { ...config.memory.stops, [item.id]: stop.id };
  return { ...bench, esc: { ...bench.esc, config: { ...config, memory: { ...config.memory, stops } } } };
}

/** One input before this would be stored; on a computer, set on the form and not sent. */
export function atOpenStop(bench: PracticeBench, family: MediumFamily, exercise: Exercise): PracticeBench {
  const { item, stop } = exercise;
  const inputs = inputsToStore(bench, family, exercise);
  const before = bench.esc.config.memory;
  const at = inputs.findIndex((_, n) => doAll(bench, inputs.slice(0, n + 1)).esc.config.memory !== before);
  if (at > 0) return asBeginning(lettingGo(bench, inputs.slice(0, at)));
  const on = doAll(bench, [
    { type: 'power', on: true },
    { type: 'elapsed', ms: bench.esc.profile.bootMs },
  ]);
  const form = { ...before.stops, [item.id]: stop.id };
  return asBeginning({ ...on, computer: { plugged: true, form, busy: undefined, broken: false } });
}

/** A lesson does not begin with a key held down: without the hold, the last stop is only shown. */
function lettingGo(bench: PracticeBench, inputs: readonly Input[]): PracticeBench {
  for (let n = inputs.length; n > 0; n -= 1) {
    const at = doAll(bench, inputs.slice(0, n));
    if (!at.esc.machine.states[at.esc.config.state]!.keyDown) return at;
  }
  return bench;
}

function inputsToStore(bench: PracticeBench, family: MediumFamily, { item, stop }: Exercise): Input[] {
  const medium = bench.esc.profile.media.find((one) => one.family === family);
  if (!medium || !isByHand(medium)) return [];
  const { machine, config } = bench.esc;
  const leg = { purpose: 'store' as const, itemId: item.id, stopId: stop.id };
  const plan = planLegs(machine, config, [leg], reachedRange(bench.radio), family);
  return isPlanned(plan) ? plan.legs.flatMap(({ inputs }) => inputs) : [];
}

/** What a planner's inputs are as deeds of hands. */
export function deedOf({ radio }: PracticeBench, input: Input): Deed {
  switch (input.type) {
    case 'elapsed':
      return { do: 'wait', ms: input.ms };
    case 'stick':
      return { do: 'throttle', position: positionFor(radio, input.micros) };
    default:
      return { do: 'esc', input };
  }
}

/** The end that sends this pulse, exactly; else a position in between. */
function positionFor(radio: PracticeBench['radio'], micros: number): number {
  const ends = reachedRange(radio);
  if (micros === ends.forwardMicros) return 1;
  if (micros === ends.neutralMicros) return radio.channel.rest === 'centre' ? 0 : -1;
  return micros === ends.brakeMicros ? -1 : positionAt(radio.channel, micros);
}

function doAll(bench: PracticeBench, inputs: readonly Input[]): PracticeBench {
  return inputs.reduce((at, input) => doDeed(at, deedOf(at, input)).bench, bench);
}

const asBeginning = (bench: PracticeBench): PracticeBench => ({
  ...bench,
  atMs: 0,
  deeds: 0,
  shown: {},
});

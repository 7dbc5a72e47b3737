/** The steps of a plan: what one has to do, and how long it takes. */
import type { MediumFamily } from '../esc/media';
import { inputSeconds } from '../plan/explorer';
import type { Gesture } from '../plan/gestures';
import { planRestart } from '../plan/loadPlan';
import { isPlanned, type NoWay } from '../plan/search';
import type { Config, Input, Machine } from '../procedure/language';
import { msToDeadline, stateOf } from '../procedure/step';
import type { LearnedRange } from '../radio/pulse';
import type { Deed } from './bench';
import type { Lesson } from './lesson';

/** One thing to do next. */
export type Step =
  | { kind: 'gesture'; gesture: Gesture }
  | { kind: 'deed'; deed: Deed }
  /** The ESC, or the form, shows what the item holds: it has to be said. */
  | { kind: 'tell'; itemId: string };

export type DeedStep = Extract<Step, { kind: 'deed' }>;
export const deedStep = (deed: Deed): DeedStep => ({ kind: 'deed', deed });

export const gestureSteps = (gestures: readonly Gesture[]): Step[] =>
  gestures.map((gesture) => ({ kind: 'gesture', gesture }));

/** What of these is waiting, ms. */
export const elapsedMs = (inputs: readonly Input[]): number =>
  inputs.reduce((sum, input) => sum + (input.type === 'elapsed' ? input.ms : 0), 0);

export function waitSeconds(step: Step): number {
  if (step.kind === 'gesture') return elapsedMs(step.gesture.inputs) / 1000;
  return step.kind === 'deed' && step.deed.do === 'wait' ? step.deed.ms / 1000 : 0;
}

/** As the ESC and quick hands need it, s. */
export const secondsOf = (steps: readonly Step[]): number =>
  steps.reduce(
    (sum, step) =>
      sum + (step.kind === 'gesture' ? inputSeconds(step.gesture.inputs) : 1 + waitSeconds(step)),
    0,
  );

/** The medium in which the ESC may still be. */
export const familyOf = ({ medium, profile }: Lesson): MediumFamily => (medium ?? profile.media[0]!).family;

/** An ESC that starts just now needs only time; any other is switched off and on. */
export function driveAgain(
  machine: Machine,
  config: Config,
  stick: LearnedRange,
  family: MediumFamily,
): Step[] | NoWay {
  const isStarting = stateOf(machine, config).role === 'waking' && config.stickMicros === stick.neutralMicros;
  if (isStarting) return [deedStep({ do: 'wait', ms: msToDeadline(machine, config) ?? 0 })];
  const restart = planRestart(machine, config, stick, family);
  return isPlanned(restart) ? gestureSteps(restart.gestures) : restart;
}

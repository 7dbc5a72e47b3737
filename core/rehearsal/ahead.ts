/** All that is left to do in a lesson, from wherever the bench is: the coach reads its first step, the judge its length. */
import { isByHand, MEDIA, type HandMedium, type MediumFamily } from '../esc/media';
import type { StopByItem } from '../esc/profile';
import { planCalibration } from '../plan/calibrationPlan';
import { inputSeconds } from '../plan/explorer';
import type { Gesture } from '../plan/gestures';
import { planLegs, planRestart } from '../plan/loadPlan';
import { legsLeft, type LoadSession } from '../plan/loadSession';
import { isPlanned, type NoWay } from '../plan/search';
import type { Config, Machine } from '../procedure/language';
import { msToDeadline, stateOf } from '../procedure/step';
import { restPosition, type LearnedRange } from '../radio/pulse';
import { isOn, isReady, type Deed, type PracticeBench } from './bench';
import { readSeconds, sendSeconds } from './computer';
import { isRangeRight, radioLeft, stopsLeft, tellsLeft, type Lesson } from './lesson';
import { reachedRange, type RadioMenu } from './radio';

/** One thing to do next. */
export type Step =
  | { kind: 'gesture'; gesture: Gesture }
  | { kind: 'deed'; deed: Deed }
  /** The ESC, or the form, shows what the item holds: it has to be said. */
  | { kind: 'tell'; itemId: string };

export interface Ahead {
  steps: Step[];
  /** As the ESC and quick hands need it. */
  seconds: number;
}

/** `otherEsc`: the bench has an ESC for which this lesson was not made. */
export type CannotPlan = NoWay | 'otherEsc';

/** What a hand that thinks needs for each step beside what the ESC asks, s. */
const STEP_SECONDS = 3;

/** How long a learner may take: the ESC's own times, and three seconds for each step. */
export const learnerSeconds = ({ steps }: Ahead): number =>
  steps.reduce((sum, step) => sum + STEP_SECONDS + waitSeconds(step), 0);

function waitSeconds(step: Step): number {
  if (step.kind === 'gesture')
    return step.gesture.inputs.reduce(
      (sum, input) => sum + (input.type === 'elapsed' ? input.ms / 1000 : 0),
      0,
    );
  return step.kind === 'deed' && step.deed.do === 'wait' ? step.deed.ms / 1000 : 0;
}

/** A bench never changes: what was worked out for one is kept while it lives. */
const known = new WeakMap<PracticeBench, { lesson: Lesson; ahead: Ahead | CannotPlan }>();

/** @returns why there is no way on, where there is none */
export function ahead(lesson: Lesson, bench: PracticeBench): Ahead | CannotPlan {
  const before = known.get(bench);
  if (before?.lesson === lesson) return before.ahead;
  const found = workedOut(lesson, bench);
  known.set(bench, { lesson, ahead: found });
  return found;
}

function workedOut(lesson: Lesson, bench: PracticeBench): Ahead | CannotPlan {
  if (bench.esc.profile !== lesson.profile) return 'otherEsc';
  const radio = radioSteps(lesson, bench);
  // Whatever was wrong with the radio is right before anything else is done.
  const ready = radio.reduce<PracticeBench>((at, { deed }) => withRadio(at, deed), bench);
  const parts = lesson.medium && !isByHand(lesson.medium) ? byComputer(lesson, ready) : byHand(lesson, ready);
  return typeof parts === 'string'
    ? parts
    : { steps: [...radio, ...parts], seconds: secondsOf([...radio, ...parts]) };
}

const secondsOf = (steps: readonly Step[]): number =>
  steps.reduce(
    (sum, step) =>
      sum + (step.kind === 'gesture' ? inputSeconds(step.gesture.inputs) : 1 + waitSeconds(step)),
    0,
  );

type DeedStep = Extract<Step, { kind: 'deed' }>;
const deedStep = (deed: Deed): DeedStep => ({ kind: 'deed', deed });

function radioSteps(lesson: Lesson, bench: PracticeBench): DeedStep[] {
  const left = Object.entries(radioLeft(lesson, bench)) as [keyof RadioMenu, number | boolean][];
  return [
    ...left.map(([key, value]) => deedStep({ do: 'radio', set: { [key]: value } })),
    ...(bench.radio.hold ? [deedStep({ do: 'hold', on: false })] : []),
  ];
}

/** The radio as it is then; the ESC sees its pulse, but has not answered yet. */
function withRadio(bench: PracticeBench, deed: Deed): PracticeBench {
  if (deed.do === 'hold') return { ...bench, radio: { ...bench.radio, hold: deed.on } };
  if (deed.do !== 'radio') return bench;
  return { ...bench, radio: { ...bench.radio, channel: { ...bench.radio.channel, ...deed.set } } };
}

function byHand(lesson: Lesson, bench: PracticeBench): Step[] | NoWay {
  const { machine } = bench.esc;
  const stick = reachedRange(bench.radio);
  const steps: Step[] = [];
  let config = bench.esc.config;
  const add = (gestures: readonly Gesture[]): void => {
    steps.push(...gestureSteps(gestures));
    config = gestures.at(-1)?.end ?? config;
  };
  if (!isRangeRight(lesson, config.memory.range)) {
    const gestures = planCalibration(machine, config, stick);
    if (!isPlanned(gestures)) return gestures;
    add(gestures);
  }
  if (lesson.medium && isByHand(lesson.medium)) {
    const legs = legSteps(lesson, bench, config, lesson.medium);
    if (!isPlanned(legs)) return legs;
    steps.push(...legs.steps);
    config = legs.end;
  }
  const isDriving = config.state === 'driving';
  const isAtRest = isDriving && config.stickMicros === stick.neutralMicros;
  if (lesson.travel ? !isDriving : !isAtRest && lesson.medium) {
    const ends = driveAgain(machine, config, stick, familyOf(lesson));
    if (typeof ends === 'string') return ends;
    steps.push(...ends);
  }
  return lesson.travel ? [...steps, ...travelSteps(bench)] : steps;
}

/** The medium in which the ESC may still be. */
const familyOf = ({ medium, profile }: Lesson): MediumFamily => (medium ?? profile.media[0]!).family;

/** An ESC that starts just now needs only time; any other is switched off and on. */
function driveAgain(
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

const gestureSteps = (gestures: readonly Gesture[]): Step[] =>
  gestures.map((gesture) => ({ kind: 'gesture', gesture }));

/** All the way, and back to rest: what the ESC then gets says whether radio and ESC agree. */
const travelSteps = ({ radio, sawFull }: PracticeBench): Step[] => [
  ...(sawFull ? [] : [deedStep({ do: 'throttle', position: 1 })]),
  deedStep({ do: 'throttle', position: restPosition(radio.channel) }),
];

/** What has to be stored, then what has to be shown and said. */
function legSteps(
  lesson: Lesson,
  bench: PracticeBench,
  from: Config,
  medium: HandMedium,
): { steps: Step[]; end: Config } | NoWay {
  const { profile, target } = lesson;
  const left = tellsLeft(lesson, bench);
  const session: LoadSession = {
    target: target.stops,
    held: from.memory.stops,
    showsStored: MEDIA[medium.family].showsStored,
    concerned: lesson.tell,
    counted: lesson.tell.filter((itemId) => !left.includes(itemId)),
  };
  const { machine } = bench.esc;
  const plan = planLegs(machine, from, legsLeft(profile, session), reachedRange(bench.radio), medium.family);
  if (!isPlanned(plan)) return plan;
  return {
    steps: plan.legs.flatMap(({ leg, gestures }): Step[] => [
      ...gestureSteps(gestures),
      ...(leg.purpose === 'show' ? [{ kind: 'tell' as const, itemId: leg.itemId }] : []),
    ]),
    end: plan.end,
  };
}

/** Power, plug, read, set, send, read again, say, unplug. */
function byComputer(lesson: Lesson, bench: PracticeBench): Step[] | NoWay {
  const { esc, computer } = bench;
  const { profile, target } = lesson;
  const held = esc.config.memory.stops;
  const click = (deed: Extract<Deed, { do: 'computer' }>['deed']): DeedStep =>
    deedStep({ do: 'computer', deed });
  const waiting = (seconds: number): DeedStep => deedStep({ do: 'wait', ms: Math.round(seconds * 1000) });
  const left = stopsLeft(lesson, bench);
  const tells = tellsLeft(lesson, bench);
  const steps: Step[] = [];
  const starts = () => driveAgain(esc.machine, esc.config, reachedRange(bench.radio), familyOf(lesson));
  const isUnderWay = computer.busy !== undefined;
  const readAll = [click({ act: 'read' }), waiting(readSeconds(profile))];

  if (left.length > 0 || tells.length > 0) {
    if (!isOn(bench)) {
      const start = starts();
      if (typeof start === 'string') return start;
      steps.push(...start);
    }
    if (!computer.plugged || computer.broken) steps.push(click({ act: 'plug' }));
    if (isUnderWay) steps.push(waiting(untilIdle(bench)));
    const shows = computer.form;
    if (!shows && !isUnderWay) steps.push(...readAll);
    if (left.length > 0 && computer.busy?.doing !== 'sending') {
      const seen: StopByItem = shows ?? held;
      const toSet = profile.items.map(({ id }) => id).filter((id) => seen[id] !== target.stops[id]);
      steps.push(...toSet.map((itemId) => click({ act: 'set', itemId, stopId: target.stops[itemId]! })));
      steps.push(click({ act: 'send' }), waiting(sendSeconds(left.length)));
    }
    if (tells.length > 0) {
      const isFresh = shows !== undefined && left.length === 0 && !isUnderWay;
      if (!isFresh && steps.some(sends)) steps.push(...readAll);
      steps.push(...tells.map((itemId): Step => ({ kind: 'tell', itemId })));
    }
  }
  const unplugs = computer.plugged || steps.length > 0;
  if (unplugs) steps.push(click({ act: 'unplug' }));
  if (!unplugs && !isReady(bench)) {
    const start = starts();
    if (typeof start === 'string') return start;
    steps.push(...start);
  }
  return steps;
}

const sends = (step: Step): boolean =>
  step.kind === 'deed' && step.deed.do === 'computer' && step.deed.deed.act === 'send';

function untilIdle({ computer: { busy } }: PracticeBench): number {
  if (!busy) return 0;
  const more = busy.doing === 'sending' ? sendSeconds(busy.left.length - 1) : 0;
  return busy.msLeft / 1000 + more;
}

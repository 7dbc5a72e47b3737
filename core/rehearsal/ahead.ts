/** All that is left to do in a lesson, from wherever the bench is: the coach reads its first step, the judge its length. */
import { isByHand, MEDIA, type HandMedium } from '../esc/media';
import { planCalibration } from '../plan/calibrationPlan';
import type { Gesture } from '../plan/gestures';
import { planLegs } from '../plan/loadPlan';
import { legsLeft, type LoadSession } from '../plan/loadSession';
import { isPlanned, type NoWay } from '../plan/search';
import type { Config } from '../procedure/language';
import { restPosition } from '../radio/pulse';
import { byComputer } from './aheadByComputer';
import type { Deed, PracticeBench } from './bench';
import { isRangeRight, radioLeft, tellsLeft, type Lesson } from './lesson';
import { reachedRange, type RadioMenu } from './radio';
import {
  deedStep,
  driveAgain,
  familyOf,
  gestureSteps,
  secondsOf,
  waitSeconds,
  type DeedStep,
  type Step,
} from './steps';

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

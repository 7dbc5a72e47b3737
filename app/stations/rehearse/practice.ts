/** A rehearsal with what the page shows of it. Pure. */
import { isResting, type Deed, type PracticeBench } from '#core/rehearsal/bench';
import type { Lesson } from '#core/rehearsal/lesson';
import { begin, perform, type Rehearsal } from '#core/rehearsal/rehearsal';
import { SURPRISE_OF, type SurpriseId } from '#core/rehearsal/surprises';
import { DARK, sameButForTime, show, type Display } from '../../simulated/useSimulatedEsc';

export interface Practice {
  rehearsal: Rehearsal;
  display: Display;
  /** The bench when no key was down: what the coach speaks about. The same object while nothing but time passes. */
  resting: PracticeBench;
  surpriseId: SurpriseId | undefined;
  /** Whether the learner has said what is wrong. */
  isNamed: boolean;
  /** Guesses that were wrong. */
  wrongGuesses: readonly SurpriseId[];
}

export function startOf(lesson: Lesson, surpriseId: SurpriseId | undefined): Practice {
  const rehearsal = begin(lesson, surpriseId === undefined ? [] : [SURPRISE_OF[surpriseId]]);
  return {
    rehearsal,
    display: DARK,
    resting: rehearsal.bench,
    surpriseId,
    isNamed: false,
    wrongGuesses: [],
  };
}

/** After one thing was done. */
export function doneBy(practice: Practice, deed: Deed): Practice {
  const rehearsal = perform(practice.rehearsal, deed);
  const fresh = rehearsal.moments.slice(practice.rehearsal.moments.length);
  return {
    ...practice,
    rehearsal,
    display: fresh.flatMap(({ observed }) => observed).reduce(show, practice.display),
    resting: restingAfter(practice.resting, rehearsal.bench),
  };
}

/** The learner names what is wrong. */
export function guessed(practice: Practice, guess: SurpriseId): Practice {
  const { surpriseId, rehearsal } = practice;
  if (guess !== surpriseId) return { ...practice, wrongGuesses: [...practice.wrongGuesses, guess] };
  const bench = SURPRISE_OF[guess].correct(rehearsal.bench);
  return {
    ...practice,
    rehearsal: { ...rehearsal, bench },
    resting: restingAfter(practice.resting, bench),
    isNamed: true,
  };
}

function restingAfter(before: PracticeBench, bench: PracticeBench): PracticeBench {
  if (!isResting(bench)) return before;
  const { config } = bench.esc;
  const isSame =
    sameButForTime(before.esc.config, config) &&
    before.esc.profile === bench.esc.profile &&
    before.radio === bench.radio &&
    before.told === bench.told &&
    before.shown === bench.shown &&
    before.sawFull === bench.sawFull &&
    before.fault === bench.fault &&
    before.pack === bench.pack &&
    before.computer.form === bench.computer.form &&
    before.computer.plugged === bench.computer.plugged &&
    before.computer.broken === bench.computer.broken &&
    before.computer.busy?.doing === bench.computer.busy?.doing;
  return isSame ? before : { ...bench, esc: { ...bench.esc, config: { ...config, msInState: 0 } } };
}

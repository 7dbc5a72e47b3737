import { ahead } from './ahead';
import type { Step } from './steps';
import { deedOf } from './beginnings';
import type { Deed } from './bench';
import { isPassed } from './lesson';
import { perform, type Rehearsal } from './rehearsal';

const MOST_STEPS = 300;

/** The deeds of a step as a learner does it who does as he is told. */
export function deedsOf({ bench }: Rehearsal, step: Step): Deed[] {
  switch (step.kind) {
    case 'gesture':
      return step.gesture.inputs.map((input) => deedOf(bench, input));
    case 'deed':
      return [step.deed];
    case 'tell':
      return [{ do: 'tell', itemId: step.itemId, stopId: bench.esc.config.memory.stops[step.itemId]! }];
  }
}

/** Does what the coach says until the lesson is passed. @throws {Error} where it does not come to that */
export function follow(from: Rehearsal): Rehearsal {
  let rehearsal = from;
  for (let n = 0; n < MOST_STEPS; n += 1) {
    const { lesson, bench } = rehearsal;
    if (isPassed(lesson, bench)) return rehearsal;
    const plan = ahead(lesson, bench);
    if (typeof plan === 'string') throw new Error(`${lesson.id}: ${plan} from ${bench.esc.config.state}`);
    const [step] = plan.steps;
    if (!step) throw new Error(`${lesson.id}: nothing to do, not passed, in ${bench.esc.config.state}`);
    for (const deed of deedsOf(rehearsal, step)) {
      const before = rehearsal.moments.length;
      rehearsal = perform(rehearsal, deed);
      // Whoever sees that something happened by itself looks again before going on.
      if (rehearsal.moments.slice(before).some(({ deed: done }) => done !== deed && done.do !== 'wait'))
        break;
    }
  }
  throw new Error(
    `${from.lesson.id}: not passed after ${MOST_STEPS} steps, in ${rehearsal.bench.esc.config.state}`,
  );
}

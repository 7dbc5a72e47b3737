/** Why a plan leaves a question out, in a sentence. */
import type { DayPlan, DayProblem } from './dayProblem';
import { planDay } from './planDay';

export interface Dropped {
  questionId: string;
  because: string;
}

/** Every question that is not answered, with the reason. */
export const droppedFrom = (problem: DayProblem, plan: DayPlan): Dropped[] =>
  problem.questions
    .filter(({ id }) => !plan.answered.includes(id))
    .map((question) => ({ questionId: question.id, because: reasonFor(problem, question, plan) }));

/** Long enough for anything. */
const A_WEEK = 7 * 24 * 60;

function reasonFor(problem: DayProblem, question: DayProblem['questions'][0], plan: DayPlan): string {
  const alone = { ...problem, questions: [question] };
  if (!problem.packs.some(({ fits }) => fits.includes(question.rigId)))
    return 'No pack on the list fits this model, or none that may be used.';
  if (planDay(alone).answered.length > 0)
    return plan.answered.length > 0
      ? 'There is no time for it beside what matters as much or more.'
      : 'There is no time for it.';
  const inAWeek = planDay({ ...alone, endsAt: problem.startsAt + A_WEEK });
  if (inAWeek.answered.length === 0)
    return 'Its packs cannot be charged for it: there is no charger, or it never cools in time.';
  if (problem.endsAt <= problem.startsAt) return 'The day is over.';
  const needs = inAWeek.endsAt - problem.startsAt;
  const left = Math.max(0, problem.endsAt - problem.startsAt);
  return `By itself it takes ${inWords(needs)}, waiting for motor and packs too; ${inWords(left)} are left.`;
}

function inWords(minutes: number): string {
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  if (hours === 0) return `${rest}\u00a0min`;
  return rest === 0 ? `${hours}\u00a0h` : `${hours}\u00a0h ${rest}\u00a0min`;
}

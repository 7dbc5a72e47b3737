import type { TestDay } from '#core/days/day';
import { minuteOf } from '#core/days/zoned';
import { Link } from 'react-router';
import type { DayViewData } from './dayData.server';

interface Props {
  day: TestDay;
  rigs: DayViewData['rigs'];
  runs: DayViewData['runs'];
}

const FEWEST_RUNS = 3;

/** What is known now that was not in the morning: the answers of the day, each where it is worked out. */
export function KnownNow({ day, rigs, runs }: Props) {
  const morning = minuteOf(day.startsAt, day.timeZone) ?? 0;
  const questions = day.questions.flatMap(({ questionId, rigId }) => {
    const own = runs.filter((run) => run.questionId === questionId);
    const today = own.filter(({ at }) => at >= morning);
    const words = rigs
      .find((rig) => rig.rigId === rigId)
      ?.questions.find(({ id }) => id === questionId)?.words;
    return today.length === 0 ? [] : [{ rigId, questionId, words: words ?? '', count: own.length, today }];
  });
  if (questions.length === 0) return null;
  return (
    <section aria-label="Known now" className="mt-8">
      <h2 className="text-2xl">Known now that was not in the morning</h2>
      <ul className="mt-1 border-t border-rule">
        {questions.map(({ rigId, questionId, words, count, today }) => (
          <li key={questionId} className="border-b border-rule py-2">
            <strong>{words}</strong>{' '}
            {count < FEWEST_RUNS
              ? `${count} of ${FEWEST_RUNS} runs are driven: ${today.map(({ side }) => side).join(', ')} today.`
              : `Driven: ${today.map(({ side }) => side).join(', ')}.`}{' '}
            <Link to={`/rigs/${rigId}/runs/questions`} className="underline underline-offset-4">
              {count < FEWEST_RUNS ? 'See it so far' : 'Read the answer'}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

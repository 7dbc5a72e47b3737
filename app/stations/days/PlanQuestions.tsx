import type { DayQuestion, TestDay } from '#core/days/day';
import { MOST_QUESTIONS } from '#core/days/dayProblem';
import type { Suggested } from '#core/days/suggest';
import { fitsRig } from '#core/packs/intoModel';
import { READINGS } from '#core/runs/readings';
import type { Remote } from 'comlink';
import { useState } from 'react';
import { Link, useFetcher } from 'react-router';
import { Button } from '../../ui/Button';
import { OwnersFields, OwnersOnly } from '../../ui/OwnersOnly';
import { TickBox } from '../../ui/TickBox';
import type { DaysWorker } from '../../workers/days.worker';
import { INPUT } from '../rig/formParts';
import type { DayViewData } from './dayData.server';

interface Props {
  day: TestDay;
  view: DayViewData;
  worker: Remote<DaysWorker> | undefined;
  save: (part: Partial<TestDay>) => void;
}

const RUN_MINUTES = 6;

/** What the day is to answer, the most important first. */
export function PlanQuestions({ day, view, worker, save }: Props) {
  const { questions } = day;
  const [rigId, setRigId] = useState(view.rigNames[0]?.rigId ?? '');
  const change = (place: number, part: Partial<DayQuestion>): void =>
    save({ questions: questions.map((one, n) => (n === place ? { ...one, ...part } : one)) });
  const move = (place: number): void =>
    save({
      questions: inImportance(
        questions.map((_, n) =>
          n === place - 1 ? questions[place]! : n === place ? questions[place - 1]! : questions[n]!,
        ),
      ),
    });
  return (
    <section aria-label="Questions" className="mt-8 print:hidden">
      <h2 className="text-2xl">Questions, the most important first</h2>
      <ol className="mt-1 border-t border-rule empty:hidden">
        {questions.map((one, place) => (
          <li key={one.questionId} className="grid gap-2 border-b border-rule py-2">
            <QuestionName view={view} {...one} />
            <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
              <OwnersFields>
                <label className="flex items-center gap-2">
                  minutes a run
                  <input
                    type="number"
                    min={1}
                    max={120}
                    defaultValue={one.runMinutes}
                    onBlur={(event) => {
                      const minutes = Math.round(event.target.valueAsNumber);
                      if (minutes >= 1 && minutes <= 120 && minutes !== one.runMinutes)
                        change(place, { runMinutes: minutes });
                    }}
                    className={`${INPUT} w-20 text-right`}
                  />
                </label>
                <TickBox on={one.onePack} onChange={(onePack) => change(place, { onePack })}>
                  all on one pack
                </TickBox>
              </OwnersFields>
              <OwnersOnly>
                {place > 0 && (
                  <Button look="quiet" onClick={() => move(place)}>
                    more important
                  </Button>
                )}
                <Button
                  look="quiet"
                  onClick={() => save({ questions: inImportance(questions.filter((_, n) => n !== place)) })}
                >
                  take out
                </Button>
              </OwnersOnly>
            </div>
          </li>
        ))}
      </ol>
      <OwnersOnly>
        {questions.length < MOST_QUESTIONS && (
          <div className="mt-3 grid gap-2">
            <label className="flex max-w-full min-w-0 flex-wrap items-center gap-3">
              Rig
              <select value={rigId} onChange={(event) => setRigId(event.target.value)} className={INPUT}>
                {view.rigNames.map((one) => (
                  <option key={one.rigId} value={one.rigId}>
                    {one.name}
                  </option>
                ))}
              </select>
            </label>
            <Offered key={rigId} rigId={rigId} day={day} view={view} worker={worker} save={save} />
          </div>
        )}
      </OwnersOnly>
    </section>
  );
}

/** Their order is their importance. */
const inImportance = (questions: readonly DayQuestion[]): DayQuestion[] =>
  questions.map((one, place) => ({ ...one, importance: Math.min(9, place + 1) }));

function QuestionName({ view, rigId, questionId }: DayQuestion & { view: DayViewData }) {
  const rig = view.rigs.find((one) => one.rigId === rigId);
  const question = rig?.questions.find(({ id }) => id === questionId);
  return (
    <p>
      <strong>{question?.words ?? 'A question that is closed or gone.'}</strong>{' '}
      <span className="text-muted">
        {rig?.rig.name}
        {question && `, told by ${READINGS[question.reading].name.toLowerCase()}`}
      </span>
    </p>
  );
}

/** Open questions of a rig, and those that its model would have answered; fetched when they are asked for. */
function Offered({ rigId, day, view, worker, save }: Props & { rigId: string }) {
  const loader = useFetcher<{ rig: DayViewData['rigs'][0] | null }>();
  const asker = useFetcher();
  const [suggested, setSuggested] = useState<Suggested[]>();
  const [isThinking, setThinking] = useState(false);
  const known = view.rigs.find((one) => one.rigId === rigId) ?? loader.data?.rig ?? undefined;
  const taken = new Set(day.questions.map(({ questionId }) => questionId));
  const add = (questionId: string): void => {
    if (!known) return;
    const fitting = view.packs.filter(({ pack }) => fitsRig(pack, known.rig));
    save({
      questions: inImportance([
        ...day.questions,
        {
          rigId,
          questionId,
          importance: 9,
          runMinutes: RUN_MINUTES,
          onePack: fitting.length < 2,
        },
      ]),
    });
  };
  if (!known)
    return (
      <p>
        <Button onClick={() => void loader.load(`/days/rig/${rigId}`)} disabled={loader.state !== 'idle'}>
          Show its questions
        </Button>
      </p>
    );
  const think = async (): Promise<void> => {
    if (!worker) return;
    setThinking(true);
    setSuggested(
      await worker.suggest({
        rig: known.rig,
        profile: known.profile,
        stops: known.believed,
        range: known.range,
        use: known.goals.use,
      }),
    );
    setThinking(false);
  };
  const own = known.questions.filter(({ id }) => !taken.has(id));
  return (
    <>
      {own.length > 0 && (
        <ul className="border-t border-rule">
          {own.map(({ id, words }) => (
            <li key={id} className="flex flex-wrap items-center gap-4 border-b border-rule py-1">
              <span className="min-w-0 flex-1">{words}</span>
              <Button onClick={() => add(id)}>
                Put it in<span className="sr-only"> {words}</span>
              </Button>
            </li>
          ))}
        </ul>
      )}
      <p className="flex flex-wrap items-center gap-4">
        <Button onClick={() => void think()} disabled={!worker || isThinking}>
          {isThinking ? 'Working it out …' : 'What would the model ask?'}
        </Button>
        <Link to={`/rigs/${rigId}/runs/questions`} className="underline underline-offset-4">
          Ask one of your own
        </Link>
      </p>
      {suggested?.length === 0 && <p>The model finds no question that is worth a drive.</p>}
      <ul className="empty:hidden">
        {suggested?.map(({ because, ...question }) => (
          <li key={question.words} className="flex flex-wrap items-center gap-4 border-b border-rule py-2">
            <span className="min-w-0 flex-1">
              <strong>{question.words}</strong> {because}
            </span>
            <Button
              onClick={() => {
                const asked = {
                  kind: 'compare',
                  id: crypto.randomUUID(),
                  madeAt: new Date().toISOString(),
                  ...question,
                };
                void asker.submit(
                  { intent: 'ask', rigId, asked: JSON.stringify(asked) },
                  { method: 'post', action: `/days/${day.id}` },
                );
                setSuggested(suggested.filter(({ itemId }) => itemId !== question.itemId));
              }}
            >
              Ask it<span className="sr-only"> {question.words}</span>
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}

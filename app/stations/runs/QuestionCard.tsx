import { answerOf, seriesOf, type Answer, type Question } from '#core/runs/question';
import type { TakingTurns } from '#core/packs/takingTurns';
import { READINGS } from '#core/runs/readings';
import { stopsOfRun, type NumberedRun } from '#core/runs/run';
import type { Scatter } from '#core/runs/statistics';
import { formatNumber, withUnit } from '#core/units/format';
import { useMemo } from 'react';
import { Link, useFetcher } from 'react-router';
import { Button } from '../../ui/Button';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { useBench } from '../bench/BenchContext';
import { usePackSpread } from './usePackSpread';
import { usePredicted } from './usePredicted';

interface Props {
  question: Question;
  isClosed: boolean;
  /** Its runs, in their order. */
  runs: readonly NumberedRun[];
  repeated: Scatter;
  /** The packs of the shelf that took turns in it, where they are alike. */
  packs: TakingTurns | undefined;
}

/** A question with its runs so far, and what they answer. */
export function QuestionCard({ question, isClosed, runs, repeated, packs }: Props) {
  const corrections = useCorrections(question, runs);
  const spread = usePackSpread(question, runs, packs);
  const answer = answerOf(
    question,
    runs,
    repeated,
    corrections,
    packs && spread !== undefined ? { labels: packs.labels, spread } : undefined,
  );
  const series = seriesOf(question, runs);
  const { name, unit, decimals } = READINGS[question.reading];
  return (
    <article className="mt-5 border-t border-ink pt-3" aria-label={question.words}>
      <h2 className="text-2xl">{question.words}</h2>
      <p className="text-muted">
        A: {question.itemLabel} {question.a.label} · B: {question.b.label} · told by {name.toLowerCase()}
      </p>
      <ol className="mt-1 flex flex-wrap gap-x-5">
        {series.map(({ number, side, value }) => (
          <li key={number}>
            <strong>{side}</strong> {withUnit(value, unit, decimals)}{' '}
            <span className="text-sm text-muted">run {number}</span>
          </li>
        ))}
        {answer.state === 'open' &&
          answer.next.map((side, n) => (
            <li key={n} className="text-muted">
              <strong>{side}</strong> to drive
            </li>
          ))}
      </ol>
      {answer.state === 'answered' && (
        <Answered
          answer={answer}
          corrections={corrections}
          question={question}
          isOnPacksInTurn={packs !== undefined && spread !== undefined}
        />
      )}
      {answer.state === 'open' && !isClosed && <NextSide question={question} side={answer.next[0]!} />}
      {answer.state === 'twoChanged' && (
        <p className="mt-2 max-w-2xl text-caution">
          Something else was different between these runs: {answer.others.join(', ')}. Ask again, and change
          only this value.
        </p>
      )}
      <OwnersOnly>{!isClosed && <Close id={question.id} />}</OwnersOnly>
    </article>
  );
}

function Answered({
  answer,
  corrections,
  question,
  isOnPacksInTurn,
}: {
  answer: Extract<Answer, { state: 'answered' }>;
  corrections: Readonly<Record<number, number>>;
  question: Question;
  isOnPacksInTurn: boolean;
}) {
  const { unit, decimals } = READINGS[question.reading];
  const taken = Object.entries(corrections).filter(([, value]) => Number(value.toFixed(decimals)) !== 0);
  return (
    <>
      <p className="mt-2 max-w-2xl text-lg font-bold" role="status">
        {answer.sentence}
      </p>
      <p className="max-w-2xl text-sm text-muted">
        {answer.perRun === undefined
          ? 'The spread comes from the side that was driven twice. More runs, A and B in turn, narrow it.'
          : `From run to run it changed by ${withUnit(answer.perRun, unit, decimals + 1)} by itself; that is taken out.`}
        {taken.length > 0 &&
          ` The model took out what time, air and pack did: ${taken
            .map(([run, value]) => `run ${run} ${formatNumber(value, decimals)}`)
            .join(', ')} ${unit}.`}
        {isOnPacksInTurn &&
          ' Packs took turns: what they may differ by themselves is counted in the interval.'}
      </p>
    </>
  );
}

/** What comes next, with the value drafted by one tap. */
function NextSide({ question, side }: { question: Question; side: 'A' | 'B' }) {
  const { rigId, holdings, moveAll } = useBench();
  const { stopId, label } = side === 'A' ? question.a : question.b;
  if (holdings[question.itemId]?.stopId === stopId)
    return (
      <p className="mt-2">
        The ESC holds side {side}, {label}.{' '}
        <Link to={`/rigs/${rigId}/runs`} className="font-bold underline underline-offset-4">
          Drive it and note the run
        </Link>
      </p>
    );
  return (
    <p className="mt-2 flex flex-wrap items-center gap-3">
      <span>
        Next: side {side}, {label}.
      </span>
      <Button
        onClick={() =>
          moveAll({ [question.itemId]: stopId }, {}, { [question.itemId]: question.words.slice(0, 200) })
        }
        asChild
      >
        <Link to={`/rigs/${rigId}/load`}>Draft and load it</Link>
      </Button>
    </p>
  );
}

function Close({ id }: { id: string }) {
  const { rigId } = useBench();
  const fetcher = useFetcher();
  return (
    <fetcher.Form method="post" action={`/rigs/${rigId}/runs`}>
      <input type="hidden" name="id" value={id} />
      <Button type="submit" look="quiet" name="intent" value="close">
        Close this question
      </Button>
    </fetcher.Form>
  );
}

/**
 * What the circumstances of each run add to the number, by the model: what it says of all of them with side A's value, each in
 * its own air and for its own minutes, against the mean.
 */
function useCorrections(question: Question, runs: readonly NumberedRun[]): Readonly<Record<number, number>> {
  const asked = useMemo(
    () =>
      runs.map(({ number, run }) => ({
        key: number,
        run,
        stops: { ...stopsOfRun(run), [question.itemId]: question.a.stopId },
      })),
    [runs, question],
  );
  const kinds = useMemo(() => [question.reading], [question]);
  const predicted = usePredicted(asked, kinds);
  return useMemo(() => {
    const told = runs.map(({ number }) => [number, predicted[number]?.[question.reading]] as const);
    if (told.length === 0 || told.some(([, value]) => value === undefined)) return {};
    const mean = told.reduce((sum, [, value]) => sum + value!, 0) / told.length;
    return Object.fromEntries(told.map(([number, value]) => [number, value! - mean]));
  }, [runs, predicted, question.reading]);
}

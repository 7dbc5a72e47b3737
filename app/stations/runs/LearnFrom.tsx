import type { Fitted } from '#core/runs/fit/fit';
import type { LeftOutNumber } from '#core/runs/fit/leftOut';
import { nearness } from '#core/runs/fit/nearness';
import { READINGS } from '#core/runs/readings';
import type { NumberedRun } from '#core/runs/run';
import { formatNumber } from '#core/units/format';
import type { Problem } from '#core/units/problem';
import { useEffect, useState } from 'react';
import { Link, useFetcher } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { DataTable } from '../../ui/DataTable';
import { Time } from '../../ui/Time';
import { useBench } from '../bench/BenchContext';
import { FittedTable } from './FittedTable';
import { useFit } from './useFit';
import { Problems } from '../../ui/Problems';
import { answered, type NotKept } from '../../ui/keepTyped';

interface RunOffered extends NumberedRun {
  hasLog: boolean;
  /** Why it teaches nothing; null where it does. */
  why: string | null;
}

/** Which runs to learn from, the newest `most` at most, and what they told. */
export function LearnFrom({
  runs,
  most,
  isFirst,
}: {
  runs: readonly RunOffered[];
  most: number;
  isFirst: boolean;
}) {
  const { rig, rigId, profile, memory, goals } = useBench();
  const [without, setWithout] = useState<ReadonlySet<number>>(new Set());
  const { fitting, start, stop } = useFit();
  const teaching = runs.filter(({ why }) => why === null);
  const chosen = teaching.filter(({ number }) => !without.has(number));
  const toggle = (number: number): void => {
    // What other runs told is not what these tell.
    stop();
    const after = new Set(without);
    if (!after.delete(number)) after.add(number);
    setWithout(after);
  };
  const learn = (): void =>
    start(
      { rig, profile, range: memory.range, goals },
      chosen.map(({ number, run, hasLog }) => ({
        number,
        run,
        logAddress: hasLog ? `/rigs/${rigId}/runs/${number}/log.bin` : null,
      })),
    );
  return (
    <section aria-label="Learn from runs" className="mt-6">
      <h2 className="text-2xl">{isFirst ? 'Learn from runs' : 'Learn again'}</h2>
      {runs.length === 0 && (
        <p className="mt-1">
          No run is noted yet. A log teaches most, but a few numbers by hand will do.{' '}
          <Link to={`/rigs/${rigId}/runs`} className="underline underline-offset-4">
            Note a run
          </Link>
        </p>
      )}
      {runs.length === most && (
        <p className="mt-1 text-muted">Only the newest {most} runs are offered: a model wears over time.</p>
      )}
      <ul className="mt-2">
        {runs.map(({ number, run, hasLog, why }) => (
          <li key={number} className="border-t border-rule py-1">
            <label className="flex min-h-9 flex-wrap items-center gap-x-3 pointer-coarse:min-h-11">
              <input
                type="checkbox"
                className="size-5"
                checked={why === null && !without.has(number)}
                disabled={why !== null}
                onChange={() => toggle(number)}
              />
              <strong>Run {number}</strong>
              <Time iso={run.drivenAt} />
              <span className="text-muted">
                {why === null
                  ? hasLog
                    ? 'with its log'
                    : `${run.readings.length} ${run.readings.length === 1 ? 'number' : 'numbers'} by hand`
                  : `teaches nothing: ${why}`}
              </span>
            </label>
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap items-center gap-4" aria-live="polite">
        {fitting.state === 'going' ? (
          <>
            <progress value={fitting.done} max={1} aria-label="How far the fit is" />
            <Button look="quiet" onClick={stop}>
              Stop
            </Button>
          </>
        ) : (
          runs.length > 0 && (
            <Button look={isFirst ? 'main' : 'quiet'} disabled={chosen.length === 0} onClick={learn}>
              Fit the model to {chosen.length === 1 ? 'this run' : `${chosen.length} runs`}
            </Button>
          )
        )}
        {chosen.length > 2 && fitting.state === 'idle' && (
          <span className="text-muted">
            Run {chosen.at(-1)!.number} is left out and predicted. That shows what the fit is worth.
          </span>
        )}
      </div>
      {fitting.state === 'done' && fitting.outcome.kind === 'refused' && (
        <p className="mt-3 max-w-2xl" role="status">
          <strong>Nothing was fitted.</strong> {fitting.outcome.why}
        </p>
      )}
      {fitting.state === 'done' && fitting.outcome.kind === 'fitted' && (
        <Told outcome={fitting.outcome} onTaken={stop} />
      )}
    </section>
  );
}

/** What runs told, to be taken into the rig or not. */
function Told({ outcome, onTaken }: { outcome: Fitted; onTaken: () => void }) {
  const fetcher = useFetcher<{ problems: Problem[] } | NotKept>();
  const { numbers, open, leftOut, doubts } = outcome;
  const answer = answered(fetcher.data);
  const isTaken = fetcher.state === 'idle' && answer?.problems.length === 0;
  // What could not be kept stays here, to be taken again.
  useEffect(() => {
    if (isTaken) onTaken();
  }, [isTaken, onTaken]);
  const take = (): void =>
    void fetcher.submit({ intent: 'take', numbers: JSON.stringify(numbers) }, { method: 'post' });
  return (
    <div className="mt-4">
      <FittedTable label="What the runs tell" numbers={numbers} />
      {doubts.length > 0 && (
        <p className="mt-2 max-w-2xl text-caution">
          Not all of it fits: {doubts.join('; ')}. That makes some of these numbers less sure.
        </p>
      )}
      {open.length > 0 && (
        <p className="mt-2 max-w-2xl text-muted">
          These runs say nothing of {open.join(', ')}. That stays as it was.
        </p>
      )}
      {leftOut && <LeftOutTable number={leftOut.number} numbers={leftOut.numbers} />}
      <div className="mt-3 flex flex-wrap items-center gap-4">
        <Button
          look={leftOut && madeWorse(leftOut.numbers) ? 'quiet' : 'main'}
          disabled={fetcher.state !== 'idle'}
          onClick={take}
        >
          Take them into the rig
        </Button>
        <AwayNotice answer={fetcher.data} />
      </div>
      {answer && answer.problems.length > 0 && (
        <Problems problems={answer.problems} title="Nothing was taken." />
      )}
    </div>
  );
}

/** Whether a fit made more of what it had not seen worse than better. */
const madeWorse = (numbers: readonly LeftOutNumber[]): boolean =>
  numbers.filter((one) => nearness(one) === 'further off').length > numbers.length / 2;

/** The run that was left out: the proof of the fit. */
function LeftOutTable({ number, numbers }: { number: number; numbers: readonly LeftOutNumber[] }) {
  return (
    <>
      <h3 className="mt-4 text-xl">Run {number}, which the fit has not seen</h3>
      <DataTable
        label={`Run ${number} as it was predicted`}
        heads={[
          'number',
          { name: 'measured', isNumber: true },
          { name: 'before', isNumber: true },
          { name: 'after', isNumber: true },
        ]}
        className="max-w-2xl"
      >
        {numbers.map((one) => {
          const { name, unit, decimals } = READINGS[one.kind];
          return (
            <tr key={one.kind}>
              <th scope="row">
                {name}, {unit}
                <span className="block text-sm font-normal text-muted">{nearness(one)}</span>
              </th>
              <td className="text-right font-bold">{formatNumber(one.measured, decimals)}</td>
              <td className="text-right text-muted">{formatNumber(one.before, decimals)}</td>
              <td className="text-right">{formatNumber(one.after, decimals)}</td>
            </tr>
          );
        })}
      </DataTable>
      {madeWorse(numbers) && (
        <p className="mt-1 max-w-2xl text-caution">
          More numbers got worse than better. Drive another run before you take these.
        </p>
      )}
    </>
  );
}

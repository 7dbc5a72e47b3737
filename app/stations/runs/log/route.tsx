import type { MarkKind } from '#core/runs/log/marks';
import { watchedOn, type Watched } from '#core/runs/log/watched';
import { readingsOfLog, withLogReadings } from '#core/runs/log/readingsOfLog';
import { READINGS } from '#core/runs/readings';
import { noteOf, stopsOfRun, type Run } from '#core/runs/run';
import { withUnit } from '#core/units/format';
import { readForm } from '#server/readBody';
import { currentGarage } from '#server/repositories/garages';
import { forgetLog, knownColumns, logMetaOf, numbersWithLog } from '#server/repositories/runLogs';
import { findRun, newestRuns } from '#server/repositories/runs';
import { useEffect, useMemo, useState } from 'react';
import { data, Form, Link, useFetcher } from 'react-router';
import { AwayNotice } from '../../../ui/AwayNotice';
import { Button } from '../../../ui/Button';
import { OwnersOnly } from '../../../ui/OwnersOnly';
import { keepTyped, unlessAway, type NotKept } from '../../../ui/keepTyped';
import type { LogTold } from '../../../workers/log.worker';
import { useBench } from '../../bench/BenchContext';
import { benchOf } from '../../bench/benchData.server';
import { INPUT } from '../../rig/formParts';
import { RunsNav } from '../RunsNav';
import { ImportLog, ProblemTable } from './ImportLog';
import { LogPicture, saveBlob } from './LogPicture';
import { useLogWorker } from './useLogWorker';
import type { Route } from './+types/route';

const RUNS_OFFERED = 60;

export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  const number = Number(params.number);
  const found = await findRun(rigId, number);
  if (!found) throw data(null, { status: 404 });
  const garage = await currentGarage();
  const [meta, known, newest] = await Promise.all([
    logMetaOf(rigId, number),
    knownColumns(garage.id),
    newestRuns(rigId, RUNS_OFFERED),
  ]);
  const others = newest.map((one) => one.number).filter((other) => other !== number);
  return { ...found, meta, known, others: await numbersWithLog(rigId, others) };
}

export async function action({ params, request }: Route.ActionArgs) {
  const { rigId } = await benchOf(params.rigId);
  await readForm(request);
  await forgetLog(rigId, Number(params.number));
  return {};
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** The log of a run: read from a file, or drawn. */
export default function LogRoute({ loaderData }: Route.ComponentProps) {
  // Another run is another log.
  return <LogOfRun key={loaderData.number} loaderData={loaderData} />;
}

function LogOfRun({ loaderData }: Pick<Route.ComponentProps, 'loaderData'>) {
  const { number, run, meta, known, others } = loaderData;
  const { rigId } = useBench();
  const worker = useLogWorker();
  const [told, setTold] = useState<LogTold>();
  const [fault, setFault] = useState('');
  const address = (of: number): string => `/rigs/${rigId}/runs/${of}/log.bin`;
  const hasLog = meta !== undefined;
  const isHeld = told !== undefined;
  useEffect(() => {
    // What was just read from a file is held already.
    if (!worker || !hasLog || isHeld) return undefined;
    let isLeft = false;
    void worker.open('own', `/rigs/${rigId}/runs/${number}/log.bin`).then((opened) => {
      if (isLeft) return;
      if (opened.ok) setTold(opened.value);
      else setFault(opened.problems[0]!.sentence);
    });
    return () => {
      isLeft = true;
    };
  }, [worker, rigId, number, hasLog, isHeld]);
  const watched = useWatched(loaderData);
  const { other, choose } = useOther(worker, address, watched);
  return (
    <article className="max-w-[90rem] px-5 py-5">
      <RunsNav />
      <h1 className="mt-3 text-3xl">
        Log of{' '}
        <Link to={`/rigs/${rigId}/runs/${number}`} className="underline underline-offset-4">
          run {number}
        </Link>
      </h1>
      {fault && <p role="alert">{fault}</p>}
      {!meta && (
        <ImportLog number={number} worker={worker} known={known} onRead={setTold}>
          {told && worker && (
            <LogPicture worker={worker} run={run} told={told} other={undefined} watched={watched} />
          )}
        </ImportLog>
      )}
      {meta && !told && !fault && (
        <p className="mt-2 text-muted">Fetching {meta.samples.toLocaleString('en')} rows …</p>
      )}
      {meta && told && worker && (
        <>
          <LogPicture worker={worker} run={run} told={told} other={other} watched={watched} />
          <NumbersOfLog number={number} run={run} told={told} />
          <div className="mt-3 flex flex-wrap items-end gap-x-5 gap-y-2">
            {others.length > 0 && <OverIt others={others} onChoose={choose} />}
            <Button
              look="quiet"
              onClick={() => void worker.table().then((blob) => saveBlob(blob, `run-${number}.csv`))}
            >
              Export as CSV
            </Button>
            <Button look="quiet" asChild>
              <a href={address(number)} download={`run-${number}.log`}>
                Export as bytes
              </a>
            </Button>
            <OwnersOnly>
              <Form method="post" onSubmit={() => setTold(undefined)}>
                <Button look="quiet" type="submit">
                  Take this log away
                </Button>
              </Form>
            </OwnersOnly>
          </div>
          {meta.problems.length > 0 && (
            <details className="mt-3">
              <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">
                {meta.problems.length} {meta.problems.length === 1 ? 'thing was' : 'things were'} wrong with “
                {meta.fileName}”
              </summary>
              <ProblemTable problems={meta.problems} />
            </details>
          )}
        </>
      )}
    </article>
  );
}

/** What the log says of the run, to be noted with it. */
function NumbersOfLog({ number, run, told }: { number: number; run: Run; told: LogTold }) {
  const { rigId } = useBench();
  const fetcher = useFetcher<object | NotKept>();
  const readings = readingsOfLog(told.channels);
  const isNoted = readings.every(({ kind, value }) =>
    run.readings.some((one) => one.kind === kind && one.value === value && one.from === 'log'),
  );
  if (readings.length === 0) return null;
  const words = readings
    .map(
      ({ kind, value }) =>
        `${READINGS[kind].name.toLowerCase()} ${withUnit(value, READINGS[kind].unit, READINGS[kind].decimals)}`,
    )
    .join(', ');
  const note = (): void => {
    const whole = { ...noteOf(run), readings: withLogReadings(run.readings, readings) };
    void fetcher.submit(
      { note: JSON.stringify(whole) },
      { method: 'post', action: `/rigs/${rigId}/runs/${number}` },
    );
  };
  return (
    <p className="mt-2 flex flex-wrap items-center gap-x-3">
      <span>From the log: {words}.</span>
      {isNoted ? (
        <span className="font-bold text-ok">noted with the run</span>
      ) : (
        <OwnersOnly>
          <Button look="quiet" onClick={note}>
            Note them with the run
          </Button>
        </OwnersOnly>
      )}
      <AwayNotice answer={fetcher.data} />
    </p>
  );
}

/** What is marked on a log of this rig: its cutoff, and heat a good way before what its parts bear. */
function useWatched({ run }: Pick<Route.ComponentProps['loaderData'], 'run'>): Watched {
  const { rig, profile, memory } = useBench();
  return useMemo(
    () => watchedOn({ rig, profile, range: memory.range }, stopsOfRun(run)),
    [rig, profile, memory.range, run],
  );
}

type Other = { told: LogTold; shiftS: number; number: number };

/** Another run's log, laid over this one where the same thing happened first. */
function useOther(
  worker: ReturnType<typeof useLogWorker>,
  address: (of: number) => string,
  watched: Watched,
): { other: Other | undefined; choose: (number: number, by: MarkKind | 'start') => void } {
  const [other, setOther] = useState<Other>();
  const lay = async (number: number, by: MarkKind | 'start'): Promise<void> => {
    if (!worker || Number.isNaN(number)) {
      setOther(undefined);
      return;
    }
    const opened = await worker.open('other', address(number));
    if (!opened.ok) return;
    const first = async (shown: 'own' | 'other'): Promise<number> =>
      by === 'start'
        ? 0
        : ((await worker.marks(shown, watched)).find(({ kind }) => kind === by)?.seconds ?? 0);
    const [own, its] = await Promise.all([first('own'), first('other')]);
    setOther({ told: opened.value, shiftS: own - its, number });
  };
  return { other, choose: (number, by) => void lay(number, by) };
}

function OverIt({
  others,
  onChoose,
}: {
  others: readonly number[];
  onChoose: (number: number, by: MarkKind | 'start') => void;
}) {
  const [number, setNumber] = useState(NaN);
  const [by, setBy] = useState<MarkKind | 'start'>('full');
  const change = (next: number, nextBy: MarkKind | 'start'): void => {
    setNumber(next);
    setBy(nextBy);
    onChoose(next, nextBy);
  };
  return (
    <>
      <label>
        <span className="block text-sm">Lay over it</span>
        <select
          className={INPUT}
          value={Number.isNaN(number) ? '' : number}
          onChange={(event) => change(event.target.value === '' ? NaN : Number(event.target.value), by)}
        >
          <option value="">nothing</option>
          {others.map((one) => (
            <option key={one} value={one}>
              run {one}
            </option>
          ))}
        </select>
      </label>
      <label>
        <span className="block text-sm">where first</span>
        <select
          className={INPUT}
          value={by}
          onChange={(event) => change(number, event.target.value as MarkKind | 'start')}
        >
          <option value="full">full throttle</option>
          <option value="brake">brake</option>
          <option value="start">the log began</option>
        </select>
      </label>
    </>
  );
}

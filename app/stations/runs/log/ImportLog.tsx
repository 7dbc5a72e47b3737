import { columnAs, columnIn } from '#core/runs/log/columns';
import { headKey, type Layout } from '#core/runs/log/layout';
import type { KnownColumns } from '#core/runs/log/meta';
import type { LogProblem } from '#core/runs/log/readLog';
import { formatDuration, formatNumber } from '#core/units/format';
import type { Problem } from '#core/units/problem';
import type { Sniffed } from '#formats/logCsv';
import { proxy, type Remote } from 'comlink';
import { useState, type ReactNode } from 'react';
import { useRevalidator } from 'react-router';
import { Button } from '../../../ui/Button';
import { DataTable } from '../../../ui/DataTable';
import { Problems } from '../../../ui/Problems';
import type { LogTold, LogWorker } from '../../../workers/log.worker';
import { useBench } from '../../bench/BenchContext';
import { INPUT } from '../../rig/formParts';
import { ColumnTable } from './ColumnTable';

interface Props {
  number: number;
  worker: Remote<LogWorker> | undefined;
  /** How files with the same heads were read before. */
  known: readonly KnownColumns[];
  /** Told what was read, which the worker holds; undefined where it is read anew. */
  onRead: (read: LogTold | undefined) => void;
  /** The picture of what was read. */
  children: ReactNode;
}

interface Chosen extends Sniffed {
  file: File;
  encoding: string;
  /** Whether a file with these heads was read before. */
  isKnown: boolean;
}

/** From a file to a log: what its columns are, what was wrong with it, and only then is it kept. */
export function ImportLog({ number, worker, known, onRead, children }: Props) {
  const { rigId } = useBench();
  const { revalidate } = useRevalidator();
  const [chosen, setChosen] = useState<Chosen>();
  const [layout, setLayout] = useState<Layout>();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [share, setShare] = useState<number>();
  const [read, setItsRead] = useState<LogTold & { problems: LogProblem[] }>();
  const setRead = (next: (LogTold & { problems: LogProblem[] }) | undefined): void => {
    setItsRead(next);
    onRead(next);
  };
  const choose = async (file: File | undefined): Promise<void> => {
    setChosen(undefined);
    setRead(undefined);
    setProblems([]);
    if (!file || !worker) return;
    const sniffed = await worker.sniff(file);
    if (!sniffed.ok) {
      setProblems(sniffed.problems);
      return;
    }
    const its = known.find((one) => one.headKey === headKey(sniffed.value.layout));
    setChosen({ ...sniffed.value, file, isKnown: its !== undefined });
    setLayout(its ? readBefore(sniffed.value.layout, its) : sniffed.value.layout);
  };
  const readAll = async (): Promise<void> => {
    if (!worker || !chosen || !layout) return;
    setShare(0);
    try {
      setRead(await worker.read(chosen.file, chosen, layout, proxy(setShare)));
    } catch {
      setProblems([{ path: '', sentence: 'The file can no longer be read. Choose it again.' }]);
    }
    setShare(undefined);
  };
  const keep = async (): Promise<void> => {
    if (!worker || !chosen || !layout || !read) return;
    const isKept = await worker.keep(`/rigs/${rigId}/runs/${number}/log.bin`, {
      source: 'file',
      fileName: chosen.file.name.slice(0, 300),
      // Of the file, not of what was answered: the next file has not been answered yet.
      headKey: headKey(chosen.layout),
      uses: layout.columns.map(({ use }) => use),
      units: layout.columns.map(({ place, unit }) =>
        unit === chosen.layout.columns[place]?.unit ? '' : unit,
      ),
      problems: read.problems,
    });
    if (isKept) await revalidate();
    else
      setProblems([
        {
          path: '',
          sentence: 'Not saved: Live Tune does not answer, or the log is too large. It is still read here.',
        },
      ]);
  };
  const open = layout ? [layout.question, ...layout.columns.map(({ question }) => question)] : [];
  const isSure = open.every((question) => question === undefined);
  return (
    <section aria-label="Read a log" className="mt-3">
      <label className="flex flex-wrap items-center gap-3">
        <span>A log as CSV, of any device</span>
        <input
          type="file"
          accept=".csv,.txt,.log,text/csv,text/plain"
          disabled={!worker}
          onChange={(event) => void choose(event.target.files?.[0])}
          className="w-full max-w-96 min-w-0 rounded-sm border border-rule bg-sheet p-2 file:mr-3 file:border-0 file:bg-transparent file:font-bold"
        />
      </label>
      <p className="mt-1 text-sm text-muted">
        It is read in this browser. Nothing is kept before you say so.
      </p>
      <Problems problems={problems} title="There is something wrong." />
      {chosen && layout && !read && (
        <>
          <h2 className="mt-4 text-2xl">What the columns are</h2>
          {chosen.isKnown && (
            <p>A file with these heads was read before: its columns are taken the same way.</p>
          )}
          {layout.question && <Pace layout={layout} onChange={setLayout} />}
          <ColumnTable
            columns={layout.columns}
            rows={chosen.rows.slice(layout.firstDataRow)}
            onChange={(columns) => setLayout(withColumns(layout, columns))}
          />
          <p className="mt-3 flex flex-wrap items-center gap-4">
            <Button look="main" disabled={!isSure || share !== undefined} onClick={() => void readAll()}>
              Read the log
            </Button>
            {!isSure && <span>Answer what is asked first.</span>}
            {share !== undefined && (
              <span role="status">{formatNumber(100 * Math.min(1, share), 0)} % read</span>
            )}
          </p>
        </>
      )}
      {read && (
        <>
          <h2 className="mt-4 text-2xl">What was read</h2>
          <p>
            {read.samples.toLocaleString('en')} rows, {formatDuration(read.seconds)}.
          </p>
          <p className="my-3 flex gap-4">
            <Button look="main" onClick={() => void keep()}>
              Keep it with run {number}
            </Button>
            <Button look="quiet" onClick={() => setRead(undefined)}>
              Back to the columns
            </Button>
          </p>
          {read.problems.length > 0 && <ProblemTable problems={read.problems} />}
          {children}
          <ChannelTable channels={read.channels} />
        </>
      )}
    </section>
  );
}

/** What was answered for these heads need not be answered again; but pole pairs are the motor's, not the file's. */
const readBefore = (layout: Layout, { uses, units }: KnownColumns): Layout =>
  withColumns(
    layout,
    layout.columns.map((column, place) => {
      const use = uses[place] ?? column.use;
      const known = use === column.use ? column : columnAs(column, use);
      const unit = units[place] ?? '';
      return known.units.length > 0 && unit !== '' ? columnIn(known, unit) : known;
    }),
  );

/** A layout whose time is another column, or none. */
function withColumns(layout: Layout, columns: Column[]): Layout {
  const hasTime = columns.some(({ use }) => use === 'time');
  if (hasTime === (layout.timeKind !== 'none')) return { ...layout, columns };
  return hasTime
    ? { ...layout, columns, timeKind: 'number', question: undefined }
    : { ...layout, columns, timeKind: 'none', everyS: 0.1, question: PACE };
}
type Column = Layout['columns'][number];
const PACE = 'The file has no time. How many rows a second does it have?';

function Pace({ layout, onChange }: { layout: Layout; onChange: (layout: Layout) => void }) {
  return (
    <label className="mt-2 block border-l-4 border-caution bg-caution-wash p-2">
      <span className="block">{layout.question}</span>
      <input
        inputMode="decimal"
        className={`${INPUT} w-28`}
        onChange={(event) => {
          const rows = Number(event.target.value.replace(',', '.'));
          if (rows > 0 && rows <= 10_000) onChange({ ...layout, everyS: 1 / rows, question: undefined });
        }}
      />
    </label>
  );
}

/** The channels with their least and most. */
const ChannelTable = ({ channels }: Pick<LogTold, 'channels'>) => (
  <DataTable
    label="Channels"
    heads={['channel', { name: 'least', isNumber: true }, { name: 'most', isNumber: true }, 'unit']}
    className="mt-3 max-w-2xl"
  >
    {channels.map(({ name, unit, least, most, decimals }) => (
      <tr key={name}>
        <th scope="row">{name}</th>
        <td className="text-right">{formatNumber(least, decimals)}</td>
        <td className="text-right">{formatNumber(most, decimals)}</td>
        <td>{unit}</td>
      </tr>
    ))}
  </DataTable>
);

/** What was wrong with a file, by row, and what was done about it. */
export const ProblemTable = ({ problems }: { problems: readonly LogProblem[] }) => (
  <DataTable
    label="What was wrong"
    heads={[{ name: 'row', isNumber: true }, 'column', 'what was wrong', 'what was done']}
  >
    {problems.map(({ row, column, what, done, count }) => (
      <tr key={`${row} ${column} ${what}`}>
        <td className="text-right">{row}</td>
        <td>{column}</td>
        <td>
          {what}
          {count > 1 && <span className="text-muted"> {count.toLocaleString('en')} times in all.</span>}
        </td>
        <td>{done}</td>
      </tr>
    ))}
  </DataTable>
);

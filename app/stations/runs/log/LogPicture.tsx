import type { Watched } from '#core/runs/log/watched';
import { resolveRig } from '#core/rig/resolve';
import { MARK_WORDS, type LogMark, type MarkKind } from '#core/runs/log/marks';
import type { Run } from '#core/runs/run';
import type { Drawn } from '#core/runs/log/view';
import { formatNumber, withUnit } from '#core/units/format';
import type { Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { Button } from '../../../ui/Button';
import type { ChannelTold, LogTold, LogWorker, Shown } from '../../../workers/log.worker';
import { useBench } from '../../bench/BenchContext';
import { PlotRow, type PlotLine } from './PlotRow';
import { useLogWorker } from './useLogWorker';
import { useWindow } from './useWindow';

interface Props {
  worker: Remote<LogWorker>;
  run: Run;
  told: LogTold;
  /** Another run's log over this one, and by what it is shifted, s. */
  other: { told: LogTold; shiftS: number; number: number } | undefined;
  watched: Watched;
}

/** The model is driven for no longer, s. */
const MODEL_LONGEST_S = 1800;
/** Widest that a picture is drawn, px. */
const WIDEST = 1400;

/** The channels of a log over time, stacked; the model's own and another run's laid over them. */
export function LogPicture({ worker, run, told, other, watched }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box);
  const { seen, show, key } = useWindow(told.seconds, box);
  const [marks, setMarks] = useState<LogMark[]>([]);
  useEffect(() => {
    let isLeft = false;
    void worker.marks('own', watched).then((found) => !isLeft && setMarks(found));
    return () => {
      isLeft = true;
    };
  }, [worker, watched]);
  const model = useModel(worker, run);
  const views = useViews(worker, {
    seen,
    columns: Math.ceil(width / 2),
    shiftS: other?.shiftS ?? 0,
    model,
    other,
  });
  const [point, setPoint] = useState<number>();
  const values = useValuesAt(worker, point);
  const rows = told.channels.map((channel, place) =>
    rowOf(channel, place, views, model ?? undefined, other?.told),
  );
  return (
    <section aria-label="The picture">
      <div className="flex flex-wrap items-center gap-x-4 text-sm">
        <span>
          <Stroke look="own" /> this run
        </span>
        {model && (
          <span>
            <Stroke look="model" /> the model, for the same trigger
            {told.seconds > MODEL_LONGEST_S && ', the first half hour'}
          </span>
        )}
        {model === null && (
          <span className="text-muted">Without a trigger in the log there is no model trace.</span>
        )}
        {other && (
          <span>
            <Stroke look="other" /> run {other.number}
          </span>
        )}
        <Button look="quiet" onClick={() => void savePicture(box.current)}>
          Save as PNG
        </Button>
        <Button look="quiet" onClick={() => show({ from: 0, to: told.seconds })}>
          Whole run
        </Button>
      </div>
      <p className="text-sm text-muted">
        Zoom with the wheel, two fingers, + and −. Move along by dragging, or with the arrow keys. Home shows
        all.
        {point !== undefined && ` At ${withUnit(point, 's', 2)}:`}
      </p>
      <div
        role="group"
        aria-label={`The log, ${formatNumber(seen.from, 1)} to ${formatNumber(seen.to, 1)} seconds`}
        // What keys move has to be reached by keys.
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        onKeyDown={(event) => {
          if (key(event.key)) event.preventDefault();
        }}
        className="mt-2 touch-pan-y"
      >
        <div ref={box} data-testid="log-plots">
          {rows.map(({ channel, lines, bounds }, place) => (
            <div key={channel.name}>
              <p className="flex justify-between gap-3 text-sm">
                <span className="font-bold">
                  {channel.name}
                  {channel.unit && <span className="font-normal text-muted"> {channel.unit}</span>}
                </span>
                <Reading channel={channel} place={place} values={values} model={model ?? undefined} />
              </p>
              {width > 0 && (
                <PlotRow
                  lines={lines}
                  seen={seen}
                  marks={marks}
                  bounds={bounds}
                  width={width}
                  hasTimes={place === rows.length - 1}
                  onPoint={setPoint}
                />
              )}
            </div>
          ))}
        </div>
      </div>
      <Marks marks={marks} onGo={(seconds) => show({ from: seconds - 2, to: seconds + 4 })} />
    </section>
  );
}

const LOOKS = {
  own: 'border-ink',
  model: 'border-draft border-dashed',
  other: 'border-advised border-dotted',
};
const Stroke = ({ look }: { look: PlotLine['look'] }) => (
  <span aria-hidden="true" className={`mr-1 inline-block w-6 border-t-2 align-middle ${LOOKS[look]}`} />
);

type Views = Readonly<Partial<Record<Shown, Drawn[]>>>;

interface Asked {
  seen: { from: number; to: number };
  columns: number;
  shiftS: number;
  model: LogTold | null | undefined;
  other: object | undefined;
}

/** The model along the same trigger, driven by a worker of its own; null where there is none. */
function useModel(worker: Remote<LogWorker>, run: Run): LogTold | null | undefined {
  const { rig, profile, memory, goals } = useBench();
  const driver = useLogWorker();
  const [model, setModel] = useState<LogTold | null>();
  useEffect(() => {
    if (!driver) return undefined;
    let isLeft = false;
    const drive = async (): Promise<LogTold | undefined> => {
      const trace = await worker.trigger(rig.pack, resolveRig(rig, profile, goals.use).fullCharge);
      const log = trace && (await driver.drive({ rig, profile, range: memory.range, goals }, run, trace));
      return log && !isLeft ? worker.hold(log) : undefined;
    };
    // A rig whose numbers lead nowhere has no trace.
    void drive()
      .catch(() => undefined)
      .then((told) => !isLeft && setModel(told ?? null));
    return () => {
      isLeft = true;
    };
  }, [driver, worker, run, rig, profile, memory.range, goals]);
  return model;
}

/** What of all logs is seen; the newest window wins. */
function useViews(worker: Remote<LogWorker>, { seen, columns, shiftS, model, other }: Asked): Views {
  const [views, setViews] = useState<Views>({});
  useEffect(() => {
    if (columns === 0) return undefined;
    let isLeft = false;
    const { from, to } = seen;
    const look = async (): Promise<void> => {
      const own = await worker.view('own', from, to, columns);
      const its = model ? await worker.view('model', from, to, columns) : undefined;
      const others = other ? await worker.view('other', from - shiftS, to - shiftS, columns) : undefined;
      if (isLeft) return;
      setViews({
        own,
        ...(its && { model: its }),
        ...(others && {
          other: others.map((one) => ({ ...one, seconds: one.seconds.map((t) => t + shiftS) })),
        }),
      });
    };
    void look();
    return () => {
      isLeft = true;
    };
  }, [worker, seen, columns, shiftS, model, other]);
  return views;
}

const EMPTY: Drawn = { seconds: [], values: [] };

/** The lines of one channel, and between which numbers they lie. */
function rowOf(
  channel: ChannelTold,
  place: number,
  views: Views,
  model: LogTold | undefined,
  other: LogTold | undefined,
) {
  const sameIn = (log: LogTold | undefined): number =>
    log?.channels.findIndex(({ kind, name }) =>
      kind === null ? name === channel.name : kind === channel.kind,
    ) ?? -1;
  const lines: PlotLine[] = [{ drawn: views.own?.[place] ?? EMPTY, look: 'own' }];
  let [least, most] = [channel.least, channel.most];
  for (const [look, log] of [
    ['model', model],
    ['other', other],
  ] as const) {
    const found = sameIn(log);
    if (found < 0) continue;
    lines.push({ drawn: views[look]?.[found] ?? EMPTY, look });
    least = Math.min(least, log!.channels[found]!.least);
    most = Math.max(most, log!.channels[found]!.most);
  }
  return { channel, lines, bounds: [least, most] as const };
}

type ValuesAt = Readonly<Partial<Record<'own' | 'model', (number | null)[]>>>;

/** What log and model say at the cursor. */
function useValuesAt(worker: Remote<LogWorker>, point: number | undefined): ValuesAt {
  const [values, setValues] = useState<ValuesAt>({});
  useEffect(() => {
    let isLeft = false;
    const ask = async (): Promise<void> => {
      if (point === undefined) return;
      const [own, model] = await Promise.all([worker.at('own', point), worker.at('model', point)]);
      if (!isLeft) setValues({ own, model });
    };
    void ask();
    return () => {
      isLeft = true;
    };
  }, [worker, point]);
  return point === undefined ? {} : values;
}

function Reading({
  channel,
  place,
  values,
  model,
}: {
  channel: ChannelTold;
  place: number;
  values: ValuesAt;
  model: LogTold | undefined;
}) {
  const own = values.own?.[place];
  const found = model?.channels.findIndex(({ kind }) => kind !== null && kind === channel.kind) ?? -1;
  const its = found < 0 ? undefined : values.model?.[found];
  const words = (value: number): string => withUnit(value, channel.unit, channel.decimals);
  return (
    <span>
      {own != null && words(own)}
      {its != null && <span className="text-draft"> model {words(its)}</span>}
    </span>
  );
}

/** The marks of a log, to go to. */
function Marks({ marks, onGo }: { marks: readonly LogMark[]; onGo: (seconds: number) => void }) {
  const kinds = (Object.keys(MARK_WORDS) as MarkKind[]).filter((kind) =>
    marks.some((mark) => mark.kind === kind),
  );
  if (kinds.length === 0) return null;
  return (
    <details className="mt-3">
      <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">
        {marks.length} {marks.length === 1 ? 'mark' : 'marks'}
      </summary>
      {kinds.map((kind) => {
        const its = marks.filter((mark) => mark.kind === kind);
        return (
          <p key={kind} className="flex flex-wrap items-baseline gap-x-3">
            <span className="font-bold">{its[0]!.words}</span>
            {its.slice(0, 20).map(({ seconds }) => (
              <Button key={seconds} look="quiet" onClick={() => onGo(seconds)}>
                {withUnit(seconds, 's', 1)}
              </Button>
            ))}
            {its.length > 20 && <span className="text-muted">and {its.length - 20} more</span>}
          </p>
        );
      })}
    </details>
  );
}

function useWidth(box: React.RefObject<HTMLDivElement | null>): number {
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const element = box.current;
    if (!element) return undefined;
    const observer = new ResizeObserver(() => setWidth(Math.min(WIDEST, Math.floor(element.clientWidth))));
    observer.observe(element);
    return () => observer.disconnect();
  }, [box]);
  return width;
}

/** All canvases below each other, as a picture. */
async function savePicture(box: HTMLDivElement | null): Promise<void> {
  const canvases = [...(box?.querySelectorAll('canvas') ?? [])];
  if (canvases.length === 0) return;
  const whole = document.createElement('canvas');
  whole.width = Math.max(...canvases.map(({ width }) => width));
  whole.height = canvases.reduce((sum, { height }) => sum + height, 0);
  const pen = whole.getContext('2d')!;
  pen.fillStyle = getComputedStyle(document.body).backgroundColor;
  pen.fillRect(0, 0, whole.width, whole.height);
  let top = 0;
  for (const canvas of canvases) {
    pen.drawImage(canvas, 0, top);
    top += canvas.height;
  }
  const blob = await new Promise<Blob | null>((resolve) => whole.toBlob(resolve, 'image/png'));
  if (blob) saveBlob(blob, 'log.png');
}

/** Hands something made in the page over as a file. */
export function saveBlob(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

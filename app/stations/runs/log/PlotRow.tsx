import type { LogMark } from '#core/runs/log/marks';
import type { Drawn } from '#core/runs/log/view';
import { useEffect, useRef } from 'react';
import UPlot from 'uplot';
import 'uplot/dist/uPlot.min.css';
import type { Window } from './useWindow';

export interface PlotLine {
  drawn: Drawn;
  /** How it is drawn: the log's own, the model's, another run's. */
  look: 'own' | 'model' | 'other';
}

interface Props {
  lines: readonly PlotLine[];
  seen: Window;
  marks: readonly LogMark[];
  /** Least and most of all that is drawn in the row. */
  bounds: readonly [number, number];
  width: number;
  /** The times below; only the last row has them. */
  hasTimes: boolean;
  onPoint: (seconds: number | undefined) => void;
}

/** Marks that are nearer to each other are one, px. */
const MARKS_APART = 5;
const HEIGHT = 96;
const TIMES_HEIGHT = 26;
export const AXIS_WIDTH = 52;

/** One channel over time, on a canvas. It is given only what is seen: a few thousand points, whatever the log has. */
export function PlotRow({ lines, seen, marks, bounds, width, hasTimes, onPoint }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const plot = useRef<UPlot | undefined>(undefined);
  const given = useRef({ seen, marks, bounds, onPoint });
  const looks = lines.map(({ look }) => look).join();
  useEffect(() => {
    given.current = { seen, marks, bounds, onPoint };
  });
  useEffect(() => {
    const { current: place } = box;
    if (!place) return undefined;
    // Each row in a task of its own: what is typed meanwhile comes between.
    const soon = setTimeout(() => {
      const drawn = optionsOf(looks.split(',') as PlotLine['look'][], width, hasTimes, given);
      plot.current = new UPlot(drawn, [[]], place);
    });
    return () => {
      clearTimeout(soon);
      plot.current?.destroy();
      plot.current = undefined;
    };
  }, [looks, width, hasTimes]);
  useEffect(() => {
    const soon = setTimeout(() => {
      const { current } = plot;
      current?.batch(() => {
        current.setData(dataOf(lines), false);
        current.setScale('x', { min: seen.from, max: seen.to });
      });
    });
    return () => clearTimeout(soon);
  }, [lines, seen, marks, bounds, looks, width, hasTimes]);
  return <div ref={box} />;
}

function dataOf(lines: readonly PlotLine[]): UPlot.AlignedData {
  const tables = lines.map(({ drawn: { seconds, values } }): UPlot.AlignedData => [seconds, values]);
  return tables.length === 1 ? tables[0]! : UPlot.join(tables);
}

const colour = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(name).trim();

/** Colours of the page as it looks now: a canvas knows no names of them. */
function coloursNow() {
  const probe = document.createElement('span');
  document.body.append(probe);
  const resolved = (name: string): string => {
    probe.style.color = colour(name);
    return getComputedStyle(probe).color;
  };
  const colours = {
    ink: resolved('--ink'),
    muted: resolved('--muted'),
    rule: resolved('--rule'),
    draft: resolved('--draft'),
    advised: resolved('--advised'),
    caution: resolved('--caution'),
    hazard: resolved('--hazard'),
  };
  probe.remove();
  return colours;
}

function optionsOf(
  looks: readonly PlotLine['look'][],
  width: number,
  hasTimes: boolean,
  given: { current: Pick<Props, 'seen' | 'marks' | 'bounds' | 'onPoint'> },
): UPlot.Options {
  const colours = coloursNow();
  const stroke = { own: colours.ink, model: colours.draft, other: colours.advised };
  const dash = { own: [], model: [6, 3], other: [2, 2] };
  const grid = { stroke: colours.rule, width: 1 };
  return {
    width,
    height: HEIGHT + (hasTimes ? TIMES_HEIGHT : 0),
    padding: [6, 0, hasTimes ? 0 : 2, 0],
    legend: { show: false },
    cursor: { drag: { x: false, y: false }, y: false, sync: { key: 'log' }, points: { show: false } },
    scales: {
      x: { time: false, range: () => [given.current.seen.from, given.current.seen.to] },
      y: { range: () => roomy(given.current.bounds) },
    },
    axes: [
      {
        show: hasTimes,
        stroke: colours.muted,
        grid,
        ticks: grid,
        size: TIMES_HEIGHT,
        values: (_, all) => all.map((t) => `${t} s`),
      },
      { stroke: colours.muted, grid, ticks: { show: false }, size: AXIS_WIDTH, space: 30 },
    ],
    series: [
      {},
      ...looks.map((look) => ({
        stroke: stroke[look],
        width: look === 'own' ? 1.5 : 1.25,
        dash: dash[look],
        points: { show: false },
        spanGaps: false,
      })),
    ],
    hooks: {
      draw: [(plot) => drawMarks(plot, given.current.marks, colours)],
      setCursor: [
        (plot) => {
          const { left } = plot.cursor;
          given.current.onPoint(left === undefined || left < 0 ? undefined : plot.posToVal(left, 'x'));
        },
      ],
    },
  };
}

function roomy([least, most]: readonly [number, number]): [number, number] {
  const room = most > least ? 0.06 * (most - least) : 1;
  return [least - room, most + room];
}

/** A line for each mark: alarms and the cutoff whole, the driver's own as ticks at the top. */
function drawMarks(plot: UPlot, marks: readonly LogMark[], colours: ReturnType<typeof coloursNow>): void {
  const { ctx, bbox } = plot;
  ctx.save();
  const lastOf = new Map<string, number>();
  for (const { kind, seconds } of marks) {
    const x = Math.round(plot.valToPos(seconds, 'x', true));
    if (x < bbox.left || x > bbox.left + bbox.width) continue;
    // Where hundreds stand side by side, some of them say as much.
    if (x - (lastOf.get(kind) ?? -Infinity) < MARKS_APART) continue;
    lastOf.set(kind, x);
    const isLoud = kind === 'alarm' || kind === 'cutoff';
    ctx.strokeStyle = kind === 'alarm' ? colours.hazard : kind === 'cutoff' ? colours.caution : colours.muted;
    ctx.setLineDash(isLoud ? [4, 3] : kind === 'brake' ? [2, 2] : []);
    ctx.beginPath();
    ctx.moveTo(x, bbox.top);
    ctx.lineTo(x, isLoud ? bbox.top + bbox.height : bbox.top + bbox.height / 8);
    ctx.stroke();
  }
  ctx.restore();
}

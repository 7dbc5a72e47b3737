import type { DrillBand } from '#core/physics/drills/band';
import type { Drill, Trace } from '#core/physics/drills/drill';
import { memo } from 'react';
import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  usePlotArea,
  XAxis,
  YAxis,
} from 'recharts';
import type { DrillPair } from '../../workers/drills.worker';

const TICK = { fill: 'var(--muted)', fontSize: 13 };

/** The traces of a drill: on the ESC dashed, draft solid. Loaded only when they are needed. */
export default memo(function DrillChart({ now, band, draft }: DrillPair) {
  return (
    <>
      <TraceChart now={now} draft={draft} band={band} mark={draft.mark} height={232} />
      {draft.more?.map((trace, place) => (
        <TraceChart
          key={trace.xLabel + trace.yLabel}
          now={now.more![place]!}
          draft={trace}
          band={undefined}
          mark={undefined}
          height={150}
        />
      ))}
    </>
  );
});

interface TraceChartProps {
  now: Trace;
  draft: Trace;
  band: DrillBand | undefined;
  mark: Drill['mark'];
  height: number;
}

function TraceChart({ now, draft, band, mark, height }: TraceChartProps) {
  const ys = [...now.points, ...draft.points].map((p) => p.y);
  const highest = Math.max(...ys, ...(band?.points.map((p) => p.high) ?? []));
  const lowest = Math.min(0, ...ys, ...(band?.points.map((p) => p.low) ?? []));
  // A mark far above the curves would flatten them; it is said in the numbers anyway.
  const showMark = mark !== undefined && mark.y < highest * 1.6;
  const top = Math.max(highest, showMark ? mark.y * 1.1 : 0, lowest < 0 ? 0 : 1);
  const x: Interval = [draft.points[0]!.x, draft.points.at(-1)!.x];
  const y: Interval = [lowest, top];
  return (
    <figure className="m-0">
      <figcaption className="text-sm text-muted">
        {draft.yLabel}, over {draft.xLabel}
      </figcaption>
      <ResponsiveContainer width="100%" height={height}>
        <ComposedChart margin={{ top: 8, right: 12, bottom: 0, left: -14 }} accessibilityLayer={false}>
          <CartesianGrid vertical={false} stroke="var(--rule)" />
          <XAxis
            dataKey="x"
            type="number"
            domain={x}
            tick={TICK}
            ticks={ticksBetween(...x)}
            stroke="var(--muted)"
          />
          <YAxis
            type="number"
            domain={y}
            ticks={ticksBetween(...y)}
            tick={TICK}
            stroke="var(--rule)"
            width={56}
          />
          {lowest < 0 && <ReferenceLine y={0} stroke="var(--muted)" />}
          {showMark && (
            <ReferenceLine
              y={mark.y}
              stroke="var(--caution)"
              strokeDasharray="2 4"
              label={{
                value: mark.label,
                position: 'insideBottomRight',
                fill: 'var(--caution)',
                fontSize: 13,
              }}
            />
          )}
          {/* The axes follow a line of the chart's own: nothing but its corners. */}
          <Line
            data={[
              { x: x[0], y: y[0] },
              { x: x[1], y: y[1] },
            ]}
            dataKey="y"
            stroke="none"
            dot={false}
            isAnimationActive={false}
          />
          <Curves now={now.points} draft={draft.points} band={band?.points} x={x} y={y} />
        </ComposedChart>
      </ResponsiveContainer>
    </figure>
  );
}

type Interval = readonly [low: number, high: number];

interface CurvesProps {
  now: Trace['points'];
  draft: Trace['points'];
  band: DrillBand['points'] | undefined;
  x: Interval;
  y: Interval;
}

/**
 * The curves themselves, between the axes. The chart's own lines wait for its next frame or two; these are there with the
 * move.
 */
function Curves({ now, draft, band, x, y }: CurvesProps) {
  const area = usePlotArea();
  if (!area) return null;
  const place = (px: number, py: number): string => {
    const left = area.x + ((px - x[0]) / (x[1] - x[0])) * area.width;
    const top = area.y + ((y[1] - py) / (y[1] - y[0])) * area.height;
    return `${left.toFixed(1)} ${top.toFixed(1)}`;
  };
  const line = (points: Trace['points']): string => `M${points.map((p) => place(p.x, p.y)).join('L')}`;
  return (
    <g fill="none" strokeLinejoin="round">
      {band && (
        <path
          d={`M${[...band.map((p) => place(p.x, p.high)), ...band.toReversed().map((p) => place(p.x, p.low))].join('L')}Z`}
          stroke="var(--caution)"
          strokeDasharray="2 3"
          fill="var(--caution-wash)"
        />
      )}
      <path d={line(now)} stroke="var(--ink)" strokeWidth={2} strokeDasharray="6 5" />
      <path d={line(draft)} stroke="var(--draft)" strokeWidth={3} data-trace="draft" />
    </g>
  );
}

/** Four to eight round numbers, zero among them. */
function ticksBetween(low: number, high: number): number[] {
  const span = high - low;
  const power = 10 ** Math.floor(Math.log10(span));
  const step = [0.2, 0.5, 1, 2].map((s) => s * power).find((s) => span / s <= 8) ?? power;
  const first = Math.ceil(low / step - 1e-9);
  const last = Math.floor(high / step + 1e-9);
  return Array.from({ length: last - first + 1 }, (_, n) => Number(((first + n) * step).toPrecision(6)));
}

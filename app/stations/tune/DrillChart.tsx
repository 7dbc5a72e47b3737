import type { DrillBand } from '#core/physics/drills/band';
import type { Drill, Trace } from '#core/physics/drills/drill';
import { createContext, memo, use, useMemo } from 'react';
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
      <TraceChart now={now} draft={draft} band={band} mark={draft.mark} height={156} />
      {draft.more?.map((trace, place) => (
        <TraceChart
          key={trace.xLabel + trace.yLabel}
          now={now.more![place]!}
          draft={trace}
          band={undefined}
          mark={undefined}
          height={130}
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

/** The axes stay where they are while a curve moves between them, until it no longer fits. */
function TraceChart({ now, draft, band, mark, height }: TraceChartProps) {
  const ys = [...now.points, ...draft.points].map((p) => p.y);
  const highest = Math.max(...ys, ...(band?.points.map((p) => p.high) ?? []));
  const lowest = Math.min(draft.from ?? 0, ...ys, ...(band?.points.map((p) => p.low) ?? []));
  // A mark far above the curves would flatten them; it is said in the numbers anyway.
  const shownMark = mark !== undefined && mark.y < highest * 1.6 ? mark : undefined;
  const top = Math.max(highest, shownMark ? shownMark.y * 1.1 : 0, lowest < 0 ? 0 : lowest + 1);
  const [left, right] = roundedOut(draft.points[0]!.x, draft.points.at(-1)!.x);
  const [bottom, ceiling] = roundedOut(lowest, top);
  const curves = useMemo(
    () => ({ now: now.points, draft: draft.points, band: band?.points }),
    [now, draft, band],
  );
  return (
    <figure className="m-0">
      <figcaption className="text-sm text-muted">
        {draft.yLabel}, over {draft.xLabel}
      </figcaption>
      <CurvesContext value={curves}>
        <Axes
          left={left}
          right={right}
          bottom={bottom}
          top={ceiling}
          markAt={shownMark?.y}
          markLabel={shownMark?.label}
          height={height}
        />
      </CurvesContext>
    </figure>
  );
}

interface Corners {
  left: number;
  right: number;
  bottom: number;
  top: number;
}

interface AxesProps extends Corners {
  markAt: number | undefined;
  markLabel: string | undefined;
  height: number;
}

const Axes = memo(function Axes({ left, right, bottom, top, markAt, markLabel, height }: AxesProps) {
  return (
    <ResponsiveContainer width="100%" height={height}>
      <ComposedChart margin={{ top: 8, right: 12, bottom: 0, left: -4 }} accessibilityLayer={false}>
        <CartesianGrid vertical={false} stroke="var(--rule)" />
        <XAxis
          dataKey="x"
          type="number"
          domain={[left, right]}
          tick={TICK}
          ticks={ticksBetween(left, right)}
          stroke="var(--muted)"
        />
        <YAxis
          type="number"
          domain={[bottom, top]}
          ticks={ticksBetween(bottom, top)}
          tick={TICK}
          stroke="var(--rule)"
          width={56}
        />
        {bottom < 0 && <ReferenceLine y={0} stroke="var(--muted)" />}
        {markAt !== undefined && (
          <ReferenceLine
            y={markAt}
            stroke="var(--caution)"
            strokeDasharray="2 4"
            label={{
              value: markLabel,
              position: 'insideBottomRight',
              fill: 'var(--caution)',
              fontSize: 13,
            }}
          />
        )}
        {/* The axes follow a line of the chart's own: nothing but its corners. */}
        <Line
          data={[
            { x: left, y: bottom },
            { x: right, y: top },
          ]}
          dataKey="y"
          stroke="none"
          dot={false}
          isAnimationActive={false}
        />
        <Curves left={left} right={right} bottom={bottom} top={top} />
      </ComposedChart>
    </ResponsiveContainer>
  );
});

interface CurvesShown {
  now: Trace['points'];
  draft: Trace['points'];
  band: DrillBand['points'] | undefined;
}

/** Past the chart, which would draw everything again for a curve that was handed through it. */
const CurvesContext = createContext<CurvesShown | undefined>(undefined);

/**
 * The curves themselves, between the axes. The chart's own lines wait for its next frame or two; these are there with the
 * move.
 */
function Curves({ left, right, bottom, top }: Corners) {
  const area = usePlotArea();
  const shown = use(CurvesContext);
  if (!area || !shown) return null;
  const { now, draft, band } = shown;
  const place = (px: number, py: number): string => {
    const across = area.x + ((px - left) / (right - left)) * area.width;
    const down = area.y + ((top - py) / (top - bottom)) * area.height;
    return `${across.toFixed(1)} ${down.toFixed(1)}`;
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

/** The next round corner outwards, so that an axis moves seldom: a quarter of a step between ticks. */
function roundedOut(low: number, high: number): readonly [low: number, high: number] {
  const grain = tickStep(low, high) / 4;
  return [Math.floor(low / grain + 1e-9) * grain, Math.ceil(high / grain - 1e-9) * grain];
}

function tickStep(low: number, high: number): number {
  const span = high - low;
  const power = 10 ** Math.floor(Math.log10(span));
  return [0.2, 0.5, 1, 2].map((s) => s * power).find((s) => span / s <= 8) ?? power;
}

/** Four to eight round numbers, zero among them. */
function ticksBetween(low: number, high: number): number[] {
  const step = tickStep(low, high);
  const first = Math.ceil(low / step - 1e-9);
  const last = Math.floor(high / step + 1e-9);
  return Array.from({ length: last - first + 1 }, (_, n) => Number(((first + n) * step).toPrecision(6)));
}

import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';
import type { DrillPair } from '../../workers/drills.worker';

const TICK = { fill: 'var(--muted)', fontSize: 13 };

/** The trace of a drill: on the ESC dashed, draft solid. Loaded only when it is needed. */
export default function DrillChart({ now, band, draft }: DrillPair) {
  const { xLabel, yLabel, mark } = draft;
  const ys = [...now.points, ...draft.points].map((p) => p.y);
  const highest = Math.max(...ys, ...(band?.points.map((p) => p.high) ?? []));
  // A mark far above the curves would flatten them; it is said in the numbers anyway.
  const showMark = mark !== undefined && mark.y < highest * 1.6;
  const top = Math.max(highest, showMark ? mark.y * 1.1 : 0, 1);
  const ticks = ticksUpTo(top);
  return (
    <figure className="m-0">
      <figcaption className="text-sm text-muted">
        {yLabel}, over {xLabel}
      </figcaption>
      <ResponsiveContainer width="100%" height={232}>
        <ComposedChart margin={{ top: 8, right: 12, bottom: 0, left: -14 }} accessibilityLayer={false}>
          <CartesianGrid vertical={false} stroke="var(--rule)" />
          <XAxis
            dataKey="x"
            type="number"
            domain={['dataMin', 'dataMax']}
            tick={TICK}
            ticks={ticksUpTo(Math.max(...draft.points.map((p) => p.x)))}
            stroke="var(--muted)"
          />
          <YAxis domain={[0, top]} ticks={ticks} tick={TICK} stroke="var(--rule)" width={56} />
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
          {band && (
            <Area
              data={band.points.map(({ x, low, high }) => ({ x, y: [low, high] }))}
              dataKey="y"
              stroke="var(--caution)"
              strokeDasharray="2 3"
              fill="var(--caution-wash)"
              isAnimationActive={false}
            />
          )}
          <Line
            data={now.points}
            dataKey="y"
            stroke="var(--ink)"
            strokeWidth={2}
            strokeDasharray="6 5"
            dot={false}
            isAnimationActive={false}
          />
          <Line
            data={draft.points}
            dataKey="y"
            stroke="var(--draft)"
            strokeWidth={3}
            dot={false}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </figure>
  );
}

/** Four to eight round numbers from zero, as far as the value reaches. */
function ticksUpTo(value: number): number[] {
  const power = 10 ** Math.floor(Math.log10(value));
  const step = [0.2, 0.5, 1, 2].map((s) => s * power).find((s) => value / s <= 8) ?? power;
  return Array.from({ length: Math.floor(value / step + 1e-9) + 1 }, (_, n) =>
    Number((n * step).toPrecision(6)),
  );
}

import type { TransferPoint } from '#core/radio/transfer';
import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';

const TICK = { fill: 'var(--muted)', fontSize: 13 };
const inPercent = (points: TransferPoint[]) =>
  points.map(({ trigger, output }) => ({ x: trigger * 100, y: output * 100 }));

/** Trigger to duty: on the ESC dashed, draft solid; brake below zero. Loaded only when it is needed. */
export default function TransferChart({ now, draft }: { now: TransferPoint[]; draft: TransferPoint[] }) {
  const oneWay = now[0]!.trigger === 0;
  const ticks = oneWay ? [0, 20, 40, 60, 80, 100] : [-100, -50, 0, 50, 100];
  const domain = [ticks[0]!, 100];
  return (
    <figure className="m-0">
      <figcaption className="text-sm text-muted">
        {oneWay ? 'Duty, %' : 'Duty, %, and brake below zero'}, over {oneWay ? 'stick' : 'trigger'}, % of
        travel
      </figcaption>
      <ResponsiveContainer width="100%" height={320}>
        <ComposedChart margin={{ top: 8, right: 16, bottom: 0, left: -10 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--rule)" />
          <XAxis dataKey="x" type="number" domain={domain} ticks={ticks} tick={TICK} stroke="var(--muted)" />
          <YAxis domain={domain} ticks={ticks} tick={TICK} stroke="var(--rule)" width={56} />
          {!oneWay && <ReferenceLine x={0} stroke="var(--muted)" />}
          {!oneWay && <ReferenceLine y={0} stroke="var(--muted)" />}
          <Line
            data={inPercent(now)}
            dataKey="y"
            stroke="var(--ink)"
            strokeWidth={2}
            strokeDasharray="6 5"
            dot={false}
            isAnimationActive={false}
          />
          <Line
            data={inPercent(draft)}
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

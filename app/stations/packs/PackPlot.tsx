import type { AtTime } from '#core/packs/packFigures';
import { formatNumber } from '#core/units/format';

interface Props {
  title: string;
  series: readonly AtTime[];
  unit: string;
  decimals: number;
}

const [WIDTH, HEIGHT, LEFT, BOTTOM] = [320, 96, 44, 14];

/** A number of a pack over time, small: from nought, so that a growth looks as large as it is. */
export function PackPlot({ title, series, unit, decimals }: Props) {
  const times = series.map(({ at }) => Date.parse(at));
  const [from, to] = [Math.min(...times), Math.max(...times)];
  const most = Math.max(...series.map(({ value }) => value)) * 1.1 || 1;
  const x = (time: number): number => LEFT + ((time - from) / Math.max(1, to - from)) * (WIDTH - LEFT - 8);
  const y = (value: number): number => HEIGHT - BOTTOM - (value / most) * (HEIGHT - BOTTOM - 6);
  const points = series.map(({ value }, n) => [x(times[n]!), y(value)] as const);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={`${title}: ${series.map(({ value }) => formatNumber(value, decimals)).join(', ')} ${unit}`}
      className="mt-1 w-full max-w-96"
    >
      <line x1={LEFT} x2={WIDTH} y1={y(0)} y2={y(0)} className="stroke-rule" />
      <text x={LEFT - 6} y={y(0) + 4} textAnchor="end" className="fill-muted text-[11px]">
        0
      </text>
      <text x={LEFT - 6} y={y(most / 1.1) + 4} textAnchor="end" className="fill-muted text-[11px]">
        {formatNumber(most / 1.1, decimals)} {unit}
      </text>
      <polyline
        points={points.map((point) => point.join(',')).join(' ')}
        fill="none"
        className="stroke-ink"
        strokeWidth={2}
      />
      {points.map(([cx, cy], n) => (
        <circle key={series[n]!.at} cx={cx} cy={cy} r={3.5} className="fill-ink" />
      ))}
    </svg>
  );
}

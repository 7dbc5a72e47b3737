import { percentOfMicros } from '#core/calibration/travelTest';
import { rangeOf, type LearnedRange, type ThrottleChannel } from '#core/radio/pulse';
import { formatNumber } from '#core/units/format';

interface Props {
  title: string;
  channel: ThrottleChannel;
  range: LearnedRange;
  deadbandMicros: number;
  /** The pulse at this moment, if there is one. */
  liveMicros?: number;
}

const LEAST = 900;
const MOST = 2100;
const WIDTH = 1000;
const x = (micros: number): number =>
  ((Math.max(LEAST, Math.min(MOST, micros)) - LEAST) / (MOST - LEAST)) * WIDTH;
const TICKS = Array.from({ length: 13 }, (_, n) => LEAST + n * 100);

/** One scale in µs and in the radio's own per cent: what the radio sends above, what the ESC has learned below, and what is lost between them. */
export function PulseRuler({ title, channel, range, deadbandMicros, liveMicros }: Props) {
  const sends = rangeOf(channel);
  const sent = sorted(sends.brakeMicros, sends.forwardMicros);
  const learned = sorted(range.brakeMicros, range.forwardMicros);
  const gaps = [gap(sent[0], learned[0], -1), gap(sent[1], learned[1], 1)].filter((g) => g !== undefined);
  const text = `${title}: the radio sends ${words(sent)} µs, the ESC has learned ${words(learned)} µs${gaps.map((g) => `, ${g.label} ${words([g.from, g.to])} µs`).join('')}.`;
  return (
    <svg viewBox="-30 0 1060 166" role="img" aria-label={text} className="w-full min-w-200">
      <defs>
        <pattern id="lost" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="8" height="8" className="fill-caution-wash" />
          <path d="M0 0V8" className="stroke-caution" strokeWidth="3" />
        </pattern>
      </defs>
      <text x="0" y="16" className="fill-ink font-display text-lg font-bold">
        {title}
      </text>
      {gaps.map((g) => (
        <g key={g.label + String(g.from)}>
          <rect x={x(g.from)} y="60" width={x(g.to) - x(g.from)} height="38" fill="url(#lost)" />
          {/* Beyond the end, where neither bracket is. */}
          <text
            x={g.outward === 1 ? Math.min(x(g.to) + 6, WIDTH - 60) : Math.max(x(g.from) - 6, 60)}
            y="66"
            textAnchor={g.outward === 1 ? 'start' : 'end'}
            className="fill-caution text-sm font-bold"
          >
            {g.label}
          </text>
        </g>
      ))}
      <rect
        x={x(range.neutralMicros - deadbandMicros)}
        y="84"
        width={x(range.neutralMicros + deadbandMicros) - x(range.neutralMicros - deadbandMicros)}
        height="24"
        className="fill-rule"
      />
      <path
        d={`M${x(sent[0])} 60V44H${x(sent[1])}V60M${x(sends.neutralMicros)} 44V60`}
        className="stroke-ink"
        fill="none"
        strokeWidth="2.5"
      />
      <text x={(x(sent[0]) + x(sent[1])) / 2} y="36" textAnchor="middle" className="fill-ink text-base">
        your radio sends {words(sent)}
      </text>
      <path d={`M0 78H${WIDTH}`} className="stroke-ink" strokeWidth="2" />
      {TICKS.map((tick) => (
        <g key={tick}>
          <path d={`M${x(tick)} 70V86`} className="stroke-ink" strokeWidth="1.5" />
          {tick % 200 === 100 && (
            <text x={x(tick)} y="146" textAnchor="middle" className="fill-muted text-sm">
              {tick}
              <tspan x={x(tick)} dy="17">
                {formatNumber(percentOfMicros(channel, tick), 0)} %
              </tspan>
            </text>
          )}
        </g>
      ))}
      <path
        d={`M${x(learned[0])} 96V110H${x(learned[1])}V96M${x(range.neutralMicros)} 98V110`}
        className="stroke-draft"
        fill="none"
        strokeWidth="2.5"
      />
      <text
        x={(x(learned[0]) + x(learned[1])) / 2}
        y="128"
        textAnchor="middle"
        className="fill-draft text-base"
      >
        the ESC has learned {words(learned)}
      </text>
      {liveMicros !== undefined && (
        <circle cx={x(liveMicros)} cy="78" r="10" className="fill-sheet stroke-ink" strokeWidth="4" />
      )}
    </svg>
  );
}

const sorted = (a: number, b: number): [number, number] => (a < b ? [a, b] : [b, a]);
const words = ([from, to]: [number, number]): string => `${formatNumber(from, 0)} to ${formatNumber(to, 0)}`;

interface Gap {
  from: number;
  to: number;
  /** Which way the end points. */
  outward: 1 | -1;
  label: string;
}

/** What lies between the radio's end and the learned one: sent in vain, or never sent. */
function gap(sent: number, learned: number, outward: 1 | -1): Gap | undefined {
  if (Math.abs(sent - learned) < 1) return undefined;
  const [from, to] = sorted(sent, learned);
  return { from, to, outward, label: (sent - learned) * outward > 0 ? 'clipped' : 'never reached' };
}

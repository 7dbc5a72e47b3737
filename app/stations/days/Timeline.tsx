import { clockTime } from '#core/days/zoned';
import { Scrollable } from '../../ui/Scrollable';

export interface Bar {
  id: string;
  /** Minutes since 1970. */
  from: number;
  to: number;
  words: string;
  look: 'run' | 'load' | 'charge' | 'heat';
}

export interface Lane {
  name: string;
  bars: readonly Bar[];
}

interface Props {
  label: string;
  lanes: readonly Lane[];
  now: number;
  /** IANA time zone of the place. */
  timeZone: string;
}

const [LEFT, LANE, TOP] = [96, 34, 22];
const MINUTE_WIDTH = 2.6;

/** Told by shape besides colour: a run is filled, a load hatched by its border, a charge an outline. */
const LOOKS: Record<Bar['look'], string> = {
  run: 'fill-draft stroke-draft',
  heat: 'fill-draft stroke-draft',
  load: 'fill-draft-wash stroke-draft',
  charge: 'fill-sheet stroke-advised',
};

/** A day along its clock: a lane for each model and charger. The list beside it says the same in words, and is all on a phone. */
export function Timeline({ label, lanes, now, timeZone }: Props) {
  const clock = (minute: number): string => clockTime(minute, timeZone);
  const bars = lanes.flatMap((lane) => lane.bars);
  const from = Math.min(...bars.map((bar) => bar.from));
  const to = Math.max(...bars.map((bar) => bar.to));
  const length = Math.max(30, to - from);
  const width = Math.max(560, LEFT + length * MINUTE_WIDTH + 16);
  const scale = (width - LEFT - 16) / length;
  const x = (minute: number): number => LEFT + (Math.min(Math.max(minute, from), to) - from) * scale;
  const height = TOP + lanes.length * LANE + 4;
  const every = length > 600 ? 120 : length > 150 ? 60 : 15;
  const ticks = Array.from(
    { length: Math.floor(to / every) - Math.ceil(from / every) + 1 },
    (_, n) => (Math.ceil(from / every) + n) * every,
  );
  return (
    <div className="mt-2 hidden sm:block print:block">
      <Scrollable label={label}>
        <svg
          viewBox={`0 0 ${width} ${height}`}
          width={width}
          height={height}
          role="img"
          aria-label={label}
          className="max-w-none print:h-auto print:w-full"
        >
          {ticks.map((tick) => (
            <g key={tick}>
              <line x1={x(tick)} x2={x(tick)} y1={TOP - 4} y2={height} className="stroke-rule" />
              <text x={x(tick)} y={13} textAnchor="middle" className="fill-muted text-[12px]">
                {clock(tick)}
              </text>
            </g>
          ))}
          {lanes.map(({ name, bars: its }, place) => (
            <g key={`${place} ${name}`}>
              <text x={0} y={TOP + place * LANE + 20} className="fill-ink text-[13px]">
                {name.length > 13 ? `${name.slice(0, 12)}…` : name}
              </text>
              {its.map(({ id, from: starts, to: ends, words, look }) => (
                <g key={id}>
                  <title>{`${clock(starts)} ${words}`}</title>
                  <rect
                    x={x(starts)}
                    y={TOP + place * LANE + (look === 'charge' ? 9 : 5)}
                    width={Math.max(3, x(ends) - x(starts))}
                    height={look === 'charge' ? 14 : 22}
                    rx={2}
                    strokeWidth={1.5}
                    strokeDasharray={look === 'load' ? '3 2' : undefined}
                    className={LOOKS[look]}
                  />
                  {x(ends) - x(starts) > 8 * Math.min(words.length, 12) && (
                    <text
                      x={x(starts) + 5}
                      y={TOP + place * LANE + 20}
                      className={`text-[12px] ${look === 'run' || look === 'heat' ? 'fill-on-draft' : 'fill-ink'}`}
                    >
                      {words.slice(0, 12)}
                    </text>
                  )}
                </g>
              ))}
            </g>
          ))}
          {now > from && now < to && (
            <line
              x1={x(now)}
              x2={x(now)}
              y1={TOP - 6}
              y2={height}
              className="stroke-hazard"
              strokeWidth={2}
            />
          )}
        </svg>
      </Scrollable>
    </div>
  );
}

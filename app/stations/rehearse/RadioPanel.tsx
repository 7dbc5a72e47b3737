import { MOST_END_POINT } from '#core/rehearsal/lesson';
import { sentMicros, type PracticeRadio, type RadioMenu } from '#core/rehearsal/radio';
import { formatNumber, withUnit } from '#core/units/format';
import { Minus, Plus } from 'lucide-react';
import { TickBox } from '../../ui/TickBox';

interface Props {
  radio: PracticeRadio;
  isOpen: boolean;
  /** Whether throttle hold is here: else it is under the throttle. */
  showsHold: boolean;
  onSet: (set: Partial<RadioMenu>) => void;
  onHold: (on: boolean) => void;
}

const TRIM_STEP = 4;
const END_POINT_STEP = 1;
const END_POINT_BIG_STEP = 10;

/** The menu of the simulated radio. */
export function RadioPanel({ radio, isOpen, showsHold, onSet, onHold }: Props) {
  const { channel } = radio;
  const low = channel.rest === 'centre';
  return (
    <details className="rounded-sm border border-ink bg-sheet px-3.5 py-2" open={isOpen}>
      <summary className="min-h-9 cursor-pointer py-1 font-display text-lg font-bold">
        The radio’s menu
      </summary>
      <div className="grid gap-2 py-1">
        <Line
          name="trim"
          value={withUnit(channel.trimMicros, 'µs', 0)}
          steps={[TRIM_STEP]}
          onStep={(by) => onSet({ trimMicros: channel.trimMicros + by })}
        />
        <Line
          name="sub-trim"
          value={withUnit(channel.subTrimMicros, 'µs', 0)}
          steps={[TRIM_STEP]}
          onStep={(by) => onSet({ subTrimMicros: channel.subTrimMicros + by })}
        />
        <Line
          name={low ? 'forward end point' : 'upper end point'}
          value={withUnit(channel.forwardEndPointPercent, '%', 0)}
          steps={[END_POINT_STEP, END_POINT_BIG_STEP]}
          onStep={(by) => onSet({ forwardEndPointPercent: withinEnds(channel.forwardEndPointPercent + by) })}
        />
        <Line
          name={low ? 'brake end point' : 'lower end point'}
          value={withUnit(channel.brakeEndPointPercent, '%', 0)}
          steps={[END_POINT_STEP, END_POINT_BIG_STEP]}
          onStep={(by) => onSet({ brakeEndPointPercent: withinEnds(channel.brakeEndPointPercent + by) })}
        />
        <TickBox on={channel.reversed} onChange={(reversed) => onSet({ reversed })} className="text-sm">
          throttle reversed
        </TickBox>
        {showsHold && (
          <TickBox on={radio.hold} onChange={onHold} className="text-sm">
            throttle hold on the radio
          </TickBox>
        )}
        <p className="text-sm text-muted" data-testid="sent">
          At rest it sends {formatNumber(sentMicros({ ...radio, hold: true }), 0)}, at full{' '}
          {formatNumber(sentMicros({ ...radio, position: 1 }), 0)}&nbsp;µs.
        </p>
      </div>
    </details>
  );
}

const withinEnds = (percent: number): number => Math.max(0, Math.min(MOST_END_POINT, percent));

interface LineProps {
  name: string;
  value: string;
  steps: readonly number[];
  onStep: (by: number) => void;
}

function Line({ name, value, steps, onStep }: LineProps) {
  return (
    <div
      role="group"
      aria-label={name}
      className="flex flex-wrap items-center justify-between gap-x-3 gap-y-1"
    >
      <span>
        {name} <strong>{value}</strong>
      </span>
      <span className="flex gap-1.5">
        {[...steps.toReversed().map((step) => -step), ...steps].map((by) => (
          <button
            key={by}
            type="button"
            onClick={() => onStep(by)}
            aria-label={`${name} ${by < 0 ? 'down' : 'up'} by ${Math.abs(by)}`}
            className="inline-flex min-h-11 min-w-11 items-center justify-center rounded-sm border border-ink text-sm hover:bg-film"
          >
            {by < 0 ? (
              <Minus className="size-4" aria-hidden="true" />
            ) : (
              <Plus className="size-4" aria-hidden="true" />
            )}
            {Math.abs(by)}
          </button>
        ))}
      </span>
    </div>
  );
}

/** What a recorded series asks of the ESC's deadband and of the radio's end points. */
import type { ProfileItem, Stop } from '../esc/profile';
import { formatNumber } from '../units/format';
import type { ThrottleChannel } from '../radio/pulse';
import type { SeriesStatistics } from '../radio/pulseSeries';

/** Within so many deviations all but one pulse in some ten thousand lie, for a normal distribution. */
const DEVIATIONS = 4;
/** How long a neutral must stay quiet while the radio warms up and drifts, min. From memory. */
const MINUTES = 5;

export interface AdvisedDeadband {
  /** Each side of neutral, µs. */
  neededMicros: number;
  /** The narrowest stop that takes it; undefined where the ESC has no such item, or no stop wide enough. */
  stop: Stop | undefined;
  reason: string;
}

/**
 * The deadband that keeps neutral quiet: several deviations, the drift of a few minutes and the offset of neutral,
 * on the narrowest stop of the ESC that is not below it. Common practice.
 * @param item the ESC's deadband item, with stops in µs each side
 * @param neutralOffsetMicros how far the radio's neutral lies from the learned one
 */
export function advisedDeadband(
  { deviationMicros, driftMicrosPerMinute }: SeriesStatistics,
  item: ProfileItem | undefined,
  leastMicros: number,
  neutralOffsetMicros: number,
): AdvisedDeadband {
  const jitter = DEVIATIONS * deviationMicros;
  const drift = Math.abs(driftMicrosPerMinute) * MINUTES;
  const offset = Math.abs(neutralOffsetMicros);
  const neededMicros = jitter + drift + offset;
  const stops = item ? widthsOf(item) : [];
  const stop = stops.find(({ micros }) => micros >= neededMicros)?.stop;
  const parts = [
    `${DEVIATIONS} deviations are ${formatNumber(jitter, 1)} µs`,
    `the drift of ${MINUTES} minutes ${formatNumber(drift, 1)} µs`,
    `neutral is off by ${formatNumber(offset, 1)} µs`,
  ].join(', ');
  return {
    neededMicros,
    stop,
    reason: `${parts}: ${formatNumber(neededMicros, 1)} µs each side. ${onStops()}`,
  };

  function onStops(): string {
    if (!item)
      return neededMicros <= leastMicros
        ? `The ESC’s ${formatNumber(leastMicros, 0)} µs cover that.`
        : `The ESC’s ${formatNumber(leastMicros, 0)} µs do not cover that and cannot be changed. Look for the cause of the jitter.`;
    if (!stop) return 'No stop of the ESC is that wide. Look for the cause of the jitter.';
    return `The narrowest stop that covers it is ${stop.label}.`;
  }
}

const widthsOf = ({ stops }: ProfileItem): { stop: Stop; micros: number }[] =>
  stops
    .flatMap((stop) => (stop.value.kind === 'number' ? [{ stop, micros: stop.value.value }] : []))
    .sort((a, b) => a.micros - b.micros);

export interface AdvisedMargin {
  /** To raise each end point by after calibrating, %. */
  percent: number;
  reason: string;
}

/** Raised by so much, a radio that wanders still reaches full. Common practice: 5 to 10 %. */
const LEAST_MARGIN_PERCENT = 5;
const MOST_MARGIN_PERCENT = 10;

/** How far to raise the end points after calibrating, whole per cent. */
export function advisedEndPointMargin(
  { deviationMicros, driftMicrosPerMinute }: SeriesStatistics,
  { travelMicros }: Pick<ThrottleChannel, 'travelMicros'>,
): AdvisedMargin {
  const wander = DEVIATIONS * deviationMicros + Math.abs(driftMicrosPerMinute) * MINUTES;
  // A hair above a whole per cent is only how numbers are kept.
  const needed = Math.ceil((wander / travelMicros) * 100 - 1e-9);
  const percent = Math.min(MOST_MARGIN_PERCENT, Math.max(LEAST_MARGIN_PERCENT, needed));
  const share = `This radio drifts by ${formatNumber(wander, 1)} µs, ${formatNumber((wander / travelMicros) * 100, 1)} % of its travel.`;
  const why =
    needed > MOST_MARGIN_PERCENT
      ? `More than ${MOST_MARGIN_PERCENT} % wastes travel. Look for the cause instead.`
      : needed > LEAST_MARGIN_PERCENT
        ? 'The end points cover that, but no more.'
        : `${LEAST_MARGIN_PERCENT} % is the usual least.`;
  return { percent, reason: `${share} ${why}` };
}

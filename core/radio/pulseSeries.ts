/** A recorded series of pulse widths: reading it from text, and what it says of the radio. */
import { formatNumber } from '../units/format';

/** What a servo lead can carry, µs. */
const LEAST_MICROS = 500;
const MOST_MICROS = 2500;
const MICROS_PER_MILLI = 1000;

export interface ReadSeries {
  /** µs, in the order in which they came. */
  micros: number[];
  /** What was passed over or changed on the way, each in a sentence. */
  remarks: string[];
}

/**
 * Reads a series from text: one pulse a line, or the last number of each line of a table. Words, empty lines and
 * impossible widths are passed over and said; milliseconds are taken as such and said.
 * @param text as pasted or uploaded; a comma may be the decimal mark
 */
export function readPulseSeries(text: string): ReadSeries {
  const micros: number[] = [];
  const words: number[] = [];
  const impossible: { line: number; value: number }[] = [];
  let empty = 0;
  let millis = 0;
  text.split(/\r?\n/).forEach((line, index) => {
    if (line.trim() === '') {
      empty += 1;
      return;
    }
    const value = lastNumberIn(line);
    if (value === undefined) words.push(index + 1);
    else if (value >= LEAST_MICROS && value <= MOST_MICROS) micros.push(value);
    else if (value * MICROS_PER_MILLI >= LEAST_MICROS && value * MICROS_PER_MILLI <= MOST_MICROS) {
      millis += 1;
      micros.push(value * MICROS_PER_MILLI);
    } else impossible.push({ line: index + 1, value });
  });
  // The empty end of a file is no gap.
  const gaps = empty - (/\n\s*$/.test(text) || text.trim() === '' ? 1 : 0);
  return { micros, remarks: remarksOn({ words, impossible, gaps, millis, total: micros.length }) };
}

/** The last cell of a line that is a number. A comma between digits is a decimal mark unless both sides are pulses. */
function lastNumberIn(line: string): number | undefined {
  for (const cell of line.split(/[;\t ]+/).reverse()) {
    const parts = cell.split(',');
    const isDecimal = parts.length === 2 && /^-?\d+$/.test(parts[0]!) && /^\d{1,3}$/.test(parts[1]!);
    const candidates = isDecimal && Number(parts[1]) < LEAST_MICROS ? [parts.join('.')] : parts.reverse();
    for (const text of candidates) {
      const value = text.trim() === '' ? NaN : Number(text);
      if (Number.isFinite(value)) return value;
    }
  }
  return undefined;
}

interface PassedOver {
  words: number[];
  impossible: { line: number; value: number }[];
  gaps: number;
  millis: number;
  total: number;
}

function remarksOn({ words, impossible, gaps, millis, total }: PassedOver): string[] {
  const remarks: string[] = [];
  if (millis > 0)
    remarks.push(
      millis === total
        ? 'The numbers were milliseconds and were multiplied by 1000.'
        : `${millis} of the numbers looked like milliseconds and were multiplied by 1000.`,
    );
  if (words.length > 0)
    remarks.push(`No number in ${linesAt(words)}: skipped. Headings and notes do no harm.`);
  if (impossible.length > 0) {
    const example = formatNumber(impossible[0]!.value, 2);
    remarks.push(
      `Not a pulse width in ${linesAt(impossible.map(({ line }) => line))}: ${example}. A servo lead carries ${LEAST_MICROS} to ${MOST_MICROS} µs. Skipped.`,
    );
  }
  if (gaps > 0) remarks.push(`${gaps} empty ${gaps === 1 ? 'line' : 'lines'}: counted as lost frames.`);
  return remarks;
}

const MOST_NAMED = 4;
function linesAt(lines: number[]): string {
  const named = lines.slice(0, MOST_NAMED).join(', ');
  const more = lines.length > MOST_NAMED ? ` and ${lines.length - MOST_NAMED} more` : '';
  return `${lines.length === 1 ? 'line' : 'lines'} ${named}${more}`;
}

export interface SeriesStatistics {
  count: number;
  meanMicros: number;
  medianMicros: number;
  /** Of a sample, n − 1, outliers left out. */
  deviationMicros: number;
  leastMicros: number;
  mostMicros: number;
  peakToPeakMicros: number;
  /** Slope of the straight line through them, outliers left out. */
  driftMicrosPerMinute: number;
  outliers: { place: number; micros: number }[];
}

/** Further from the median than this many robust deviations is an outlier. Common practice. */
const OUTLIER_DEVIATIONS = 6;
/** A robust deviation is this many median absolute deviations, for a normal distribution. */
const MAD_TO_DEVIATION = 1.4826;

/**
 * What a series recorded with the throttle held still says.
 * @param micros two pulses at least
 * @param frameMs from one to the next, for the drift
 * @param stepMicros the radio's own step: nothing nearer to the median than two of them is an outlier
 * @throws {RangeError} on fewer than two
 */
export function seriesStatistics(
  micros: readonly number[],
  frameMs: number,
  stepMicros: number,
): SeriesStatistics {
  if (micros.length < 2) throw new RangeError(`${micros.length} pulses are not a series`);
  const medianMicros = medianOf(micros);
  const spread = MAD_TO_DEVIATION * medianOf(micros.map((p) => Math.abs(p - medianMicros)));
  const limit = Math.max(OUTLIER_DEVIATIONS * spread, 2 * stepMicros);
  const outliers: SeriesStatistics['outliers'] = [];
  const line = new Line();
  let least = Infinity;
  let most = -Infinity;
  let sum = 0;
  micros.forEach((pulse, place) => {
    sum += pulse;
    if (pulse < least) least = pulse;
    if (pulse > most) most = pulse;
    if (Math.abs(pulse - medianMicros) > limit) outliers.push({ place, micros: pulse });
    else line.add(place, pulse);
  });
  return {
    count: micros.length,
    meanMicros: sum / micros.length,
    medianMicros,
    deviationMicros: line.deviation(),
    leastMicros: least,
    mostMicros: most,
    peakToPeakMicros: most - least,
    driftMicrosPerMinute: (line.slope() / frameMs) * 60_000,
    outliers,
  };
}

function medianOf(values: readonly number[]): number {
  const sorted = Float64Array.from(values).sort();
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** Running sums of a straight line, after Welford: exact enough for any length. */
class Line {
  private count = 0;
  private meanX = 0;
  private meanY = 0;
  private xx = 0;
  private yy = 0;
  private xy = 0;

  add(x: number, y: number): void {
    this.count += 1;
    const dx = x - this.meanX;
    const dy = y - this.meanY;
    this.meanX += dx / this.count;
    this.meanY += dy / this.count;
    this.xx += dx * (x - this.meanX);
    this.yy += dy * (y - this.meanY);
    this.xy += dx * (y - this.meanY);
  }

  deviation(): number {
    return this.count > 1 ? Math.sqrt(this.yy / (this.count - 1)) : 0;
  }

  slope(): number {
    return this.xx > 0 ? this.xy / this.xx : 0;
  }
}

/** The least and most of each of so many even parts of a series, for drawing it. */
export function envelopeOf(micros: readonly number[], parts: number): { least: number; most: number }[] {
  const count = Math.min(parts, micros.length);
  return Array.from({ length: count }, (_, part) => {
    const from = Math.floor((part * micros.length) / count);
    const to = Math.max(from + 1, Math.floor(((part + 1) * micros.length) / count));
    let least = Infinity;
    let most = -Infinity;
    for (let place = from; place < to; place += 1) {
      least = Math.min(least, micros[place]!);
      most = Math.max(most, micros[place]!);
    }
    return { least, most };
  });
}

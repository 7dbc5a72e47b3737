/** A single reading is noise: an end is one of means over so long, s. */
const MEAN_OVER_S = 0.5;

/** An end of a channel, of its running means; undefined where it has no sample. @param everyS how often it was read */
export function endOfMeans(values: Float32Array, everyS: number, end: 'least' | 'most'): number | undefined {
  const known = values.filter((value) => !Number.isNaN(value));
  const width = Math.max(1, Math.min(known.length, Math.round(MEAN_OVER_S / everyS)));
  let found: number | undefined;
  let sum = 0;
  known.forEach((value, n) => {
    sum += value - (n >= width ? known[n - width]! : 0);
    if (n < width - 1) return;
    const mean = sum / width;
    if (found === undefined || (end === 'most' ? mean > found : mean < found)) found = mean;
  });
  return found;
}

import type { SeriesStatistics } from './pulseSeries';

/** What is known of a series that wanders and drifts by so much. */
export const seriesOf = (deviationMicros: number, driftMicrosPerMinute = 0): SeriesStatistics => ({
  count: 500,
  meanMicros: 1500,
  medianMicros: 1500,
  deviationMicros,
  leastMicros: 1490,
  mostMicros: 1510,
  peakToPeakMicros: 20,
  driftMicrosPerMinute,
  outliers: [],
});

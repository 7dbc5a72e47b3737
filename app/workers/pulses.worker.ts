import {
  envelopeOf,
  readPulseSeries,
  seriesStatistics,
  type SeriesStatistics,
} from '#core/radio/pulseSeries';
import { expose } from 'comlink';

export interface SeriesAnswer {
  remarks: string[];
  /** Undefined where fewer than two pulses were found. */
  found: { statistics: SeriesStatistics; envelope: { least: number; most: number }[] } | undefined;
}

const PARTS = 300;

const worker = {
  analyse(text: string, frameMs: number, stepMicros: number): SeriesAnswer {
    const { micros, remarks } = readPulseSeries(text);
    if (micros.length < 2) return { remarks, found: undefined };
    return {
      remarks,
      found: {
        statistics: seriesStatistics(micros, frameMs, stepMicros),
        envelope: envelopeOf(micros, PARTS),
      },
    };
  },
};

export type PulsesWorker = typeof worker;

expose(worker);

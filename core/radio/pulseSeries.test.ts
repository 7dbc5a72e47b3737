import fc from 'fast-check';
import * as reference from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { envelopeOf, readPulseSeries, seriesStatistics } from './pulseSeries';

describe('reading a series', () => {
  it('takes one pulse a line, in any of the usual shapes', () => {
    for (const text of ['1500\n1502\n1501', '1500\r\n1502\r\n1501\r\n', '0.00;1500\n0.02;1502\n0.04;1501\n'])
      expect(readPulseSeries(text)).toEqual({ micros: [1500, 1502, 1501], remarks: [] });
    expect(readPulseSeries('20,1500\n40,1502').micros).toEqual([1500, 1502]);
    expect(readPulseSeries('1500,5\n1501,25').micros).toEqual([1500.5, 1501.25]);
    expect(readPulseSeries('1490,1500\n1491,1502').micros).toEqual([1500, 1502]);
  });

  it('says that milliseconds were meant', () => {
    const { micros, remarks } = readPulseSeries('1.500\n1.502');
    expect(micros).toEqual([1500, 1502]);
    expect(remarks).toEqual(['The numbers were milliseconds and were multiplied by 1000.']);
    expect(readPulseSeries('1500\n1.502').remarks[0]).toContain('1 of the numbers looked like milliseconds');
  });

  it('passes over text, gaps and impossible widths, names the lines and loses nothing else', () => {
    const { micros, remarks } = readPulseSeries('pulse\n1500\n\n1502\n99999\nnote: windy\n1501\n');
    expect(micros).toEqual([1500, 1502, 1501]);
    expect(remarks).toEqual([
      'No number in lines 1, 6: skipped. Headings and notes do no harm.',
      'Not a pulse width in line 5: 99999. A servo lead carries 500 to 2500 µs. Skipped.',
      '1 empty line: counted as lost frames.',
    ]);
  });

  it('names only the first few lines of many', () => {
    const { remarks } = readPulseSeries('a\nb\nc\nd\ne\nf\n1500');
    expect(remarks[0]).toContain('lines 1, 2, 3, 4 and 2 more');
  });

  it('counts an empty line in the middle, and not the end of the file', () => {
    const gapsIn = (text: string): string[] => readPulseSeries(text).remarks;
    expect(gapsIn('1500\n\n\n1501')).toEqual(['2 empty lines: counted as lost frames.']);
    expect(gapsIn('1500\n1501\n')).toEqual([]);
    expect(gapsIn('1500\n\n1501\n')).toEqual(['1 empty line: counted as lost frames.']);
  });

  it('takes a comma for a decimal mark only between whole digits', () => {
    expect(readPulseSeries('x,1500').micros).toEqual([1500]);
    expect(readPulseSeries('x,15').remarks[0]).toContain('Not a pulse width in line 1: 15');
    expect(readPulseSeries('15,x').remarks[0]).toContain('Not a pulse width in line 1: 15');
    expect(readPulseSeries('-3,1500').micros).toEqual([1500]);
  });

  it('shows an impossible number to a hundredth', () => {
    expect(readPulseSeries('3.14159').remarks[0]).toContain(': 3.14.');
  });

  it('of nothing is nothing', () => {
    expect(readPulseSeries('')).toEqual({ micros: [], remarks: [] });
  });
});

describe('statistics of a series', () => {
  it('agree with a reference library (simple-statistics), for random series without outliers', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1480, max: 1520 }), { minLength: 3, maxLength: 300 }),
        (micros) => {
          const found = seriesStatistics(micros, 20, 40);
          fc.pre(found.outliers.length === 0);
          expect(found.meanMicros).toBeCloseTo(reference.mean(micros), 9);
          expect(found.medianMicros).toBeCloseTo(reference.median(micros), 9);
          expect(found.deviationMicros).toBeCloseTo(reference.sampleStandardDeviation(micros), 9);
          const { m } = reference.linearRegression(micros.map((pulse, place) => [place, pulse]));
          expect(found.driftMicrosPerMinute).toBeCloseTo(m * 3000, 6);
          expect([found.leastMicros, found.mostMicros]).toEqual([
            reference.min(micros),
            reference.max(micros),
          ]);
        },
      ),
    );
  });

  it('agree on a hundred thousand pulses, too', () => {
    const micros = Array.from({ length: 100_000 }, (_, n) => 1500 + 3 * Math.sin(n * 12.9898) + n * 1e-5);
    const found = seriesStatistics(micros, 20, 1);
    expect(found.deviationMicros).toBeCloseTo(reference.sampleStandardDeviation(micros), 6);
    expect(found.driftMicrosPerMinute).toBeCloseTo(0.03, 3);
  });

  it('find single pulses that stand out, and do not let them widen the rest', () => {
    const micros = Array.from({ length: 500 }, (_, n) => 1500 + (n % 3));
    micros[77] = 1830;
    const found = seriesStatistics(micros, 20, 1);
    expect(found.outliers).toEqual([{ place: 77, micros: 1830 }]);
    expect(found.deviationMicros).toBeLessThan(1);
    expect(found.peakToPeakMicros).toBe(330);
  });

  it('take two steps of a coarse radio for no outlier', () => {
    const micros = [...Array<number>(40).fill(1500), 1504, ...Array<number>(40).fill(1500)];
    expect(seriesStatistics(micros, 20, 2).outliers).toEqual([]);
    expect(seriesStatistics(micros, 20, 1).outliers).toHaveLength(1);
  });

  it('need two pulses, and no more', () => {
    expect(() => seriesStatistics([1500], 20, 1)).toThrow(RangeError);
    // Two µs a frame of 20 ms are 6000 a minute.
    expect(seriesStatistics([1500, 1502], 20, 10)).toMatchObject({
      count: 2,
      meanMicros: 1501,
      driftMicrosPerMinute: 6000,
    });
  });

  it('a radio that never moves drifts by nothing', () => {
    expect(seriesStatistics([1500, 1500, 1500], 20, 1)).toMatchObject({
      deviationMicros: 0,
      driftMicrosPerMinute: 0,
    });
  });

  it('six robust deviations are the limit: 6 × 1.4826 × 10 µs are 89 µs', () => {
    // Around the median of 1500 all but two lie 10 µs away.
    const spread = [1500, 1500, ...Array.from({ length: 100 }, (_, n) => 1500 + (n % 2 === 0 ? 10 : -10))];
    const outliersWith = (pulse: number) => seriesStatistics([...spread, pulse], 20, 1).outliers;
    expect(outliersWith(1588)).toEqual([]);
    expect(outliersWith(1590)).toHaveLength(1);
  });
});

describe('the envelope of a series', () => {
  it('keeps every peak, however few the parts', () => {
    const micros = Array.from({ length: 1000 }, (_, n) => (n === 612 ? 1900 : 1500 + (n % 2)));
    const parts = envelopeOf(micros, 10);
    expect(parts).toHaveLength(10);
    expect(parts[6]).toEqual({ least: 1500, most: 1900 });
    expect(parts[5]).toEqual({ least: 1500, most: 1501 });
    expect(envelopeOf([1500, 1501], 10)).toHaveLength(2);
  });
});

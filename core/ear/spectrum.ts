/** The power of a short piece of sound at each frequency. */

/** How many samples are looked at together: 21 ms at 48 kHz, within which a short note fits six times. */
export const WINDOW = 1024;
const HALF = WINDOW / 2;

// A Hann window: what lies beside a tone leaks little into what is far from it.
const HANN = Float64Array.from(
  { length: WINDOW },
  (_, n) => 0.5 - 0.5 * Math.cos((2 * Math.PI * n) / WINDOW),
);
const COS = Float64Array.from({ length: HALF }, (_, n) => Math.cos((2 * Math.PI * n) / WINDOW));
const SIN = Float64Array.from({ length: HALF }, (_, n) => Math.sin((2 * Math.PI * n) / WINDOW));
const REVERSED = Uint16Array.from({ length: WINDOW }, (_, n) => reversedBits(n, Math.log2(WINDOW)));

/**
 * The power at each of the frequencies n × rate / WINDOW, n from 0 to WINDOW / 2 − 1, of the WINDOW samples from a
 * place on. Radix-2 fast Fourier transform (Cooley and Tukey 1965). Up to a factor that is the same for all.
 * @throws {RangeError} where there are too few samples
 */
export function powerSpectrum(samples: Float32Array, from: number): Float64Array {
  if (from < 0 || from + WINDOW > samples.length) {
    throw new RangeError(`${WINDOW} samples from ${from} on do not lie within ${samples.length}`);
  }
  const re = new Float64Array(WINDOW);
  const im = new Float64Array(WINDOW);
  for (let n = 0; n < WINDOW; n += 1) re[REVERSED[n]!] = samples[from + n]! * HANN[n]!;
  for (let size = 2; size <= WINDOW; size *= 2) {
    const half = size / 2;
    const turn = WINDOW / size;
    for (let start = 0; start < WINDOW; start += size) {
      for (let n = 0; n < half; n += 1) {
        const [a, b] = [start + n, start + n + half];
        const [cos, sin] = [COS[n * turn]!, SIN[n * turn]!];
        const turnedRe = re[b]! * cos + im[b]! * sin;
        const turnedIm = im[b]! * cos - re[b]! * sin;
        re[b] = re[a]! - turnedRe;
        im[b] = im[a]! - turnedIm;
        re[a]! += turnedRe;
        im[a]! += turnedIm;
      }
    }
  }
  return Float64Array.from({ length: HALF }, (_, n) => re[n]! ** 2 + im[n]! ** 2);
}

function reversedBits(value: number, bits: number): number {
  let reversed = 0;
  for (let bit = 0; bit < bits; bit += 1) reversed |= ((value >> bit) & 1) << (bits - 1 - bit);
  return reversed;
}

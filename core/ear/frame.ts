/** What one moment of sound is: a tone, or anything else. */
import { powerSpectrum, WINDOW } from './spectrum';

/** Motors sound in here, and a microphone hears well. */
const BAND_HZ = { from: 300, to: 6000 };
/** A tone keeps this much of the sound to itself, with the bins beside its own; voices and noise spread theirs. */
const TONE_SHARE = 0.33;
const BINS_BESIDE = 2;
/** Quieter than the last bit of a recording is silence, and no tone. */
const SILENCE = 1e-6;

export interface Frame {
  /** The middle of the moment, ms since the beginning. */
  atMs: number;
  /** The strongest frequency, where it is a tone. */
  hertz: number | undefined;
  /** Power of the tone; only its ratio to others means something. */
  power: number;
}

/** The frame of the WINDOW samples from a place on. @param fromMs when the first of them was heard */
export function frameAt(samples: Float32Array, from: number, fromMs: number, rate: number): Frame {
  const spectrum = powerSpectrum(samples, from);
  const binHz = rate / WINDOW;
  const [first, last] = [Math.ceil(BAND_HZ.from / binHz), Math.floor(BAND_HZ.to / binHz)];
  let whole = 0;
  let peak = first;
  for (let bin = first; bin <= last; bin += 1) {
    whole += spectrum[bin]!;
    if (spectrum[bin]! > spectrum[peak]!) peak = bin;
  }
  let power = 0;
  for (let bin = peak - BINS_BESIDE; bin <= peak + BINS_BESIDE; bin += 1) power += spectrum[bin] ?? 0;
  const isTone = whole > SILENCE && power >= TONE_SHARE * whole;
  const atMs = fromMs + (1000 * (WINDOW / 2)) / rate;
  return { atMs, hertz: isTone ? binHz * summit(spectrum, peak) : undefined, power };
}

/** Where between the bins the peak lies, by a parabola through the logarithms of three (from memory). */
function summit(spectrum: Float64Array, peak: number): number {
  const [left, middle, right] = [peak - 1, peak, peak + 1].map((bin) =>
    Math.log((spectrum[bin] ?? 0) + 1e-30),
  );
  const bend = left! - 2 * middle! + right!;
  return bend === 0 ? peak : peak + (left! - right!) / (2 * bend);
}

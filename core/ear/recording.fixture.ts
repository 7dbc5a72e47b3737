/** Recordings of an ESC that were never made: notes, and what lies over them. The same seed gives the same samples. */
import { beepsOf } from '../procedure/sound';
import type { Pitches } from './ear';

export const RATE = 48000;
export const PITCHES: Pitches = { low: 1480, high: 2350 };
/** Loudness of the notes, of full scale. */
const NOTE_PEAK = 0.2;
const EDGE_S = 0.008;
/** The band in which signal and noise are compared, Hz. */
const BAND = { from: 300, to: 6000 };

/** Numbers from 0 to 1. A linear congruential generator (Numerical Recipes, 1992). */
export function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

/** Groups of notes, one after the other. @param pauseMs silence before the first and after each */
export function groupsSounding(groups: readonly string[], pitches: Pitches, pauseMs: number): Float32Array {
  const pieces = groups.flatMap((notes) => [
    ...beepsOf(notes).flatMap(({ pitch, ms, restMs }) => [note(pitches[pitch], ms), silence(restMs)]),
    silence(pauseMs),
  ]);
  return concatenated([silence(pauseMs), ...pieces]);
}

export const silence = (ms: number): Float32Array => new Float32Array(Math.round((ms / 1000) * RATE));

function note(hertz: number, ms: number): Float32Array {
  const length = Math.round((ms / 1000) * RATE);
  return Float32Array.from({ length }, (_, n) => {
    const edge = Math.min(1, n / (EDGE_S * RATE), (length - n) / (EDGE_S * RATE));
    return NOTE_PEAK * edge * Math.sin((2 * Math.PI * hertz * n) / RATE);
  });
}

/** Noise over notes. @param snrDb power of a sounding note over that of the noise from 300 Hz to 6 kHz */
export function withNoise(sound: Float32Array, snrDb: number, random: () => number): Float32Array {
  const inBand = NOTE_PEAK ** 2 / 2 / 10 ** (snrDb / 10);
  // White noise has its power spread evenly up to half the rate.
  const deviation = Math.sqrt((inBand * (RATE / 2)) / (BAND.to - BAND.from));
  return sound.map((sample) => sample + deviation * gaussian(random));
}

/** Mains hum and its harmonics over a sound. @param peak of the hum, of full scale */
export const withHum = (sound: Float32Array, peak: number): Float32Array =>
  sound.map((sample, n) => {
    const turn = (2 * Math.PI * 50 * n) / RATE;
    return sample + peak * (0.6 * Math.sin(turn) + 0.3 * Math.sin(2 * turn) + 0.1 * Math.sin(3 * turn));
  });

/** The sound with itself, later and quieter. */
export function withEcho(sound: Float32Array, delayMs: number, db: number): Float32Array {
  const delay = Math.round((delayMs / 1000) * RATE);
  return sound.map((sample, n) => sample + 10 ** (db / 20) * (sound[n - delay] ?? 0));
}

/** A microphone that is too near. @param peak above which the sound is cut off, of full scale */
export const clipped = (sound: Float32Array, peak: number): Float32Array =>
  sound.map((sample) => Math.max(-peak, Math.min(peak, sample)));

/**
 * What a voice is made of without saying anything: harmonics of a gliding pitch under moving formants, in syllables, with
 * hissing between them. From memory of how speech is synthesised.
 */
export function speechLike(seconds: number, random: () => number): Float32Array {
  const sound = new Float32Array(Math.round(seconds * RATE));
  let at = 0;
  while (at < sound.length) {
    const length = Math.round((0.08 + 0.25 * random()) * RATE);
    const voiced = random() < 0.75;
    const pitch = { from: 90 + 160 * random(), to: 90 + 160 * random() };
    const formants = [300 + 600 * random(), 900 + 1600 * random(), 2400 + 900 * random()];
    let turn = 0;
    for (let n = 0; n < length && at + n < sound.length; n += 1) {
      const loud = 0.2 * Math.sin((Math.PI * n) / length);
      if (voiced) {
        const hertz = pitch.from + ((pitch.to - pitch.from) * n) / length;
        turn += (2 * Math.PI * hertz) / RATE;
        sound[at + n] = loud * harmonics(turn, hertz, formants);
      } else {
        sound[at + n] = 0.3 * loud * gaussian(random);
      }
    }
    at += length + Math.round(0.15 * random() * RATE);
  }
  return sound;
}

function harmonics(turn: number, hertz: number, formants: readonly number[]): number {
  let sum = 0;
  for (let n = 1; n * hertz < 5000; n += 1) {
    const gain = formants.reduce((all, formant) => all + 1 / (1 + ((n * hertz - formant) / 120) ** 2), 0);
    sum += (gain / n ** 0.5) * Math.sin(n * turn);
  }
  return sum;
}

/** Normally distributed, with a deviation of 1: by Box and Muller (1958). */
export const gaussian = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

function concatenated(pieces: readonly Float32Array[]): Float32Array {
  const whole = new Float32Array(pieces.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}

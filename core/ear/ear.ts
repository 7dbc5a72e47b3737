/**
 * The ear: from the sound of a motor to the groups of notes that an ESC tells its user. A pure function over samples;
 * it remembers nothing but what it is handed back.
 */
import type { Notes } from '../esc/media';
import { LONG_MS, REST_MS, SHORT_MS } from '../procedure/sound';
import { frameAt, type Frame } from './frame';
import { WINDOW } from './spectrum';

/** How far one look is from the next, in samples. */
const HOP = 256;
/** A note is over when its power has fallen this far below its loudest: what an echo leaves is quieter. */
const FALLEN = 10 ** -0.6;
/** Shorter is a click, ms; longer is a running motor. */
const CLICK_MS = SHORT_MS / 2;
const WHINE_MS = 2 * LONG_MS;
/** From here on a note is a long one, ms. */
const LONG_FROM_MS = (SHORT_MS + LONG_MS) / 2;
/** A silence longer than that between two notes ends a group, ms. */
const GAP_MS = REST_MS + 15;
/** What comes this soon after a note, of its pitch and much quieter, is its echo, ms. */
const ECHO_WITHIN_MS = 2 * REST_MS;
/** A pitch is the same within this ratio. */
const SAME_PITCH = 0.04;
/** Two notes are a low and a high one from this ratio on. */
const ANOTHER_PITCH = 0.1;

/** The two notes of an ESC, Hz. */
export interface Pitches {
  low: number;
  high: number;
}

/** A note as it was heard. */
export interface HeardNote {
  hertz: number;
  fromMs: number;
  toMs: number;
  power: number;
}

/** A group of notes that belong together. */
export interface HeardGroup {
  notes: Notes;
  fromMs: number;
  toMs: number;
}

export interface Ear {
  rate: number;
  /** What the notes are; learned from the first group that has both. */
  pitches: Pitches | undefined;
  /** Samples that were heard and not yet looked at whole. */
  left: Float32Array;
  /** How many samples went before those. */
  passed: number;
  /** The tone that sounds now. */
  sounding: readonly Frame[];
  /** Notes that wait for the rest of their group. */
  waiting: readonly HeardNote[];
}

/**
 * An ear that has heard nothing yet.
 * @param rate samples a second
 * @param pitches what the notes are, where that is known
 */
export const newEar = (rate: number, pitches?: Pitches): Ear => ({
  rate,
  pitches,
  left: new Float32Array(0),
  passed: 0,
  sounding: [],
  waiting: [],
});

/** What more sound says. @param samples any number of them, −1 to 1 */
export function hear(before: Ear, samples: Float32Array): { ear: Ear; groups: HeardGroup[] } {
  const all = joined(before.left, samples);
  const groups: HeardGroup[] = [];
  let ear = before;
  let from = 0;
  for (; from + WINDOW <= all.length; from += HOP) {
    const fromMs = (1000 * (before.passed + from)) / before.rate;
    const next = attend(ear, frameAt(all, from, fromMs, before.rate));
    ear = next.ear;
    if (next.group) groups.push(next.group);
  }
  return { ear: { ...ear, left: all.slice(from), passed: before.passed + from }, groups };
}

/** One moment more. */
function attend(ear: Ear, frame: Frame): { ear: Ear; group?: HeardGroup } {
  const { sounding } = ear;
  if (goesOn(sounding, frame)) return { ear: { ...ear, sounding: [...sounding, frame] } };
  const note = noteOf(sounding);
  const waiting = note && isOfTheEsc(ear, note) ? [...ear.waiting, note] : ear.waiting;
  const next: Ear = { ...ear, waiting, sounding: frame.hertz === undefined ? [] : [frame] };
  const last = waiting.at(-1);
  const isOver = last && next.sounding.length === 0 && frame.atMs - last.toMs >= GAP_MS;
  return isOver ? closeGroup(next) : { ear: next };
}

/** Whether a moment belongs to the tone that sounds: of its pitch, and not fallen far below its loudest. */
function goesOn(sounding: readonly Frame[], { hertz, power }: Frame): boolean {
  const [first] = sounding;
  if (!first || hertz === undefined) return false;
  return isNear(hertz, first.hertz!, SAME_PITCH) && power >= FALLEN * loudest(sounding);
}

/** The note that a tone was, from when it was half as loud as its loudest; undefined for a click or a whine. */
function noteOf(sounding: readonly Frame[]): HeardNote | undefined {
  const power = loudest(sounding);
  const loud = sounding.filter((frame) => frame.power >= FALLEN * power);
  const [first, last] = [loud[0], loud.at(-1)];
  if (!first || !last) return undefined;
  const ms = last.atMs - first.atMs;
  if (ms < CLICK_MS || ms > WHINE_MS) return undefined;
  return { hertz: middle(loud.map(({ hertz }) => hertz!)), fromMs: first.atMs, toMs: last.atMs, power };
}

/** Whether a note may be one of the ESC's, and is not the echo of the one before. */
function isOfTheEsc({ pitches, waiting }: Ear, { hertz, fromMs, power }: HeardNote): boolean {
  const last = waiting.at(-1);
  const isEcho =
    last !== undefined &&
    fromMs - last.toMs < ECHO_WITHIN_MS &&
    isNear(hertz, last.hertz, SAME_PITCH) &&
    power < FALLEN * last.power;
  const fits = !pitches || [pitches.low, pitches.high].some((pitch) => isNear(hertz, pitch, SAME_PITCH));
  return fits && !isEcho;
}

/** The notes that waited, as a group; nothing where it cannot be told which of them are low. */
function closeGroup(ear: Ear): { ear: Ear; group?: HeardGroup } {
  const { waiting } = ear;
  const pitches = ear.pitches ?? pitchesOf(waiting);
  const next = { ...ear, pitches, waiting: [] };
  if (!pitches) return { ear: next };
  const border = Math.sqrt(pitches.low * pitches.high);
  const notes = waiting.map(({ hertz, fromMs, toMs }) => {
    const letter = hertz < border ? 'l' : 'h';
    return toMs - fromMs < LONG_FROM_MS ? letter : letter.toUpperCase();
  });
  const [first, last] = [waiting[0]!, waiting.at(-1)!];
  return { ear: next, group: { notes: notes.join(''), fromMs: first.fromMs, toMs: last.toMs } };
}

/** The two pitches of a group that has both; undefined for a group of one. */
function pitchesOf(notes: readonly HeardNote[]): Pitches | undefined {
  const hertz = notes.map((note) => note.hertz);
  const [low, high] = [Math.min(...hertz), Math.max(...hertz)];
  return isNear(high, low, ANOTHER_PITCH) ? undefined : { low, high };
}

const isNear = (a: number, b: number, ratio: number): boolean => Math.abs(a / b - 1) <= ratio;
const loudest = (frames: readonly Frame[]): number => Math.max(0, ...frames.map(({ power }) => power));
const middle = (values: number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1]!;

function joined(a: Float32Array, b: Float32Array): Float32Array {
  const both = new Float32Array(a.length + b.length);
  both.set(a);
  both.set(b, a.length);
  return both;
}

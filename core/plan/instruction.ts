/** A gesture in the hand's words: one line large enough to read from a metre away, and what will be seen. */
import type { EscProfile, ProfileItem } from '../esc/profile';
import { countInWords, formatNumber, timesInWords } from '../units/format';
import type { Observed } from '../procedure/language';
import type { ThrottleChannel } from '../radio/pulse';
import { stickEndAt, type StickEnd } from './calibrationPlan';
import type { Gesture } from './gestures';

export interface Instruction {
  /** The line before the key, the key's name if there is one, and the line after it. */
  before: string;
  key?: string;
  after: string;
  /** What will be seen and heard, and what it means. */
  detail: string;
  /** How many presses to count, for gestures that count. */
  count?: number;
}

const STICK_WORDS: Record<StickEnd, Pick<Instruction, 'before' | 'detail'>> = {
  neutral: {
    before: 'Let the trigger go.',
    detail: 'It springs back to neutral. Keep your finger off it.',
  },
  forward: {
    before: 'Pull the trigger full forward.',
    detail: 'All the way to the stop, and keep it there until the beep.',
  },
  brake: {
    before: 'Push the trigger to full brake.',
    detail: 'All the way to the stop, and keep it there until the beep.',
  },
};

/** The words for a gesture on this ESC. */
export function instructionFor(profile: EscProfile, channel: ThrottleChannel, gesture: Gesture): Instruction {
  const key = profile.medium.keyName;
  switch (gesture.kind) {
    case 'press':
      return {
        before: 'Press',
        key,
        after: `${timesInWords(gesture.count)}.`,
        count: gesture.count,
        detail: pressDetail(profile, gesture),
      };
    case 'hold':
      return { before: 'Hold', key, ...holdWords(profile, gesture) };
    case 'holdAndSwitchOn':
      return {
        before: 'Hold',
        key,
        after: 'and switch the ESC on.',
        detail: `Keep holding for about ${seconds(gesture.ms)} s, until the ${profile.medium.menuLamp} lamp blinks and the beeps turn steady. Then let go.`,
      };
    case 'power':
      return gesture.on
        ? { before: 'Switch the ESC on.', after: '', detail: 'Two rising notes: it is ready.' }
        : { before: 'Switch the ESC off.', after: '', detail: 'Lamp and sound go out.' };
    case 'stick': {
      const end = stickEndAt(channel, gesture.micros);
      return end
        ? { ...STICK_WORDS[end], after: '' }
        : { before: `Bring the trigger to ${formatNumber(gesture.micros, 0)} µs.`, after: '', detail: '' };
    }
    case 'letGo':
      return { before: 'Let go of', key, after: '', detail: 'The step is done.' };
    case 'wait':
      return {
        before: `Wait ${seconds(gesture.ms)} s.`,
        after: '',
        detail: 'The ESC moves on by itself.',
      };
  }
}

function pressDetail(profile: EscProfile, gesture: Extract<Gesture, { kind: 'press' }>): string {
  const count = lastCount(gesture.observed);
  const item = profile.items[gesture.end.itemCursor]!;
  if (count?.of === 'item') {
    return `Each press counts one item on, and the ${count.lamp} lamp flashes the number back. It must end at ${countInWords(count.count)}: “${item.label}”.`;
  }
  if (count?.of === 'stop') {
    return `Each press goes one stop on, round and round, and the ${count.lamp} lamp flashes where you are. It must end at ${countInWords(count.count)}: ${stopLabel(item, count.count)}.`;
  }
  return hears(gesture.observed, 'rising')
    ? 'Rising notes: all three points are learned and kept.'
    : 'One short beep: the point is taken.';
}

function holdWords(
  profile: EscProfile,
  gesture: Extract<Gesture, { kind: 'hold' }>,
): Pick<Instruction, 'after' | 'detail'> {
  const item = profile.items[gesture.end.itemCursor]!;
  const { menuLamp, valueLamp } = profile.medium;
  const about = `It takes about ${seconds(gesture.ms)} s; then let go.`;
  const count = lastCount(gesture.observed);
  if (hears(gesture.observed, 'long')) {
    return { after: 'until one long beep.', detail: `The long beep means stored. ${about}` };
  }
  if (count?.of === 'stop') {
    return {
      after: `until it flashes ${valueLamp}.`,
      detail: `This opens “${item.label}”. The ${valueLamp} flashes show the stop it is on. ${about}`,
    };
  }
  return {
    after: `until the ${menuLamp} lamp blinks.`,
    detail: `This opens the menu. ${about}`,
  };
}

/** One gesture in a short line, for the steps that come later. */
export function shortLine(profile: EscProfile, channel: ThrottleChannel, gesture: Gesture): string {
  const { before, key, after } = instructionFor(profile, channel, gesture);
  return [before, key, after].filter(Boolean).join(' ');
}

const hears = (observed: Observed[], tone: string): boolean =>
  observed.some((cue) => cue.type === 'tone' && cue.tone === tone);

const lastCount = (observed: Observed[]): Extract<Observed, { type: 'count' }> | undefined =>
  observed.findLast((cue) => cue.type === 'count');

const stopLabel = (item: ProfileItem, number: number): string =>
  `“${item.stops[number - 1]?.label ?? number}”`;

const seconds = (ms: number): string => formatNumber(ms / 1000, 1);

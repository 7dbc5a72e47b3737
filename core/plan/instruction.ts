/** A gesture in the hand's words: one line large enough to read from a metre away, and what will be seen. */
import { type HandMedium, type LampCardMedium, type Notes, type OneKeyMedium } from '../esc/media';
import type { EscProfile, ProfileItem } from '../esc/profile';
import { countInWords, formatNumber, timesInWords } from '../units/format';
import type { KeyId, Observed, ToneName } from '../procedure/language';
import { stickEndAt, type StickEnd, type ThrottleChannel } from '../radio/pulse';
import type { Gesture, StickGesture } from './gestures';

export interface Instruction {
  /** The line before the key, the key's name if there is one, and the line after it. */
  before: string;
  key?: string;
  after: string;
  /** What will be seen and heard, and what it means. */
  detail: string;
  /** How many presses to count, for gestures that count. */
  count?: number;
  /** A group of notes to listen for. */
  notes?: Notes;
  /** How long until it is time, and how long it is time then, ms. */
  timing?: { afterMs: number; withinMs: number };
}

/** What is printed on a key. @throws {Error} where the ESC has no such key: the plan came from another profile */
export function keyName(profile: EscProfile, key: KeyId): string {
  const names: Record<KeyId, string | undefined> = {
    set: setKeyName(profile),
    item: cardOf(profile)?.itemKeyName,
    value: cardOf(profile)?.valueKeyName,
    ok: cardOf(profile)?.okKeyName,
    reset: cardOf(profile)?.resetKeyName,
  };
  const name = names[key];
  if (name === undefined) throw new Error(`${profile.name} has no ${key} key`);
  return name;
}

function setKeyName({ calibration, media }: EscProfile): string | undefined {
  if (calibration.family === 'keyConfirmed') return calibration.keyName;
  return media.find((m): m is OneKeyMedium => m.family === 'oneKey')?.keyName;
}

const cardOf = ({ media }: EscProfile): LampCardMedium | undefined =>
  media.find((m): m is LampCardMedium => m.family === 'lampCard');

/** The words for a gesture on this ESC, worked by this medium. */
export function instructionFor(profile: EscProfile, channel: ThrottleChannel, gesture: Gesture): Instruction {
  switch (gesture.kind) {
    case 'press':
      return {
        before: 'Press',
        key: keyName(profile, gesture.key),
        after: `${timesInWords(gesture.count)}.`,
        count: gesture.count,
        detail: pressDetail(profile, gesture),
      };
    case 'hold':
      return { before: 'Hold', key: keyName(profile, gesture.key), ...holdWords(profile, gesture) };
    case 'holdAndSwitchOn':
      return {
        before: 'Hold',
        key: keyName(profile, gesture.key),
        after: 'and switch the ESC on.',
        detail: `Keep holding for about ${seconds(gesture.ms)} s, until ${lampWords(gesture.observed)}the beeps turn steady. Then let go.`,
      };
    case 'power':
      return gesture.on ? switchOnWords(profile, gesture) : { ...SWITCH_OFF };
    case 'card':
      return gesture.in
        ? {
            before: 'Push the card into its socket.',
            after: '',
            detail: 'The ESC is off, its battery unplugged. Match the pins to the print beside the socket.',
          }
        : { before: 'Pull the card out.', after: '', detail: 'With the card in, the ESC does not drive.' };
    case 'stick':
      return stickWords(profile, channel, gesture);
    case 'letGo':
      return {
        before: 'Let go of',
        key: keyName(profile, gesture.key),
        after: '',
        detail: 'The step is done.',
      };
    case 'wait':
      return { before: `Wait ${seconds(gesture.ms)} s.`, after: '', detail: waitDetail(gesture) };
  }
}

const SWITCH_OFF: Instruction = {
  before: 'Switch the ESC off.',
  after: '',
  detail: 'Lamp and sound go out.',
};

function switchOnWords(profile: EscProfile, { observed, end }: Gesture): Instruction {
  const before = 'Switch the ESC on.';
  const shown = lastCount(observed, 'item');
  if (shown) {
    const { label } = profile.items[end.itemCursor]!;
    return {
      before,
      after: '',
      detail: `After a second the card lights up: ${shown.lamp}, number ${countInWords(shown.count)}, “${label}”.`,
    };
  }
  if (hears(observed, 'short') && !hears(observed, 'rising')) {
    return { before, after: '', detail: 'One short beep: the ESC has seen the stick all the way up.' };
  }
  return { before, after: '', detail: 'Two rising notes: it is ready.' };
}

function waitDetail({ observed }: Gesture): string {
  return hears(observed, 'rising')
    ? 'Keep the stick where it is. Rising notes: both ends are learned and kept.'
    : 'The ESC moves on by itself.';
}

const STICK_WORDS: Record<
  ThrottleChannel['rest'],
  Record<StickEnd, Pick<Instruction, 'before' | 'detail'>>
> = {
  centre: {
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
  },
  low: {
    neutral: { before: 'Stick all the way down.', detail: 'To the stop, and keep it there.' },
    forward: { before: 'Stick all the way up.', detail: 'To the stop, and keep it there.' },
    brake: { before: 'Stick all the way down.', detail: 'To the stop, and keep it there.' },
  },
};

function stickWords(profile: EscProfile, channel: ThrottleChannel, gesture: StickGesture): Instruction {
  const end = stickEndAt(channel, gesture.micros);
  const words = end
    ? STICK_WORDS[channel.rest][end]
    : { before: `Bring the throttle to ${formatNumber(gesture.micros, 0)} µs.`, detail: '' };
  const { during, withinMs, afterMs } = gesture;
  if (!during) {
    const hurry =
      withinMs === undefined ? '' : ` Within ${seconds(withinMs)} s, or the ESC goes on without it.`;
    return { ...words, after: '', detail: `${words.detail}${hurry}` };
  }
  return {
    ...words,
    after: '',
    detail: meaningOf(profile, gesture),
    notes: during.notes,
    ...(withinMs !== undefined && { timing: { afterMs, withinMs } }),
  };
}

function meaningOf(profile: EscProfile, { during, at }: StickGesture): string {
  const item = profile.items[at.itemCursor]!;
  switch (during?.of) {
    case 'item':
      return `While you hear this: item ${item.number}, “${item.label}”. It opens when the stick is down.`;
    case 'stop':
      return `While you hear this: stop ${at.stopCursor + 1}, ${stopLabel(item, at.stopCursor + 1)}. A tune means stored.`;
    default:
      return 'While you hear this: the way out of the menu.';
  }
}

function pressDetail(profile: EscProfile, gesture: Extract<Gesture, { kind: 'press' }>): string {
  const { observed, end } = gesture;
  const item = profile.items[end.itemCursor]!;
  const count = observed.findLast((cue) => cue.type === 'count');
  if (count?.how === 'lit') return cardDetail(item, gesture);
  if (count?.of === 'item') {
    return `Each press counts one item on, and the ${count.lamp} lamp flashes the number back. It must end at ${countInWords(count.count)}: “${item.label}”.`;
  }
  if (count?.of === 'stop') {
    return `Each press goes one stop on, round and round, and the ${count.lamp} lamp flashes where you are. It must end at ${countInWords(count.count)}: ${stopLabel(item, count.count)}.`;
  }
  return hears(observed, 'rising')
    ? 'Rising notes: all three points are learned and kept.'
    : 'One short beep: the point is taken.';
}

function cardDetail(item: ProfileItem, { key, observed, end }: Extract<Gesture, { kind: 'press' }>): string {
  const stop = lastCount(observed, 'stop');
  switch (key) {
    case 'item':
      return `The lamp must end beside ${countInWords(end.itemCursor + 1)}, “${item.label}”. The ${stop?.lamp ?? ''} shows the stop it is on.`;
    case 'value':
      return `The ${stop?.lamp ?? ''} must end at ${countInWords(end.stopCursor + 1)}: ${stopLabel(item, end.stopCursor + 1)}. Nothing is stored yet.`;
    default:
      return 'One long beep: stored. Without it, the value is forgotten.';
  }
}

function holdWords(
  profile: EscProfile,
  gesture: Extract<Gesture, { kind: 'hold' }>,
): Pick<Instruction, 'after' | 'detail'> {
  const item = profile.items[gesture.end.itemCursor]!;
  const about = `It takes about ${seconds(gesture.ms)} s; then let go.`;
  const stop = lastCount(gesture.observed, 'stop');
  if (hears(gesture.observed, 'long')) {
    return { after: 'until one long beep.', detail: `The long beep means stored. ${about}` };
  }
  if (stop) {
    return {
      after: `until it flashes ${stop.lamp}.`,
      detail: `This opens “${item.label}”. The ${stop.lamp} flashes show the stop it is on. ${about}`,
    };
  }
  const lamp = gesture.observed.findLast((cue) => cue.type === 'lamp');
  return { after: `until the ${lamp?.lamp ?? ''} lamp blinks.`, detail: `This opens the menu. ${about}` };
}

/** One gesture in a short line, for the steps that come later. */
export function shortLine(profile: EscProfile, channel: ThrottleChannel, gesture: Gesture): string {
  const { before, key, after } = instructionFor(profile, channel, gesture);
  const line = [before, key, after].filter(Boolean).join(' ');
  if (gesture.kind !== 'stick' || !gesture.during) return line;
  const item = profile.items[gesture.at.itemCursor]!;
  const what =
    gesture.during.of === 'item'
      ? `item ${item.number}, “${item.label}”`
      : stopLabel(item, gesture.at.stopCursor + 1);
  return `${line.replace(/\.$/, '')} during ${what}.`;
}

/** How a medium shows a stored value, as a question for whoever counts it back. */
export function countQuestion(medium: HandMedium): string {
  switch (medium.family) {
    case 'oneKey':
      return `How many ${medium.valueLamp} flashes?`;
    case 'lampCard':
      return `Which lamp of the ${medium.valueLamps} is lit?`;
    case 'stickTones':
      throw new Error('a tone menu does not show what is stored');
  }
}

const hears = (observed: Observed[], tone: ToneName): boolean =>
  observed.some((cue) => cue.type === 'tone' && cue.tone === tone);

const lastCount = (
  observed: Observed[],
  of: 'item' | 'stop',
): Extract<Observed, { type: 'count' }> | undefined =>
  observed.findLast((cue) => cue.type === 'count' && cue.of === of) as
    Extract<Observed, { type: 'count' }> | undefined;

function lampWords(observed: Observed[]): string {
  const lamp = observed.findLast((cue) => cue.type === 'lamp' && cue.pattern === 'blinking');
  return lamp?.type === 'lamp' ? `the ${lamp.lamp} lamp blinks and ` : '';
}

const stopLabel = (item: ProfileItem, number: number): string =>
  `“${item.stops[number - 1]?.label ?? number}”`;

const seconds = (ms: number): string => formatNumber(ms / 1000, 1);

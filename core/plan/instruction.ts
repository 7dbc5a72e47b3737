/** A gesture in the hand’s words: one line large enough to read from a metre away, and what will be seen. */
import { mediumOf, type HandMedium, type Notes } from '../esc/media';
import { numbersOf } from '../esc/numberField';
import { handMediumOf, stopById, type EscProfile, type ProfileItem } from '../esc/profile';
import { countInWords, formatNumber, timesInWords } from '../units/format';
import type { KeyId, Observed, ToneName } from '../procedure/language';
import { stickEndAt, type StickEnd, type ThrottleChannel } from '../radio/pulse';
import type { Gesture, StickGesture } from './gestures';
import { keyName } from './keyNames';

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

/** The words for a gesture on this ESC, worked by this medium. */
export function instructionFor(
  profile: EscProfile,
  channel: ThrottleChannel,
  gesture: Gesture,
  medium = handMediumOf(profile),
): Instruction {
  switch (gesture.kind) {
    case 'press':
      return {
        before: 'Press',
        key: keyName(profile, gesture.key, medium),
        after: `${timesInWords(gesture.count)}.`,
        count: gesture.count,
        detail: pressDetail(profile, channel, gesture),
      };
    case 'hold':
      return { before: 'Hold', key: keyName(profile, gesture.key, medium), ...holdWords(profile, gesture) };
    case 'holdAndSwitchOn':
      return {
        before: 'Hold',
        key: keyName(profile, gesture.key, medium),
        after: 'and switch the ESC on.',
        detail: `Keep holding for about ${seconds(gesture.ms)} s, until ${lampWords(gesture.observed)}the beeps turn steady. Then let go.`,
      };
    case 'power':
      return gesture.on ? switchOnWords(profile, gesture) : { ...SWITCH_OFF };
    case 'card':
      return plugWords(gesture.in, medium);
    case 'code':
      return { ...codeWords(gesture.digits), detail: codeDetail(profile, gesture) };
    case 'stick':
      return stickWords(profile, channel, gesture);
    case 'letGo':
      return {
        before: 'Let go of',
        key: keyName(profile, gesture.key, medium),
        after: '',
        detail: 'Step done.',
      };
    case 'wait':
      return { before: `Wait ${seconds(gesture.ms)} s.`, after: '', detail: waitDetail(gesture) };
  }
}

function plugWords(pushIn: boolean, medium: HandMedium | undefined): Instruction {
  if (medium?.family === 'textBox') {
    return pushIn
      ? {
          before: 'Plug the box in.',
          after: '',
          detail: `The ESC is off, the battery unplugged. ${medium.plug}`,
        }
      : { before: 'Unplug the box.', after: '', detail: 'Put back what was in its socket, such as the fan.' };
  }
  return pushIn
    ? {
        before: 'Push the card into its socket.',
        after: '',
        detail: 'The ESC is off, the battery unplugged. Match the pins to the print beside the socket.',
      }
    : { before: 'Pull the card out.', after: '', detail: 'With the card in, the ESC does not drive.' };
}

/** Digits to type, or the key of an item, which has letters on it. */
const codeWords = (digits: string): Pick<Instruction, 'before' | 'key' | 'after'> =>
  /^\d+$/.test(digits)
    ? { before: `Type ${digits.replaceAll(/(?<=.)(?=.)/g, '\u00a0')}.`, after: '' }
    : { before: 'Press', key: digits, after: 'once.' };

function codeDetail(profile: EscProfile, { observed, end }: Gesture): string {
  const item = profile.items[end.itemCursor]!;
  const stop = lastCount(observed, 'stop');
  if (stop) return `That is ${stopLabel(item, stop.count)}. Nothing is stored yet.`;
  return lastCount(observed, 'item')
    ? `That is item ${item.number}, “${item.label}”; the ESC beeps its number back.`
    : 'A harsh buzz means wrong digits.';
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
      detail:
        shown.how === 'text'
          ? `After a second ${shown.lamp} shows its first item, “${label}”.`
          : `After a second the card lights up: ${shown.lamp}, number ${countInWords(shown.count)}, “${label}”.`,
    };
  }
  if (hears(observed, 'short') && !hears(observed, 'rising')) {
    return { before, after: '', detail: 'One short beep: the ESC has seen the stick all the way up.' };
  }
  return { before, after: '', detail: 'Two rising notes: it is ready.' };
}

function waitDetail({ observed, end }: Gesture): string {
  if (end.state === 'driving' && hears(observed, 'rising')) return 'Two rising notes: it is ready.';
  if (hears(observed, 'long')) return 'Touch nothing until one long beep: stored.';
  const taken = takenWords(observed);
  return taken ? `Keep the throttle where it is. ${taken}` : 'The ESC goes on by itself.';
}

/** How a calibration tells that a point was taken, and that all were. */
function takenWords(observed: Observed[]): string | undefined {
  const beeps = observed.filter((cue) => cue.type === 'tone' && cue.tone === 'short').length;
  const lit = observed.findLast((cue) => cue.type === 'lamp' && cue.pattern === 'on');
  const done =
    lit?.type === 'lamp' ? ` The ${lit.lamp} lamp stays lit: all points are learned and kept.` : '';
  if (hears(observed, 'rising')) return 'Rising notes: all points are learned and kept.';
  if (hears(observed, 'tune')) return `A chime: the point is learned.${done}`;
  if (beeps === 0) return undefined;
  return `${capital(countInWords(beeps))} short ${beeps === 1 ? 'beep' : 'beeps'}: the point is learned.${done}`;
}

const STICK_WORDS: Record<
  ThrottleChannel['rest'],
  Record<StickEnd, Pick<Instruction, 'before' | 'detail'>>
> = {
  centre: {
    neutral: {
      before: 'Release the trigger.',
      detail: 'It springs back to neutral. Keep your finger off.',
    },
    forward: {
      before: 'Pull the trigger full forward.',
      detail: 'All the way to the end. Keep it there until the beep.',
    },
    brake: {
      before: 'Push the trigger to full brake.',
      detail: 'All the way to the end. Keep it there until the beep.',
    },
  },
  low: {
    neutral: { before: 'Stick all the way down.', detail: 'All the way to the end. Keep it there.' },
    forward: { before: 'Stick all the way up.', detail: 'All the way to the end. Keep it there.' },
    brake: { before: 'Stick all the way down.', detail: 'All the way to the end. Keep it there.' },
  },
};

function stickWords(
  profile: EscProfile,
  channel: ThrottleChannel,
  gesture: Extract<Gesture, { kind: 'stick' }>,
): Instruction {
  const end = stickEndAt(channel, gesture.micros);
  const words = end
    ? STICK_WORDS[channel.rest][end]
    : { before: `Bring the throttle to ${formatNumber(gesture.micros, 0)} µs.`, detail: '' };
  const { during, withinMs, afterMs, keepMs } = gesture;
  if (!during) {
    const hurry =
      withinMs === undefined ? '' : ` Within ${seconds(withinMs)} s, or the ESC goes on without it.`;
    const taken = keepMs > 0 ? takenWords(gesture.observed) : undefined;
    const detail = taken
      ? `All the way to the end. Hold it still for about ${seconds(keepMs)} s. ${taken}`
      : words.detail;
    return {
      ...words,
      after: '',
      detail: `${detail}${hurry}`,
      ...(withinMs !== undefined && { timing: { afterMs, withinMs } }),
    };
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
      return toggles(profile, item)
        ? `While you hear this: item ${item.number}, “${item.label}”. Stick down switches it to its other stop. The beeps count the stop; a long beep means stored.`
        : `While you hear this: item ${item.number}, “${item.label}”. Stick down opens it.`;
    case 'stop':
      return `While you hear this: stop ${at.stopCursor + 1}, ${stopLabel(item, at.stopCursor + 1)}. A tune means stored.`;
    default:
      return 'While you hear this: the way out of the menu.';
  }
}

/** Whether a stick that comes down moves the item to its other stop at once. */
const toggles = ({ media }: EscProfile, item: ProfileItem): boolean =>
  mediumOf(media, 'stickToggle') !== undefined ||
  (mediumOf(media, 'stickTones')?.toggledItemIds.includes(item.id) ?? false);

function pressDetail(
  profile: EscProfile,
  channel: ThrottleChannel,
  gesture: Extract<Gesture, { kind: 'press' }>,
): string {
  const { observed, end } = gesture;
  const item = profile.items[end.itemCursor]!;
  const count = observed.findLast((cue) => cue.type === 'count');
  if (hears(observed, 'long')) return 'One long beep means stored. Without it, the value is lost.';
  if (hears(observed, 'warning')) return 'It buzzes and asks if you are sure. The next press means yes.';
  if (count?.how === 'lit' || count?.how === 'text') return shownDetail(item, gesture, count);
  if (PAD_KEYS[gesture.key]) return PAD_KEYS[gesture.key]!;
  if (count?.of === 'item') {
    return `Each press goes one item on. The ${count.lamp} lamp flashes the item number. It must end at ${countInWords(count.count)}: “${item.label}”.`;
  }
  if (count?.of === 'stop') {
    return `Each press goes one stop on, round and round. The ${count.lamp} lamp flashes the stop number. It must end at ${countInWords(count.count)}: ${stopLabel(item, count.count)}.`;
  }
  const at = stickEndAt(channel, end.stickMicros);
  return `${at ? `The throttle is at ${END_WORDS[at]}. ` : ''}${takenWords(observed) ?? ''}`;
}

const END_WORDS: Record<StickEnd, string> = { neutral: 'rest', forward: 'full', brake: 'full brake' };

const PAD_KEYS: Partial<Record<KeyId, string>> = {
  program: 'One short beep: it listens to the pad now and does not drive.',
  feature: 'One short beep: it waits for an item number.',
  run: 'Two rising notes: it drives again.',
  menu: 'The menu on the transmitter opens or closes.',
};

/** On lamps in rows, or in text: where the item keys and the stop keys must end. */
function shownDetail(
  item: ProfileItem,
  { key, end }: Extract<Gesture, { kind: 'press' }>,
  { how, lamp }: Extract<Observed, { type: 'count' }>,
): string {
  const place = end.stopCursor + 1;
  const display = capital(lamp);
  if (key === 'value' || key === 'valueBack') {
    if (item.stops[end.stopCursor]!.id === end.memory.stops[item.id])
      return `The ${lamp} show what is stored now: ${stopLabel(item, place)}.`;
    return how === 'text'
      ? `${display} must show ${stopLabel(item, place)}. Nothing is stored yet.`
      : `The ${lamp} must end at ${countInWords(place)}: ${stopLabel(item, place)}. Nothing is stored yet.`;
  }
  return how === 'text'
    ? `${display} must show “${item.label}”, and what it is on now.`
    : `The lamp must end beside ${countInWords(item.number)}, “${item.label}”. The lamps show the stop it is on.`;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function holdWords(
  profile: EscProfile,
  gesture: Extract<Gesture, { kind: 'hold' }>,
): Pick<Instruction, 'after' | 'detail'> {
  const item = profile.items[gesture.end.itemCursor]!;
  const about = `About ${seconds(gesture.ms)} s; then let go.`;
  const stop = lastCount(gesture.observed, 'stop');
  if (hears(gesture.observed, 'long')) {
    return { after: 'until one long beep.', detail: `The long beep means stored. ${about}` };
  }
  if (stop?.how === 'text') return numberWords(item, gesture, stop.lamp);
  if (stop) {
    return {
      after: `until it flashes ${stop.lamp}.`,
      detail: `This opens “${item.label}”. The ${stop.lamp} flashes show the stop it is on. ${about}`,
    };
  }
  const lamp = gesture.observed.findLast((cue) => cue.type === 'lamp');
  const opens = gesture.key === 'mode' ? 'Then the ESC asks for its points.' : 'This opens the menu.';
  return { after: `until the ${lamp?.lamp ?? ''} lamp blinks.`, detail: `${opens} ${about}` };
}

/** Unlocking a number, and letting it run: a hand lets go near it, and goes the last steps by presses. */
function numberWords(
  item: ProfileItem,
  { end, ms }: Extract<Gesture, { kind: 'hold' }>,
  display: string,
): Pick<Instruction, 'after' | 'detail'> {
  const label = stopLabel(item, end.stopCursor + 1);
  const numbers = numbersOf(item);
  const begins = stopById(item, item.numberField!.beginsStopId);
  return {
    after: `until ${display} shows ${label}.`,
    detail: `About ${seconds(ms)} s: the hold unlocks the number, then it runs. Let go near ${label}. Use single presses for the last steps. ${capital(display)} opened it at “${begins.label}”. It stays between “${numbers[0]!.label}” and “${numbers.at(-1)!.label}”. Do not save on the way: the shown value is stored.`,
  };
}

/** One gesture in a short line, for the steps that come later. */
export function shortLine(
  profile: EscProfile,
  channel: ThrottleChannel,
  gesture: Gesture,
  medium = handMediumOf(profile),
): string {
  const { before, key, after } = instructionFor(profile, channel, gesture, medium);
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
    case 'twoKeys':
      return `Which lamp of the ${medium.valueLamps} is lit?`;
    case 'textBox':
      return 'What does the box show?';
    case 'transmitterMenu':
      return 'What does the transmitter show?';
    case 'stickTones':
    case 'stickToggle':
    case 'keyPad':
      throw new Error(`${medium.family} cannot show stored values`);
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

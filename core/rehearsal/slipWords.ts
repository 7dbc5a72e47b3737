/** A slip in words: what happened, what it set, and what would have shown it. */
import { learnedSlip } from '../calibration/slips';
import { itemById, labelIn, stopById, type EscProfile } from '../esc/profile';
import { cuesInWords } from '../procedure/soundWords';
import { formatDuration, listInWords } from '../units/format';
import type { Slip, SlipKind, StopChange } from './judge';
import type { Lesson } from './lesson';
import { stepInWords } from './stepWords';

export interface SlipInWords {
  title: string;
  /** What the real ESC would now hold; empty where nothing was stored. */
  consequence: string;
  /** What eye or ear could have noticed. */
  noticed: string;
  /** What it cost. */
  cost: string;
}

/** Tells a slip. The words about a wrong end point are those of the calibration. */
export function slipInWords(lesson: Lesson, slip: Slip): SlipInWords {
  return {
    title: titleOf(lesson, slip),
    consequence: consequenceOf(lesson, slip),
    noticed: noticedIn(lesson, slip),
    cost:
      slip.lostSeconds === undefined
        ? 'From there the plan knows no way on: switch off and begin again.'
        : slip.lostSeconds < 1
          ? ''
          : `It costs about ${formatDuration(slip.lostSeconds)} to come back.`,
  };
}

function titleOf({ profile }: Lesson, { kind, itemId, changes }: Slip): string {
  const name = itemId === undefined ? undefined : `“${labelIn(profile, itemById(profile, itemId))}”`;
  const [change] = changes;
  switch (kind) {
    case 'setOther':
      return `${name} went to “${stopLabel(profile, change!)}”.`;
    case 'misread':
      return `That is not what ${name} is set to.`;
    case 'guessed':
      return `You said what ${name} is set to before it was shown.`;
    default:
      return TITLES[kind](name);
  }
}

type Titled = Exclude<SlipKind, 'setOther' | 'misread' | 'guessed'>;

const TITLES: Readonly<Record<Titled, (item: string | undefined) => string>> = {
  setFactory: () => 'Everything went back to the factory’s values.',
  learnedOther: () => 'A wrong end point was learned.',
  notKept: (item) => `${item ?? 'The value'} was chosen, but never stored.`,
  turned: () => 'The throttle moved while the ESC could drive: the motor turns.',
  refused: () => 'The ESC buzzed: it refused that.',
  fellThrough: () => 'Too long: the ESC left the calibration.',
  missed: () => 'The moment went by.',
  letGoEarly: () => 'You let go too soon.',
  openedOther: (item) => `${item ?? 'Another item'} was opened: that is not the one.`,
  tooFar: (item) => `One step too far${item ? ` at ${item}` : ''}.`,
  powerCut: () => 'You switched off before you were done.',
  radioMoved: () => 'The radio is further off now.',
  astray: () => 'That leads away from the goal.',
};

const stopLabel = (profile: EscProfile, { itemId, toStopId }: StopChange): string =>
  stopById(itemById(profile, itemId), toStopId).label;

function consequenceOf({ profile, start }: Lesson, { changes, range }: Slip): string {
  if (range) {
    const wrong = learnedSlip(profile, start.radio.channel, range.after);
    return wrong ? `${wrong.title} ${wrong.sentence}` : 'The ESC would have other ends than the radio sends.';
  }
  if (changes.length === 0) return '';
  const list = changes.map((change) => {
    const item = itemById(profile, change.itemId);
    return `“${labelIn(profile, item)}” at “${stopLabel(profile, change)}” instead of “${stopById(item, change.fromStopId).label}”`;
  });
  return `Your ESC would now hold ${listInWords(list.slice(0, MOST_TOLD))}${list.length > MOST_TOLD ? ` and ${list.length - MOST_TOLD} more` : ''}.`;
}

/** More in a row nobody reads. */
const MOST_TOLD = 4;

function noticedIn(lesson: Lesson, { stroke, due, kind }: Slip): string {
  if (kind === 'guessed') return 'Open the item first. Only what it shows counts.';
  if (kind === 'misread') return 'Count again before you say it: it repeats what it shows.';
  if (kind === 'radioMoved') return 'The pulse under the throttle shows what the radio sends.';
  if (kind === 'turned')
    return 'The line below the throttle says what the motor does. On a model, you would hear it.';
  const was = cuesInWords(stroke.observed);
  if (!due) return `It answered: ${was}.`;
  const { before, key, after } = stepInWords(lesson, stroke.before, due);
  const line = [before, key, after].filter(Boolean).join(' ');
  const right = due.kind === 'gesture' ? cuesInWords(due.gesture.observed) : '';
  if (right === '') return `It answered: ${was}. The step was: ${line}`;
  return was === right
    ? `It answered as it should: ${was}. Only reading back shows it.`
    : `It answered: ${was}. The step was: ${line} Its answer: ${right}.`;
}

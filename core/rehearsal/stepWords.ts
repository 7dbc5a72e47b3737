/** The next step in the coach's words: what to do, and why. */
import { isByHand, type Medium } from '../esc/media';
import { itemById, labelIn, stopById, type EscProfile } from '../esc/profile';
import { instructionFor, type Instruction } from '../plan/instruction';
import { formatDuration, withUnit } from '../units/format';
import { ahead } from './ahead';
import type { Step } from './steps';
import { doDeed, msUntilNext, type Deed, type PracticeBench } from './bench';
import type { Lesson } from './lesson';
import type { RadioMenu } from './radio';

/** A step in words. @param bench as it is now: whose radio it is */
export function stepInWords(lesson: Lesson, bench: PracticeBench, step: Step): Instruction {
  const { profile, medium } = lesson;
  switch (step.kind) {
    case 'gesture':
      return instructionFor(profile, bench.radio.channel, step.gesture, handOf(medium));
    case 'tell':
      return {
        before: `Say what “${labelIn(profile, itemById(profile, step.itemId))}” is set to.`,
        after: '',
        detail: 'You see it now. Count or read it, then tap it below.',
      };
    case 'deed':
      return deedInWords(lesson, step.deed);
  }
}

const handOf = (medium: Medium | undefined) => (medium && isByHand(medium) ? medium : undefined);

function deedInWords({ profile, medium }: Lesson, deed: Deed): Instruction {
  const line = (before: string, detail: string): Instruction => ({ before, after: '', detail });
  switch (deed.do) {
    case 'radio':
      return radioInWords(deed.set);
    case 'hold':
      return line('Switch throttle hold off.', 'While it is on, the ESC never sees your throttle.');
    case 'throttle':
      return deed.position === 1
        ? line('Give full throttle.', 'The motor may turn: the model is safe and hands are clear.')
        : line('Bring the throttle to rest.', 'The motor stops.');
    case 'computer':
      return computerInWords(profile, medium, deed.deed);
    case 'wait':
      return line(`Wait ${formatDuration(Math.max(1, deed.ms / 1000))}.`, 'Touch nothing until it is done.');
    case 'esc':
    case 'tell':
      throw new Error(`a plan has no bare ${deed.do}`);
  }
}

function radioInWords(set: Partial<RadioMenu>): Instruction {
  const { trimMicros, subTrimMicros, forwardEndPointPercent, brakeEndPointPercent, reversed } = set;
  const line = (before: string, detail: string): Instruction => ({ before, after: '', detail });
  if (trimMicros !== undefined)
    return line(`Set the trim to ${trimMicros}.`, 'Otherwise the ESC learns, or sees, a wrong neutral.');
  if (subTrimMicros !== undefined)
    return line(
      `Set the sub-trim to ${subTrimMicros}.`,
      'Otherwise the ESC learns, or sees, a wrong neutral.',
    );
  if (reversed !== undefined)
    return line(
      `Switch reverse ${reversed ? 'on' : 'off'}.`,
      'The throttle must run the way that the ESC expects.',
    );
  const percent = forwardEndPointPercent ?? brakeEndPointPercent;
  const side = forwardEndPointPercent === undefined ? 'brake' : 'forward';
  return line(
    `Set the ${side} end point to ${withUnit(percent!, '%', 0)}.`,
    'A lowered end point would be learned as full.',
  );
}

function computerInWords(
  profile: EscProfile,
  medium: Medium | undefined,
  deed: Extract<Deed, { do: 'computer' }>['deed'],
): Instruction {
  const line = (before: string, detail: string): Instruction => ({ before, after: '', detail });
  const names = computerNames(medium);
  switch (deed.act) {
    case 'plug':
      return line('Plug the adapter in.', names.plug);
    case 'unplug':
      return line('Unplug the adapter.', 'Put back what was in its socket.');
    case 'read':
      return line(`Click “${names.read}”.`, 'The form then shows what the ESC really holds.');
    case 'send':
      return line(`Click “${names.send}”.`, 'Do not touch plug or power until it is done.');
    case 'set': {
      const item = itemById(profile, deed.itemId);
      return line(
        `Set “${labelIn(profile, item)}” to “${stopById(item, deed.stopId).label}”.`,
        'It is only on the form so far.',
      );
    }
  }
}

/** What the buttons of the computer are called, and what is plugged where. */
export function computerNames(medium: Medium | undefined): { read: string; send: string; plug: string } {
  if (medium?.family === 'programForm')
    return { read: medium.readName, send: medium.sendName, plug: medium.plug };
  return { read: 'Read', send: 'Write', plug: medium?.family === 'link' ? medium.plug : '' };
}

/** What a pause tells: what happens if nothing is done now. */
export function ifNothingIsDone(lesson: Lesson, bench: PracticeBench): string {
  const wait = msUntilNext(bench);
  const now = ahead(lesson, bench);
  if (wait === undefined) return 'Take your time: it waits for you.';
  const after = ahead(lesson, doDeed(bench, { do: 'wait', ms: wait }).bench);
  if (typeof now === 'string' || typeof after === 'string') return '';
  const lost = after.seconds + wait / 1000 - now.seconds;
  const inTime = formatDuration(Math.max(1, wait / 1000));
  return lost < 1
    ? `It goes on by itself in ${inTime}.`
    : `If you let ${inTime} go by, it costs you ${formatDuration(lost)} more.`;
}

/** What is practised: where it begins, what has to be so in the end, and what must not change. */
import type { Medium } from '../esc/media';
import type { EscProfile, StopByItem } from '../esc/profile';
import type { LearnedRange } from '../radio/pulse';
import { isReady, type PracticeBench } from './bench';
import { sentMicros, type RadioMenu } from './radio';

/** Every lesson, with what it is called. */
export const LESSONS = {
  prepareRadio: 'Prepare the radio',
  calibrate: 'Calibrate',
  calibrateSecond: 'Calibrate the second ESC alike',
  changeOne: 'Change one value',
  changeThree: 'Change three values in one go',
  readBack: 'Read one value back',
  findOut: 'Find out what it holds',
  afterSlip: 'Come back after a slip',
  leaveAlone: 'Leave without changing anything',
  lineLost: 'Go on after the line was lost',
  forgotten: 'After firmware that forgot values',
  myLoad: 'The load that you are about to do',
} as const;
export type LessonId = keyof typeof LESSONS;

/** Lessons about the radio and the end points: the same whatever enters the settings. */
export const END_POINT_LESSONS = [
  'prepareRadio',
  'calibrate',
  'calibrateSecond',
] as const satisfies readonly LessonId[];

/** How everything has to be in the end. */
export interface Target {
  /** Every item: also what was not asked for must be as it was. */
  stops: StopByItem;
  range: LearnedRange;
  menu: RadioMenu;
}

export interface Lesson {
  id: LessonId;
  profile: EscProfile;
  /** What the settings are entered with; undefined in lessons about the end points. */
  medium: Medium | undefined;
  /** What has to be done, in one sentence. */
  goal: string;
  /** What the learner knows before the first press. */
  known: string;
  start: PracticeBench;
  target: Target;
  /** Items of which the learner has to say what they hold. */
  tell: readonly string[];
  /** Whether full throttle has to be seen arriving. */
  travel: boolean;
  /** Whether power or line are lost on the way. */
  breaks: boolean;
}

/** Pulses nearer than this are the same: one step of a radio's end point, µs. */
const SAME_MICROS = 6;

const isNear = (a: number, b: number): boolean => Math.abs(a - b) < SAME_MICROS;

/** Whether a range that was learned is the one that is wanted. */
export const isRangeRight = ({ target: { range } }: Lesson, learned: LearnedRange): boolean =>
  isNear(learned.forwardMicros, range.forwardMicros) &&
  isNear(learned.neutralMicros, range.neutralMicros) &&
  isNear(learned.brakeMicros, range.brakeMicros);

/** Lines of the radio's menu that are not as they have to be, with what is right. */
export function radioLeft({ target }: Lesson, { radio }: PracticeBench): Partial<RadioMenu> {
  const left: Partial<RadioMenu> = {};
  const { menu } = target;
  const { channel } = radio;
  if (channel.trimMicros !== menu.trimMicros) left.trimMicros = menu.trimMicros;
  if (channel.subTrimMicros !== menu.subTrimMicros) left.subTrimMicros = menu.subTrimMicros;
  if (channel.reversed !== menu.reversed) left.reversed = menu.reversed;
  if (channel.brakeEndPointPercent !== menu.brakeEndPointPercent)
    left.brakeEndPointPercent = menu.brakeEndPointPercent;
  const right = { ...radio, channel: { ...channel, ...menu } };
  const percent = rightEndPoint(target, right);
  // A worn throttle needs a higher end point: what counts is the pulse that it sends.
  const isFull = sendsFull(target, { ...radio, channel: { ...channel, ...left } });
  if (radio.reach === 1 ? channel.forwardEndPointPercent !== percent : !isFull)
    left.forwardEndPointPercent = percent;
  return left;
}

/** The highest end point that radios have, %. Common practice. */
export const MOST_END_POINT = 140;

/** Whether full throttle sends at least the pulse that it has to, and hardly more. */
function sendsFull({ range }: Target, radio: PracticeBench['radio']): boolean {
  const beyond = sentMicros({ ...radio, position: 1, hold: false }) - range.forwardMicros;
  const outward = beyond * Math.sign(range.forwardMicros - range.neutralMicros);
  return outward > -HARDLY_MICROS && outward < SAME_MICROS;
}

/** Less than any radio sends in one step, µs. */
const HARDLY_MICROS = 0.5;

/** The smallest end point, in whole per cent from the wanted one up, that sends the full pulse. */
function rightEndPoint(target: Target, radio: PracticeBench['radio']): number {
  const { forwardEndPointPercent: least } = target.menu;
  for (let percent = least; percent <= MOST_END_POINT; percent += 1) {
    const channel = { ...radio.channel, forwardEndPointPercent: percent };
    if (sendsFull(target, { ...radio, channel })) return percent;
  }
  return least;
}

/** Items that hold something else than they should. */
export const stopsLeft = ({ target }: Lesson, { esc }: PracticeBench): string[] =>
  Object.keys(target.stops).filter((itemId) => esc.config.memory.stops[itemId] !== target.stops[itemId]);

/** Items of which it was not said yet, or said wrongly, or only guessed, what they hold. */
export const tellsLeft = ({ tell }: Lesson, { told, shown, esc }: PracticeBench): string[] =>
  tell.filter((itemId) => {
    const held = esc.config.memory.stops[itemId];
    return told[itemId] !== held || shown[itemId] !== held;
  });

/** Whether all is as it has to be, and the ESC ready to drive. */
export const isPassed = (lesson: Lesson, bench: PracticeBench): boolean =>
  bench.esc.profile === lesson.profile &&
  Object.keys(radioLeft(lesson, bench)).length === 0 &&
  !bench.radio.hold &&
  isRangeRight(lesson, bench.esc.config.memory.range) &&
  stopsLeft(lesson, bench).length === 0 &&
  tellsLeft(lesson, bench).length === 0 &&
  (!lesson.travel || (bench.sawFull && isReady(bench))) &&
  (!lesson.medium || isReady(bench));

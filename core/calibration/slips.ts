/** What went wrong in a calibration, in plain words: the traps that this job is known for. Common practice. */
import { asksForThree, FAMILY_WORDS } from '../esc/media';
import type { EscProfile } from '../esc/profile';
import { sameRange } from '../plan/calibrationPlan';
import type { Config, EscMemory, Machine } from '../procedure/language';
import { stateOf } from '../procedure/step';
import { rangeOf, type LearnedRange, type StickEnd, type ThrottleChannel } from '../radio/pulse';
import { formatNumber } from '../units/format';

export type SlipId =
  | 'fellIntoToneMenu'
  | 'exchanged'
  | 'notAtItsEnd'
  | 'gaveUp'
  | 'refused'
  | 'locked'
  | 'held'
  | 'endPointsLowered';

export interface Slip {
  id: SlipId;
  /** What happened. */
  title: string;
  /** Why, and what to do. */
  sentence: string;
}

/** What is looked at: the ESC before and after one thing that happened, and the radio in the hand. */
export interface SlipFacts {
  profile: EscProfile;
  machine: Machine;
  channel: ThrottleChannel;
  /** Whether the radio's throttle hold is on. */
  held: boolean;
  before: Config;
  after: Config;
}

/** The slip that has just happened, if any. */
export function slipOf(facts: SlipFacts): Slip | undefined {
  return TESTS.map((test) => test(facts)).find((slip) => slip !== undefined);
}

const TESTS: readonly ((facts: SlipFacts) => Slip | undefined)[] = [
  fellIntoToneMenu,
  ({ profile, channel, before, after }) =>
    after.memory.range === before.memory.range
      ? undefined
      : learnedSlip(profile, channel, after.memory.range),
  gaveUp,
  refused,
  lockedOrHeld,
];

function fellIntoToneMenu({ machine, before, after }: SlipFacts): Slip | undefined {
  const fell =
    stateOf(machine, before).role === 'calibrating' && stateOf(machine, after).role === 'inToneMenu';
  if (!fell) return undefined;
  return {
    id: 'fellIntoToneMenu',
    title: 'The stick stayed up too long: this is the tone menu now.',
    sentence:
      'Nothing is learned or set yet. Do not move the stick down: the ESC would take it as a choice. Switch off and begin again: stick down at the short beep.',
  };
}

function gaveUp({ before, after, machine, held }: SlipFacts): Slip | undefined {
  const gave = stateOf(machine, before).role === 'calibrating' && stateOf(machine, after).role === 'unarmed';
  if (!gave) return undefined;
  if (held) return HELD;
  return {
    id: 'gaveUp',
    title: 'The ESC waited too long and gave up.',
    sentence: 'It keeps its old range. Bring the throttle to rest and begin again.',
  };
}

function refused({ before, after, profile, held, machine }: SlipFacts): Slip | undefined {
  const end = stateOf(machine, before).takes;
  if (!end || stateOf(machine, after).asksFor !== end) return undefined;
  if (held) return HELD;
  const span = asksForThree(profile.calibration) ? profile.calibration.leastSpanMicros : 0;
  const reversed = machine.refusesReversed ? ', or it was the other end, which this ESC refuses' : '';
  return {
    id: 'refused',
    title: `The ESC buzzed: this cannot be ${END_NAMES[end]}.`,
    sentence: `The pulse was less than ${span} µs from the points already learned${reversed}. Move the throttle all the way and try again.`,
  };
}

/** The key was held, or the stick was up, and the ESC simply started. */
function lockedOrHeld({ profile, machine, held, before, after }: SlipFacts): Slip | undefined {
  const lock = lockedBy(profile, machine, after.memory);
  const [was, is] = [stateOf(machine, before), stateOf(machine, after)];
  if (profile.calibration.family === 'stickAtPowerOn') {
    if (was.role !== 'waking') return undefined;
    if (lock !== undefined && is.role === 'unarmed') return lockedSlip(lock);
    return held && (is.role === 'driving' || is.role === 'unarmed') ? HELD : undefined;
  }
  const keyWhileSwitchingOn = was.role === 'off' && was.keyDown !== undefined && is.role === 'waking';
  const keyWhileRunning = was.role === 'driving' && is === was;
  return lock !== undefined && (keyWhileSwitchingOn || keyWhileRunning) ? lockedSlip(lock) : undefined;
}

const lockedSlip = (item: string): Slip => ({
  id: 'locked',
  title: 'The ESC does not listen: its calibration is locked.',
  sentence: `“${item}” locks the end points. Unlock it on Tune and Load first. On some ESCs, stick up while locked gives full throttle: keep clear.`,
});

/** The label of the item that locks calibration now; undefined where it is free. */
export function lockedBy({ items }: EscProfile, { lock }: Machine, memory: EscMemory): string | undefined {
  if (!lock?.stopIds.includes(memory.stops[lock.itemId] ?? '')) return undefined;
  return items.find(({ id }) => id === lock.itemId)?.label;
}

const HELD: Slip = {
  id: 'held',
  title: 'Full throttle never came through: throttle hold is on.',
  sentence:
    'The radio sends the same pulse wherever the throttle is. Switch off throttle hold and throttle cut on the radio, then begin again.',
};

const END_NAMES: Record<StickEnd, string> = {
  forward: 'full forward',
  neutral: 'neutral',
  brake: 'full brake',
};

/** Pulses nearer than this are the same to any ESC, µs. */
const SAME_MICROS = 2;

/**
 * What is wrong with a range that was learned from this radio.
 * @returns undefined where it is the radio's own
 */
export function learnedSlip(
  { calibration }: Pick<EscProfile, 'calibration'>,
  channel: ThrottleChannel,
  learned: LearnedRange,
): Slip | undefined {
  const sends = rangeOf(channel);
  if (sameRange(sends, learned)) return undefined;
  const turned = (range: LearnedRange): number => Math.sign(range.forwardMicros - range.neutralMicros);
  if (turned(learned) !== turned(sends))
    return {
      id: 'exchanged',
      title: 'Forward and brake were learned in reverse.',
      sentence: `The model would drive when you brake. This ESC needs ${FAMILY_WORDS[calibration.family]}: keep this order and begin again.`,
    };
  const short = (['forward', 'brake', 'neutral'] as const)
    .map((end) => ({ end, by: Math.abs(learned[`${end}Micros`] - sends[`${end}Micros`]) }))
    .filter(({ by }) => by > SAME_MICROS);
  if (short.length === 0) return undefined;
  const list = short.map(({ end, by }) => `${END_NAMES[end]} by ${formatNumber(by, 0)} µs`).join(', ');
  return {
    id: 'notAtItsEnd',
    title: 'A point was learned while the throttle was not at its end.',
    sentence: `Wrong: ${list}. The throttle would be dead or clipped there. Begin again, and hold it at the end until the beep.`,
  };
}

/** What to say before a calibration with a radio that does not send its whole travel. */
export function loweredSlip({
  forwardEndPointPercent,
  brakeEndPointPercent,
  rest,
}: ThrottleChannel): Slip | undefined {
  const least = Math.min(forwardEndPointPercent, brakeEndPointPercent);
  if (least >= 100) return undefined;
  return {
    id: 'endPointsLowered',
    title: `An end point is at ${formatNumber(least, 0)} %.`,
    sentence: `The ESC would learn the smaller travel as full, and the limit would be gone. Raise both to 100 % and calibrate. Then lower ${rest === 'centre' ? 'it' : 'the upper one'} again if you want a limit.`,
  };
}

/** Braking, letting go, backing up, and what the radio lets through. Limits: common practice unless said otherwise. */
import { FULL_SIGNAL } from '../../radio/pulse';
import { itemForSetting, valueOf } from '../../esc/profile';
import { deadbandOf } from '../../physics/escChain';
import { hasBrakeStage } from '../../physics/triggerChain';
import { travelReport } from '../../radio/travel';
import { formatNumber, percentOf } from '../../units/format';
import { isFast, noLoadKmh, STOPPABLE_KMH } from '../../rig/noLoad';
import { RACERS } from '../goals';
import {
  amountOf,
  choiceOf,
  highestAtMost,
  moveTo,
  moveToChoice,
  moveToNumber,
  onPurpose,
  type Judge,
  type Situation,
  type Verdict,
} from './verdict';

/** Less than this share of braking is hardly felt; from memory. */
const HARDLY_BRAKES = 0.15;
/** A radio that takes less than this off is not worth a word. */
const WORTH_SAYING = 0.02;

export function brakeThroughRadio({ rig, profile, stops, range }: Situation): Verdict | undefined {
  const value = valueOf(profile, stops, 'brakeStrength');
  const item = itemForSetting(profile, 'brakeStrength');
  if (value?.kind !== 'number' || !item || !hasBrakeStage(profile, stops)) return undefined;
  const signal = travelReport(rig.channel, range, deadbandOf(profile, stops)).brake?.largestSignal;
  if (signal === undefined) return undefined;
  const strength = value.value / 100;
  const left = strength * signal;
  if (1 - signal < WORTH_SAYING && left >= HARDLY_BRAKES) return undefined;
  const hardlyBrakes = left < HARDLY_BRAKES;
  const product = `${percentOf(strength)} on the ESC × ${percentOf(signal)} from the radio leaves ${percentOf(left)}.`;
  return {
    id: 'brakeThroughRadio',
    // Strength on the ESC and an end point at the radio are two halves of one method; hardly any brake is none of it.
    grade: hardlyBrakes ? 'caution' : 'note',
    setting: 'brakeStrength',
    title: hardlyBrakes
      ? 'Almost no brake is left.'
      : `Your radio takes off another ${percentOf(1 - signal)}.`,
    sentence: `${product} Set the brake on the ESC first. Use the radio’s end point only to fine-tune.`,
    remedies: [
      { kind: 'station', label: 'Check the end points', station: 'endpoints' },
      ...(hardlyBrakes ? moveTo(item, highestAtMost(item, 100)) : []),
    ],
  };
}

export function nothingBrakes({ rig, profile, stops }: Situation): Verdict | undefined {
  if (rig.vehicle.kind !== 'wheels') return undefined;
  const mode = valueOf(profile, stops, 'runningMode');
  const drag = valueOf(profile, stops, 'dragBrake');
  const item = itemForSetting(profile, 'runningMode');
  if (!item || mode?.kind !== 'choice' || mode.choice !== 'forward') return undefined;
  if (drag?.kind === 'number' && drag.value > 0) return undefined;
  const withBrake = item.stops.find((s) => s.value.kind === 'choice' && s.value.choice === 'forwardBrake');
  return {
    id: 'nothingBrakes',
    grade: 'hazard',
    setting: 'runningMode',
    title: 'Nothing slows this car.',
    sentence: 'Running mode is forward only and drag brake is off. Pushing the trigger does nothing.',
    remedies: moveTo(item, withBrake?.id),
  };
}

const STRONG_DRAG = 50;
const FAST_RAMP_S = 0.25;

export const dragPitchesOver: Judge = (situation) => {
  const drag = amountOf(situation, 'dragBrake') ?? 0;
  const ramp = amountOf(situation, 'dragRamp') ?? 0;
  const fast = noLoadKmh(situation.rig) ?? 0;
  if (drag < STRONG_DRAG || ramp > FAST_RAMP_S || fast <= STOPPABLE_KMH) return undefined;
  return {
    id: 'dragPitchesOver',
    grade: onPurpose(situation, 'drag', 'strong') ? 'note' : 'caution',
    setting: 'dragBrake',
    title: 'Letting go at speed may pitch it over.',
    sentence: `Drag brake of ${formatNumber(drag, 0)} % comes in within ${formatNumber(ramp, 2)} s, and this gearing reaches ${formatNumber(fast, 0)} km/h.`,
    remedies: [...moveToNumber(situation, 'dragRamp', 1), ...moveToNumber(situation, 'dragBrake', 15)],
  };
};

export const coastAgainstDrag: Judge = (situation) => {
  if (!amountOf(situation, 'coastAssist') || !amountOf(situation, 'dragBrake')) return undefined;
  return {
    id: 'coastAgainstDrag',
    grade: 'caution',
    setting: 'coastAssist',
    title: 'One pulls on, the other brakes.',
    sentence: 'Coast assist and drag brake both act when you let go. An ESC can do only one of them.',
    remedies: [...moveToNumber(situation, 'coastAssist', 0), ...moveToNumber(situation, 'dragBrake', 0)],
  };
};

export const initialBrakeSteps: Judge = (situation) => {
  const initial = amountOf(situation, 'initialBrake');
  const drag = amountOf(situation, 'dragBrake');
  if (
    !initial ||
    drag === undefined ||
    initial === drag ||
    !hasBrakeStage(situation.profile, situation.stops)
  )
    return undefined;
  return {
    id: 'initialBrakeSteps',
    grade: 'note',
    setting: 'initialBrake',
    title:
      initial > drag
        ? 'The brake snaps in at the first touch.'
        : 'The first touch of the brake does nothing.',
    sentence: `It begins at ${formatNumber(initial, 0)} %, drag brake is ${formatNumber(drag, 0)} %. Set both alike to remove the step.`,
    remedies: moveToNumber(situation, 'initialBrake', drag),
  };
};

const REVERSES = ['forwardBrakeReverse', 'forwardReverse'];
const RACE_DELAY_S = 1;

export const reverseInRace: Judge = (situation) => {
  const mode = choiceOf(situation, 'runningMode') ?? '';
  const { vehicleClass } = situation.rig;
  if (situation.goals.purpose !== 'race' || !RACERS.includes(vehicleClass) || !REVERSES.includes(mode))
    return undefined;
  const delay = amountOf(situation, 'reverseDelay') ?? 0;
  if (mode === 'forwardBrakeReverse' && delay >= RACE_DELAY_S) return undefined;
  return {
    id: 'reverseInRace',
    grade: onPurpose(situation, 'raceReverse', 'delayed') ? 'note' : 'caution',
    setting: 'runningMode',
    title: 'Pumping the brake can engage reverse.',
    sentence: `Most races forbid reverse. Where it is allowed, it must wait at least ${RACE_DELAY_S} s.`,
    remedies: moveToChoice(situation, 'runningMode', 'forwardBrake'),
  };
};

export const crawlerWithoutReverse: Judge = (situation) => {
  const { vehicleClass } = situation.rig;
  const mode = choiceOf(situation, 'runningMode');
  if ((vehicleClass !== 'crawler' && vehicleClass !== 'trailTruck') || mode === undefined) return undefined;
  if (REVERSES.includes(mode)) return undefined;
  return {
    id: 'crawlerWithoutReverse',
    grade: 'caution',
    setting: 'runningMode',
    title: 'It cannot back up.',
    sentence: 'On rocks or a trail you rock back and forth. This running mode has no reverse.',
    remedies: isFast(situation.rig)
      ? moveToChoice(situation, 'runningMode', 'forwardBrakeReverse')
      : moveToChoice(situation, 'runningMode', 'forwardReverse'),
  };
};

export const reverseAtSpeed: Judge = (situation) => {
  const fast = noLoadKmh(situation.rig) ?? 0;
  const atOnce =
    choiceOf(situation, 'runningMode') === 'forwardReverse' ||
    (choiceOf(situation, 'runningMode') === 'forwardBrakeReverse' &&
      choiceOf(situation, 'reverseEntry') === 'instant');
  if (!atOnce || fast <= STOPPABLE_KMH) return undefined;
  return {
    id: 'reverseAtSpeed',
    grade: 'caution',
    setting: 'runningMode',
    title: 'Reverse comes at once, at any speed.',
    sentence: `This gearing reaches ${formatNumber(fast, 0)} km/h. A panic push throws the driveline into reverse.`,
    remedies: moveToChoice(situation, 'runningMode', 'forwardBrakeReverse'),
  };
};

/** A bent throttle beside a straight brake curve: how far apart, at half, in %. */
const CURVES_APART = 10;

export const reverseSharperThanForward: Judge = (situation) => {
  if (choiceOf(situation, 'runningMode') !== 'forwardReverse') return undefined;
  const forward = amountOf(situation, 'throttleCurve') ?? 50;
  const back = amountOf(situation, 'brakeCurve') ?? 50;
  if (back - forward < CURVES_APART) return undefined;
  return {
    id: 'reverseSharperThanForward',
    grade: 'note',
    setting: 'throttleCurve',
    title: 'Reverse is sharper than forward.',
    sentence: `With instant reverse, the brake curve shapes it. At half trigger forward gives ${formatNumber(forward, 0)} %, backward ${formatNumber(back, 0)} %.`,
    remedies: moveToNumber(situation, 'brakeCurve', forward),
  };
};

export const turboNeverStarts: Judge = (situation) => {
  const { rig, profile, stops, range } = situation;
  if (!amountOf(situation, 'turbo')) return undefined;
  const { largestSignal } = travelReport(rig.channel, range, deadbandOf(profile, stops)).forward;
  const from = (amountOf(situation, 'turboFrom') ?? 100) / 100;
  if (largestSignal >= Math.min(from, FULL_SIGNAL)) return undefined;
  return {
    id: 'turboNeverStarts',
    grade: 'caution',
    setting: 'turbo',
    title: 'Turbo never starts.',
    sentence: `It waits for ${formatNumber(from * 100, 0)} % throttle, and the radio reaches ${formatNumber(largestSignal * 100, 0)} %. If turbo comes and goes, the radio often only just reaches it.`,
    remedies: [{ kind: 'station', label: 'Check the end points', station: 'endpoints' }],
  };
};

const LIMITED = 0.97;

export const limitedTwice: Judge = (situation) => {
  const { rig, profile, stops, range } = situation;
  const power = amountOf(situation, 'forwardPower') ?? 100;
  const { largestSignal } = travelReport(rig.channel, range, deadbandOf(profile, stops)).forward;
  if (power >= 100 || largestSignal >= LIMITED) return undefined;
  return {
    id: 'limitedTwice',
    // Some do it on purpose: a quiet radio for a young driver, and a tame ESC behind it.
    grade: 'note',
    setting: 'forwardPower',
    title: 'Speed is limited twice.',
    sentence: `${formatNumber(power, 0)} % on the ESC and ${formatNumber(largestSignal * 100, 0)} % from the radio leave ${formatNumber(power * largestSignal, 0)} %. With the limit in the radio, turbo and the like never start.`,
    remedies: [
      { kind: 'station', label: 'Check the end points', station: 'endpoints' },
      ...moveToNumber(situation, 'forwardPower', 100),
    ],
  };
};

export const propellerBraked: Judge = (situation) => {
  const { vehicle, vehicleClass } = situation.rig;
  const brake = amountOf(situation, 'propellerBrake');
  if (vehicle.kind !== 'propeller' || brake === undefined) return undefined;
  if (vehicle.folding)
    return brake > 0
      ? undefined
      : {
          id: 'propellerDoesNotFold',
          grade: 'caution',
          setting: 'propellerBrake',
          title: 'The blades will not fold.',
          sentence: 'A folding propeller folds only when its shaft stops. Without a brake it windmills.',
          remedies: moveToNumber(situation, 'propellerBrake', 100),
        };
  if (brake <= GENTLE_BRAKE || (vehicleClass === 'aerobaticPlane' && brake <= SOFT_BRAKE)) return undefined;
  return {
    id: 'propellerBraked',
    grade: 'caution',
    setting: 'propellerBrake',
    title: 'This brake can loosen the propeller.',
    sentence: `A brake of ${formatNumber(brake, 0)} % can turn a fixed propeller loose in its nut. Let it run out.`,
    remedies: moveToNumber(situation, 'propellerBrake', 0),
  };
};
const GENTLE_BRAKE = 0;
const SOFT_BRAKE = 40;

export const undampedMultirotor: Judge = (situation) => {
  if (situation.rig.vehicleClass !== 'multirotor' || choiceOf(situation, 'freewheel') !== 'off')
    return undefined;
  return {
    id: 'undampedMultirotor',
    grade: 'hazard',
    setting: 'freewheel',
    title: 'It will not fly steadily.',
    sentence:
      'Without damped switching the motors slow down late. The flight controller overshoots and the model tips.',
    remedies: moveToChoice(situation, 'freewheel', 'on'),
  };
};

/**
 * From the signal of the trigger to what the bridge is commanded: curve, start force, power limits, strength of the brake,
 * and which way it goes. The simulated ESC does what is written here, and the drills predict it.
 */
import { directionRules, type DirectionRules } from '../esc/direction';
import { numberOf, valueOf, type EscProfile, type StopByItem } from '../esc/profile';
import type { RunningMode } from '../settings/choices';
import type { SettingValue } from '../settings/setting';
import type { SettingId } from '../settings/vocabulary';
import { onStraights, type Point } from '../units/straight';

/** Input and output, 0 to 1, rising, from (0, 0) to (1, 1). */
export type Curve = readonly Point[];

export interface TriggerChain {
  throttleCurve: Curve;
  /** Duty at the first touch of the throttle, 0 to 1. */
  startDuty: number;
  /** The most duty forward and backward, 0 to 1. */
  forwardPower: number;
  reversePower: number;
  direction: DirectionRules;
  /** Strength of the brake at full signal, 0 to 1. */
  brakeStrength: number;
  /** The least strength at the first touch of the brake, 0 to 1. */
  leastBrake: number;
  /** Of the brake; where the trigger backs up at once, it bends reverse too. */
  brakeCurve: Curve;
  /** Brake strength with the trigger at neutral, 0 to 1. */
  dragBrake: number;
  /** Duty that pulls on while the trigger is let go, 0 to 1. */
  coastAssist: number;
}

/** Running modes in which pushing the trigger of a rolling car brakes by the brake strength. */
const MODES_WITH_BRAKE: readonly RunningMode[] = ['forwardBrake', 'forwardBrakeReverse'];

/** Whether pushing the trigger brakes by the brake strength. True where the ESC has no such choice. */
export const hasBrakeStage = (profile: EscProfile, stops: StopByItem): boolean =>
  MODES_WITH_BRAKE.includes(directionRules(profile, stops).mode);

/**
 * The chain from trigger to bridge. How a maker's per cent of braking maps to the chopper's strength is assumed to be one
 * to one.
 */
export function triggerChain(profile: EscProfile, stops: StopByItem): TriggerChain {
  const share = (setting: SettingId, otherwise: number): number =>
    numberOf(profile, stops, setting, otherwise) / 100;
  const dragBrake = share('dragBrake', 0);
  return {
    throttleCurve: curveOf(profile, stops, 'throttleCurve'),
    startDuty: share('startForce', 0),
    forwardPower: share('forwardPower', 100),
    reversePower: share('reversePower', 100),
    direction: directionRules(profile, stops),
    brakeStrength: hasBrakeStage(profile, stops) ? share('brakeStrength', 100) : dragBrake,
    leastBrake: Math.max(share('initialBrake', 0), share('brakeMinimum', 0)),
    brakeCurve: curveOf(profile, stops, 'brakeCurve'),
    dragBrake,
    coastAssist: share('coastAssist', 0),
  };
}

const STRAIGHT: Curve = [
  [0, 0],
  [1, 1],
];

const curveOf = (profile: EscProfile, stops: StopByItem, setting: SettingId): Curve =>
  curveOfValue(valueOf(profile, stops, setting));

/** The curve that a value stands for, 0 to 1 each way; a bare number bends the middle: so many per cent come out half way. */
export function curveOfValue(value: SettingValue | undefined): Curve {
  if (value?.kind === 'curve') {
    const points = value.points.map(([x, y]) => [x / 100, y / 100] as const);
    // Where nothing is said of an end, nothing in is nothing out, and all is all.
    const first: Curve = points[0]?.[0] === 0 ? [] : [[0, 0]];
    const last: Curve = points.at(-1)?.[0] === 1 ? [] : [[1, 1]];
    return [...first, ...points, ...last];
  }
  if (value?.kind === 'number' && value.value !== 50)
    return [
      [0, 0],
      [0.5, value.value / 100],
      [1, 1],
    ];
  return STRAIGHT;
}

/** What a curve makes of an input, straight between its points; clamped. */
export const onCurve = (curve: Curve, input: number): number => onStraights(curve, input);

/** The duty that a signal of the throttle is for in the end, 0 to 1: curve, start force and power limit. */
export const dutyOf = (chain: TriggerChain, signal: number): number =>
  signal <= 0 ? 0 : chain.forwardPower * Math.max(chain.startDuty, onCurve(chain.throttleCurve, signal));

/** The duty that a push is for while backing up, 0 to 1. */
export const reverseDutyOf = (chain: TriggerChain, signal: number): number =>
  signal <= 0 ? 0 : chain.reversePower * Math.max(chain.startDuty, onCurve(chain.brakeCurve, signal));

/** The strength of the brake at a push, 0 to 1. */
export const brakeStrengthOf = (chain: TriggerChain, signal: number): number =>
  signal <= 0
    ? 0
    : Math.min(1, Math.max(chain.leastBrake, chain.brakeStrength * onCurve(chain.brakeCurve, signal)));

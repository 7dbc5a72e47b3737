/**
 * Advised bands, as data: what common practice would accept for a class of model, with the reason.
 * Ratings win over them. Styles and schools come on top later; this is where one starts.
 */
import type { EscProfile, ProfileItem } from '../esc/profile';
import { snapToStop } from '../esc/snap';
import { weakestLoad } from '../rig/busLoads';
import type { Rig } from '../rig/rig';
import type { VehicleClass } from '../rig/vehicleClass';
import { comparableNumber } from '../settings/value';
import type { SettingId } from '../settings/vocabulary';

type Range = readonly [low: number, high: number];

interface BandRule {
  setting: SettingId;
  classes: readonly VehicleClass[];
  band: { kind: 'range'; range: Range } | { kind: 'choice'; choice: string };
  reason: string;
}

const range = (low: number, high: number): BandRule['band'] => ({ kind: 'range', range: [low, high] });

const RULES: readonly BandRule[] = [
  {
    setting: 'runningMode',
    classes: ['crawler'],
    band: { kind: 'choice', choice: 'forwardReverse' },
    reason: 'A crawler rocks to and fro: reverse must come at once, and drag brake does the braking.',
  },
  {
    setting: 'runningMode',
    classes: ['tenthBuggy', 'eighthBuggy'],
    band: { kind: 'choice', choice: 'forwardBrake' },
    reason: 'Most races forbid reverse, and pumping the brake must never engage it.',
  },
  {
    setting: 'runningMode',
    classes: ['basher'],
    band: { kind: 'choice', choice: 'forwardBrakeReverse' },
    reason: 'Brake first, reverse after a second push: it gets itself out of a hedge.',
  },
  {
    setting: 'launchStrength',
    classes: ['tenthBuggy', 'eighthBuggy'],
    band: range(150, 450),
    reason: 'On loose ground a middling launch is quicker: more only spins the wheels.',
  },
  {
    setting: 'launchStrength',
    classes: ['crawler', 'basher'],
    band: range(100, 300),
    reason: 'A soft launch spares gears, and the pack sags less.',
  },
  {
    setting: 'dragBrake',
    classes: ['crawler'],
    band: range(70, 100),
    reason: 'On rocks it must stop when the trigger is let go.',
  },
  {
    setting: 'dragBrake',
    classes: ['tenthBuggy'],
    band: range(5, 15),
    reason: 'A little drag settles the car into a corner without upsetting it.',
  },
  {
    setting: 'dragBrake',
    classes: ['eighthBuggy'],
    band: range(6, 11),
    reason: 'A heavy buggy wants just enough drag to turn in.',
  },
  {
    setting: 'dragBrake',
    classes: ['basher'],
    band: range(0, 40),
    reason: 'Anything that does not pitch it over.',
  },
  {
    setting: 'brakeStrength',
    classes: ['tenthBuggy'],
    band: range(60, 80),
    reason: 'Strong enough for a hairpin, short of sliding all the way.',
  },
  {
    setting: 'brakeStrength',
    classes: ['eighthBuggy'],
    band: range(45, 65),
    reason: 'With a low brake frequency a moderate strength is firm when slow and gentle when fast.',
  },
  {
    setting: 'brakeStrength',
    classes: ['basher'],
    band: range(25, 50),
    reason: 'On loose ground more only slides.',
  },
  {
    setting: 'cutoff',
    classes: ['tenthBuggy'],
    band: range(3.1, 3.3),
    reason: 'A race wants the last metre; below 3.1 V the cells pay for it.',
  },
  {
    setting: 'cutoff',
    classes: ['sportPlane'],
    band: range(3.1, 3.3),
    reason: 'Low enough to fly home on, high enough to spare the cells.',
  },
  {
    setting: 'cutoffAction',
    classes: ['sportPlane'],
    band: { kind: 'choice', choice: 'reduce' },
    reason: 'A motor that stops at once leaves no power for the landing.',
  },
  {
    setting: 'startAcceleration',
    classes: ['sportPlane'],
    band: range(0.5, 1),
    reason: 'Soft enough for gears, shaft and a model held by hand. From memory.',
  },
  {
    setting: 'advance',
    classes: ['sportPlane'],
    band: range(15, 25),
    reason: 'Motors with many poles on a propeller like 15 to 25 degrees.',
  },
  {
    setting: 'advance',
    classes: ['crawler'],
    band: range(0, 0),
    reason: 'Least advance: most pull for each ampere at walking pace.',
  },
  {
    setting: 'driveFrequency',
    classes: ['sportPlane'],
    band: range(8, 16),
    reason: 'An ESC is coolest about there, and a propeller smooths the rest.',
  },
  {
    setting: 'driveFrequency',
    classes: ['crawler'],
    band: range(12, 16),
    reason: 'Smooth at a crawl without heating the ESC for nothing.',
  },
  {
    setting: 'propellerBrake',
    classes: ['sportPlane'],
    band: range(0, 0),
    reason: 'A fixed propeller that is braked hard can loosen on its shaft; it may as well run out.',
  },
  {
    setting: 'launchLimit',
    classes: ['crawler'],
    band: range(20, 40),
    reason: 'About 30 % stops brown-outs with small packs at little cost.',
  },
  {
    setting: 'startPower',
    classes: ['crawler'],
    band: range(70, 100),
    reason: 'A permission, not a demand: it breaks away without stutter.',
  },
  {
    setting: 'dragRamp',
    classes: ['crawler'],
    band: range(0, 0.3),
    reason: 'On rocks the hold must come at once; on fast trails take a slow one.',
  },
  {
    setting: 'reversePower',
    classes: ['crawler'],
    band: range(100, 100),
    reason: 'Getting down backwards needs as much as getting up.',
  },
  {
    setting: 'cutoff',
    classes: ['crawler', 'eighthBuggy', 'basher'],
    band: range(3.3, 3.5),
    reason: 'Gives up a tenth of the run for two to three times the life of the pack.',
  },
];

export interface Advice {
  setting: SettingId;
  /** The stops that are inside the band, at least one. */
  stopIds: string[];
  /** The one to take. */
  stopId: string;
  reason: string;
}

/** Advice for one item of this rig's ESC; undefined where no rule speaks. */
export function adviceFor(rig: Rig, profile: EscProfile, item: ProfileItem): Advice | undefined {
  if (item.setting === 'becVolts') return becAdvice(rig, item);
  const rule = RULES.find((r) => r.setting === item.setting && r.classes.includes(rig.vehicleClass));
  // The cutoff bands are for lithium; other chemistries get a verdict, not a band.
  if (!rule || (rule.setting === 'cutoff' && rig.pack.chemistry === 'nimh')) return undefined;
  const { band, reason } = rule;
  if (band.kind === 'choice') {
    const stop = item.stops.find((s) => s.value.kind === 'choice' && s.value.choice === band.choice);
    return stop && { setting: item.setting, stopIds: [stop.id], stopId: stop.id, reason };
  }
  const [low, high] = band.range;
  const within = stopsWithin(item, low, high, rig.pack.cells);
  const middle = snapToStop(item, (low + high) / 2, rig.pack.cells);
  if (!middle) return undefined;
  if (within.length === 0)
    return {
      setting: item.setting,
      stopIds: [middle.stop.id],
      stopId: middle.stop.id,
      reason: `${reason} ${middle.reason}`,
    };
  const stopId = within.includes(middle.stop.id) ? middle.stop.id : within[0]!;
  return { setting: item.setting, stopIds: within, stopId, reason };
}

/** The lowest rating on the bus decides. With nothing known about the bus, nothing is advised. */
function becAdvice(rig: Rig, item: ProfileItem): Advice | undefined {
  const weakest = weakestLoad(rig.busLoads);
  if (!weakest) return undefined;
  const stopIds = stopsWithin(item, 0, weakest.maxVolts, 1);
  const stopId = snapToStop(item, Math.min(6, weakest.maxVolts), 1)?.stop.id;
  if (stopId === undefined || !stopIds.includes(stopId)) return undefined;
  return {
    setting: 'becVolts',
    stopIds,
    stopId,
    reason: `Nothing on the bus may get more than ${weakest.maxVolts} V (${weakest.name}); 6 V lets servos live long.`,
  };
}

function stopsWithin(item: ProfileItem, low: number, high: number, cells: number): string[] {
  return item.stops
    .filter((stop) => {
      const number = comparableNumber(stop.value, cells);
      return (
        stop.value.kind !== 'off' && number !== undefined && number >= low - 1e-9 && number <= high + 1e-9
      );
    })
    .map((stop) => stop.id);
}

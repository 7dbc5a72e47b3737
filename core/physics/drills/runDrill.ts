import type { EscBehaviour } from '../escChain';
import type { Drill, DrillNumber } from './drill';
import { backUp } from './backUpDrill';
import { advanceMap, heatMap } from './maps';
import { cut, spoolUp, throttle } from './propellerDrills';
import { crawl, slope, sweep } from './slowDrills';
import { roughStint, stint } from './stint';
import { supply } from './supplyDrill';
import { brake } from './brake';
import { launch } from './launch';
import { letGo } from './letGo';
import { topSpeed } from './topSpeed';
import type { ResolvedPropeller, ResolvedRig, ResolvedWheels } from '../resolved';

/** The drills of each kind of vehicle, in the order of one pull of the throttle. */
export const DRILLS = {
  wheels: {
    launch: 'Launch',
    letGo: 'Let go',
    brake: 'Brake',
    backUp: 'Back up',
    topSpeed: 'Top speed',
    sweep: 'Trigger',
    slope: 'Slope',
    crawl: 'Crawl',
    stint: 'Stint',
    heatMap: 'Heat',
    advanceMap: 'Timing',
    supply: 'Supply',
  },
  propeller: {
    spoolUp: 'Spool up',
    throttle: 'Thrust',
    cut: 'Cut',
    sweep: 'Stick',
    stint: 'Flight',
    heatMap: 'Heat',
    advanceMap: 'Timing',
    supply: 'Supply',
  },
} as const satisfies Record<ResolvedRig['kind'], Record<string, string>>;
export type DrillId = keyof (typeof DRILLS)['wheels'] | keyof (typeof DRILLS)['propeller'];

type RunOn<R> = (rig: R, esc: EscBehaviour) => Drill;
const ON_WHEELS: Record<keyof (typeof DRILLS)['wheels'], RunOn<ResolvedWheels>> = {
  launch,
  letGo,
  brake,
  backUp,
  topSpeed,
  sweep,
  slope,
  crawl,
  stint,
  heatMap,
  advanceMap,
  supply,
};
const WITH_PROPELLER: Record<keyof (typeof DRILLS)['propeller'], RunOn<ResolvedPropeller>> = {
  spoolUp,
  throttle,
  cut,
  sweep,
  stint,
  heatMap,
  advanceMap,
  supply,
};

/**
 * Runs one drill. Pure; a few milliseconds.
 * @throws {Error} for a drill that this kind of vehicle does not have, and where the rig's numbers lead nowhere
 */
export function runDrill(id: DrillId, rig: ResolvedRig, esc: EscBehaviour): Drill {
  if (rig.kind === 'wheels' && id in ON_WHEELS) return ON_WHEELS[id as keyof typeof ON_WHEELS](rig, esc);
  if (rig.kind === 'propeller' && id in WITH_PROPELLER)
    return WITH_PROPELLER[id as keyof typeof WITH_PROPELLER](rig, esc);
  throw new Error(`a rig with ${rig.kind} has no drill '${id}'`);
}

/** The numbers of a drill beside other things that are said; none where the rig's numbers lead nowhere: the drill itself says so. */
export const drillNumbers = (id: DrillId, rig: ResolvedRig, esc: EscBehaviour): readonly DrillNumber[] =>
  numbersIfAny(() => runDrill(id, rig, esc));

/** About what a stint comes to; none where the rig's numbers lead nowhere. */
export const roughStintNumbers = (rig: ResolvedRig, esc: EscBehaviour): readonly DrillNumber[] =>
  numbersIfAny(() => roughStint(rig, esc));

function numbersIfAny(run: () => Drill): readonly DrillNumber[] {
  try {
    return run().numbers;
  } catch {
    return [];
  }
}

type Field = keyof EscBehaviour;
const PULL: readonly Field[] = [
  'forwardSignal',
  'throttleCurve',
  'startDuty',
  'rampPerSecond',
  'forwardPower',
  'currentLimit',
  'currentShare',
  'launchDuty',
  'startShare',
  'governor',
  'driveFrequencyHz',
  'damped',
  'advance',
];
const TRAVEL: readonly Field[] = ['deadShare', 'clippedShare', 'positions'];
const DRAG: readonly Field[] = ['dragBrake', 'brakeFrequencyHz'];
const GUARDS: readonly Field[] = ['cutoffVoltsPerCell', 'cutoffLeaves', 'escLimitC', 'motorLimitC'];
const BRAKE: readonly Field[] = [
  'brakeSignal',
  'brakeStrength',
  'leastBrake',
  'brakeCurve',
  'brakeFrequencyHz',
  'brakeLaw',
  'lowSpeedBrake',
];

/** What of the ESC each drill depends on: nothing else moves its numbers. */
export const DEPENDS_ON: Readonly<Record<DrillId, readonly Field[]>> = {
  launch: [...PULL, 'cutoffVoltsPerCell'],
  topSpeed: PULL,
  letGo: [...DRAG, 'dragRampS', 'dragWhileEasing', 'coastAssist', ...PULL],
  brake: BRAKE,
  backUp: [...BRAKE, ...PULL, 'direction', 'reversePower'],
  sweep: [...PULL, ...TRAVEL],
  slope: DRAG,
  crawl: [...PULL, ...TRAVEL, 'usesSensor'],
  stint: [...PULL, ...DRAG, ...BRAKE, ...GUARDS, 'propellerBrake', 'becVolts'],
  heatMap: PULL,
  advanceMap: PULL,
  supply: ['becVolts'],
  spoolUp: PULL,
  throttle: PULL,
  cut: [...PULL, 'propellerBrake', 'brakeFrequencyHz'],
};

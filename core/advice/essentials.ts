/** The few settings that matter on a model, for somebody who sets an ESC for the first time. Source: common practice. */
import { stopById, type ProfileItem } from '../esc/profile';
import type { VehicleClass } from '../rig/vehicleClass';
import type { SettingId } from '../settings/vocabulary';
import type { Advice, AdviceByItem } from './advise';
import { whyLeaveAlone } from './leaveAlone';
import type { Verdict } from './verdicts/verdict';

const LEAST = 3;
const MOST = 5;

const GROUND: readonly SettingId[] = [
  'cutoff',
  'becVolts',
  'runningMode',
  'brakeStrength',
  'launchStrength',
  'launchLimit',
  'dragBrake',
  'forwardPower',
];
const FLYING: readonly SettingId[] = [
  'cutoff',
  'cutoffAction',
  'becVolts',
  'propellerBrake',
  'response',
  'advance',
];
const ON_ROCKS: readonly SettingId[] = [
  'cutoff',
  'becVolts',
  'runningMode',
  'dragBrake',
  'launchLimit',
  'startPower',
];
const TIMED: readonly SettingId[] = [
  'cutoff',
  'runningMode',
  'brakeStrength',
  'launchStrength',
  'dragBrake',
  'advance',
];

/** The settings that are set first on a class, the most telling first. */
const FIRST: Readonly<Record<VehicleClass, readonly SettingId[]>> = {
  crawler: ON_ROCKS,
  trailTruck: ON_ROCKS,
  tenthBuggy: GROUND,
  eighthBuggy: GROUND,
  specCircuit: TIMED,
  modifiedCircuit: TIMED,
  sprint: TIMED,
  basher: GROUND,
  showTruck: ['cutoff', 'becVolts', 'runningMode', 'launchStrength', 'launchLimit', 'forwardPower'],
  sportPlane: FLYING,
  aerobaticPlane: FLYING,
  glider: ['cutoff', 'cutoffAction', 'propellerBrake', 'becVolts', 'startAcceleration', 'advance'],
  twinPlane: FLYING,
  helicopter: ['cutoff', 'cutoffAction', 'governor', 'softStart', 'becVolts', 'propellerBrake'],
  multirotor: ['cutoff', 'freewheel', 'rotation', 'advance', 'driveFrequency'],
  fastBoat: ['cutoff', 'cutoffAction', 'becVolts', 'startAcceleration', 'launchLimit', 'advance'],
  workingBoat: ['cutoff', 'runningMode', 'becVolts', 'startAcceleration', 'launchLimit', 'response'],
};

interface Facts {
  vehicleClass: VehicleClass;
  items: readonly ProfileItem[];
  /** Items that do nothing now, with the reason. */
  inactive: Readonly<Record<string, string | undefined>>;
  verdicts: readonly Verdict[];
  advice: AdviceByItem;
}

/**
 * What to set first, three to five items in the order in which they matter, fewer where the ESC has no more: whatever clears
 * a hazard or a caution, then what is set first on this class, then what is advised.
 * @param facts the items that exist now, what does nothing, what is wrong and what is advised
 */
export function essentials({ vehicleClass, items, inactive, verdicts, advice }: Facts): ProfileItem[] {
  const works = items.filter(({ id }) => !inactive[id]);
  const clearing = verdicts
    .filter(({ grade }) => grade !== 'note')
    .flatMap(({ remedies }) => remedies)
    .flatMap((remedy) => works.filter(({ id }) => remedy.kind === 'move' && id === remedy.itemId));
  const ofClass = FIRST[vehicleClass].flatMap((setting) => works.filter((item) => item.setting === setting));
  const urgent = [...new Set([...clearing, ...ofClass])];
  const advised = works.filter(({ id }) => advice[id]);
  const wanted = urgent.length >= LEAST ? urgent : [...new Set([...urgent, ...advised])].slice(0, LEAST);
  return wanted.slice(0, MOST);
}

/**
 * Why an item that does not come first may stay as it is, in one sentence. What advice would change says so: advice and
 * “leave it” must not contradict.
 * @param inactive why it does nothing now, if so
 * @param stopId what is drafted
 */
export function whyItMayStay(
  item: ProfileItem,
  inactive: string | undefined,
  advice: Advice | undefined,
  stopId: string,
): string {
  if (inactive) return inactive;
  if (advice && !advice.stopIds.includes(stopId))
    return `“Take all advice” sets it to ${stopById(item, advice.stopId).label}.`;
  return whyLeaveAlone(item.setting);
}

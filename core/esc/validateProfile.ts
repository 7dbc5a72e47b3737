import type { Problem } from '../units/problem';
import { VOCABULARY, type Setting } from '../settings/vocabulary';
import type { SettingValue } from '../settings/setting';
import { asksForThree } from './media';
import type { EscLimits, EscProfile, ProfileItem, Stop } from './profile';
import { numberFieldProblems } from './numberField';
import { leavesItsSize, presenceProblems } from './presence';
import { repeats } from './repeats';
import { SCALES, scalesOf } from './scale';
import { mediaProblems } from './validateMedia';

/** Below this a per-cell reading of a cutoff is a pack total typed into the wrong field, or the reverse. */
const LIKELY_VOLTS_PER_CELL = { least: 0.7, most: 4.5 };

/**
 * What is wrong with a profile beyond its shape: every problem, each with its place and what would be right.
 * An empty list means that the profile can drive rails, plans and a simulated ESC.
 */
export function validateProfile(profile: EscProfile): Problem[] {
  return [
    ...limitProblems(profile),
    ...mediaProblems(profile),
    ...repeats(profile.items, 'items', 'id', (item) => `item id '${item.id}'`),
    ...presenceProblems(profile),
    ...profile.items.flatMap((item, index) => itemProblems(profile, item, `items.${index}`)),
    ...profile.items.flatMap((item, index) => linkProblems(profile, item, `items.${index}`)),
  ];
}

function limitProblems({ limits, factoryRange, calibration }: EscProfile): Problem[] {
  const problems: Problem[] = [];
  if (limits.minCells > limits.maxCells) {
    problems.push({
      path: 'limits.minCells',
      sentence: `The fewest cells (${limits.minCells}) are more than the most (${limits.maxCells}). Swap the two.`,
    });
  }
  if (limits.burstAmps < limits.continuousAmps) {
    problems.push({
      path: 'limits.burstAmps',
      sentence: `The burst current (${limits.burstAmps} A) is below the continuous one (${limits.continuousAmps} A): swap the two, or make both the same.`,
    });
  }
  problems.push(...becProblems(limits));
  const { brakeMicros, neutralMicros, forwardMicros } = factoryRange;
  // Where there are no three points, there may be no brake side: brake and neutral are one pulse then.
  const oneWay = !asksForThree(calibration) && brakeMicros === neutralMicros;
  if (!((oneWay || brakeMicros < neutralMicros) && neutralMicros < forwardMicros)) {
    problems.push({
      path: 'factoryRange',
      sentence: `The factory range runs ${brakeMicros}, ${neutralMicros}, ${forwardMicros} µs. Brake must be below neutral, and neutral below forward.`,
    });
  }
  return problems;
}

function becProblems({ becKind, becContinuousAmps, becLeastVolts, becMostVolts }: EscLimits): Problem[] {
  if (becKind === 'none') {
    if (becContinuousAmps === 0 && becMostVolts === 0) return [];
    const sentence = 'It has no BEC but a BEC current or voltage. Set both to 0, or choose the kind of BEC.';
    return [{ path: 'limits.becKind', sentence }];
  }
  if (becLeastVolts > becMostVolts) {
    const sentence = `The lowest BEC voltage (${becLeastVolts} V) is above the highest (${becMostVolts} V). Swap the two.`;
    return [{ path: 'limits.becLeastVolts', sentence }];
  }
  if (becMostVolts >= 3) return [];
  return [
    {
      path: 'limits.becMostVolts',
      sentence: `A BEC gives at least 3 V, not ${becMostVolts} V. If there is no BEC, choose “none”.`,
    },
  ];
}

/** What an item says of other items must be there. */
function linkProblems(profile: EscProfile, item: ProfileItem, path: string): Problem[] {
  const problems: Problem[] = [];
  const need = (itemId: string, stopId: string, where: string): void => {
    const found = profile.items.find(({ id }) => id === itemId)?.stops.some(({ id }) => id === stopId);
    if (!found)
      problems.push({
        path: `${path}.${where}`,
        sentence: `“${item.label}” refers to a stop '${stopId}' of an item '${itemId}' that does not exist.`,
      });
    else if (itemId === item.id)
      problems.push({ path: `${path}.${where}`, sentence: `“${item.label}” cannot depend on itself.` });
  };
  item.inactiveWhen.forEach((condition, n) => {
    if (condition.kind === 'stops')
      for (const stopId of condition.stopIds) need(condition.itemId, stopId, `inactiveWhen.${n}`);
  });
  item.overwrites.forEach(({ stopId, sets }, n) => {
    if (!item.stops.some(({ id }) => id === stopId))
      problems.push({
        path: `${path}.overwrites.${n}`,
        sentence: `“${item.label}” has no stop '${stopId}' that could set other items.`,
      });
    for (const [itemId, set] of Object.entries(sets)) need(itemId, set, `overwrites.${n}`);
  });
  if (overwritesItself(profile, item))
    problems.push({
      path: `${path}.overwrites.0`,
      sentence: `“${item.label}” sets items that set it again. That would never end.`,
    });
  for (const { itemId, stopIds } of item.existsWhile)
    for (const stopId of stopIds) need(itemId, stopId, 'existsWhile');
  for (const stopId of [...item.commandStopIds, ...(item.alsoSets?.values ?? []).map((one) => one.stopId)])
    if (!item.stops.some(({ id }) => id === stopId))
      problems.push({
        path: `${path}.stops`,
        sentence: `“${item.label}” refers to a stop '${stopId}', which does not exist.`,
      });
  if (item.switchedOffBy) need(item.switchedOffBy.itemId, item.switchedOffBy.stopId, 'switchedOffBy');
  return problems;
}

/** Whether what an item overwrites, and what that overwrites, comes back to it. */
function overwritesItself({ items }: EscProfile, start: ProfileItem): boolean {
  const set = (item: ProfileItem): string[] => item.overwrites.flatMap(({ sets }) => Object.keys(sets));
  const reached = new Set<string>();
  for (let open = set(start); open.length > 0;) {
    const id = open.pop()!;
    if (id === start.id) return true;
    if (reached.has(id)) continue;
    reached.add(id);
    const item = items.find((one) => one.id === id);
    if (item) open = [...open, ...set(item)];
  }
  return false;
}

function itemProblems(profile: EscProfile, item: ProfileItem, path: string): Problem[] {
  const problems: Problem[] = [
    ...repeats(item.stops, `${path}.stops`, 'number', (stop) => `stop number ${stop.number}`),
    ...repeats(item.stops, `${path}.stops`, 'id', (stop) => `stop id '${stop.id}'`),
    ...numberingGaps(item.stops, `${path}.stops`, 'stop'),
    ...item.stops.flatMap((stop, index) =>
      leavesItsSize(profile, item, stop) ? [] : stopProblems(item, stop, `${path}.stops.${index}`),
    ),
  ];
  if (item.stops.length < 2) {
    problems.push({
      path: `${path}.stops`,
      sentence: `Item ${item.number} “${item.label}” has ${item.stops.length} stop(s): an item needs at least two to choose between.`,
    });
  }
  if (!scalesOf(VOCABULARY[item.setting]).includes(item.scale)) {
    problems.push({
      path: `${path}.scale`,
      sentence: `${VOCABULARY[item.setting].name} is not written in ${SCALES[item.scale]}: choose ${scalesOf(
        VOCABULARY[item.setting],
      )
        .map((scale) => SCALES[scale])
        .join(', ')}.`,
    });
  }
  problems.push(...numberFieldProblems(item, path));
  if (!item.stops.some((stop) => stop.id === item.factoryStopId)) {
    problems.push({
      path: `${path}.factoryStopId`,
      sentence: `Item ${item.number} “${item.label}” names '${item.factoryStopId}' as its factory stop, but has no such stop.`,
    });
  }
  return problems;
}

function stopProblems(item: ProfileItem, stop: Stop, path: string): Problem[] {
  const setting = VOCABULARY[item.setting];
  const name = `Stop ${stop.number} “${stop.label}” of item ${item.number}`;
  const fault = valueFault(setting, stop.value);
  return fault ? [{ path: `${path}.value`, sentence: `${name} ${fault}` }] : [];
}

/** The rest of a sentence that begins with the stop's name, or undefined where nothing is wrong. */
export function valueFault(setting: Setting, value: SettingValue): string | undefined {
  const { unit, bounds, choices, specials } = setting;
  if (value.kind === 'label') {
    return setting.id === 'other' ? undefined : 'needs a meaning, not only its printed label.';
  }
  if (setting.id === 'other') return undefined;
  if (choices) {
    const known = Object.keys(choices);
    if (value.kind === 'choice' && known.includes(value.choice)) return undefined;
    return `must be one of ${Object.values(choices).join(', ')}.`;
  }
  switch (value.kind) {
    case 'off':
      return undefined;
    case 'choice':
      return specials && Object.hasOwn(specials, value.choice)
        ? undefined
        : `must be a number${unit === '' ? '' : ` in ${unit}`}, or off.`;
    case 'packVolts':
      return setting.id === 'cutoff' ? undefined : 'is in pack volts. Only a cutoff can be.';
    case 'curve':
      return curveFault(setting, value.points);
    case 'number':
      return numberFault(setting, value.value, bounds);
  }
}

function numberFault(
  setting: Setting,
  value: number,
  [least, most]: readonly [number, number],
): string | undefined {
  const { unit } = setting;
  if (value >= least && value <= most) return cutoffFault(setting, value);
  const stated = `is ${value}${unit === '' ? '' : ` ${unit}`}`;
  if (setting.id === 'cutoff') return cutoffFault(setting, value);
  if (unit === '%') return `${stated}: it must be between 0 and 100 %.`;
  return `${stated}; ESCs offer ${least} to ${most}. Is it in another unit?`;
}

function cutoffFault({ id }: Setting, value: number): string | undefined {
  const { least, most } = LIKELY_VOLTS_PER_CELL;
  if (id !== 'cutoff' || (value >= least && value <= most)) return undefined;
  return `is ${value} V per cell, outside ${least} to ${most}. If the manual means the whole pack, enter it as pack volts.`;
}

function curveFault(setting: Setting, points: readonly (readonly [number, number])[]): string | undefined {
  if (setting.id !== 'throttleCurve' && setting.id !== 'brakeCurve')
    return 'is a curve, but this setting is not a curve.';
  const rises = points.every(([x, y], n) => n === 0 || (x > points[n - 1]![0] && y >= points[n - 1]![1]));
  return rises ? undefined : 'has points that do not rise from left to right.';
}

/** Keys and lamps count from one without gaps, so printed numbers must too, in the order given. */
function numberingGaps(list: { number: number }[], path: string, what: string): Problem[] {
  const index = list.findIndex((entry, place) => entry.number !== place + 1);
  if (index === -1) return [];
  return [
    {
      path: `${path}.${index}.number`,
      sentence: `The ${what} at place ${index + 1} has the number ${list[index]!.number}. Numbers must run 1, 2, 3 … in the ESC's order.`,
    },
  ];
}

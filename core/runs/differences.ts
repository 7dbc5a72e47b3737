/** What was different between two runs: only where one thing was may a cause be named. */
import { SURFACES } from '../advice/goals';
import { HAND_VALUE_KEYS, HAND_VALUES } from '../rig/handValues';
import { withUnit } from '../units/format';
import type { Run } from './run';

export interface Difference {
  key: string;
  name: string;
  from: string;
  to: string;
  /** Whether it may by itself change how the model drives; that a thing was not noted does not. */
  matters: boolean;
}

/** Minutes and air temperatures so close are the same. From memory. */
const SAME_MINUTES_SHARE = 0.1;
const SAME_CELSIUS = 3;

/** What differs from one run to another, in the order in which one would look for it. */
export function whatDiffers(before: Run, after: Run): Difference[] {
  return [...onEsc(before, after), ...byHand(before, after), ...around(before, after)];
}

function onEsc(before: Run, after: Run): Difference[] {
  if (before.profileId !== after.profileId)
    return [differs('esc', 'ESC', before.profileName, after.profileName)];
  return after.held.flatMap((is) => {
    const was = before.held.find(({ itemId }) => itemId === is.itemId);
    if (was?.stopId === is.stopId) return [];
    return [differs(is.itemId, is.itemLabel, was?.stopLabel ?? 'unknown', is.stopLabel ?? 'unknown')];
  });
}

const byHand = (before: Run, after: Run): Difference[] =>
  HAND_VALUE_KEYS.flatMap((key) => {
    const [was, is] = [before.byHand[key], after.byHand[key]];
    if (was === is) return [];
    const { name, unit, decimals } = HAND_VALUES[key];
    const words = (value: number | undefined): string =>
      value === undefined ? 'not there' : withUnit(value, unit, decimals);
    return [differs(key, name, words(was), words(is))];
  });

function around(before: Run, after: Run): Difference[] {
  const found: Difference[] = [];
  if (before.calibratedAt !== after.calibratedAt)
    found.push(differs('calibration', 'End points', 'as they were', 'learned again'));
  if (before.conditions.massKg !== after.conditions.massKg) {
    const grams = ({ conditions }: Run): string => withUnit(conditions.massKg * 1000, 'g', 0);
    found.push(differs('mass', 'Mass', grams(before), grams(after)));
  }
  for (const [key, name] of [
    ['pack', 'Pack'],
    ['place', 'Place'],
    ['cooling', 'Cooling'],
  ] as const)
    if (before[key].trim().toLowerCase() !== after[key].trim().toLowerCase())
      found.push(noted(key, name, before[key], after[key]));
  if (before.surface !== after.surface) {
    const words = ({ surface }: Run): string => (surface === null ? '' : SURFACES[surface]);
    found.push(noted('surface', 'Ground', words(before), words(after)));
  }
  if (apart(before.minutes, after.minutes, SAME_MINUTES_SHARE * (before.minutes ?? 0)))
    found.push(noted('minutes', 'Time', minutesOf(before), minutesOf(after)));
  if (apart(before.airCelsius, after.airCelsius, SAME_CELSIUS))
    found.push(noted('air', 'Air', airOf(before), airOf(after)));
  return found;
}

const differs = (key: string, name: string, from: string, to: string): Difference => ({
  key,
  name,
  from,
  to,
  matters: true,
});

/** What was noted on one of them only tells nothing. */
const noted = (key: string, name: string, from: string, to: string): Difference => ({
  key,
  name,
  from: from || 'not noted',
  to: to || 'not noted',
  matters: from !== '' && to !== '',
});

const apart = (was: number | null, is: number | null, within: number): boolean =>
  was === null || is === null ? was !== is : Math.abs(is - was) > within;
const minutesOf = ({ minutes }: Run): string => (minutes === null ? '' : withUnit(minutes, 'min', 1));
const airOf = ({ airCelsius }: Run): string => (airCelsius === null ? '' : withUnit(airCelsius, '°C', 0));

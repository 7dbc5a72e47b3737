/** What lies round the values: end points, several ESCs, values for a day, values that nobody has looked at. Common practice. */
import { FULL_SIGNAL } from '../../radio/pulse';
import { itemById } from '../../esc/profile';
import { deadbandOf } from '../../physics/escChain';
import { entersDrills } from '../../physics/howItEnters';
import { travelReport } from '../../radio/travel';
import { VOCABULARY } from '../../settings/vocabulary';
import { formatNumber } from '../../units/format';
import { choiceOf, moveTo, moveToChoice, type Judge, type Situation, type Verdict } from './verdict';

const LOWERED_PERCENT = 97;
/** Lowered before calibrating: the ESC has learned the smaller travel as full. */
export const endPointsLearnedLow: Judge = ({ rig, profile, stops, range }) => {
  const endPoint = rig.channel.forwardEndPointPercent;
  const { largestSignal } = travelReport(rig.channel, range, deadbandOf(profile, stops)).forward;
  if (endPoint >= LOWERED_PERCENT || largestSignal < FULL_SIGNAL) return undefined;
  return {
    id: 'endPointsLearnedLow',
    grade: 'caution',
    setting: undefined,
    title: 'The ESC has learned the lowered travel as full.',
    sentence: `The radio’s forward end point is ${formatNumber(endPoint, 0)} %, and the ESC takes that as full throttle. It limits nothing and makes every trigger step coarser. Calibrate at 100 %, then lower it.`,
    remedies: [{ kind: 'station', label: 'Calibrate at 100 %', station: 'endpoints' }],
  };
};

export const calibrationLocked: Judge = (situation) => {
  if (!situation.around?.calibrationDue || choiceOf(situation, 'calibrationLock') !== 'off') return undefined;
  return {
    id: 'calibrationLocked',
    grade: 'caution',
    setting: 'calibrationLock',
    title: 'Calibration is locked, but still to do.',
    sentence:
      'While locked, calibrating does nothing, or full stick gives real full throttle. Unlock it and load that first.',
    remedies: moveToChoice(situation, 'calibrationLock', 'on'),
  };
};

/** Less than this nobody feels, µs. From memory. */
const ALIKE_MICROS = 10;

export const escsUnlike: Judge = ({ around }) => {
  const [first, ...others] = around?.ranges ?? [];
  if (!first) return undefined;
  const off = Math.max(
    0,
    ...others.flatMap((range) =>
      (['brakeMicros', 'neutralMicros', 'forwardMicros'] as const).map((point) =>
        Math.abs(range[point] - first[point]),
      ),
    ),
  );
  if (off <= ALIKE_MICROS) return undefined;
  return {
    id: 'escsUnlike',
    grade: 'caution',
    setting: undefined,
    title: 'The ESCs of this model have learned different end points.',
    sentence: `They differ by up to ${formatNumber(off, 0)} µs. One motor starts later or stays weaker. They must be alike in everything.`,
    remedies: [{ kind: 'station', label: 'Compare and calibrate them', station: 'endpoints' }],
  };
};

const NAMED = 4;

/** The first few by name, and how many more there are. */
const fewOf = (names: readonly string[]): string =>
  `${names.slice(0, NAMED).join(', ')}${names.length > NAMED ? ` and ${names.length - NAMED} more` : ''}`;

export const escsHoldUnlike: Judge = ({ around }) => {
  const [first, ...others] = (around?.unlike ?? []).filter(({ labels }) => labels.length > 0);
  if (!first) return undefined;
  const more = others.length === 0 ? '' : ` ${others.map(({ name }) => name).join(' and ')} differ too.`;
  return {
    id: 'escsHoldUnlike',
    grade: 'caution',
    setting: undefined,
    title: 'The ESCs of this model do not hold the same.',
    sentence: `${first.name} differs from the first in ${fewOf(first.labels.map((label) => `“${label}”`))}.${more} One motor may pull, brake or cut off before the other. Load it until all hold the same.`,
    remedies: [{ kind: 'station', label: `Load ${first.name}`, station: 'load' }],
  };
};

export const leftAtFactory: Judge = ({ profile, around }) => {
  const items = (around?.assumedItemIds ?? []).map((id) => itemById(profile, id));
  if (items.length === 0) return undefined;
  const felt = items
    .filter(({ setting }) => entersDrills(setting))
    .map((item) => VOCABULARY[item.setting].name);
  const named = fewOf(felt);
  return {
    id: 'leftAtFactory',
    grade: 'note',
    setting: undefined,
    title: ` ${items.length} ${items.length === 1 ? 'value' : 'values'} never checked: factory values assumed.`,
    sentence:
      felt.length === 0
        ? 'None of them changes a number here.'
        : `Of these, ${named} ${felt.length === 1 ? 'moves' : 'move'} the numbers here. A used ESC may hold anything: read it back or load it again.`,
    remedies: [{ kind: 'station', label: 'What the ESC holds', station: 'esc' }],
  };
};

/** Values for an event that stayed behind it. */
export function overdue({ stops, around }: Situation): Verdict[] {
  if (!around) return [];
  return around.temporaries
    .filter(({ item, returnsTo, until }) => until < around.today && stops[item.id] !== returnsTo.id)
    .map(({ item, until, returnsTo }) => ({
      id: `overdue ${item.id}`,
      grade: 'caution',
      setting: item.setting,
      title: `${VOCABULARY[item.setting].name} should be back at ${returnsTo.label}.`,
      sentence: `It was set until ${until}, and that is over.`,
      remedies: moveTo(item, returnsTo.id),
    }));
}

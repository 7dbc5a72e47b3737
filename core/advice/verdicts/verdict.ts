/** What a verdict is: dangerous, unwise or worth knowing about a full set of values on a rig, and what clears it. */
import { snapToStop } from '../../esc/snap';
import { SANE_CUTOFF, withSaneStops } from '../saneCutoff';
import {
  itemForSetting,
  stopById,
  valueOf,
  type EscProfile,
  type ProfileItem,
  type StopByItem,
} from '../../esc/profile';
import type { LearnedRange } from '../../radio/pulse';
import type { EventRules } from '../../rig/eventRules';
import type { Rig } from '../../rig/rig';
import { comparableNumber } from '../../settings/value';
import type { SettingId } from '../../settings/vocabulary';
import type { Goals } from '../goals';
import type { ActiveTemporary } from '../temporary';

export interface Situation {
  rig: Rig;
  profile: EscProfile;
  stops: StopByItem;
  range: LearnedRange;
  /** The event that is being prepared for, if any. */
  rules: EventRules | undefined;
  /** What the driver is after. */
  goals: Goals;
  /** What lies round the values; left out where only they are looked at. */
  around?: Around;
  /** Whether no stint is driven for it. */
  withoutStint?: boolean;
}

export interface Around {
  /** What each ESC of the model has learned. */
  ranges: readonly LearnedRange[];
  /** The other ESCs of the model, and what each is known to hold otherwise than the first. */
  unlike: readonly { name: string; labels: readonly string[] }[];
  /** Whether an ESC still has to be calibrated, or again. */
  calibrationDue: boolean;
  /** Items that nobody has looked at since the factory. */
  assumedItemIds: readonly string[];
  /** Values for a while that stand on an ESC. */
  temporaries: readonly ActiveTemporary[];
  /** YYYY-MM-DD */
  today: string;
}

/** A step that clears a verdict. */
export type Remedy =
  | { kind: 'move'; label: string; itemId: string; stopId: string }
  | { kind: 'station'; label: string; station: 'rig' | 'endpoints' | 'load' | 'esc' };

export type Grade = 'hazard' | 'caution' | 'note';

/** Everything that a verdict can say. A test holds that each has a case that triggers it, and one that just does not. */
export const VERDICT_IDS = [
  'packAgainstEsc',
  'cellCountWrong',
  'cellCountGuessed',
  'chemistryWrong',
  'cutoffOff',
  'cutoffOutOfRange',
  'unguarded',
  'becAboveRating',
  'becOverloaded',
  'linearBecHot',
  'undampedMultirotor',
  'sensorsMissing',
  'sensorsUnused',
  'nothingBrakes',
  'brakeThroughRadio',
  'limitedTwice',
  'turboNeverStarts',
  'dragPitchesOver',
  'coastAgainstDrag',
  'initialBrakeSteps',
  'reverseInRace',
  'reverseAtSpeed',
  'reverseSharperThanForward',
  'crawlerWithoutReverse',
  'propellerBraked',
  'propellerDoesNotFold',
  'muchAdvance',
  'specAdvance',
  'loudTones',
  'loudStart',
  'silentPack',
  'peakAboveRating',
  'canHot',
  'escHot',
  'doesNotLast',
  'endPointsLearnedLow',
  'calibrationLocked',
  'escsUnlike',
  'escsHoldUnlike',
  'leftAtFactory',
] as const;

/** Of those about a single item, the item's id stands behind. */
export type VerdictId = (typeof VERDICT_IDS)[number] | `${'againstRules' | 'overdue'} ${string}`;

export interface Verdict {
  id: VerdictId;
  grade: Grade;
  setting: SettingId | undefined;
  /** The claim, short enough for a heading. */
  title: string;
  /** Why, with the numbers it was computed from. */
  sentence: string;
  remedies: Remedy[];
  /** Why the driver loads a hazard all the same, or means what is said here. */
  overridden?: string;
}

/** What some do on purpose, and can say why: two halves of one method. */
const MAY_BE_MEANT: readonly VerdictId[] = ['brakeThroughRadio', 'limitedTwice'];

/** Whether a driver may say that he means it; what is unwise stays said. */
export const mayBeMeant = ({ id, grade }: Verdict): boolean => grade === 'note' && MAY_BE_MEANT.includes(id);

/** Hazards that nobody has taken upon himself: nothing is loaded while there are any. */
export const openHazards = (verdicts: readonly Verdict[]): Verdict[] =>
  verdicts.filter(({ grade, overridden }) => grade === 'hazard' && overridden === undefined);

/** Looks at a situation; silent where it has nothing to say. */
export type Judge = (situation: Situation) => Verdict | undefined;

export function moveTo(item: ProfileItem, stopId: string | undefined): Remedy[] {
  if (stopId === undefined) return [];
  const label = `Take ${stopById(item, stopId).label}`;
  return [{ kind: 'move', label, itemId: item.id, stopId }];
}

export function highestAtMost(item: ProfileItem, most: number): string | undefined {
  return item.stops
    .map((stop) => ({ id: stop.id, number: comparableNumber(stop.value, 1) }))
    .filter(
      (stop): stop is { id: string; number: number } => stop.number !== undefined && stop.number <= most,
    )
    .sort((a, b) => b.number - a.number)[0]?.id;
}

/** The choice that a setting is on; undefined where the ESC has no such item. */
export function choiceOf({ profile, stops }: Situation, setting: SettingId): string | undefined {
  const value = valueOf(profile, stops, setting);
  return value?.kind === 'choice' ? value.choice : undefined;
}

/** The number that a setting is on, 0 where it is off; undefined where the ESC has no such item. */
export function amountOf({ rig, profile, stops }: Situation, setting: SettingId): number | undefined {
  const value = valueOf(profile, stops, setting);
  return value && comparableNumber(value, rig.pack.cells);
}

/** Whether the driver took this side of a question: what he does on purpose is no mistake. */
export const onPurpose = ({ goals }: Situation, school: string, side: string): boolean =>
  goals.schools[school] === side;

/** A move of a setting to one of its choices, where the item has it. */
export function moveToChoice({ profile }: Situation, setting: SettingId, choice: string): Remedy[] {
  const item = itemForSetting(profile, setting);
  const stop = item?.stops.find(({ value }) => value.kind === 'choice' && value.choice === choice);
  return item ? moveTo(item, stop?.id) : [];
}

/** A move of a setting to the stop nearest to a number. */
export function moveToNumber({ rig, profile }: Situation, setting: SettingId, wanted: number): Remedy[] {
  const item = itemForSetting(profile, setting);
  if (!item) return [];
  const off = ({ value }: { value: Parameters<typeof comparableNumber>[0] }): number =>
    Math.abs((comparableNumber(value, rig.pack.cells) ?? Infinity) - wanted);
  const nearest = item.stops.reduce((best, stop) => (off(stop) < off(best) ? stop : best));
  return moveTo(item, nearest.id);
}

/** A move to a cutoff that protects this very pack; none where the ESC has no such stop. */
export function moveToSaneCutoff({ rig, profile }: Situation): Remedy[] {
  const item = itemForSetting(profile, 'cutoff');
  if (!item) return [];
  const { cells, chemistry } = rig.pack;
  const sane = snapToStop(withSaneStops(item, rig.pack), SANE_CUTOFF[chemistry].usual, cells);
  return moveTo(item, sane?.stop.id);
}

/**
 * Verdicts: what is dangerous, unwise or worth knowing about a full set of values on this rig.
 * Pure functions of rig, profile, values and learned range. Limits: common practice unless said otherwise.
 */
import {
  itemForSetting,
  stopById,
  valueOf,
  type EscProfile,
  type ProfileItem,
  type StopByItem,
} from '../esc/profile';
import { deadbandOf } from '../physics/escChain';
import { hasBrakeStage } from '../physics/triggerChain';
import type { Chemistry } from '../physics/pack';
import type { LearnedRange } from '../radio/pulse';
import { travelReport } from '../radio/travel';
import { breachesOf, type EventRules } from '../rig/eventRules';
import { weakestLoad } from '../rig/busLoads';
import type { Rig } from '../rig/rig';
import { comparableNumber } from '../settings/value';
import { cutoffVoltsPerCell } from '../settings/cutoff';
import type { SettingId } from '../settings/vocabulary';
import { formatNumber, withUnit } from '../units/format';
import { snapToStop } from '../esc/snap';

export interface Situation {
  rig: Rig;
  profile: EscProfile;
  stops: StopByItem;
  range: LearnedRange;
  /** The event that is being prepared for, if any. */
  rules: EventRules | undefined;
}

/** A step that clears a verdict. */
export type Remedy =
  | { kind: 'move'; label: string; itemId: string; stopId: string }
  | { kind: 'station'; label: string; station: 'rig' | 'endpoints' };

export type Grade = 'hazard' | 'caution' | 'note';

export interface Verdict {
  id: string;
  grade: Grade;
  setting: SettingId | undefined;
  /** The claim, short enough for a heading. */
  title: string;
  /** Why, with the numbers it was computed from. */
  sentence: string;
  remedies: Remedy[];
}

/** All verdicts on a situation, hazards first. */
export function verdictsOn(situation: Situation): Verdict[] {
  const found = [
    packAgainstEsc(situation),
    cutoffOutOfRange(situation),
    becAboveRating(situation),
    brakeThroughRadio(situation),
    nothingBrakes(situation),
    ...againstRules(situation),
  ].filter((v) => v !== undefined);
  const order: Grade[] = ['hazard', 'caution', 'note'];
  return found.sort((a, b) => order.indexOf(a.grade) - order.indexOf(b.grade));
}

/** Cutoffs per cell that make sense under load. Lithium polymer: common practice. The others: from memory. */
const SANE_CUTOFF: Record<Chemistry, { least: number; most: number; usual: number }> = {
  lipo: { least: 2.9, most: 3.7, usual: 3.3 },
  lihv: { least: 2.9, most: 3.7, usual: 3.3 },
  life: { least: 2.5, most: 3.1, usual: 2.8 },
  nimh: { least: 0.8, most: 1.1, usual: 0.9 },
};

function cutoffOutOfRange({ rig, profile, stops }: Situation): Verdict | undefined {
  const value = valueOf(profile, stops, 'cutoff');
  const item = itemForSetting(profile, 'cutoff');
  if (!value || !item) return undefined;
  const { cells, chemistry } = rig.pack;
  const { least, most, usual } = SANE_CUTOFF[chemistry];
  const sane = snapToStop(item, usual, cells);
  const remedies = moveTo(item, sane?.stop.id);
  if (value.kind === 'off') {
    return {
      id: 'cutoffOff',
      grade: 'caution',
      setting: 'cutoff',
      title: 'Nothing protects the cells.',
      sentence:
        'The cutoff is off: the ESC drives until the pack is ruined. Some switch it off for a final; put it back the same day.',
      remedies,
    };
  }
  const volts = cutoffVoltsPerCell(value, cells) ?? 0;
  if (volts >= least && volts <= most) return undefined;
  const stated =
    value.kind === 'packVolts'
      ? `${withUnit(value.value, 'V', 2)} for the whole pack is ${withUnit(volts, 'V', 2)} per cell on ${cells} cells`
      : `${withUnit(volts, 'V', 2)} per cell`;
  return {
    id: 'cutoffOutOfRange',
    grade: 'hazard',
    setting: 'cutoff',
    title: volts < least ? 'This cutoff would ruin the pack.' : 'This cutoff would stop the model at once.',
    sentence: `${stated}; sound for this chemistry is ${least} to ${most} V per cell. A total typed where volts per cell are meant, or the reverse, looks like this.`,
    remedies,
  };
}

function becAboveRating({ rig, profile, stops }: Situation): Verdict | undefined {
  const value = valueOf(profile, stops, 'becVolts');
  const item = itemForSetting(profile, 'becVolts');
  const weakest = weakestLoad(rig.busLoads);
  if (value?.kind !== 'number' || !item || !weakest || value.value <= weakest.maxVolts) return undefined;
  const allowed = highestAtMost(item, weakest.maxVolts);
  return {
    id: 'becAboveRating',
    grade: 'hazard',
    setting: 'becVolts',
    title: `${withUnit(value.value, 'V', 1)} is more than the ${weakest.name} may have.`,
    sentence: `The lowest rating of everything on the bus decides: ${weakest.name} is rated to ${withUnit(weakest.maxVolts, 'V', 1)}. Above it, servos and receivers burn, sometimes while driving.`,
    remedies: [...moveTo(item, allowed), { kind: 'station', label: 'Correct the rating', station: 'rig' }],
  };
}

/** Less than this share of braking is hardly felt; from memory. */
const HARDLY_BRAKES = 0.15;
/** A radio that takes less than this off is not worth a word. */
const WORTH_SAYING = 0.02;

function brakeThroughRadio({ rig, profile, stops, range }: Situation): Verdict | undefined {
  const value = valueOf(profile, stops, 'brakeStrength');
  const item = itemForSetting(profile, 'brakeStrength');
  if (value?.kind !== 'number' || !item || !hasBrakeStage(profile, stops)) return undefined;
  const signal = travelReport(rig.channel, range, deadbandOf(profile, stops)).brake?.largestSignal;
  if (signal === undefined) return undefined;
  const strength = value.value / 100;
  const left = strength * signal;
  if (1 - signal < WORTH_SAYING && left >= HARDLY_BRAKES) return undefined;
  const percent = (share: number): string => `${formatNumber(share * 100, 0)}\u00a0%`;
  const product = `${percent(strength)} on the ESC × ${percent(signal)} from the radio leaves ${percent(left)}.`;
  return {
    id: 'brakeThroughRadio',
    grade: 'caution',
    setting: 'brakeStrength',
    title:
      left < HARDLY_BRAKES
        ? 'Almost no brake is left.'
        : `Your radio takes another ${percent(1 - signal)} off.`,
    sentence: `${product} Set the brake on the ESC first; use the radio’s end point only for the last touch.`,
    remedies: [
      { kind: 'station', label: 'Look at the end points', station: 'endpoints' },
      ...(left < HARDLY_BRAKES ? moveTo(item, highestAtMost(item, 100)) : []),
    ],
  };
}

function packAgainstEsc({ rig, profile }: Situation): Verdict | undefined {
  const { cells } = rig.pack;
  const { minCells, maxCells } = profile.limits;
  if (cells >= minCells && cells <= maxCells) return undefined;
  const tooMany = cells > maxCells;
  return {
    id: 'packAgainstEsc',
    grade: 'hazard',
    setting: undefined,
    title: tooMany ? 'This pack would destroy the ESC.' : 'This pack is too small for the ESC.',
    sentence: `The pack has ${cells} cells; ${profile.name} takes ${minCells} to ${maxCells}. ${tooMany ? 'Do not plug it in.' : 'The ESC may not start, or may misread its cutoff.'}`,
    remedies: [{ kind: 'station', label: 'Correct pack or ESC', station: 'rig' }],
  };
}

function nothingBrakes({ profile, stops }: Situation): Verdict | undefined {
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
    sentence: 'Running mode is forward only and drag brake is off: pushing the trigger does nothing.',
    remedies: moveTo(item, withBrake?.id),
  };
}

function moveTo(item: ProfileItem, stopId: string | undefined): Remedy[] {
  if (stopId === undefined) return [];
  const label = `Take ${stopById(item, stopId).label}`;
  return [{ kind: 'move', label, itemId: item.id, stopId }];
}

function highestAtMost(item: ProfileItem, most: number): string | undefined {
  return item.stops
    .map((stop) => ({ id: stop.id, number: comparableNumber(stop.value, 1) }))
    .filter(
      (stop): stop is { id: string; number: number } => stop.number !== undefined && stop.number <= most,
    )
    .sort((a, b) => b.number - a.number)[0]?.id;
}

/** What the chosen event forbids. Its own text stands above this. */
function againstRules({ rig, profile, stops, rules }: Situation): Verdict[] {
  if (!rules) return [];
  return breachesOf(rules, rig, profile, stops).map(({ sentence, item }) => {
    const legal = item?.stops.find((stop) =>
      breachesOf(rules, rig, profile, { ...stops, [item.id]: stop.id }).every((b) => b.item !== item),
    );
    return {
      id: `againstRules ${item?.id ?? 'pack'}`,
      grade: 'hazard',
      setting: item?.setting,
      title: `${rules.name} forbids this.`,
      sentence: `${sentence} The event’s own text decides; your notes say this.`,
      remedies: item
        ? moveTo(item, legal?.id)
        : [{ kind: 'station', label: 'Look at the pack', station: 'rig' }],
    };
  });
}

/** What is pointed out of a pack. Common practice, but for the numbers that say otherwise. */
import { TOO_FAR_VOLTS } from '../physics/pack';
import { withUnit } from '../units/format';
import { chargeMinutes, chargeRateFault } from './charging';
import { packFigures } from './packFigures';
import { packState, REST_MINUTES, STORAGE_VOLTS } from './packState';
import type { PackEntry, PackLife } from './shelfPack';

export interface PackWarning {
  id: 'puffed' | 'onCharger' | 'fullForDays' | 'tooLow' | 'resistance' | 'apart' | 'chargeRate';
  /** `stop`: it is not charged or driven any more. */
  level: 'stop' | 'caution';
  sentence: string;
  /** What to do. */
  remedy: string;
}

const DAY_MS = 86_400_000;
/** A full lithium cell ages fast: after so many days it is pointed out. */
export const FULL_FOR_DAYS = 2;
/** Below this a resting lithium cell is damaged. From memory. */
const DAMAGED_VOLTS = 2.5;
/** Resting cells that are farther apart than this. From memory. */
const APART_VOLTS = 0.05;
const DOUBLED = 2;

const AWAY =
  'Do not charge it and do not drive it. Keep it where it can do no harm, and hand it in as your local rules for such packs say.';

/** Everything to point out, the gravest first. @param now milliseconds */
export function packWarnings(life: PackLife, now: number): PackWarning[] {
  return [
    puffed(life),
    ...tooLow(life),
    apart(life),
    resistance(life),
    fullForDays(life, now),
    onCharger(life, now),
    rate(life),
  ]
    .filter((one) => one !== undefined)
    .toSorted((a, b) => Number(b.level === 'stop') - Number(a.level === 'stop'));
}

/** Why a pack may not be put on the charger, or be called charged, in a sentence; undefined where it may. @param now milliseconds */
export function chargeRefusal(
  life: PackLife,
  doing: Pick<PackEntry, 'doing'>['doing'],
  now: number,
): string | undefined {
  if (doing !== 'onCharger' && doing !== 'charged' && doing !== 'stored') return undefined;
  const { label } = life.pack;
  if (!isUsable(life, now)) return `${label} may not be charged any more: ${AWAY}`;
  return doing === 'onCharger' && packState(life, now).isWarm
    ? `${label} was driven less than ${REST_MINUTES} minutes ago. Let it cool before it is charged.`
    : undefined;
}

/** Whether a pack may be charged and driven. */
export const isUsable = (life: PackLife, now: number): boolean =>
  packState(life, now).state !== 'outOfUse' && packWarnings(life, now).every(({ level }) => level !== 'stop');

function puffed({ entries }: PackLife): PackWarning | undefined {
  if (!entries.some(({ doing }) => doing === 'puffed')) return undefined;
  return { id: 'puffed', level: 'stop', sentence: 'It is puffed.', remedy: AWAY };
}

function tooLow(life: PackLife): PackWarning[] {
  const { chemistry } = life.pack;
  const { deepest } = packFigures(life);
  if (!deepest || chemistry === 'nimh') return [];
  const least = TOO_FAR_VOLTS[chemistry];
  const volts = withUnit(deepest.value, 'V', 2);
  if (deepest.how === 'atRest' && deepest.value < least - (3 - DAMAGED_VOLTS))
    return [
      {
        id: 'tooLow',
        level: 'stop',
        sentence: `A cell was at ${volts} at rest: it is damaged.`,
        remedy: AWAY,
      },
    ];
  if (deepest.value >= least || readSince(life, deepest.at, least)) return [];
  return [
    {
      id: 'tooLow',
      level: 'caution',
      sentence:
        deepest.how === 'atRest'
          ? `A cell was at ${volts} at rest, below ${withUnit(least, 'V', 1)}.`
          : `Its cells went down to ${volts} each under load, below ${withUnit(least, 'V', 1)}.`,
      remedy:
        'Drive it for a shorter time, or set the cutoff higher. Check each cell before the next charge.',
    },
  ];
}

/** Whether every cell was read above it since: then it has come back. */
const readSince = ({ entries }: PackLife, at: string, least: number): boolean =>
  entries.some(
    ({ at: readAt, cellVolts }) =>
      cellVolts.length > 0 && Date.parse(readAt) > Date.parse(at) && Math.min(...cellVolts) >= least,
  );

function apart(life: PackLife): PackWarning | undefined {
  const { spread } = packFigures(life);
  const last = spread.at(-1);
  if (!last || last.value <= APART_VOLTS) return undefined;
  const grown = spread.length > 1 && last.value > spread[0]!.value;
  return {
    id: 'apart',
    level: 'caution',
    sentence: `Its cells are ${withUnit(last.value, 'V', 2)} apart${grown ? `, and were ${withUnit(spread[0]!.value, 'V', 2)} apart at first` : ''}.`,
    remedy:
      'The weakest cell meets the cutoff first. Balance it at its next charge, and read the cells again.',
  };
}

function resistance(life: PackLife): PackWarning | undefined {
  const { milliohms } = packFigures(life);
  const [first, last] = [milliohms[0], milliohms.at(-1)];
  if (!first || !last || last.value < DOUBLED * first.value) return undefined;
  return {
    id: 'resistance',
    level: 'caution',
    sentence: `Its resistance is ${withUnit(last.value, 'mΩ', 1)} a cell; it was ${withUnit(first.value, 'mΩ', 1)}.`,
    remedy: 'It sags and warms more than it did. Keep it for practice, or replace it.',
  };
}

function fullForDays(life: PackLife, now: number): PackWarning | undefined {
  const { state, since } = packState(life, now);
  if (state !== 'charged' || since === undefined || !STORAGE_VOLTS[life.pack.chemistry]) return undefined;
  const days = Math.floor((now - Date.parse(since)) / DAY_MS);
  if (days < FULL_FOR_DAYS) return undefined;
  return {
    id: 'fullForDays',
    level: 'caution',
    sentence: `It has been full for ${days} days.`,
    remedy: 'Drive it, or bring it to storage voltage.',
  };
}

/** A charge that takes so much longer than it should is looked at. From memory. */
const OVERDUE = 1.5;

function onCharger(life: PackLife, now: number): PackWarning | undefined {
  const { state, since } = packState(life, now);
  if (state !== 'charging' || since === undefined) return undefined;
  const minutes = Math.floor((now - Date.parse(since)) / 60_000);
  if (minutes < OVERDUE * chargeMinutes(life.pack)) return undefined;
  return {
    id: 'onCharger',
    level: 'caution',
    sentence: `It was put on the charger ${withUnit(minutes, 'min', 0)} ago.`,
    remedy: 'Check it now. Note that it is charged, or take it off.',
  };
}

function rate({ pack }: PackLife): PackWarning | undefined {
  const fault = chargeRateFault(pack);
  if (fault === undefined) return undefined;
  return { id: 'chargeRate', level: 'caution', sentence: fault, remedy: 'Set the charger lower.' };
}

/** A run: what a model was driven with, and what was noted of it. What it was driven with is evidence, and never edited. */
import { profileOn, type EscProfile, type StopByItem } from '../esc/profile';
import { entersDrills } from '../physics/howItEnters';
import type { HandValues } from '../rig/handValues';
import type { VehicleKind } from '../rig/rig';
import { momentsOf, type MomentId } from '../settings/moments';
import type { Surface } from '../advice/goals';
import type { Conditions } from '../setUps/conditions';
import type { SheetValue } from '../sheet/sheet';
import type { TroubleId } from '../triage/symptoms';
import type { Reading, ReadingId } from './readings';

/** What a driver wants at a moment: less of what it did there, the same, or more. */
export const FELT = { less: 'less', right: 'right', more: 'more' } as const;
export type Felt = keyof typeof FELT;

/** The side of a question that a run answers. */
export type Side = 'A' | 'B';

/** What a person says of a run: it may be written again, as when the charger is done an hour later. */
export interface RunNote {
  /** How long it was driven. */
  minutes: number | null;
  /** Which pack, as its owner calls it. */
  pack: string;
  felt: Readonly<Partial<Record<MomentId, Felt>>>;
  /** What was wrong, as the list of troubles has it. */
  troubles: readonly TroubleId[];
  /** At most one of each kind. */
  readings: readonly Reading[];
  place: string;
  surface: Surface | null;
  airCelsius: number | null;
  /** Fan, body shell, openings: what cooled it. */
  cooling: string;
  words: string;
  /** Why it does not count, as when a wheel was loose; empty where it counts. */
  leftOut: string;
}

export const EMPTY_NOTE: RunNote = {
  minutes: null,
  pack: '',
  felt: {},
  troubles: [],
  readings: [],
  place: '',
  surface: null,
  airCelsius: null,
  cooling: '',
  words: '',
  leftOut: '',
};

export interface Run extends RunNote {
  /** Permanent; the same in every copy of the file. */
  id: string;
  rigName: string;
  /** When it was noted, ISO 8601. */
  drivenAt: string;
  profileId: string;
  profileRevision: number;
  profileName: string;
  /** What the ESC held, and how that was known. */
  held: SheetValue[];
  /** Of the model and its radio. */
  byHand: HandValues;
  /** The set-up that was loaded last; null where it was none. */
  setUp: { id: string; name: string } | null;
  /** When the end points were learned; null where nobody knows. */
  calibratedAt: string | null;
  conditions: Conditions;
  /** The question that it is part of, and its side; null where it is of none. */
  question: { id: string; side: Side } | null;
}

/** A run with its number on its rig. */
export interface NumberedRun {
  number: number;
  run: Run;
}

/** The moments at which something is felt from where the driver stands. */
export const feltMoments = (kind: VehicleKind): MomentId[] => {
  const felt: readonly MomentId[] =
    kind === 'wheels'
      ? ['pullAway', 'midPull', 'flatOut', 'letGo', 'brake', 'backUp']
      : ['pullAway', 'midPull', 'flatOut', 'letGo'];
  return momentsOf(kind).filter((moment) => felt.includes(moment));
};

/** What the next note begins with: the same place, pack and time as the last run; what was felt and read is new each time. */
export const nextNote = (last: RunNote | undefined): RunNote =>
  last
    ? {
        ...EMPTY_NOTE,
        minutes: last.minutes,
        pack: last.pack,
        place: last.place,
        surface: last.surface,
        airCelsius: last.airCelsius,
        cooling: last.cooling,
      }
    : EMPTY_NOTE;

/** What a person said of a run, without what it was driven with. */
export const noteOf = (run: RunNote): RunNote => ({
  minutes: run.minutes,
  pack: run.pack,
  felt: run.felt,
  troubles: run.troubles,
  readings: run.readings,
  place: run.place,
  surface: run.surface,
  airCelsius: run.airCelsius,
  cooling: run.cooling,
  words: run.words,
  leftOut: run.leftOut,
});

/** A number of a run; undefined where it was not read. */
export const readingIn = ({ readings }: Pick<RunNote, 'readings'>, kind: ReadingId): number | undefined =>
  readings.find((reading) => reading.kind === kind)?.value;

/** Whether a note says anything that was not there before it was begun. */
export const saysSomething = ({ felt, troubles, readings, words }: RunNote): boolean =>
  Object.keys(felt).length > 0 || troubles.length > 0 || readings.length > 0 || words.trim() !== '';

/** The stops with which a run was driven, as far as they are known and its ESC still has them. */
export const stopsOfRun = ({ held }: Pick<Run, 'held'>): StopByItem =>
  Object.fromEntries(held.flatMap(({ itemId, stopId }) => (stopId === null ? [] : [[itemId, stopId]])));

/**
 * What of a run's set-up nobody knows, of the items that move the model: such a run teaches nothing.
 * @returns the labels of the items; empty where all is known
 */
export function unknownIn(
  profile: EscProfile,
  { held, profileId }: Pick<Run, 'held' | 'profileId'>,
): string[] {
  if (profileId !== profile.id) return ['another ESC'];
  const byId = new Map(held.map((value) => [value.itemId, value]));
  return profileOn(profile, { ...stopsOfRun({ held }) })
    .items.filter(({ setting }) => entersDrills(setting))
    .flatMap(({ id, label, stops }) => {
      const value = byId.get(id);
      const isKnown =
        value !== undefined &&
        value.stopId !== null &&
        value.basis !== 'assumedFactory' &&
        (value.stopNumber === null || stops.some((stop) => stop.id === value.stopId));
      return isKnown ? [] : [label];
    });
}

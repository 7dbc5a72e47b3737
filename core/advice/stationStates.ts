/** Where each station of a rig stands: what the route line shows. */
import type { EscProfile } from '../esc/profile';
import type { LearnedRange } from '../radio/pulse';
import type { Rig } from '../rig/rig';
import { staleReason, type Calibration } from '../calibration/calibration';
import { escNames, lastOf, rangesOf } from '../calibration/escs';
import { openHazards, type Verdict } from './verdicts/verdict';

export const STATIONS = {
  rig: 'Rig',
  endpoints: 'Endpoints',
  tune: 'Tune',
  load: 'Load',
  runs: 'Runs',
  sheets: 'Sheets',
} as const;
export type StationId = keyof typeof STATIONS;

/** `done`, `due`, `stale` (something upstream changed), `blocked` (a hazard is open), or `idle`: nothing waits here. */
export type StationState = 'done' | 'due' | 'stale' | 'blocked' | 'idle';

export interface EndpointFacts {
  rig: Rig;
  profile: EscProfile;
  range: LearnedRange;
  /** Of all ESCs of the rig, newest first. */
  calibrations: readonly Calibration[];
}

/** What is known of a rig's runs without looking into them. */
export interface RunFacts {
  count: number;
  /** The number of the last one; 0 where there is none. */
  last: number;
  /** The change that is being tried, and the run that asked for it. */
  tried: { itemId: string; stopId: string; label: string; afterRun: number } | undefined;
}

export const NO_RUNS: RunFacts = { count: 0, last: 0, tried: undefined };

export interface StationFacts {
  /** How many values are drafted, on the ESC and off it. */
  changeCount: number;
  verdicts: Verdict[];
  sheetCount: number;
  runCount: number;
  /** What is on the ESC to be tried and was not driven yet, as its label; undefined where nothing is. */
  toDrive: string | undefined;
  endpoints: { state: StationState; why: string };
  /** How many values of an event that is over are not back on the ESC for certain. */
  toPutBack: number;
  /** Other ESCs of the model, and how many values each still has to be given. */
  behind: readonly { name: string; count: number }[];
}

export type Stations = Record<StationId, { state: StationState; why: string }>;

const OPEN: readonly StationState[] = ['blocked', 'stale', 'due'];

/** How much there is to do on a rig: the stations where something waits, and a hazard before all of them. */
export function openStationCount(stations: Stations): number {
  const states = Object.values(stations).map(({ state }) => state);
  const open = states.filter((state) => OPEN.includes(state)).length;
  return states.includes('blocked') ? open + states.length : open;
}

/** The state of every station, with a few words on why. */
export function stationStates(facts: StationFacts): Stations {
  const { changeCount, verdicts, sheetCount, endpoints, runCount, toDrive, toPutBack } = facts;
  const behind = facts.behind.find(({ count }) => count > 0);
  const hazards = openHazards(verdicts).length;
  const differ = `${changeCount} ${changeCount === 1 ? 'value differs' : 'values differ'}`;
  return {
    rig: { state: 'done', why: 'described' },
    endpoints,
    tune:
      hazards > 0
        ? { state: 'blocked', why: `${hazards} ${hazards === 1 ? 'hazard' : 'hazards'} open` }
        : {
            state: changeCount > 0 || sheetCount > 0 ? 'done' : 'due',
            why: changeCount > 0 ? differ : 'draft changes nothing',
          },
    load:
      hazards > 0 && changeCount > 0
        ? { state: 'blocked', why: 'a hazard is open' }
        : toPutBack > 0
          ? { state: 'due', why: `put back: ${toPutBack} ${toPutBack === 1 ? 'value' : 'values'}` }
          : changeCount > 0
            ? { state: 'due', why: differ }
            : behind
              ? {
                  state: 'due',
                  why: `${behind.name}: ${behind.count} ${behind.count === 1 ? 'value' : 'values'} left`,
                }
              : { state: sheetCount > 0 ? 'done' : 'idle', why: 'nothing to load' },
    runs:
      toDrive === undefined
        ? { state: runCount > 0 ? 'done' : 'idle', why: runCount > 0 ? `${runCount} noted` : 'none yet' }
        : { state: 'due', why: `drive it: ${toDrive}` },
    sheets: {
      state: sheetCount > 0 ? 'done' : 'idle',
      why: sheetCount === 0 ? 'none yet' : `${sheetCount} kept`,
    },
  };
}

/** The worst of all ESCs decides; with several, the words name it. */
export function endpointState({
  calibrations,
  rig,
  profile,
  range,
}: EndpointFacts): StationFacts['endpoints'] {
  const names = escNames(rig);
  const ranges = rangesOf(rig, profile, range, calibrations);
  const named = (place: number, why: string): string =>
    names.length === 1 ? why : `${names[place]!}: ${why}`;
  const lasts = names.map((_, place) => lastOf(calibrations, place + 1));
  const missing = lasts.indexOf(undefined);
  if (missing !== -1) return { state: 'due', why: named(missing, 'never calibrated') };
  const reasons = lasts.map((last, place) => staleReason(last!, rig.channel, profile.id, ranges[place]!));
  const stale = reasons.findIndex((reason) => reason !== undefined);
  if (stale !== -1) return { state: 'stale', why: named(stale, reasons[stale]!) };
  return { state: 'done', why: names.length === 1 ? 'calibrated' : `all ${names.length} calibrated` };
}

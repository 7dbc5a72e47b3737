/** Where each station of a rig stands: what the route line shows. */
import type { EscProfile } from '../esc/profile';
import type { LearnedRange } from '../radio/pulse';
import type { Rig } from '../rig/rig';
import { isHeld, isStale, type Calibration } from '../sheet/calibration';
import type { Change } from '../sheet/draft';
import type { Verdict } from './verdicts';

export const STATIONS = {
  rig: 'Rig',
  endpoints: 'Endpoints',
  tune: 'Tune',
  load: 'Load',
  sheets: 'Sheets',
} as const;
export type StationId = keyof typeof STATIONS;

/** `done`, `due`, `stale` (something upstream changed), `blocked` (a hazard is open), or `idle`: nothing waits here. */
export type StationState = 'done' | 'due' | 'stale' | 'blocked' | 'idle';

export interface StationFacts {
  rig: Rig;
  profile: EscProfile;
  range: LearnedRange;
  calibration: Calibration | undefined;
  changes: Change[];
  verdicts: Verdict[];
  sheetCount: number;
}

/** The state of every station, with a few words on why. */
export function stationStates(facts: StationFacts): Record<StationId, { state: StationState; why: string }> {
  const { changes, verdicts, sheetCount } = facts;
  const hazards = verdicts.filter((v) => v.grade === 'hazard').length;
  const differ = `${changes.length} ${changes.length === 1 ? 'value differs' : 'values differ'}`;
  return {
    rig: { state: 'done', why: 'described' },
    endpoints: endpointState(facts),
    tune:
      hazards > 0
        ? { state: 'blocked', why: `${hazards} ${hazards === 1 ? 'hazard' : 'hazards'} open` }
        : {
            state: changes.length > 0 || sheetCount > 0 ? 'done' : 'due',
            why: changes.length > 0 ? differ : 'nothing drafted',
          },
    load:
      hazards > 0 && changes.length > 0
        ? { state: 'blocked', why: 'a hazard is open' }
        : changes.length > 0
          ? { state: 'due', why: differ }
          : { state: sheetCount > 0 ? 'done' : 'idle', why: 'nothing to load' },
    sheets: {
      state: sheetCount > 0 ? 'done' : 'idle',
      why: sheetCount === 0 ? 'none yet' : `${sheetCount} kept`,
    },
  };
}

function endpointState({ calibration, rig, range }: StationFacts): { state: StationState; why: string } {
  if (!calibration) return { state: 'due', why: 'never calibrated' };
  if (!isHeld(calibration, range)) return { state: 'stale', why: 'the ESC holds another range' };
  if (isStale(calibration, rig.channel)) return { state: 'stale', why: 'the radio has changed since' };
  return { state: 'done', why: 'calibrated' };
}

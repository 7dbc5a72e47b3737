/** Where a rig stands: what follows from its description, its draft and what is known of its ESC. */
import type { BelievedStops, DraftedStops, EscProfile, StopByItem } from '../esc/profile';
import type { LearnedRange } from '../radio/pulse';
import type { EventRules } from '../rig/eventRules';
import type { Rig } from '../rig/rig';
import { handChangesOf, withHandValues, type HandChange } from '../rig/handValues';
import type { Goals } from './goals';
import type { Calibration } from '../calibration/calibration';
import { rangesOf } from '../calibration/escs';
import { changesOf, draftedStops, sureStops, type Change, type Draft } from '../sheet/draft';
import { believedStops, type Holdings } from '../sheet/evidence';
import { activeTemporary, type ActiveTemporary } from './temporary';
import { endpointState, stationStates } from './stationStates';
import { verdictsOn } from './verdicts/verdictsOn';
import type { Around, Verdict } from './verdicts/verdict';

export interface StandingFacts {
  rig: Rig;
  profile: EscProfile;
  holdings: Holdings;
  draft: Draft;
  range: LearnedRange;
  calibrations: readonly Calibration[];
  sheetCount: number;
  /** The event that is being prepared for, if any. */
  rules: EventRules | undefined;
  /** What the driver is after. */
  goals: Goals;
  /** YYYY-MM-DD */
  today: string;
  /** Whether nothing is driven for it: a list of many rigs does without what a stint would warn of. */
  withoutStint?: boolean;
}

export interface Standing {
  believed: BelievedStops;
  drafted: DraftedStops;
  /** The same without what nobody knows and nobody has drafted. */
  sure: StopByItem;
  changes: Change[];
  handChanges: HandChange[];
  verdicts: Verdict[];
  stations: ReturnType<typeof stationStates>;
  /** Values for a while, until they are put back on the ESC, too. */
  temporaries: ActiveTemporary[];
}

/** Everything that the frame round the stations shows, and the list of all rigs. */
export function standingOf(facts: StandingFacts): Standing {
  const { rig, profile, holdings, draft, range, calibrations, rules, goals, today } = facts;
  const believed = believedStops(profile, holdings);
  const drafted = draftedStops(believed, draft);
  const changes = changesOf(profile, holdings, draft);
  const handChanges = handChangesOf(rig, draft.setup);
  const draftedRig = withHandValues(rig, draft.setup);
  const endpoints = endpointState(facts);
  const around: Around = {
    ranges: rangesOf(rig, profile, range, calibrations),
    calibrationDue: endpoints.state !== 'done',
    assumedItemIds: profile.items
      .map(({ id }) => id)
      .filter((id) => holdings[id]?.basis === 'assumedFactory' && draft.stops[id] === undefined),
    temporaries: activeTemporary(goals.temporary, profile, believed),
    today,
  };
  const verdicts = verdictsOn({
    rig: draftedRig,
    profile,
    stops: drafted,
    range,
    rules,
    goals,
    around,
    ...(facts.withoutStint ? { withoutStint: true } : {}),
  });
  const stations = stationStates({
    changeCount: changes.length + handChanges.length,
    verdicts,
    sheetCount: facts.sheetCount,
    endpoints,
  });
  const temporaries = activeTemporary(goals.temporary, profile, drafted, believed);
  return {
    believed,
    drafted,
    sure: sureStops(profile, holdings, draft),
    changes,
    handChanges,
    verdicts,
    stations,
    temporaries,
  };
}

/** Where a rig stands: what follows from its description, its draft and what is known of its ESC. */
import type { EscProfile, StopByItem } from '../esc/profile';
import type { LearnedRange } from '../radio/pulse';
import type { EventRules } from '../rig/eventRules';
import type { Rig } from '../rig/rig';
import type { Goals } from './goals';
import type { Calibration } from '../calibration/calibration';
import { changesOf, draftedStops, type Change, type Draft } from '../sheet/draft';
import { believedStops, type Holdings } from '../sheet/evidence';
import { stationStates } from './stationStates';
import { verdictsOn } from './verdicts/verdictsOn';
import type { Verdict } from './verdicts/verdict';

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
}

export interface Standing {
  believed: StopByItem;
  drafted: StopByItem;
  changes: Change[];
  verdicts: Verdict[];
  stations: ReturnType<typeof stationStates>;
}

/** Everything that the frame round the stations shows, and the list of all rigs. */
export function standingOf(facts: StandingFacts): Standing {
  const { rig, profile, holdings, draft, range, rules, goals } = facts;
  const believed = believedStops(profile, holdings);
  const drafted = draftedStops(believed, draft);
  const changes = changesOf(profile, holdings, draft);
  const verdicts = verdictsOn({ rig, profile, stops: drafted, range, rules, goals });
  return { believed, drafted, changes, verdicts, stations: stationStates({ ...facts, changes, verdicts }) };
}

/** Where a rig stands: what follows from its description, its draft and what is known of its ESC. */
import {
  itemById,
  profileOn,
  type BelievedStops,
  type DraftedStops,
  type EscProfile,
  type StopByItem,
} from '../esc/profile';
import type { LearnedRange } from '../radio/pulse';
import type { EventRules } from '../rig/eventRules';
import type { Rig } from '../rig/rig';
import { handChangesOf, withHandValues, type HandChange } from '../rig/handValues';
import type { Goals } from './goals';
import type { Calibration } from '../calibration/calibration';
import { escNames, rangesOf } from '../calibration/escs';
import { changesOf, draftedStops, sureStops, type Change, type Draft } from '../sheet/draft';
import { believedStops, type Holdings } from '../sheet/evidence';
import { intentsForOther, unlikeItems, type OtherEsc } from '../sheet/severalEscs';
import { activeTemporary, toPutBack, type ActiveTemporary, type ToPutBack } from './temporary';
import { endpointState, stationStates, type RunFacts } from './stationStates';
import { verdictsOn } from './verdicts/verdictsOn';
import type { Around, Verdict } from './verdicts/verdict';

export interface StandingFacts {
  rig: Rig;
  profile: EscProfile;
  holdings: Holdings;
  /** What the other ESCs of the model hold, where it has several. */
  otherEscs: readonly OtherEsc[];
  draft: Draft;
  range: LearnedRange;
  calibrations: readonly Calibration[];
  sheetCount: number;
  runs: RunFacts;
  /** The event that is being prepared for, if any. */
  rules: EventRules | undefined;
  /** What the driver is after. */
  goals: Goals;
  /** YYYY-MM-DD */
  today: string;
  /** Whether nothing is driven for it: a list of many rigs does without what a stint would warn of. */
  withoutStint?: boolean;
  /** What the same facts came to before, where that is known: driving a model again would say the same. */
  verdicts?: Verdict[] | undefined;
}

export interface Standing {
  believed: BelievedStops;
  drafted: DraftedStops;
  /** The same without what nobody knows and nobody has drafted. */
  sure: StopByItem;
  changes: Change[];
  /** Of each ESC, the first first: how many values it still has to be given. */
  leftByEsc: number[];
  handChanges: HandChange[];
  verdicts: Verdict[];
  stations: ReturnType<typeof stationStates>;
  /** Values for a while, until they are put back on the ESC, too. */
  temporaries: ActiveTemporary[];
  /** Those whose event is over and that are not back on the ESC for certain. */
  overdue: ToPutBack[];
}

/** A change that the ESC is known to hold, and that no run was noted with since it was asked for. */
const toDrive = ({ runs: { last, tried }, holdings }: StandingFacts): string | undefined =>
  tried && tried.afterRun === last && holdings[tried.itemId]?.stopId === tried.stopId
    ? tried.label
    : undefined;

/** Everything that the frame round the stations shows, and the list of all rigs. */
export function standingOf(facts: StandingFacts): Standing {
  const { rig, profile, holdings, otherEscs, draft, range, calibrations, rules, goals, today } = facts;
  const believed = believedStops(profile, holdings);
  const drafted = draftedStops(believed, draft);
  const changes = changesOf(profile, holdings, draft);
  const handChanges = handChangesOf(rig, draft.byHand);
  const leftByEsc = [
    changes.length,
    ...otherEscs.map(
      (other) => Object.keys(intentsForOther(profile, holdings, draft, other.holdings)).length,
    ),
  ];
  const draftedRig = withHandValues(rig, draft.byHand);
  const endpoints = endpointState(facts);
  const around: Around = {
    ranges: rangesOf(rig, profile, range, calibrations),
    // Where only the first one is behind, loading another would end nothing.
    unlike: otherEscs
      .filter((_, place) => leftByEsc[place + 1]! > 0)
      .map((other) => ({
        name: escNames(rig)[other.escNumber - 1]!,
        labels: unlikeItems(profile, holdings, other.holdings).map((id) => itemById(profile, id).label),
      })),
    calibrationDue: endpoints.state !== 'done',
    assumedItemIds: profileOn(profile, drafted)
      .items.map(({ id }) => id)
      .filter((id) => holdings[id]?.basis === 'assumedFactory' && draft.stops[id] === undefined),
    temporaries: activeTemporary(goals.temporary, profile, believed),
    today,
  };
  const verdicts =
    facts.verdicts ??
    verdictsOn({
      rig: draftedRig,
      profile,
      stops: drafted,
      range,
      rules,
      goals,
      around,
      ...(facts.withoutStint ? { withoutStint: true } : {}),
    });
  const overdue = toPutBack(goals.temporary, profile, holdings).filter(({ until }) => until < today);
  const stations = stationStates({
    changeCount: changes.length + handChanges.length,
    verdicts,
    sheetCount: facts.sheetCount,
    runCount: facts.runs.count,
    toDrive: toDrive(facts),
    toPutBack: overdue.length,
    endpoints,
    behind: leftByEsc.slice(1).map((count, place) => ({ name: escNames(rig)[place + 1]!, count })),
  });
  const temporaries = activeTemporary(goals.temporary, profile, drafted, believed);
  return {
    believed,
    drafted,
    sure: sureStops(profile, holdings, draft),
    changes,
    leftByEsc,
    handChanges,
    verdicts,
    stations,
    temporaries,
    overdue,
  };
}

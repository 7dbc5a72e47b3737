/** All verdicts on a full set of values on a rig. Pure functions of rig, profile, values, learned range and goals. */
import {
  brakeThroughRadio,
  coastAgainstDrag,
  crawlerWithoutReverse,
  dragPitchesOver,
  initialBrakeSteps,
  limitedTwice,
  nothingBrakes,
  propellerBraked,
  reverseAtSpeed,
  reverseInRace,
  reverseSharperThanForward,
  turboNeverStarts,
  undampedMultirotor,
} from './driving';
import { againstRules } from './event';
import { loudTones, muchAdvance, sensorsMissing, silentPack, specAdvance, unguarded } from './guards';
import {
  becAboveRating,
  becOverloaded,
  cellCountGuessed,
  cellCountWrong,
  chemistryWrong,
  cutoffOutOfRange,
  linearBecHot,
  packAgainstEsc,
} from './supply';
import { calibrationLocked, endPointsLearnedLow, escsUnlike, leftAtFactory, overdue } from './standing';
import { peakAboveRating } from './current';
import type { Grade, Judge, Remedy, Situation, Verdict } from './verdict';

const JUDGES: readonly Judge[] = [
  packAgainstEsc,
  cellCountWrong,
  chemistryWrong,
  cutoffOutOfRange,
  unguarded,
  becAboveRating,
  becOverloaded,
  linearBecHot,
  undampedMultirotor,
  sensorsMissing,
  nothingBrakes,
  brakeThroughRadio,
  limitedTwice,
  turboNeverStarts,
  dragPitchesOver,
  coastAgainstDrag,
  reverseInRace,
  reverseAtSpeed,
  crawlerWithoutReverse,
  propellerBraked,
  muchAdvance,
  specAdvance,
  loudTones,
  initialBrakeSteps,
  reverseSharperThanForward,
  cellCountGuessed,
  silentPack,
  peakAboveRating,
  endPointsLearnedLow,
  calibrationLocked,
  escsUnlike,
  leftAtFactory,
];

const ORDER: readonly Grade[] = ['hazard', 'caution', 'note'];

/** Hazards first. A move is offered only where it clears what was said. */
export const verdictsOn = (situation: Situation): Verdict[] =>
  [
    ...JUDGES.flatMap((judge) => withMovesThatClear(judge, situation)),
    ...againstRules(situation),
    ...overdue(situation),
  ]
    .map((verdict) => withOverride(verdict, situation))
    .sort((a, b) => ORDER.indexOf(a.grade) - ORDER.indexOf(b.grade));

function withOverride(verdict: Verdict, { goals }: Situation): Verdict {
  const override = goals.overridden[verdict.id];
  return verdict.grade === 'hazard' && override?.sentence === verdict.sentence
    ? { ...verdict, overridden: override.reason }
    : verdict;
}

function withMovesThatClear(judge: Judge, situation: Situation): Verdict[] {
  const verdict = judge(situation);
  if (!verdict) return [];
  const clears = (remedy: Remedy): boolean => {
    if (remedy.kind !== 'move') return true;
    const stops = { ...situation.stops, [remedy.itemId]: remedy.stopId };
    return judge({ ...situation, stops })?.id !== verdict.id;
  };
  return [{ ...verdict, remedies: verdict.remedies.filter(clears) }];
}

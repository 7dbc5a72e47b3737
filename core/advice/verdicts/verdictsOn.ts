/** All verdicts on a full set of values on a rig. Pure functions of rig, profile, values, learned range and goals. */
import { profileOn } from '../../esc/profile';
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
import {
  loudStart,
  loudTones,
  muchAdvance,
  sensorsMissing,
  silentPack,
  specAdvance,
  unguarded,
} from './guards';
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
import {
  calibrationLocked,
  endPointsLearnedLow,
  escsHoldUnlike,
  escsUnlike,
  leftAtFactory,
  overdue,
} from './standing';
import { peakAboveRating } from './current';
import { canHot, doesNotLast, escHot } from './heat';
import { mayBeMeant, type Grade, type Judge, type Remedy, type Situation, type Verdict } from './verdict';

/** Those that read what is set and compute nothing to speak of. */
const QUICK_JUDGES: readonly Judge[] = [
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
  loudStart,
  initialBrakeSteps,
  reverseSharperThanForward,
  cellCountGuessed,
  silentPack,
  endPointsLearnedLow,
  calibrationLocked,
  escsUnlike,
  escsHoldUnlike,
  leftAtFactory,
];
/** Those that drive the model first. */
const PULLING_JUDGES: readonly Judge[] = [peakAboveRating];
const STINT_JUDGES: readonly Judge[] = [canHot, escHot, doesNotLast];

const judgesFor = ({ withoutStint }: Situation): readonly Judge[] => [
  ...QUICK_JUDGES,
  ...PULLING_JUDGES,
  ...(withoutStint ? [] : STINT_JUDGES),
];

const ORDER: readonly Grade[] = ['hazard', 'caution', 'note'];

/** Hazards first. A move is offered only where it clears what was said. Items that are not in the menu then have no say. */
export function verdictsOn(given: Situation): Verdict[] {
  const situation = { ...given, profile: profileOn(given.profile, given.stops) };
  return [...withMoves(situation), ...againstRules(situation), ...overdue(situation)]
    .map((verdict) => withOverride(verdict, situation))
    .sort((a, b) => ORDER.indexOf(a.grade) - ORDER.indexOf(b.grade));
}

function withMoves(situation: Situation): Verdict[] {
  const said = judgesFor(situation).flatMap((judge) => {
    const verdict = judge(situation);
    return verdict ? [{ judge, verdict }] : [];
  });
  return said.map((one) => withMovesThatHelp(one, situation, said));
}

function withOverride(verdict: Verdict, { goals }: Situation): Verdict {
  const override = goals.overridden[verdict.id];
  if (!override) return verdict;
  // With other numbers a hazard is another one; a method stays the same.
  const holds = verdict.grade === 'hazard' ? override.sentence === verdict.sentence : mayBeMeant(verdict);
  return holds ? { ...verdict, overridden: override.reason } : verdict;
}

/** What is said by one judge; undefined where it has nothing to say. */
interface Said {
  judge: Judge;
  verdict: Verdict;
}

const isWarning = ({ grade }: Verdict): boolean => grade !== 'note';

/**
 * A verdict with the moves that are worth making: each clears it, and none leads to another hazard or caution. A caution about a
 * setting that no stop of this ESC clears is only worth knowing.
 */
function withMovesThatHelp({ judge, verdict }: Said, situation: Situation, all: readonly Said[]): Verdict {
  const known = new Set(all.filter((one) => isWarning(one.verdict)).map((one) => one.verdict.id));
  const helps = (remedy: Remedy): boolean => {
    if (remedy.kind !== 'move') return true;
    const moved = {
      ...situation,
      stops: { ...situation.stops, [remedy.itemId]: remedy.stopId },
    };
    return (
      judge(moved)?.id !== verdict.id &&
      QUICK_JUDGES.every((one) => {
        const raised = one(moved);
        return raised === undefined || !isWarning(raised) || known.has(raised.id);
      })
    );
  };
  const remedies = verdict.remedies.filter(helps);
  // Cells that nothing protects stay unprotected, whatever this ESC offers.
  const isClosest =
    verdict.grade === 'caution' &&
    verdict.id !== 'cutoffOff' &&
    verdict.setting !== undefined &&
    remedies.length === 0;
  return { ...verdict, remedies, grade: isClosest ? 'note' : verdict.grade };
}

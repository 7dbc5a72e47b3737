import { actAll, placeOnBench, type SimulatedEsc } from '../device/simulatedEsc';
import { MEDIA } from '../esc/media';
import { handMediumOf, type EscProfile, type StopByItem } from '../esc/profile';
import type { Input } from '../procedure/language';
import { stateOf } from '../procedure/step';
import type { LearnedRange } from '../radio/pulse';
import type { HeldStops } from '../sheet/evidence';
import type { Gesture } from './gestures';
import { planLegs } from './loadPlan';
import { afterCounted, afterShown, afterStored, beginLoad, legsLeft, stopsToPlanFrom } from './loadSession';
import { isPlanned } from './search';
import { NOTHING_SEEN, shownStored, watch } from './watch';

const MOST_STEPS = 400;

export interface LoadByHand {
  profile: EscProfile;
  stick: LearnedRange;
  /** What the ESC really holds, and what of it is known. */
  real: StopByItem;
  known: HeldStops;
  wanted: StopByItem;
  /** What the hand does instead of the step that is due; undefined where it does that. */
  instead?: (esc: SimulatedEsc, due: Gesture, stepNumber: number) => readonly Input[] | undefined;
}

/**
 * A load from the first step to the last count, as the page goes about it: the step that is due is planned again from what
 * was seen and counted, done, and looked at.
 * @returns the ESC as it is then
 * @throws {Error} where no plan leads on, or it takes too many steps
 */
export function loadByHand({ profile, stick, real, known, wanted, instead }: LoadByHand): SimulatedEsc {
  let esc = placeOnBench(profile, { stops: real, range: stick }, stick.neutralMicros);
  let session = beginLoad(known, wanted, [], MEDIA[handMediumOf(profile)!.family].showsStored);
  let watched = NOTHING_SEEN;
  for (let n = 0; n < MOST_STEPS; n += 1) {
    const [leg] = legsLeft(profile, session);
    if (!leg) return esc;
    const believed = {
      ...esc.config,
      memory: { ...esc.config.memory, stops: stopsToPlanFrom(profile, session) },
    };
    const plan = planLegs(esc.machine, believed, [leg], stick, handMediumOf(profile)!.family);
    if (!isPlanned(plan))
      throw new Error(`no plan leads to ${leg.itemId} ${leg.stopId} from ${esc.config.state}`);
    const [due] = plan.legs[0]!.gestures;
    if (leg.purpose === 'show' && !due) {
      session = afterCounted(profile, session, leg.itemId, esc.config.stopCursor + 1)!.session;
      continue;
    }
    const done = actAll(esc, instead?.(esc, due!, n) ?? due!.inputs);
    esc = done.esc;
    const seen = watch(profile, watched, done.observed);
    watched = seen.watched;
    const shown = shownStored(profile, esc.machine, esc.config);
    if (shown) session = afterShown(session, shown);
    if (seen.stored.length > 0) session = afterStored(profile, session, seen.stored).session;
  }
  const { role } = stateOf(esc.machine, esc.config);
  throw new Error(`not done after ${MOST_STEPS} steps; it is ${role} in ${esc.config.state}`);
}

/** A load as a whole: what hands change on the model and its radio, round what is stored in the ESC. */
import type { EscProfile, StopByItem } from '../esc/profile';
import type { Rig } from '../rig/rig';
import { HAND_VALUES, withHandValues, type HandChange } from '../rig/handValues';
import type { Change } from '../sheet/draft';
import { inSafeOrder, storedAfter, type SafeOrder } from './safeOrder';

export interface WholeLoad extends SafeOrder {
  /** Done before the ESC has power. */
  before: HandChange[];
  /** Done when all is stored. */
  after: HandChange[];
}

export interface LoadToArrange {
  profile: EscProfile;
  /** As it is now. */
  rig: Rig;
  handChanges: readonly HandChange[];
  /** What the ESC holds, every item. */
  held: StopByItem;
  /** In the order that is the shortest. */
  changes: readonly Change[];
}

/**
 * Arranges a load so that at no time rig and ESC together are worse than both before and after: it may be broken off
 * anywhere. Usually what is on the model comes first, when nothing has power yet, and the radio last: the menu may be worked
 * by its stick, and was planned with the end points that it has now. A propeller comes behind all of it. Where that is worse on the way, everything by hand
 * comes behind what is stored, or before it.
 * @param hazardsOf what is dangerous about a rig with such a set of stops, a sentence each
 */
export function arrangeLoad(
  { profile, rig, handChanges, held, changes }: LoadToArrange,
  hazardsOf: (rig: Rig, stops: StopByItem) => readonly string[],
): WholeLoad {
  const last = handChanges.filter(({ key }) => HAND_VALUES[key].comesLast);
  const movable = handChanges.filter(({ key }) => !HAND_VALUES[key].comesLast);
  const ofModel = movable.filter(({ key }) => HAND_VALUES[key].onModel);
  const ofRadio = movable.filter(({ key }) => !HAND_VALUES[key].onModel);
  // Between before and after there is nothing: what is dangerous need not be driven for it.
  if (changes.length + handChanges.length < 2)
    return { changes: [...changes], before: ofModel, after: [...ofRadio, ...last], worseOnTheWay: undefined };
  const target = storedAfter(profile, held, changes);
  const allowed = new Set([...hazardsOf(rig, held), ...hazardsOf(withChanges(rig, handChanges), target)]);

  const arranged = (before: readonly HandChange[], after: readonly HandChange[]): WholeLoad => {
    const meanwhile = withChanges(rig, before);
    const order = inSafeOrder(profile, held, changes, (stops) => hazardsOf(meanwhile, stops), allowed);
    // Between the hands' part and the ESC's, too.
    const atTheSeams = [...hazardsOf(meanwhile, held), ...hazardsOf(meanwhile, target)];
    return {
      ...order,
      before: [...before],
      after: [...after],
      worseOnTheWay: atTheSeams.find((hazard) => !allowed.has(hazard)) ?? order.worseOnTheWay,
    };
  };
  const usual = arranged(ofModel, [...ofRadio, ...last]);
  if (usual.worseOnTheWay === undefined || handChanges.length === 0) return usual;
  const others = [arranged([], [...movable, ...last]), arranged(movable, last)];
  return others.find(({ worseOnTheWay }) => worseOnTheWay === undefined) ?? usual;
}

const withChanges = (rig: Rig, changes: readonly HandChange[]): Rig =>
  withHandValues(rig, Object.fromEntries(changes.map(({ key, to }) => [key, to])));

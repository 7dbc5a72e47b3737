/** A set-up for an event: what it changes is put back afterwards. */
import { withTemporary } from '../advice/temporary';
import type { Goals } from '../advice/goals';
import { hasStop, type EscProfile } from '../esc/profile';
import { fittingSetUp, type SetUp } from '../setUps/setUp';
import type { Holdings } from '../sheet/evidence';

export interface ForEvent {
  temporary: Goals['temporary'];
  /** Labels of items whose value nobody knows for certain: they could not be put back. */
  unsure: string[];
}

/**
 * Marks what a set-up changes as meant until a day. A value that is for an event already goes back to what it was before that.
 * @param until YYYY-MM-DD @param since ISO 8601
 */
export function forEvent(
  profile: EscProfile,
  holdings: Holdings,
  temporary: Goals['temporary'],
  setUp: Pick<SetUp, 'values' | 'profileId'>,
  until: string,
  since: string,
): ForEvent {
  const { stops } = fittingSetUp(profile, setUp);
  const unsure: string[] = [];
  let marked = temporary;
  for (const item of profile.items) {
    const wanted = stops[item.id];
    const held = holdings[item.id];
    if (wanted === undefined || held?.stopId === wanted) continue;
    const before = temporary[item.id];
    const isOut = before !== undefined && before.stopId === held?.stopId;
    const returnsTo = isOut ? before.returnsToStopId : held?.stopId;
    if (!returnsTo || !hasStop(item, returnsTo) || held?.basis === 'assumedFactory') {
      unsure.push(item.label);
      continue;
    }
    if (returnsTo !== wanted) marked = withTemporary(marked, item, wanted, returnsTo, until, since);
  }
  return { temporary: marked, unsure };
}

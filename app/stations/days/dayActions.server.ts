import type { Day } from '#core/days/day';
import { forEvent } from '#core/days/forEvent';
import { heatsInOrder } from '#core/days/raceSchedule';
import { localDate } from '#core/days/zoned';
import { toPutBack } from '#core/advice/temporary';
import { draftFromSetUp } from '#core/setUps/setUp';
import { holdingsOf } from '#core/sheet/evidence';
import { fittingDraft, moveDraft, type Draft } from '#core/sheet/draft';
import { saveDraft } from '#server/repositories/drafts';
import { findBench, keepGoals, type Bench } from '#server/repositories/rigs';
import { findSetUp } from '#server/repositories/setUps';

/** The last day of a race day: heats past midnight are of it. */
export function lastDate(day: Day): string {
  if (day.kind === 'test') return day.date;
  const last = heatsInOrder(day).at(-1);
  return last ? localDate(last.to, day.timeZone) : day.date;
}

/**
 * Drafts a set-up for an event, and marks what it changes to be put back.
 * @returns why not, in a sentence
 */
export async function draftForEvent(
  garageId: string,
  day: Day,
  rigId: string,
  setUpId: string,
): Promise<string | undefined> {
  const bench = await findBench(garageId, rigId);
  const setUp = await findSetUp(rigId, setUpId);
  if (!bench || !setUp) return 'That rig or set-up is no longer there.';
  const { profile, rig, goals } = bench;
  const holdings = holdingsOf(profile, bench.observations);
  const since = new Date().toISOString();
  const { temporary, unsure } = forEvent(
    profile,
    holdings,
    goals.temporary,
    setUp.setUp,
    lastDate(day),
    since,
  );
  if (unsure.length > 0)
    return `Nobody knows for certain what the ESC of ${rig.name} holds for ${unsure.join(', ')}: it could not be put back. Open “What the ESC holds” on this rig and read it first.`;
  await keepGoals(garageId, rigId, { ...goals, temporary });
  return keepDraft(bench, draftFromSetUp(profile, holdings, rig, setUp.setUp));
}

/** Drafts what the values of an event go back to. @returns why not, in a sentence */
export async function draftPutBack(garageId: string, rigId: string): Promise<string | undefined> {
  const bench = await findBench(garageId, rigId);
  if (!bench) return 'That rig is no longer there.';
  const { profile, goals } = bench;
  const holdings = holdingsOf(profile, bench.observations);
  const draft = toPutBack(goals.temporary, profile, holdings).reduce(
    (next, { item, returnsTo }) => moveDraft(next, holdings, item.id, returnsTo.id),
    fittingDraft(profile, bench.draft),
  );
  return keepDraft(bench, { ...draft, setUpId: null });
}

async function keepDraft({ rigId, draftRevision }: Bench, draft: Draft): Promise<string | undefined> {
  const saved = await saveDraft(rigId, draftRevision, draft);
  return saved.saved ? undefined : 'Somebody moved the draft of this rig just now. Try again.';
}

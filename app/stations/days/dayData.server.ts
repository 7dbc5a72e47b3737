import { rigsOfDay, type Day } from '#core/days/day';
import { breachesOf } from '#core/rig/eventRules';
import type { Question } from '#core/runs/question';
import { believedStops, holdingsOf } from '#core/sheet/evidence';
import { toPutBack } from '#core/advice/temporary';
import { currentGarage } from '#server/repositories/garages';
import { askedOf } from '#server/repositories/asked';
import { findDay, runsForQuestions, type StoredDay } from '#server/repositories/days';
import { packLives } from '#server/repositories/packs';
import { findBench, findRigs } from '#server/repositories/rigs';
import { setUpsOf } from '#server/repositories/setUps';
import { data } from 'react-router';

/** @throws a 404 response where the garage has no such day */
export async function dayOf(dayId: string): Promise<StoredDay & { garageId: string }> {
  const garage = await currentGarage();
  const stored = await findDay(garage.id, dayId);
  if (!stored) throw data(null, { status: 404 });
  return { ...stored, garageId: garage.id };
}

/** A rig as a day has it. */
export type DayRig = NonNullable<Awaited<ReturnType<typeof rigOfDay>>>;

export async function rigOfDay(garageId: string, rigId: string) {
  const bench = await findBench(garageId, rigId);
  if (!bench) return undefined;
  const { rig, profile, goals, memory, observations, rules } = bench;
  const [asked, setUps] = await Promise.all([askedOf(rigId), setUpsOf(rigId)]);
  const holdings = holdingsOf(profile, observations);
  const believed = believedStops(profile, holdings);
  return {
    rigId,
    rig,
    profile,
    goals,
    range: memory.range,
    believed,
    questions: asked.flatMap(({ asked: one, isClosed }) =>
      one.kind === 'compare' && !isClosed ? [one satisfies Question] : [],
    ),
    setUps: setUps.filter(({ archived }) => !archived).map(({ setUp }) => setUp),
    rulesName: rules?.name,
    breaches: rules ? breachesOf(rules, rig, profile, believed).map(({ sentence }) => sentence) : [],
    toPutBack: toPutBack(goals.temporary, profile, holdings).map(({ item, returnsTo, until, how }) => ({
      label: item.label,
      returnsTo: returnsTo.label,
      until,
      how,
    })),
  };
}

/** Everything that the page of a day shows and plans with. */
export async function dayView(garageId: string, day: Day) {
  const rigIds = rigsOfDay(day).concat(day.kind === 'race' ? day.prepared.map(({ rigId }) => rigId) : []);
  const [rigs, packs, all] = await Promise.all([
    Promise.all([...new Set(rigIds)].map((rigId) => rigOfDay(garageId, rigId))),
    packLives(garageId),
    findRigs(garageId),
  ]);
  const questionIds = day.kind === 'test' ? day.questions.map(({ questionId }) => questionId) : [];
  const runs = await runsForQuestions(garageId, questionIds);
  return {
    rigs: rigs.filter((rig) => rig !== undefined),
    packs,
    rigNames: all.map(({ rigId, rig: { name } }) => ({ rigId, name })),
    runs: runs.map(({ pack, ...run }) => ({
      ...run,
      packId: packs.find((one) => one.pack.label.toLowerCase() === pack.toLowerCase())?.pack.id ?? null,
    })),
    now: Date.now(),
  };
}

export type DayViewData = Awaited<ReturnType<typeof dayView>>;

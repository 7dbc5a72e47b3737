/**
 * Every plan there is, one after the other, for days so small that it can be done. It shares nothing with the planner but the
 * description of a day: runs and charges in any order, each as soon as it can be.
 */
import { loadMinutes, type DayProblem } from './dayProblem';

/** What decides, the first first: minus the answered of each importance, the first answer, the end, the loads. */
export type Score = number[];

interface At {
  driver: number;
  cool: Map<string, number>;
  held: Map<string, string>;
  open: Map<string, string | undefined>;
  driven: Map<string, number>;
  ownPack: Map<string, string | null>;
  charged: Map<string, boolean>;
  ready: Map<string, number>;
  chargers: number[];
  loads: number;
  firstAnswer: Map<number, number>;
  charges: [number, number][];
  runs: [number, number][];
  /** Packs that lie as they were found. */
  found: Set<string>;
}

export function bestByBruteForce(problem: DayProblem): Score {
  let best: Score | undefined;
  const levels = [...new Set(problem.questions.map(({ importance }) => importance))].sort((a, b) => a - b);
  const keep = (score: Score): void => {
    const place = best ? score.findIndex((value, n) => value !== best![n]) : 0;
    if (!best || (place !== -1 && score[place]! < best[place]!)) best = score;
  };
  const finish = (at: At): void => {
    for (const { id, runs } of problem.questions)
      if (at.driven.get(id)! > 0 && at.driven.get(id)! < runs.length) return;
    let { driver, loads } = at;
    for (const { id, returnsTo } of problem.rigs)
      if (at.held.get(id) !== returnsTo) {
        driver += loadMinutes(problem.loads, id, at.held.get(id)!, returnsTo);
        loads += 1;
      }
    if (driver > problem.endsAt) return;
    const counts = levels.map(
      (level) =>
        -problem.questions.filter(
          (one) => one.importance === level && at.driven.get(one.id) === one.runs.length,
        ).length,
    );
    const top = levels.find((_, n) => counts[n]! < 0);
    keep([...counts, top === undefined ? 0 : at.firstAnswer.get(top)!, driver, loads]);
  };
  const visit = (at: At): void => {
    if (at.driver > problem.endsAt) return;
    finish(at);
    for (const pack of problem.packs) {
      if (at.charged.get(pack.id)) continue;
      for (const charger of at.chargers.keys()) {
        if (at.chargers.indexOf(at.chargers[charger]!) !== charger) continue;
        let from = Math.max(at.ready.get(pack.id)!, at.chargers[charger]!);
        const minutes = at.found.has(pack.id) ? pack.firstChargeMinutes : pack.chargeMinutes;
        if (!problem.chargersWatched) from = after(at.runs, from, minutes);
        const to = from + minutes;
        if (to > problem.endsAt) continue;
        visit({
          ...at,
          charged: new Map(at.charged).set(pack.id, true),
          ready: new Map(at.ready).set(pack.id, to),
          chargers: at.chargers.map((free, n) => (n === charger ? to : free)),
          charges: [...at.charges, [from, to]],
        });
      }
    }
    for (const question of problem.questions) {
      const { id, rigId, runs, runMinutes, onePack } = question;
      const open = at.open.get(rigId);
      const driven = at.driven.get(id)!;
      if (driven === runs.length || (open !== undefined && open !== id)) continue;
      for (const pack of problem.packs) {
        if (!pack.fits.includes(rigId) || !at.charged.get(pack.id)) continue;
        const own = at.ownPack.get(id);
        if (onePack && own && own !== pack.id) continue;
        const { holds } = runs[driven]!;
        const load = loadMinutes(problem.loads, rigId, at.held.get(rigId)!, holds);
        let from = Math.max(
          at.driver + load + problem.swapMinutes,
          at.cool.get(rigId)!,
          at.ready.get(pack.id)!,
        );
        if (!problem.chargersWatched) from = after(at.charges, from, runMinutes);
        const to = from + runMinutes;
        const driver = to + problem.noteMinutes;
        const isLast = driven + 1 === runs.length;
        const firstAnswer = new Map(at.firstAnswer);
        if (isLast && !firstAnswer.has(question.importance)) firstAnswer.set(question.importance, driver);
        visit({
          ...at,
          driver,
          cool: new Map(at.cool).set(rigId, to + problem.rigs.find((one) => one.id === rigId)!.coolMinutes),
          held: new Map(at.held).set(rigId, holds),
          open: new Map(at.open).set(rigId, isLast ? undefined : id),
          driven: new Map(at.driven).set(id, driven + 1),
          ownPack: new Map(at.ownPack).set(id, pack.id),
          charged: new Map(at.charged).set(pack.id, false),
          ready: new Map(at.ready).set(pack.id, to + pack.restMinutes),
          loads: at.loads + (at.held.get(rigId) === holds ? 0 : 1),
          firstAnswer,
          runs: [...at.runs, [from, to]],
          found: new Set([...at.found].filter((one) => one !== pack.id)),
        });
      }
    }
  };
  visit({
    driver: problem.startsAt,
    cool: new Map(problem.rigs.map(({ id, coolAt }) => [id, coolAt])),
    held: new Map(problem.rigs.map(({ id, holds }) => [id, holds])),
    open: new Map(problem.questions.filter(({ isBegun }) => isBegun).map(({ id, rigId }) => [rigId, id])),
    driven: new Map(problem.questions.map(({ id }) => [id, 0])),
    ownPack: new Map(problem.questions.map(({ id, begunWith }) => [id, begunWith])),
    charged: new Map(problem.packs.map(({ id, isCharged }) => [id, isCharged])),
    ready: new Map(problem.packs.map(({ id, readyAt }) => [id, Math.max(readyAt, problem.startsAt)])),
    chargers: problem.chargers.map((free) => Math.max(free, problem.startsAt)),
    loads: 0,
    firstAnswer: new Map(),
    charges: [],
    runs: [],
    found: new Set(problem.packs.map(({ id }) => id)),
  });
  return best!;
}

function after(spans: readonly [number, number][], earliest: number, minutes: number): number {
  let from = earliest;
  for (;;) {
    const met = spans.find(([start, end]) => start < from + minutes && from < end);
    if (!met) return from;
    from = met[1];
  }
}

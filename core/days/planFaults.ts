/** What a plan breaks of the limits that are never broken. It looks at the finished plan only, and knows nothing of how one is made. */
import { loadMinutes, type DayProblem, type Minute, type PlannedStep } from './dayProblem';

type Of<K extends PlannedStep['kind']> = Extract<PlannedStep, { kind: K }>;
const only = <K extends PlannedStep['kind']>(steps: readonly PlannedStep[], kind: K): Of<K>[] =>
  steps.filter((step): step is Of<K> => step.kind === kind);

/** Everything that is wrong with a plan, a sentence each; empty where nothing is. */
export function planFaults(problem: DayProblem, steps: readonly PlannedStep[]): string[] {
  return [
    ...outsideTheDay(problem, steps),
    ...twoAtOnce(problem, steps),
    ...hotMotors(problem, steps),
    ...packsNotReady(problem, steps),
    ...wrongValues(problem, steps),
    ...halfAnswered(problem, steps),
  ];
}

/** Where there is nothing left to drive, what was loaded is put back however late it is. */
function outsideTheDay({ startsAt, endsAt }: DayProblem, steps: readonly PlannedStep[]): string[] {
  const isOver = only(steps, 'run').length === 0;
  return steps
    .filter(
      ({ kind, from, to }) => from < startsAt || to < from || (kind !== 'charge' && to > endsAt && !isOver),
    )
    .map(({ kind, from, to }) => `a ${kind} from ${from} to ${to} is outside of the day`);
}

/** The driver does one thing at a time, a charger charges one pack, and nobody charges alone where nobody watches. */
function twoAtOnce(problem: DayProblem, steps: readonly PlannedStep[]): string[] {
  const charges = only(steps, 'charge');
  const runs = only(steps, 'run').map(({ from, to }) => ({
    from: from - problem.swapMinutes,
    to: to + problem.noteMinutes,
  }));
  const loads = only(steps, 'load');
  const chargers = problem.chargers.map((_, n) => charges.filter(({ charger }) => charger === n));
  const unwatched = problem.chargersWatched
    ? []
    : only(steps, 'run').flatMap((run) =>
        charges
          .filter((charge) => meets(run, charge))
          .map(() => `a pack charges alone during the run at ${run.from}`),
      );
  return [
    ...overlaps([...runs, ...loads], 'the driver does two things'),
    ...chargers.flatMap((ofOne, n) => overlaps(ofOne, `charger ${n} has two packs`)),
    ...charges
      .filter(({ charger, from }) => !(from >= (problem.chargers[charger] ?? Infinity)))
      .map(({ charger }) => `charger ${charger} is not free`),
    ...unwatched,
  ];
}

const meets = (a: { from: Minute; to: Minute }, b: { from: Minute; to: Minute }): boolean =>
  a.from < b.to && b.from < a.to;

function overlaps(all: readonly { from: Minute; to: Minute }[], sentence: string): string[] {
  const inOrder = all.toSorted((a, b) => a.from - b.from || a.to - b.to);
  return inOrder.flatMap((one, n) => {
    const next = inOrder[n + 1];
    return next && meets(one, next) ? [`${sentence} at ${next.from}`] : [];
  });
}

function hotMotors({ rigs }: DayProblem, steps: readonly PlannedStep[]): string[] {
  return rigs.flatMap(({ id, coolAt, coolMinutes }) => {
    let cool = coolAt;
    return only(steps, 'run')
      .filter(({ rigId }) => rigId === id)
      .flatMap(({ from, to }) => {
        const isHot = from < cool;
        cool = to + coolMinutes;
        return isHot ? [`${id} is driven hot at ${from}`] : [];
      });
  });
}

function packsNotReady({ packs, rigs }: DayProblem, steps: readonly PlannedStep[]): string[] {
  return packs.flatMap((pack) => {
    let { isCharged, readyAt } = pack;
    let isAsFound = true;
    const faults: string[] = [];
    const own = steps.filter((step) => step.kind !== 'load' && step.packId === pack.id);
    for (const step of own.toSorted((a, b) => a.from - b.from)) {
      if (step.from < readyAt) faults.push(`${pack.id} is not ready at ${step.from}`);
      if (step.kind === 'charge') {
        if (step.to - step.from < (isAsFound ? pack.firstChargeMinutes : pack.chargeMinutes))
          faults.push(`${pack.id} is not full at ${step.to}`);
        isCharged = true;
        readyAt = step.to;
      } else if (step.kind === 'run') {
        if (!isCharged) faults.push(`${pack.id} is not charged at ${step.from}`);
        if (!pack.fits.includes(step.rigId) || !rigs.some(({ id }) => id === step.rigId))
          faults.push(`${pack.id} does not fit ${step.rigId}`);
        isCharged = false;
        isAsFound = false;
        readyAt = step.to + pack.restMinutes;
      }
    }
    return faults;
  });
}

/** Each run is driven with the values of its side, and every ESC ends as it is to end. */
function wrongValues({ rigs, loads, questions }: DayProblem, steps: readonly PlannedStep[]): string[] {
  return rigs.flatMap(({ id, holds, returnsTo }) => {
    let held = holds;
    const faults: string[] = [];
    const driven: Record<string, number> = {};
    for (const step of steps) {
      if (step.kind === 'charge' || step.rigId !== id) continue;
      if (step.kind === 'load') {
        if (step.to - step.from < loadMinutes(loads, id, held, step.holds))
          faults.push(`the load of ${id} at ${step.from} is too short`);
        held = step.holds;
        continue;
      }
      const place = driven[step.questionId] ?? 0;
      driven[step.questionId] = place + 1;
      const meant = questions.find((one) => one.id === step.questionId)?.runs[place];
      if (meant?.holds !== held || meant.side !== step.side)
        faults.push(`run ${step.side} of ${step.questionId} at ${step.from} has ${held}`);
    }
    return held === returnsTo ? faults : [...faults, `${id} is left with ${held}`];
  });
}

/** A question is driven to its end, on one pack where it asks for that, and with no other of its rig in between. */
function halfAnswered({ questions }: DayProblem, steps: readonly PlannedStep[]): string[] {
  const runs = only(steps, 'run');
  return questions.flatMap(({ id, runs: meant, onePack, begunWith, rigId }) => {
    const own = runs.filter(({ questionId }) => questionId === id);
    if (own.length === 0) return [];
    const packs = new Set([...own.map(({ packId }) => packId), ...(begunWith === null ? [] : [begunWith])]);
    const between = runs.filter(
      (run) =>
        run.rigId === rigId && run.questionId !== id && run.from > own[0]!.from && run.to < own.at(-1)!.to,
    );
    return [
      ...(own.length === meant.length ? [] : [`${id} is not driven to its end`]),
      ...(onePack && packs.size > 1 ? [`${id} is driven on several packs`] : []),
      ...(between.length > 0 ? [`${id} is broken off`] : []),
    ];
  });
}

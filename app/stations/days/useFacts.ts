import type { RigFacts, TestDay } from '#core/days/day';
import type { Minute } from '#core/days/dayProblem';
import { minuteOf } from '#core/days/zoned';
import type { StopByItem } from '#core/esc/profile';
import type { Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { DaysWorker } from '../../workers/days.worker';
import type { DayRig } from './dayData.server';

/**
 * Works out of each model what the plan has to know, whenever its questions change, and saves it with the day.
 * @returns what could not be worked out, a sentence each
 */
export function useFacts(
  worker: Remote<DaysWorker> | undefined,
  day: TestDay,
  rigs: readonly DayRig[],
  now: Minute,
  save: (facts: RigFacts[]) => void,
): { isWorking: boolean; faults: string[] } {
  const [state, setState] = useState<{ of: string; faults: string[]; isWorking: boolean }>();
  const hasBegun = now >= (minuteOf(day.startsAt, day.timeZone) ?? Infinity);
  const key = JSON.stringify([
    day.questions,
    day.airCelsius,
    hasBegun ? [] : rigs.map(({ believed }) => believed),
  ]);
  const isThere = rigs.every((rig) => isFresh(day, rig, hasBegun));
  useEffect(() => {
    if (!worker || isThere || state?.of === key) return;
    const work = async (): Promise<void> => {
      setState({ of: key, faults: [], isWorking: true });
      const found: RigFacts[] = [];
      const faults: string[] = [];
      for (const rig of rigs) {
        const own = day.questions.filter(({ rigId }) => rigId === rig.rigId);
        if (own.length === 0) continue;
        const facts = await worker.facts({
          rigId: rig.rigId,
          on: rig,
          memory: {
            stops: { ...rig.believed, ...(hasBegun ? keptFor(day, rig.rigId) : {}) },
            range: rig.range,
          },
          questions: own.flatMap(({ questionId }) => rig.questions.filter(({ id }) => id === questionId)),
          runMinutes: longestRun(own),
          airCelsius: day.airCelsius,
        });
        if (typeof facts === 'string') faults.push(`${rig.rig.name}: ${facts}`);
        else found.push(facts);
      }
      setState({ of: key, faults, isWorking: false });
      if (faults.length === 0) save(found);
    };
    void work();
  }, [worker, isThere, key, state?.of, rigs, day, hasBegun, save]);
  return { isWorking: state?.isWorking ?? false, faults: state?.faults ?? [] };
}

/** Once the day has begun, an ESC holds what is being tried: what it goes back to stays as it was. */
const keptFor = ({ facts }: TestDay, rigId: string): StopByItem =>
  facts.find((one) => one.rigId === rigId)?.returnsTo ?? {};

/** Whether the facts of a rig are those of its present questions, and until the day begins, of what its ESC holds. */
function isFresh(
  { questions, facts, airCelsius }: TestDay,
  { rigId, believed, questions: asked }: DayRig,
  hasBegun: boolean,
): boolean {
  const own = questions.filter((one) => one.rigId === rigId);
  if (own.length === 0) return true;
  const known = facts.find((one) => one.rigId === rigId);
  return (
    known !== undefined &&
    known.airCelsius === airCelsius &&
    known.runMinutes === longestRun(own) &&
    // One that was closed since is asked no more, and needs no facts.
    own
      .filter(({ questionId }) => asked.some(({ id }) => id === questionId))
      .every(({ questionId }) => known.questionIds.includes(questionId)) &&
    (hasBegun || Object.entries(known.returnsTo).every(([itemId, stopId]) => believed[itemId] === stopId))
  );
}

const longestRun = (questions: TestDay['questions']): number =>
  Math.max(...questions.map(({ runMinutes }) => runMinutes));

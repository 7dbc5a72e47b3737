import type { RigFacts, TestDay } from '#core/days/day';
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
  save: (facts: RigFacts[]) => void,
): { isWorking: boolean; faults: string[] } {
  const [state, setState] = useState<{ of: string; faults: string[]; isWorking: boolean }>();
  const key = JSON.stringify([day.questions, day.airCelsius]);
  const isThere = rigs.every((rig) => isFresh(day, rig.rigId));
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
          memory: { stops: rig.believed, range: rig.range },
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
  }, [worker, isThere, key, state?.of, rigs, day, save]);
  return { isWorking: state?.isWorking ?? false, faults: state?.faults ?? [] };
}

/** Whether the facts of a rig are those of its present questions. */
function isFresh({ questions, facts, airCelsius }: TestDay, rigId: string): boolean {
  const own = questions.filter((one) => one.rigId === rigId);
  if (own.length === 0) return true;
  const known = facts.find((one) => one.rigId === rigId);
  return (
    known !== undefined &&
    known.airCelsius === airCelsius &&
    known.runMinutes === longestRun(own) &&
    own.length === known.questionIds.length &&
    own.every(({ questionId }) => known.questionIds.includes(questionId))
  );
}

const longestRun = (questions: TestDay['questions']): number =>
  Math.max(...questions.map(({ runMinutes }) => runMinutes));

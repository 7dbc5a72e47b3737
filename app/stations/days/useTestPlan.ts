import type { DayPlan, DayProblem, Minute } from '#core/days/dayProblem';
import type { Dropped } from '#core/days/planReasons';
import { testDayProblem, type DayNow } from '#core/days/testDayProblem';
import type { Remote } from 'comlink';
import { startTransition, useEffect, useMemo, useState } from 'react';
import type { DaysWorker } from '../../workers/days.worker';

/** So late, a plan is made anew. */
const LATE_MINUTES = 3;

export interface Planned {
  plan: DayPlan;
  dropped: Dropped[];
  /** When it was made. */
  at: Minute;
}

/**
 * The plan of a test day. It stands until something happens: a run, a pack, a skip; or until its next step is late. Then the
 * rest is planned anew.
 */
export function useTestPlan(
  worker: Remote<DaysWorker> | undefined,
  facts: Omit<DayNow, 'now'>,
  now: Minute,
): Planned | undefined {
  const [planned, setPlanned] = useState<Planned & { of: string }>();
  const key = useMemo(() => JSON.stringify(facts), [facts]);
  const isLate = planned !== undefined && planned.of === key && lateIn(planned.plan, now);
  useEffect(() => {
    if (!worker || (planned?.of === key && !isLate)) return undefined;
    let isLeft = false;
    const problem = problemAt(JSON.parse(key) as Omit<DayNow, 'now'>, now);
    if (!problem) return undefined;
    void worker.plan(problem).then((found) => {
      if (!isLeft) startTransition(() => setPlanned({ ...found, at: now, of: key }));
    });
    return () => {
      isLeft = true;
    };
  }, [worker, key, isLate, now, planned?.of]);
  return planned;
}

/** @returns undefined where a load has no time yet: the facts are being worked out */
function problemAt(facts: Omit<DayNow, 'now'>, now: Minute): DayProblem | undefined {
  try {
    return testDayProblem({ ...facts, now });
  } catch {
    return undefined;
  }
}

/** What should have begun by now and did not: what was done is no longer in the plan. */
const lateIn = ({ steps }: DayPlan, now: Minute): boolean =>
  steps.some(({ from }) => now - from >= LATE_MINUTES);

import type { Situation } from '#core/advice/verdicts/verdict';
import type { Rehearsal } from '#core/rehearsal/rehearsal';
import type { Report } from '#core/rehearsal/report';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { RehearseWorker } from '../../workers/rehearse.worker';

/** What is said of a rehearsal that is over, worked out in a thread of its own; undefined while it is. */
export function useReport(ended: Rehearsal | undefined, situation: Situation): Report | undefined {
  const [report, setReport] = useState<{ of: Rehearsal; report: Report }>();
  useEffect(() => {
    if (!ended) return undefined;
    const thread = new Worker(new URL('../../workers/rehearse.worker.ts', import.meta.url), {
      type: 'module',
    });
    const { lesson, bench, moments } = ended;
    void wrap<RehearseWorker>(thread)
      .report({ lesson, bench, moments }, situation)
      .then((made) => {
        setReport({ of: ended, report: made });
        thread.terminate();
      });
    return () => thread.terminate();
  }, [ended, situation]);
  return report?.of === ended ? report?.report : undefined;
}

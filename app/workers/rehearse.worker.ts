/** Judges a rehearsal beside the page: each stroke is planned again, and the model driven for what a slip would do. */
import type { Situation } from '#core/advice/verdicts/verdict';
import type { Rehearsal } from '#core/rehearsal/rehearsal';
import { reportOf, type Report } from '#core/rehearsal/report';
import { expose } from 'comlink';

const worker = {
  report: (rehearsal: Omit<Rehearsal, 'troubles'>, situation: Situation): Report =>
    reportOf(rehearsal, situation),
};

export type RehearseWorker = typeof worker;

expose(worker);

import { standingOf, type StandingFacts } from '#core/advice/standing';
import { drivenSoFar, type DrivenCases } from '#core/advice/verdicts/driven';
import type { Verdict } from '#core/advice/verdicts/verdict';
import { expose } from 'comlink';

const worker = {
  /** Drives the model for all verdicts, and hands over them and what was driven: the page need not do it again. */
  drive(facts: StandingFacts): { verdicts: Verdict[]; driven: DrivenCases } {
    const { verdicts } = standingOf(facts);
    return { verdicts, driven: drivenSoFar(facts.rig, facts.profile) };
  },
};

export type VerdictsWorker = typeof worker;

expose(worker);

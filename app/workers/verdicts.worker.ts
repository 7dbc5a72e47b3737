import { standingOf, type StandingFacts } from '#core/advice/standing';
import { drivenSoFar, type DrivenCases } from '#core/advice/verdicts/driven';
import { expose } from 'comlink';

const worker = {
  /** Drives the model for all verdicts, and hands over what was driven: the page need not do it again. */
  drive(facts: StandingFacts): DrivenCases {
    standingOf(facts);
    return drivenSoFar(facts.rig, facts.profile);
  },
};

export type VerdictsWorker = typeof worker;

expose(worker);

import type { RunFacts } from '../advice/stationStates';
import type { Trial } from './trial';

/** What the route line is told of a rig's runs. @param trial the change that is being tried, if any */
export const runFacts = (count: number, last: number, trial: Trial | undefined): RunFacts => ({
  count,
  last,
  tried: trial && {
    itemId: trial.itemId,
    stopId: trial.to.stopId,
    label: `${trial.itemLabel} ${trial.to.label}`,
    afterRun: trial.afterRun,
  },
});

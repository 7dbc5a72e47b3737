import type { DiagnosisFacts } from '#core/calibration/diagnosis';
import { lockedBy } from '#core/calibration/slips';
import { valueOf } from '#core/esc/profile';
import { escMachine } from '#core/procedure/escMachine';
import { useBench } from '../bench/BenchContext';
import { useChosenEsc } from './useEndpoints';

const WITH_REVERSE = ['forwardBrakeReverse', 'forwardReverse'];

/** What is known of the throttle of the model on the bench, for finding what is wrong with it. */
export function useDiagnosisFacts(): DiagnosisFacts {
  const { rig, profile, believed, calibrations, memory } = useBench();
  const { ranges, range, deadbandMicros } = useChosenEsc();
  const power = valueOf(profile, believed, 'forwardPower');
  const mode = valueOf(profile, believed, 'runningMode');
  return {
    rig,
    profile,
    range,
    ranges,
    deadbandMicros,
    calibrations,
    lockedBy: lockedBy(profile, escMachine(profile), { ...memory, stops: believed }),
    forwardPower: power?.kind === 'number' ? power.value / 100 : 1,
    hasReverse: mode?.kind !== 'choice' || WITH_REVERSE.includes(mode.choice),
  };
}

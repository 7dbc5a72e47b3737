import { lastOf, escNames, rangesOf } from '#core/calibration/escs';
import { deadbandOf } from '#core/physics/escChain';
import { useOutletContext, useSearchParams } from 'react-router';
import { useBench } from '../bench/BenchContext';

/** What a part of Endpoints may do with the frame round it. */
export interface EndpointsFrame {
  /** While both hands are busy, nothing but the step is shown. */
  setHandsBusy: (busy: boolean) => void;
}

export const useFrame = (): EndpointsFrame => useOutletContext<EndpointsFrame>();

/** The ESC that the address names, among those of the model, and what is known of its end points. */
export function useChosenEsc() {
  const { rig, profile, memory, calibrations, believed } = useBench();
  const [query] = useSearchParams();
  const names = escNames(rig);
  const asked = Number(query.get('esc') ?? 1);
  const escNumber = Number.isInteger(asked) && asked >= 1 && asked <= names.length ? asked : 1;
  const ranges = rangesOf(rig, profile, memory.range, calibrations);
  return {
    escNumber,
    names,
    name: names[escNumber - 1]!,
    ranges,
    range: ranges[escNumber - 1]!,
    last: lastOf(calibrations, escNumber),
    deadbandMicros: deadbandOf(profile, believed),
  };
}

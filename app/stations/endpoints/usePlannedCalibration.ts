import { factoryMemory, placeOnBench } from '#core/device/simulatedEsc';
import { planCalibration } from '#core/plan/calibrationPlan';
import type { Gesture } from '#core/plan/gestures';
import type { NoWay } from '#core/plan/search';
import { rangeOf, restMicros, type ThrottleChannel } from '#core/radio/pulse';
import { useMemo } from 'react';
import { useInBrowser } from '../../ui/useInBrowser';
import { useBench } from '../bench/BenchContext';

/** The whole calibration from an ESC that is off and a throttle at rest; undefined while it is not worked out yet. */
export function usePlannedCalibration(channel: ThrottleChannel): Gesture[] | NoWay | undefined {
  const { profile, memory } = useBench();
  const inBrowser = useInBrowser();
  return useMemo(() => {
    if (!inBrowser) return undefined;
    // A range that no radio sends, so that even an ESC that has learned this one is taught it once more.
    const taught = { ...memory, range: factoryMemory(profile).range };
    const { machine, config } = placeOnBench(profile, taught, restMicros(channel));
    return planCalibration(machine, config, rangeOf(channel));
  }, [inBrowser, profile, memory, channel]);
}

import { MEDIA, type HandMedium } from '#core/esc/media';
import { planLegs, type LoadPlan } from '#core/plan/loadPlan';
import type { NoWay } from '#core/plan/search';
import { legsOf } from '#core/plan/throughMenus';
import { escMachine } from '#core/procedure/escMachine';
import { initialConfig } from '#core/procedure/step';
import { rangeOf } from '#core/radio/pulse';
import type { Change } from '#core/sheet/draft';
import { useMemo } from 'react';
import { useInBrowser } from '../../ui/useInBrowser';
import { useBench } from '../bench/BenchContext';

/**
 * The whole load by one medium, from an ESC that is off and a throttle at rest.
 * @param changes in the order in which they are stored
 * @returns undefined while it is not worked out yet, and where no hand works the medium
 */
export function usePlannedLoad(
  medium: HandMedium | undefined,
  changes: Change[],
): LoadPlan | NoWay | undefined {
  const { profile, rig, memory } = useBench();
  const inBrowser = useInBrowser();
  return useMemo(() => {
    if (!medium || !inBrowser) return undefined;
    const machine = escMachine(profile);
    const stick = rangeOf(rig.channel);
    const start = initialConfig(machine, memory, stick.neutralMicros);
    const legs = legsOf(profile, memory.stops, changes, MEDIA[medium.family].showsStored);
    return planLegs(machine, start, legs, stick, medium.family);
  }, [medium, inBrowser, profile, rig.channel, memory, changes]);
}

import { SimulatedEscPanel } from '../../simulated/SimulatedEscPanel';
import { useSimulatedEsc } from '../../simulated/useSimulatedEsc';
import { rangeOf } from '#core/radio/pulse';
import { useBench } from '../bench/BenchContext';
import { LoadDeck, type LoadProps } from './LoadDeck';
import { useLoad } from './useLoad';

/** A load on the simulated ESC: what the hand does there moves the guide. */
export function SimulatedDeck({ intents, ...props }: LoadProps) {
  const { rig, profile, memory } = useBench();
  const load = useLoad(props.medium, intents);
  const { neutralMicros } = rangeOf(rig.channel);
  const bench = useSimulatedEsc(profile, memory, neutralMicros, load.onObserved);
  return (
    <LoadDeck
      {...props}
      load={load}
      esc={bench.esc}
      resting={bench.resting}
      beside={() => <SimulatedEscPanel bench={bench} channel={rig.channel} safe use={props.medium.family} />}
    />
  );
}

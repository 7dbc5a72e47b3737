import { rangeOf } from '#core/radio/pulse';
import { useState } from 'react';
import { SimulatedEscPanel } from '../../simulated/SimulatedEscPanel';
import { useSimulatedEsc } from '../../simulated/useSimulatedEsc';
import { useBench } from '../bench/BenchContext';
import { LoadDeck, type LoadProps } from './LoadDeck';
import { MishapPanel } from './MishapPanel';
import { RunItself } from './RunItself';
import { useLoad } from './useLoad';

/** A load on the simulated ESC: what the hand does there moves the guide, or the plan runs by itself. */
export function SimulatedDeck({ intents, ...props }: LoadProps) {
  const { rig, profile, memory } = useBench();
  const load = useLoad(props.medium, intents);
  const { neutralMicros } = rangeOf(rig.channel);
  const [running, setRunning] = useState(false);
  const bench = useSimulatedEsc(profile, memory, neutralMicros, load.onObserved, running);
  return (
    <LoadDeck
      {...props}
      load={load}
      esc={bench.esc}
      resting={bench.resting}
      beside={({ due, itemId, isShowing }) => (
        <>
          <RunItself
            bench={bench}
            due={due}
            counts={isShowing}
            running={running}
            onRun={setRunning}
            onCount={(flashes) => itemId !== undefined && load.onCounted(bench.esc, itemId, flashes)}
          />
          <SimulatedEscPanel bench={bench} channel={rig.channel} safe use={props.medium.family} />
        </>
      )}
      below={(due) => <MishapPanel bench={bench} due={due} session={load.session} />}
    />
  );
}

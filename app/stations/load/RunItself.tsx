import type { Gesture } from '#core/plan/gestures';
import { Pause, Play } from 'lucide-react';
import { useEffect, useEffectEvent } from 'react';
import type { Bench } from '../../simulated/useSimulatedEsc';
import { Button } from '../../ui/Button';

/** Between two steps, so that an eye can follow, ms. What they wait for takes no time. */
const STEP_MS = 900;

interface Props {
  bench: Bench;
  /** The step that is due, if the hand has one. */
  due: Gesture | undefined;
  /** Whether the ESC shows a value, and waits to be counted. */
  counts: boolean;
  running: boolean;
  onRun: (running: boolean) => void;
  onCount: (flashes: number) => void;
}

/** Lets the plan work the simulated ESC, faster than life: to see it done once before the hand does it. */
export function RunItself({ bench, due, counts, running, onRun, onCount }: Props) {
  const nothingLeft = !due && !counts;
  const step = useEffectEvent(() => {
    if (nothingLeft) onRun(false);
    else if (due) bench.play(due.inputs);
    else onCount(bench.esc.config.stopCursor + 1);
  });
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(step, STEP_MS);
    return () => clearInterval(timer);
  }, [running]);
  if (nothingLeft && !running) return null;
  return (
    <Button className="w-full" onClick={() => onRun(!running)}>
      {running ? (
        <Pause className="size-5" aria-hidden="true" />
      ) : (
        <Play className="size-5" aria-hidden="true" />
      )}
      {running ? 'Stop: I do the rest by hand' : 'Let the plan run by itself'}
    </Button>
  );
}

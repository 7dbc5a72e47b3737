import { escNames } from '#core/calibration/escs';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';

/** After one ESC of several: the next one that still has to be given something. */
export function NextEsc({ onNext }: { onNext: () => void }) {
  const { rig, leftByEsc, escNumber } = useBench();
  const next = leftByEsc.findIndex((count, place) => count > 0 && place + 1 !== escNumber);
  if (next === -1) return null;
  return (
    <Button look="main" onClick={onNext}>
      Continue with {escNames(rig)[next]}: {leftByEsc[next]} {leftByEsc[next] === 1 ? 'value' : 'values'}
    </Button>
  );
}

import { asksForThree, type EndPointFamily } from '#core/esc/media';
import { GAVE_UP, type NoWay } from '#core/plan/search';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';

/** Said where no way leads to a calibration with the radio as it is. */
export function CannotTeach({ why }: { why: NoWay }) {
  const { profile } = useBench();
  if (why === 'gaveUp') return <Notice grade="caution" title={GAVE_UP} />;
  return (
    <Notice grade="hazard" title="This radio cannot be learned.">
      <p>{unlearnable(profile.calibration)} Raise the end points to 100 % in the radio, and in this rig.</p>
    </Notice>
  );
}

/** Why no way leads to a calibration with this radio. */
function unlearnable(calibration: EndPointFamily): string {
  if (asksForThree(calibration))
    return `Its ends are closer than ${calibration.leastSpanMicros} µs to neutral, or reversed.`;
  return calibration.family === 'stickAtPowerOn'
    ? `Full up must send at least ${calibration.highFromMicros} µs and right down at most ${calibration.lowToMicros} µs. The direction must not be reversed.`
    : '';
}

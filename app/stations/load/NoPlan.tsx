import { GAVE_UP, type NoWay } from '#core/plan/search';
import { restMicros } from '#core/radio/pulse';
import { formatNumber } from '#core/units/format';
import { Link } from 'react-router';
import { useBench } from '../bench/BenchContext';

/** Why no plan leads into this ESC now, and what makes one. */
export function NoPlan({ why }: { why: NoWay }) {
  const { rigId, rig, profile, memory } = useBench();
  if (why === 'gaveUp') return <Said first={GAVE_UP} />;
  const { calibration } = profile;
  const to = (
    <Link className="underline" to={`/rigs/${rigId}/endpoints`}>
      Go to Endpoints
    </Link>
  );
  if (calibration.family !== 'none')
    return (
      <Said first="Calibrate its end points first.">
        It would not drive: your radio does not rest at the neutral it has learned. Its menu opens only after
        that. {to}
      </Said>
    );
  if (calibration.reason === 'digital')
    return (
      <Said first="Confirm on Endpoints that its range is set.">
        A flight controller or a link sets its rest position, and your radio sends another one. {to}
      </Said>
    );
  const micros = (pulse: number): string => `${formatNumber(pulse, 0)} µs`;
  return (
    <Said first="Match the radio to this ESC.">
      Its range is fixed. It starts to drive at {micros(memory.range.neutralMicros)}, and your radio rests at{' '}
      {micros(restMicros(rig.channel))}. Move the end point or trim in the radio until they match. Then type
      the new numbers on the Rig page.
    </Said>
  );
}

function Said({ first, children }: { first: string; children?: React.ReactNode }) {
  return (
    <>
      <p className="font-display text-2xl font-bold lg:text-3xl" data-testid="instruction">
        {first}
      </p>
      {children && <p className="mt-3 max-w-2xl text-lg">{children}</p>}
    </>
  );
}

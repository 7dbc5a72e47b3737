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
        It would not start to drive: what it has learned as rest is not where your radio rests. Its menu opens
        only then. {to}
      </Said>
    );
  if (calibration.reason === 'digital')
    return (
      <Said first="Say at Endpoints that its range is set.">
        A flight controller or a link sets it, and what it has for rest is not what your radio sends now. {to}
      </Said>
    );
  const micros = (pulse: number): string => `${formatNumber(pulse, 0)} µs`;
  return (
    <Said first="Bring the radio to where this ESC rests.">
      Its range is fixed: it starts to drive at {micros(memory.range.neutralMicros)}, and your radio rests at{' '}
      {micros(restMicros(rig.channel))}. Move end point or trim at the radio until they meet, and type the new
      numbers under Rig.
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

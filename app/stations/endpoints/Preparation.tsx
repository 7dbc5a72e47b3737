import type { EscProfile } from '#core/esc/profile';
import { formatNumber } from '#core/units/format';
import type { ThrottleChannel } from '#core/radio/pulse';
import { Check, Eye, TriangleAlert } from 'lucide-react';
import { Form, useNavigation } from 'react-router';
import { SafetyGate } from '../../simulated/SafetyGate';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';

interface Props {
  precaution: string | undefined;
  onPrecaution: (precaution: string) => void;
  onBegin: () => void;
}

/** Before a calibration: the model safe, the radio as the ESC should learn it. */
export function Preparation({ precaution, onPrecaution, onBegin }: Props) {
  const { rig, profile } = useBench();
  const lines = radioLines(rig.channel);
  const ready = lines.every((line) => line.right !== false);
  const saving = useNavigation().state !== 'idle';
  return (
    <div className="max-w-4xl px-5 py-6">
      <h1 className="text-3xl">Teach the ESC your {rig.channel.rest === 'centre' ? 'trigger' : 'stick'}</h1>
      <p className="mt-2 text-lg text-muted">
        {howItGoes(profile)} It takes a minute, here on the simulated ESC.
      </p>
      <div className="mt-6 grid items-start gap-6 lg:grid-cols-2">
        <SafetyGate kind={rig.vehicle.kind} chosen={precaution} onChoose={onPrecaution} />
        <section aria-labelledby="radio" className="rounded-sm border border-rule bg-sheet p-4">
          <h2 id="radio" className="text-xl">
            Prepare the radio
          </h2>
          <ul className="mt-2">
            {lines.map(({ what, why, right }) => (
              <li key={what} className="flex gap-3 border-t border-rule py-2 first:border-0">
                <LineMark right={right} />
                <span>
                  <strong>{what}</strong>
                  <span className="block text-sm text-muted">{why}</span>
                </span>
              </li>
            ))}
          </ul>
          {!ready && (
            <Form method="post" className="mt-3">
              <Button type="submit" disabled={saving}>
                Done: all at 100 %, trims at zero
              </Button>
            </Form>
          )}
        </section>
      </div>
      <div className="mt-6 flex flex-wrap items-center gap-4">
        <Button look="main" onClick={onBegin} disabled={precaution === undefined}>
          Begin calibrating
        </Button>
        {precaution === undefined && <p className="text-muted">Say first what makes the model safe.</p>}
        {precaution !== undefined && !ready && (
          <p className="max-w-md text-caution">
            The radio is not at full travel: the ESC would learn the smaller travel as full.
          </p>
        )}
      </div>
    </div>
  );
}

function LineMark({ right }: { right: boolean | undefined }) {
  const size = 'mt-0.5 size-6 shrink-0';
  if (right === undefined) return <Eye className={`${size} text-muted`} aria-label="look yourself" />;
  return right ? (
    <Check className={`${size} text-ok`} aria-label="as it should be" />
  ) : (
    <TriangleAlert className={`${size} text-caution`} aria-label="not yet" />
  );
}

function howItGoes({ name, calibration }: EscProfile): string {
  return calibration.family === 'keyConfirmed'
    ? `The ${name} learns three points, each confirmed with its ${calibration.keyName} key.`
    : `The ${name} learns two points: it is switched on with the stick all the way up, then the stick comes down within ${formatNumber(calibration.windowMs / 1000, 0)} s.`;
}

/** `right` is undefined for what only the user can see. */
function radioLines(channel: ThrottleChannel): { what: string; why: string; right: boolean | undefined }[] {
  const { forwardEndPointPercent: forward, brakeEndPointPercent: brake, subTrimMicros, trimMicros } = channel;
  const low = channel.rest === 'centre' ? 'brake' : 'low';
  return [
    {
      what: `End points at 100 % both ways${forward === 100 && brake === 100 ? '' : `: now ${forward} % forward, ${brake} % ${low}`}`,
      why: 'Lowered before calibrating, the smaller travel becomes full, and the limit is gone.',
      right: forward === 100 && brake === 100,
    },
    {
      what: `Trim and sub-trim at zero${subTrimMicros === 0 && trimMicros === 0 ? '' : `: now ${trimMicros} and ${subTrimMicros} µs`}`,
      why: 'Otherwise the ESC learns a neutral that is off, and one trim click makes the model creep.',
      right: subTrimMicros === 0 && trimMicros === 0,
    },
    {
      what: 'Right model memory, throttle hold and braking aids off',
      why: 'A held throttle never reaches full. Live Tune cannot see this: look yourself.',
      right: undefined,
    },
  ];
}

import { useState } from 'react';
import { SafetyGate } from '../../simulated/SafetyGate';
import { PulseRuler } from '../../ui/PulseRuler';
import { Scrollable } from '../../ui/Scrollable';
import { useBench } from '../bench/BenchContext';
import { LivePulse, useLivePulse } from './LivePulse';
import { TravelTestFindings } from './TravelTestFindings';
import { TravelTestForm } from './TravelTestForm';
import { useChosenEsc } from './useEndpoints';
import { useTravelTest } from './useTravelTest';

/** A minute on the bench: where the motor starts and tops out, neutral, reverse, fail-safe. */
export default function BenchTestPart() {
  const { escNumber } = useChosenEsc();
  return <TestOfEsc key={escNumber} />;
}

function TestOfEsc() {
  const { vehicle, channel } = useBench().rig;
  const { escNumber, range, deadbandMicros, names } = useChosenEsc();
  const [precaution, setPrecaution] = useState<string>();
  const live = useLivePulse(channel);
  const form = useTravelTest();
  const { found } = form;
  return (
    <div className="px-5 py-6">
      <h1 className="text-3xl">
        One minute on the bench{names.length > 1 ? `: ${names[escNumber - 1]!}` : ''}
      </h1>
      <p className="mt-1 max-w-3xl text-muted">
        Move the throttle slowly. Note the pulse, or the radio’s per cent, where each thing happens. This
        shows what the ESC really learned.
      </p>
      <div className="mt-4 max-w-4xl">
        <SafetyGate kind={vehicle.kind} chosen={precaution} onChoose={setPrecaution} />
      </div>
      {precaution === undefined ? (
        <p className="mt-3 text-muted">First choose what makes the model safe.</p>
      ) : (
        <>
          <div className="mt-4">
            <LivePulse live={live} channel={channel} range={range} deadbandMicros={deadbandMicros} />
          </div>
          <div className="mt-5 grid gap-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
            <TravelTestForm form={form} liveMicros={live.micros} />
            <TravelTestFindings form={form} />
          </div>
        </>
      )}
      <Scrollable label="Pulses" className="mt-5 grid gap-6 rounded-sm border border-rule bg-sheet p-4">
        <PulseRuler
          title="Believed"
          channel={channel}
          range={range}
          deadbandMicros={deadbandMicros}
          liveMicros={live.micros}
        />
        {found && (
          <PulseRuler
            title="As tested"
            channel={channel}
            range={found.range}
            deadbandMicros={found.deadbandMicros}
            liveMicros={live.micros}
          />
        )}
      </Scrollable>
    </div>
  );
}

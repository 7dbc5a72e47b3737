import { TEST_POINTS, type PulseUnit, type TestPoint } from '#core/calibration/travelTest';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';
import { FullSignal } from './FullSignal';
import type { TravelTestForm as Form } from './useTravelTest';

/** @param liveMicros what the radio sends now, where a game controller stands for it */
export function TravelTestForm({ form, liveMicros }: { form: Form; liveMicros: number | undefined }) {
  const { rig } = useBench();
  const { channel } = rig;
  const { choices, setChoices } = form;
  return (
    <section aria-label="Where things happen">
      <label className="flex items-center gap-3">
        Units
        <select
          value={form.unit}
          onChange={(event) => form.changeUnit(event.target.value as PulseUnit)}
          className={INPUT}
        >
          <option value="micros">µs</option>
          <option value="percent">radio’s %</option>
        </select>
      </label>
      <FullSignal className="mt-2 text-sm text-muted" />
      {form.points.map((point) => (
        <Point key={point} point={point} form={form} liveMicros={liveMicros} />
      ))}
      <Choice
        label="Still at rest"
        value={choices.quietAtNeutral}
        options={{ yes: 'quiet', no: 'creeps or hums' }}
        onChange={(quietAtNeutral) => setChoices({ ...choices, quietAtNeutral })}
      />
      {channel.rest === 'centre' && (
        <Choice
          label="Reverse"
          value={choices.reverseEntry}
          options={{
            atOnce: 'comes at once',
            afterStop: 'after a stop',
            doubleTap: 'at the second push',
            never: 'never',
          }}
          onChange={(reverseEntry) => setChoices({ ...choices, reverseEntry })}
        />
      )}
      <Choice
        label="Transmitter switched off at a little throttle"
        value={choices.failSafe}
        options={{ stops: 'the motor stops', runsOn: 'it keeps running' }}
        onChange={(failSafe) => setChoices({ ...choices, failSafe })}
      />
    </section>
  );
}

interface PointProps {
  point: TestPoint;
  form: Form;
  liveMicros: number | undefined;
}

function Point({ point, form, liveMicros }: PointProps) {
  const bad = form.unreadableBecause(point);
  return (
    <div className="border-b border-rule py-2">
      <div className="flex flex-wrap items-center gap-3">
        <label className="flex flex-1 basis-60 items-center justify-between gap-3">
          <span className="first-letter:uppercase">{TEST_POINTS[point]}</span>
          <input
            value={form.typed[point]}
            onChange={(event) => form.type(point, event.target.value)}
            inputMode="decimal"
            autoComplete="off"
            aria-invalid={bad !== undefined}
            className={`${INPUT} w-24 text-right`}
          />
        </label>
        {liveMicros !== undefined && (
          <Button
            aria-label={`Use current pulse for: ${TEST_POINTS[point]}`}
            onClick={() => form.take(point, liveMicros)}
          >
            Now
          </Button>
        )}
      </div>
      {bad && <p className="text-sm font-bold text-hazard">{bad}</p>}
    </div>
  );
}

interface ChoiceProps<T extends string> {
  label: string;
  value: T | null;
  options: Record<T, string>;
  onChange: (value: T | null) => void;
}

function Choice<T extends string>({ label, value, options, onChange }: ChoiceProps<T>) {
  return (
    <label className="flex flex-wrap items-center justify-between gap-3 border-b border-rule py-2">
      {label}
      <select
        value={value ?? ''}
        onChange={(event) => onChange((event.target.value || null) as T | null)}
        className={INPUT}
      >
        <option value="">not tried</option>
        {(Object.entries(options) as [T, string][]).map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

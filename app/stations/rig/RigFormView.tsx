import { CHEMISTRIES } from '#core/physics/pack';
import { fieldsOf, quantityAt, type RigField } from '#core/rig/fields';
import { kindOf, VEHICLE_CLASSES, type Rig, type VehicleClass } from '#core/rig/rig';
import { formatNumber } from '#core/units/format';
import type { Basis } from '#core/units/provenance';
import type { Problem } from '#core/units/problem';
import { useState, type ReactNode } from 'react';
import { Form, useNavigation } from 'react-router';
import { Button } from '../../ui/Button';
import { Problems } from '../../ui/Problems';
import { CHANNEL_FIELDS, MOST_BUS_LOADS, shownValue } from './rigForm';

interface Props {
  rig: Rig;
  profiles: { key: string; name: string; note: string }[];
  profileKey: string;
  problems: Problem[];
  submitLabel: string;
}

/** Everything that describes a rig. Each number says its unit, where it comes from, and why it is asked. */
export function RigFormView({ rig, profiles, profileKey, problems, submitLabel }: Props) {
  const sending = useNavigation().state !== 'idle';
  const problemAt = (name: string): string | undefined => problems.find((p) => p.path === name)?.sentence;
  const numbers = (part: string, advanced: boolean) =>
    fieldsOf(rig)
      .filter((f) => f.path.startsWith(part) && f.advanced === advanced)
      .map((f) => <QuantityRow key={f.path} field={f} rig={rig} problem={problemAt(f.path)} />);
  const channelRows = (keys: readonly string[]) =>
    CHANNEL_FIELDS.filter((f) => keys.includes(f.key)).map(({ key, label, unit, why }) => (
      <Row key={key} name={`channel.${key}`} label={label} why={why} problem={problemAt(`channel.${key}`)}>
        <NumberInput
          name={`channel.${key}`}
          value={formatNumber(rig.channel[key], 2)}
          unit={unit}
          problem={problemAt(`channel.${key}`)}
        />
      </Row>
    ));
  const seldom = ['centreMicros', 'travelMicros', 'stepMicros'];
  const often = CHANNEL_FIELDS.map((f) => f.key).filter((key) => !seldom.includes(key));

  return (
    <Form method="post" className="max-w-3xl px-5 py-6" noValidate>
      <Problems
        problems={problems.map((p) => ({ ...p, path: '' }))}
        title="Not saved yet. What you typed is kept."
      />

      <Part title="Model">
        <Row name="name" label="Name" why="What you call it." problem={problemAt('name')}>
          <input
            id="name"
            name="name"
            defaultValue={rig.name}
            className={`${INPUT} w-full max-w-72`}
            autoComplete="off"
            aria-invalid={problemAt('name') !== undefined}
          />
        </Row>
        <Row name="vehicleClass" label="Class" why="Decides which advice fits.">
          <Choice name="vehicleClass" value={rig.vehicleClass} options={classesLike(rig)} />
        </Row>
        {numbers('vehicle', false)}
        {rig.vehicle.kind === 'propeller' && (
          <Row name="folding" label="Blades" why="A propeller brake at stop is for blades that fold.">
            <Tick name="folding" checked={rig.vehicle.folding} label="fold back" />
          </Row>
        )}
        <More>{numbers('vehicle', true)}</More>
      </Part>

      <Part title="Motor">
        {numbers('motor', false)}
        <Row name="sensored" label="Sensor cable" why="Sensored motors start without stutter.">
          <Tick name="sensored" checked={rig.motor.sensored} label="has one" />
        </Row>
        <More>{numbers('motor', true)}</More>
      </Part>

      <Part title="Pack">
        <Row
          name="chemistry"
          label="Chemistry"
          why="Decides full and empty voltage. The wrong one is a fire hazard at the charger."
        >
          <Choice name="chemistry" value={rig.pack.chemistry} options={Object.entries(CHEMISTRIES)} />
        </Row>
        <Row
          name="cells"
          label="Cells in series"
          why="Cutoffs and the ESC’s limit depend on it."
          problem={problemAt('cells')}
        >
          <NumberInput name="cells" value={String(rig.pack.cells)} unit="" problem={problemAt('cells')} />
        </Row>
        {numbers('pack', false)}
        <More>{numbers('pack', true)}</More>
      </Part>

      <Part title="ESC">
        <Row
          name="profileKey"
          label="Profile"
          why="Its own list of items and stops. Another ESC starts with a new history."
        >
          <Choice
            name="profileKey"
            value={profileKey}
            options={profiles.map((p) => [p.key, `${p.name} (${p.note})`])}
          />
        </Row>
      </Part>

      <Part title="Radio, throttle channel">
        {channelRows(often)}
        <Row name="reversed" label="Direction" why="As set in the radio for this model.">
          <Tick name="reversed" checked={rig.channel.reversed} label="reversed" />
        </Row>
        <More>{channelRows(seldom)}</More>
      </Part>

      <Part title="Fed by the BEC">
        <p className="mb-2 text-muted">
          Everything plugged into the receiver, and the highest voltage it may have. The lowest of them
          decides.
        </p>
        <BusLoads rig={rig} problemAt={problemAt} />
      </Part>

      <div className="sticky bottom-16 mt-8 border-t border-rule bg-film py-3 md:bottom-0">
        <Button type="submit" look="main" disabled={sending}>
          {sending ? 'Saving …' : submitLabel}
        </Button>
      </div>
    </Form>
  );
}

/** A car can become another car, not an aeroplane. */
const classesLike = (rig: Rig): [string, string][] =>
  (Object.entries(VEHICLE_CLASSES) as [VehicleClass, string][]).filter(
    ([id]) => kindOf(id) === rig.vehicle.kind,
  );

const INPUT =
  'min-h-11 rounded-sm border border-muted bg-sheet px-3 text-lg aria-invalid:border-2 aria-invalid:border-hazard';

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mt-8 first:mt-0">
      <h2 className="border-b border-ink pb-1 text-2xl">{title}</h2>
      <div className="mt-2">{children}</div>
    </section>
  );
}

function More({ children }: { children: ReactNode }) {
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">
        More, if you know it
      </summary>
      {children}
    </details>
  );
}

interface RowProps {
  name: string;
  label: string;
  why: string;
  problem?: string;
  children: ReactNode;
}

function Row({ name, label, why, problem, children }: RowProps) {
  return (
    <div className="grid gap-x-5 gap-y-1 border-b border-rule py-2.5 sm:grid-cols-[11rem_1fr]">
      <label htmlFor={name} className="self-center font-bold">
        {label}
      </label>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        {children}
        <p
          className={`min-w-0 flex-1 basis-56 text-sm ${problem ? 'font-bold text-hazard' : 'text-muted'}`}
          id={`${name}-why`}
        >
          {problem ?? why}
        </p>
      </div>
    </div>
  );
}

function NumberInput({
  name,
  value,
  unit,
  problem,
  onTyped,
}: {
  name: string;
  value: string;
  unit: string;
  problem?: string;
  onTyped?: () => void;
}) {
  return (
    <span className="flex items-center gap-2">
      <input
        id={name}
        name={name}
        defaultValue={value}
        inputMode="decimal"
        autoComplete="off"
        className={`${INPUT} w-24 text-right`}
        aria-invalid={problem !== undefined}
        aria-describedby={`${name}-why`}
        onChange={onTyped}
      />
      <span className="w-14">{unit}</span>
    </span>
  );
}

function QuantityRow({ field, rig, problem }: { field: RigField; rig: Rig; problem: string | undefined }) {
  const [basis, setBasis] = useState<Basis>(quantityAt(rig, field.path).basis);
  // Whoever types a number knows it better than the default did.
  const typed = (): void => setBasis((before) => (before === 'assumed' ? 'given' : before));
  return (
    <Row name={field.path} label={field.label} why={field.why} problem={problem}>
      <NumberInput
        name={field.path}
        value={shownValue(rig, field)}
        unit={field.unit}
        problem={problem}
        onTyped={typed}
      />
      <select
        name={`${field.path}.basis`}
        value={basis}
        onChange={(event) => setBasis(event.target.value as Basis)}
        aria-label={`Where ${field.label} comes from`}
        className={`min-h-11 rounded-sm border px-2 ${basis === 'assumed' ? 'border-dashed border-caution bg-caution-wash text-caution' : 'border-rule bg-sheet'}`}
      >
        <option value="assumed">assumed</option>
        <option value="given">given</option>
        <option value="measured">measured</option>
      </select>
    </Row>
  );
}

function Choice({
  name,
  value,
  options,
}: {
  name: string;
  value: string;
  options: (readonly [string, string])[];
}) {
  return (
    <select id={name} name={name} defaultValue={value} className={INPUT} aria-describedby={`${name}-why`}>
      {options.map(([key, words]) => (
        <option key={key} value={key}>
          {words}
        </option>
      ))}
    </select>
  );
}

function Tick({ name, checked, label }: { name: string; checked: boolean; label: string }) {
  return (
    <span className="flex min-h-11 items-center gap-2">
      <input id={name} name={name} type="checkbox" defaultChecked={checked} className="size-6 accent-draft" />
      {label}
    </span>
  );
}

function BusLoads({ rig, problemAt }: { rig: Rig; problemAt: (name: string) => string | undefined }) {
  const [count, setCount] = useState(Math.min(MOST_BUS_LOADS, Math.max(2, rig.busLoads.length + 1)));
  return (
    <>
      {Array.from({ length: count }, (_, place) => {
        const load = rig.busLoads[place];
        const problem = problemAt(`bus.${place}.name`) ?? problemAt(`bus.${place}.maxVolts`);
        return (
          <div key={place} className="flex flex-wrap items-center gap-3 border-b border-rule py-2">
            <input
              name={`bus.${place}.name`}
              defaultValue={load?.name ?? ''}
              aria-label={`What it is, ${place + 1}`}
              placeholder={place === 0 ? 'steering servo' : ''}
              className={`${INPUT} w-56`}
              aria-invalid={problem !== undefined}
            />
            <span className="flex items-center gap-2">
              <input
                name={`bus.${place}.maxVolts`}
                defaultValue={load ? formatNumber(load.maxVolts, 2) : ''}
                aria-label={`Highest voltage, ${place + 1}`}
                inputMode="decimal"
                className={`${INPUT} w-20 text-right`}
                aria-invalid={problem !== undefined}
              />
              V at most
            </span>
            {problem && <p className="text-sm font-bold text-hazard">{problem}</p>}
          </div>
        );
      })}
      {count < MOST_BUS_LOADS && (
        <Button look="quiet" className="mt-2" onClick={() => setCount(count + 1)}>
          Add another
        </Button>
      )}
    </>
  );
}

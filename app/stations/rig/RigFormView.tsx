import type { EscProfile } from '#core/esc/profile';
import { CHEMISTRIES } from '#core/physics/pack';
import { fieldsOf, type QuantityPath } from '#core/rig/fields';
import { MOTOR_KINDS, type Rig } from '#core/rig/rig';
import { kindOf, VEHICLE_CLASSES, type VehicleClass } from '#core/rig/vehicleClass';
import { formatNumber } from '#core/units/format';
import type { Problem } from '#core/units/problem';
import type { Quantity } from '#core/units/provenance';
import { useState } from 'react';
import { Form, useNavigation } from 'react-router';
import { Button } from '../../ui/Button';
import { Problems } from '../../ui/Problems';
import { EscMark } from '../../ui/marks';
import { BusLoads } from './BusLoads';
import { DetentSum } from './calculators/DetentSum';
import { MotorDetective } from './calculators/MotorDetective';
import { PackSums } from './calculators/PackSums';
import { GearingRow, PropellerSums } from './calculators/VehicleSums';
import { CHANNEL_FIELDS, JITTER_FIELD } from './channelFields';
import { Choice, More, NumberInput, Part, Row, TextInput, Tick } from './formParts';
import { RigConflict } from './RigConflict';
import { QuantityRow, type Filled } from './QuantityRow';

interface Props {
  rig: Rig;
  profiles: { key: string; name: string; note: string }[];
  profileKey: string;
  /** The ESC profile that the rig has, or is likely to get. */
  profile: EscProfile | undefined;
  problems: Problem[];
  submitLabel: string;
  /** Of the rig that the form is filled from; undefined for a new one. */
  baseRevision?: number;
  /** Whether somebody else changed the rig since, and what was sent was not kept. */
  changedElsewhere?: boolean;
}

/** Everything that describes a rig. Each number says its unit, where it comes from, and why it is asked. */
export function RigFormView({
  rig,
  profiles,
  profileKey,
  profile,
  problems,
  submitLabel,
  baseRevision,
  changedElsewhere = false,
}: Props) {
  const sending = useNavigation().state !== 'idle';
  const [filled, setFilled] = useState<Filled>({});
  const onFill = (path: QuantityPath, quantity: Quantity): void =>
    setFilled((before) => ({ ...before, [path]: quantity }));
  const problemAt = (name: string): string | undefined => problems.find((p) => p.path === name)?.sentence;
  const numbers = (part: string, advanced: boolean) =>
    fieldsOf(rig)
      .filter((f) => f.path.startsWith(part) && f.advanced === advanced)
      .map((f) => (
        <QuantityRow
          key={`${f.path} ${filled[f.path]?.value ?? ''}`}
          field={f}
          rig={rig}
          filled={filled[f.path]}
          problem={problemAt(f.path)}
        />
      ));
  const numberRow = (name: string, label: string, value: string, unit: string, why: string) => (
    <Row name={name} label={label} why={why} problem={problemAt(name)}>
      <NumberInput name={name} value={value} unit={unit} problem={problemAt(name)} />
    </Row>
  );
  const channelRows = (advanced: boolean) =>
    CHANNEL_FIELDS.filter((f) => f.advanced === advanced).map(({ key, label, unit, why }) => (
      <div key={key}>{numberRow(`channel.${key}`, label, formatNumber(rig.channel[key], 2), unit, why)}</div>
    ));
  const textRow = (name: string, label: string, value: string, why: string, placeholder?: string) => (
    <Row name={name} label={label} why={why} problem={problemAt(name)}>
      <TextInput name={name} value={value} problem={problemAt(name)} placeholder={placeholder} />
    </Row>
  );
  const { vehicle, motor, pack } = rig;

  return (
    <Form method="post" className="max-w-3xl py-6" noValidate>
      <Problems
        problems={problems.map((p) => ({ ...p, path: '' }))}
        title="Not saved yet. What you typed is kept."
      />
      {baseRevision !== undefined && <input type="hidden" name="baseRevision" value={baseRevision} />}
      {changedElsewhere && <RigConflict sending={sending} />}
      <p className="mb-4 flex flex-wrap gap-x-5 text-sm text-muted">
        <span className="flex items-center gap-1.5 text-caution">
          <EscMark mark="unknown" /> assumed: the usual value
        </span>
        <span className="flex items-center gap-1.5">
          <EscMark mark="believed" /> given: from a label or a manual
        </span>
        <span className="flex items-center gap-1.5">
          <EscMark mark="verified" /> measured by you, or fitted to your runs
        </span>
      </p>

      <Part title="Model">
        {textRow('name', 'Name', rig.name, 'What you call it.')}
        <Row name="vehicleClass" label="Class" why="Decides which advice you get.">
          <Choice name="vehicleClass" value={rig.vehicleClass} options={classesLike(rig)} />
        </Row>
        {numbers('vehicle', false)}
        {vehicle.kind === 'wheels' && <GearingRow vehicle={vehicle} problemAt={problemAt} />}
        {vehicle.kind === 'propeller' && (
          <>
            <Row name="folding" label="Blades" why="A propeller brake is for blades that fold.">
              <Tick name="folding" checked={vehicle.folding} label="fold back" />
            </Row>
            <PropellerSums vehicle={vehicle} onFill={onFill} />
          </>
        )}
        <More>
          {vehicle.kind === 'wheels' && (
            <Row name="slipperClutch" label="Slipper clutch" why="Set it before you judge punch.">
              <Tick name="slipperClutch" checked={vehicle.slipperClutch} label="has one" />
            </Row>
          )}
          {numbers('vehicle', true)}
        </More>
      </Part>

      <Part title="Motor">
        {numberRow(
          'motorCount',
          'How many',
          String(rig.motorCount),
          '',
          'Each has its own ESC, all set alike. They share the pack.',
        )}
        <Row name="motorType" label="Kind" why="On an outrunner the case turns; on an inrunner it does not.">
          <Choice name="motorType" value={motor.type} options={Object.entries(MOTOR_KINDS)} />
        </Row>
        {numbers('motor', false)}
        <Row name="sensored" label="Sensor cable" why="Sensored motors start without stutter.">
          <Tick name="sensored" checked={motor.sensored} label="has one" />
        </Row>
        <MotorDetective onFill={onFill} propeller={vehicle.kind === 'propeller'} />
        {vehicle.kind === 'wheels' && <DetentSum rig={rig} vehicle={vehicle} onFill={onFill} />}
        <More>
          <Row name="temperatureSensor" label="Heat sensor" why="A motor temperature limit needs one.">
            <Tick name="temperatureSensor" checked={motor.temperatureSensor} label="in the motor" />
          </Row>
          {numbers('motor', true)}
        </More>
      </Part>

      <Part title="Pack">
        <Row
          name="chemistry"
          label="Chemistry"
          why="Decides full and empty voltage. The wrong one can start a fire at the charger."
        >
          <Choice name="chemistry" value={pack.chemistry} options={Object.entries(CHEMISTRIES)} />
        </Row>
        {numberRow(
          'cells',
          'Cells in series',
          String(pack.cells),
          '',
          'Cutoffs and the ESC’s limit depend on it.',
        )}
        {numbers('pack', false)}
        <PackSums rig={rig} profile={profile} onFill={onFill} />
        <More>{numbers('pack', true)}</More>
      </Part>

      <Part title="In use">
        <p className="py-2 text-muted">What runs tell: heat, corners, and how hard it is driven.</p>
        <More>{numbers('inUse', true)}</More>
      </Part>

      <Part title="ESC">
        <Row
          name="profileKey"
          label="Profile"
          why="Its list of items and stops. Another ESC starts a new history."
          problem={problemAt('profileKey')}
        >
          <Choice
            name="profileKey"
            value={profileKey}
            options={profiles.map((p) => [p.key, `${p.name} (${p.note})`])}
          />
        </Row>
        <Row name="fan" label="Fan" why="Some items need one.">
          <Tick name="fan" checked={rig.fan} label="cools the ESC" />
        </Row>
        <More title="Where its key and socket are">
          {textRow(
            'access.setKey',
            'Key',
            rig.access.setKey,
            'Where to find it in the pit.',
            'under the left strap',
          )}
          {textRow(
            'access.programmingLead',
            'Socket',
            rig.access.programmingLead,
            'Where the card, box or link plugs in.',
            'next to the fan',
          )}
        </More>
      </Part>

      <Part title="Radio, throttle channel">
        {channelRows(false)}
        <Row name="reversed" label="Direction" why="As set in the radio for this model.">
          <Tick name="reversed" checked={rig.channel.reversed} label="reversed" />
        </Row>
        <More>
          {numberRow(
            'stabilityGain',
            'Stability aid',
            rig.stabilityGainPercent === null ? '' : formatNumber(rig.stabilityGainPercent, 0),
            '%',
            'Its gain; empty if there is none. Switch it off while calibrating.',
          )}
          {channelRows(true)}
          {numberRow(
            JITTER_FIELD.name,
            JITTER_FIELD.label,
            rig.channel.jitterMicros === null ? '' : formatNumber(rig.channel.jitterMicros, 2),
            'µs',
            'Standard deviation with the throttle held still. Empty if not measured.',
          )}
        </More>
      </Part>

      <Part title="Fed by the BEC">
        <p className="mb-2 text-muted">
          Everything plugged into the receiver. The lowest voltage rating counts for all.
        </p>
        <BusLoads rig={rig} bec={profile?.limits} problemAt={problemAt} />
        <More title="An external BEC feeds them">
          {numberRow(
            'externalBec.volts',
            'Gives',
            rig.externalBec ? formatNumber(rig.externalBec.volts, 2) : '',
            'V',
            'Isolate the red wire of the ESC’s throttle lead, or follow its maker.',
          )}
          {numberRow(
            'externalBec.continuousAmps',
            'Up to',
            rig.externalBec ? formatNumber(rig.externalBec.continuousAmps, 1) : '',
            'A',
            'Continuous. Leave both empty if the ESC feeds the receiver.',
          )}
        </More>
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

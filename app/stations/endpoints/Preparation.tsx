import { PULSE_SOURCES, type PulseSource } from '#core/calibration/calibration';
import { firmwareLines, firstPowerLines } from '#core/calibration/firstPower';
import { preparationLines, type PreparationLine } from '#core/calibration/preparation';
import { loweredSlip } from '#core/calibration/slips';
import { FAMILY_WORDS } from '#core/esc/media';
import { isPlanned } from '#core/plan/search';
import type { ThrottleChannel } from '#core/radio/pulse';
import { Check, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { Form, Link, useNavigation } from 'react-router';
import { SafetyGate } from '../../simulated/SafetyGate';
import { Button } from '../../ui/Button';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { useBench } from '../bench/BenchContext';
import { Choreography } from './Choreography';
import { CannotTeach } from './CannotTeach';
import type { Occasion } from './occasion';
import { usePlannedCalibration } from './usePlannedCalibration';
import { useChosenEsc } from './useEndpoints';

interface Props {
  channel: ThrottleChannel;
  occasion: Occasion;
  onOccasion: (occasion: Occasion) => void;
  precaution: string | undefined;
  onPrecaution: (precaution: string) => void;
  onBegin: () => void;
}

/** Before a calibration: what sends the pulses made ready, the whole shown once, and the model made safe. */
export function Preparation({ channel, occasion, onOccasion, precaution, onPrecaution, onBegin }: Props) {
  const { rig, profile } = useBench();
  const { names, name } = useChosenEsc();
  const lines = preparationLines(rig, occasion.source);
  const lowered = occasion.source === 'tester' ? undefined : loweredSlip(channel);
  const gestures = usePlannedCalibration(channel);
  return (
    <div className="max-w-5xl px-5 py-6">
      <h1 className="text-3xl">
        Teach {names.length > 1 ? name : 'the ESC'} your {rig.channel.rest === 'centre' ? 'trigger' : 'stick'}
      </h1>
      <p className="mt-1 text-lg text-muted">
        The {profile.name} learns {FAMILY_WORDS[profile.calibration.family]}. It takes a minute.
      </p>
      <FirstPowerReminder />
      <OccasionChoice occasion={occasion} onOccasion={onOccasion} />
      <div className="mt-6 grid items-start gap-6 lg:grid-cols-2">
        <Lines title={TITLES[occasion.source]} lines={lines} />
        {gestures &&
          (isPlanned(gestures) ? (
            <Choreography profile={profile} channel={channel} gestures={gestures} />
          ) : (
            <CannotTeach why={gestures} />
          ))}
      </div>
      <div className="mt-6">
        <SafetyGate kind={rig.vehicle.kind} chosen={precaution} onChoose={onPrecaution} />
      </div>
      <div className="mt-6 flex flex-wrap items-center gap-4">
        <Button
          look="main"
          onClick={onBegin}
          disabled={precaution === undefined || !gestures || !isPlanned(gestures)}
        >
          Begin calibrating
        </Button>
        {precaution === undefined && <p className="text-muted">First choose what makes the model safe.</p>}
        {precaution !== undefined && lowered && (
          <p className="max-w-xl font-bold text-caution">
            {lowered.title} {lowered.sentence}
          </p>
        )}
      </div>
    </div>
  );
}

const TITLES: Record<PulseSource, string> = {
  radio: 'Prepare the radio',
  tester: 'Prepare the tester',
  bus: 'Prepare the radio and its bus',
};

function FirstPowerReminder() {
  const { rig, rigId, profile, buildChecks } = useBench();
  const lines = [...firstPowerLines(rig, profile), ...firmwareLines(profile)];
  const open = lines.filter(({ id }) => !buildChecks.includes(id)).length;
  if (open === 0) return null;
  return (
    <p className="mt-3 flex flex-wrap items-center gap-x-4 border-l-4 border-caution pl-3">
      <span>
        New build? {open} of {lines.length} first-power checks are still open.
      </span>
      <Link
        to={`/rigs/${rigId}/endpoints/first-power`}
        className="inline-flex min-h-11 items-center underline underline-offset-4"
      >
        Open them
      </Link>
    </p>
  );
}

const HOWS: Record<Occasion['how'], string> = {
  simulated: 'the simulated ESC, here on screen',
  onYourWord: 'my own ESC on the bench',
};

function OccasionChoice({ occasion, onOccasion }: Pick<Props, 'occasion' | 'onOccasion'>) {
  const { rigId, profile } = useBench();
  return (
    <div className="mt-4 grid gap-x-8 gap-y-2 md:grid-cols-2">
      <Choice
        legend="Worked on"
        name="how"
        options={HOWS}
        value={occasion.how}
        onChange={(how) => onOccasion({ ...occasion, how })}
      />
      <Choice
        legend="Pulses come from"
        name="pulses"
        options={PULSE_SOURCES}
        value={occasion.source}
        onChange={(source) => onOccasion({ ...occasion, source })}
      />
      <p>
        <Link
          className="inline-flex min-h-11 items-center underline underline-offset-4"
          to={`/rehearse/${profile.id}/calibrate?rig=${rigId}`}
        >
          Rehearse it first
        </Link>
      </p>
    </div>
  );
}

interface ChoiceProps<T extends string> {
  legend: string;
  name: string;
  options: Record<T, string>;
  value: T;
  onChange: (value: T) => void;
}

function Choice<T extends string>({ legend, name, options, value, onChange }: ChoiceProps<T>) {
  return (
    <fieldset>
      <legend className="font-bold">{legend}</legend>
      {(Object.entries(options) as [T, string][]).map(([key, words]) => (
        <label key={key} className="flex min-h-9 items-center gap-2">
          <input
            type="radio"
            autoComplete="off"
            name={name}
            className="size-5 shrink-0 accent-draft"
            checked={value === key}
            onChange={() => onChange(key)}
          />
          {words}
        </label>
      ))}
    </fieldset>
  );
}

/** Lines that the rig's description answers are marked; the others wait for a tick. */
function Lines({ title, lines }: { title: string; lines: PreparationLine[] }) {
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const saving = useNavigation().state !== 'idle';
  const open = lines.filter(({ id, right }) => right === undefined && !ticked.includes(id)).length;
  return (
    <section aria-labelledby="prepare" className="rounded-sm border border-rule bg-sheet p-4">
      <h2 id="prepare" className="flex items-baseline justify-between text-xl">
        {title}
        <span className="text-base font-normal text-muted">
          {open > 0 ? `${open} to check` : 'all checked'}
        </span>
      </h2>
      <ul className="mt-2">
        {lines.map(({ id, what, why, right }) => (
          <li key={id} className="border-t border-rule first:border-0">
            <label className="flex gap-3 py-2">
              {right === undefined ? (
                <input
                  type="checkbox"
                  autoComplete="off"
                  className="mt-0.5 size-6 shrink-0 accent-draft"
                  checked={ticked.includes(id)}
                  onChange={(event) =>
                    setTicked(event.target.checked ? [...ticked, id] : ticked.filter((one) => one !== id))
                  }
                />
              ) : (
                <LineMark right={right} />
              )}
              <span>
                <strong>{what}</strong>
                <span className="block text-sm text-muted">{why}</span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      <OwnersOnly>
        {lines.some(({ right }) => right === false) && (
          <Form method="post" className="mt-3">
            <Button type="submit" disabled={saving}>
              Done: all at 100 %, trims at zero, straight
            </Button>
          </Form>
        )}
      </OwnersOnly>
    </section>
  );
}

function LineMark({ right }: { right: boolean }) {
  const size = 'mt-0.5 size-6 shrink-0';
  return right ? (
    <Check className={`${size} text-ok`} aria-label="OK" />
  ) : (
    <TriangleAlert className={`${size} text-caution`} aria-label="not OK yet" />
  );
}

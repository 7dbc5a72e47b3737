import { causesOf, SYMPTOMS, type SymptomId } from '#core/calibration/diagnosis';
import { lockedBy } from '#core/calibration/slips';
import { valueOf } from '#core/esc/profile';
import { escMachine } from '#core/procedure/escMachine';
import { useState } from 'react';
import { useBench } from '../bench/BenchContext';
import { useChosenEsc } from './useEndpoints';

const WITH_REVERSE = ['forwardBrakeReverse', 'forwardReverse'];

/** From what is seen to the likeliest causes on this rig. */
export default function Trouble() {
  const { rig, profile, believed, calibrations, memory } = useBench();
  const { ranges, range, deadbandMicros } = useChosenEsc();
  const [symptom, setSymptom] = useState<SymptomId>();
  const power = valueOf(profile, believed, 'forwardPower');
  const mode = valueOf(profile, believed, 'runningMode');
  const causes =
    symptom &&
    causesOf(symptom, {
      rig,
      profile,
      range,
      ranges,
      deadbandMicros,
      calibrations,
      lockedBy: lockedBy(profile, escMachine(profile), { ...memory, stops: believed }),
      forwardPower: power?.kind === 'number' ? power.value / 100 : 1,
      hasReverse: mode?.kind !== 'choice' || WITH_REVERSE.includes(mode.choice),
    });
  const shown = (Object.keys(SYMPTOMS) as SymptomId[]).filter(
    (id) =>
      (id !== 'oneMotorLate' || rig.motorCount > 1) && (id !== 'noReverse' || rig.channel.rest === 'centre'),
  );
  return (
    <div className="max-w-5xl px-5 py-6">
      <h1 className="text-3xl">What do you see?</h1>
      <div className="mt-4 grid gap-6 lg:grid-cols-[19rem_1fr]">
        <fieldset>
          <legend className="sr-only">What do you see?</legend>
          {shown.map((id) => (
            <label key={id} className="flex min-h-11 items-center gap-3 border-b border-rule py-1.5">
              <input
                type="radio"
                name="symptom"
                className="size-5 shrink-0 accent-draft"
                checked={symptom === id}
                onChange={() => setSymptom(id)}
              />
              {SYMPTOMS[id]}
            </label>
          ))}
        </fieldset>
        <section aria-live="polite" aria-label="Likeliest causes">
          {!causes && (
            <p className="text-muted">
              Pick the line that fits best. The causes come in order, those that something on this rig speaks
              for first, each with the test that tells it from the others.
            </p>
          )}
          {causes && (
            <ol>
              {causes.map(({ id, what, evidence, test }, place) => (
                <li key={id} className="grid grid-cols-[2rem_1fr] border-b border-rule py-3">
                  <span className="font-display text-2xl font-bold">{place + 1}</span>
                  <span>
                    <strong className="text-lg">{what}</strong>
                    {evidence && <span className="block font-bold text-caution">{evidence}</span>}
                    <span className="block">
                      <span className="text-muted">Try: </span>
                      {test}
                    </span>
                  </span>
                </li>
              ))}
            </ol>
          )}
        </section>
      </div>
    </div>
  );
}

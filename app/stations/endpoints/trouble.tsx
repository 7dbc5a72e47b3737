import { causesOf, SYMPTOMS, type SymptomId } from '#core/calibration/diagnosis';
import { useState } from 'react';
import { Link } from 'react-router';
import { OneOf } from '../../ui/OneOf';
import { useBench } from '../bench/BenchContext';
import { useDiagnosisFacts } from './useDiagnosisFacts';

/** From what is seen at the throttle to the likeliest causes on this rig. */
export default function Trouble() {
  const { rig, rigId } = useBench();
  const facts = useDiagnosisFacts();
  const [symptom, setSymptom] = useState<SymptomId>();
  const causes = symptom && causesOf(symptom, facts);
  const shown = (Object.keys(SYMPTOMS) as SymptomId[]).filter(
    (id) =>
      (id !== 'oneMotorLate' || rig.motorCount > 1) && (id !== 'noReverse' || rig.channel.rest === 'centre'),
  );
  return (
    <div className="max-w-5xl px-5 py-6">
      <h1 className="text-3xl">What do you see?</h1>
      <p className="mt-1 text-muted">
        This page is about the throttle signal. For driving, braking or heat:{' '}
        <Link to={`/rigs/${rigId}/trouble`} className="underline underline-offset-4">
          what is wrong with it?
        </Link>
      </p>
      <div className="mt-4 grid gap-6 lg:grid-cols-[19rem_1fr]">
        <OneOf
          legend={<span className="sr-only">What do you see?</span>}
          name="symptom"
          of={shown.map((id) => [id, SYMPTOMS[id]] as const)}
          value={symptom}
          onChoose={setSymptom}
        />
        <section aria-live="polite" aria-label="Likeliest causes">
          {!causes && (
            <p className="text-muted">
              Pick the line that fits best. The likeliest causes on this rig come first. Each has a test that
              tells it from the others.
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

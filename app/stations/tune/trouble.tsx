import { stopById, itemById } from '#core/esc/profile';
import { look } from '#core/triage/seen';
import { TROUBLES, type Symptom, type TroubleId } from '#core/triage/symptoms';
import { likelyCauses, troublesOf, type Answers, type LikelyCause } from '#core/triage/triage';
import { withUnit } from '#core/units/format';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button';
import { OneOf } from '../../ui/OneOf';
import { useBench } from '../bench/BenchContext';
import { useDiagnosisFacts } from '../endpoints/useDiagnosisFacts';

/** From what the driver says to the likeliest causes on this rig, each with one change to try. */
export default function TroubleRoute() {
  const { rigId, rig, profile, believed, rules, goals } = useBench();
  const facts = useDiagnosisFacts();
  const [trouble, setTrouble] = useState<TroubleId>();
  const [answers, setAnswers] = useState<Answers>({});
  const { range } = facts;
  const situation = useMemo(
    // No cause rests on what a stint would warn of.
    () => ({ rig, profile, stops: believed, range, rules, goals, withoutStint: true }),
    [rig, profile, believed, range, rules, goals],
  );
  const causes = trouble && likelyCauses(trouble, answers, look(situation, facts));
  const symptom: Symptom | undefined = trouble && TROUBLES[trouble];
  return (
    <div className="max-w-6xl px-5 py-6">
      <h1 className="text-3xl">What is wrong with it?</h1>
      <p className="mt-1 text-muted">
        This page uses what the ESC holds now.{' '}
        <Link to={`/rigs/${rigId}/tune`} className="underline underline-offset-4">
          Back to Tune
        </Link>
      </p>
      <div className="mt-4 grid gap-x-8 gap-y-6 lg:grid-cols-[20rem_1fr]">
        <OneOf
          legend={<span className="sr-only">What is wrong with it?</span>}
          name="trouble"
          of={troublesOf(situation).map((id) => [id, TROUBLES[id].words] as const)}
          value={trouble}
          onChoose={(id) => {
            setTrouble(id);
            setAnswers({});
          }}
        />
        <div className="min-w-0">
          {!symptom && (
            <p className="text-muted">
              Pick the line that fits best. The likeliest causes on this rig come first.
            </p>
          )}
          {symptom && symptom.questions.length > 0 && (
            <div className="mb-4 grid gap-x-6 gap-y-3 sm:grid-cols-2">
              {symptom.questions.map(({ id, text, answers: offered }) => (
                <OneOf
                  key={`${trouble} ${id}`}
                  legend={text}
                  name={id}
                  of={[...Object.entries(offered), [UNSURE, 'I do not know'] as const]}
                  value={answers[id] ?? UNSURE}
                  onChoose={(answer) => setAnswers(withAnswer(answers, id, answer))}
                />
              ))}
            </div>
          )}
          {causes && (
            <section aria-live="polite" aria-label="Likeliest causes">
              <p className="border-t border-ink pt-2 text-muted">
                Change one thing, then drive and watch. While you work on it: pinion out of mesh or propeller
                off. Let hot parts and packs cool first.
              </p>
              <Causes causes={causes.filter((one) => !one.isUnlikely)} />
              {causes.some((one) => one.isUnlikely) && (
                <details>
                  <summary className="min-h-11 cursor-pointer py-2 font-bold">Less likely here</summary>
                  <Causes causes={causes.filter((one) => one.isUnlikely)} />
                </details>
              )}
            </section>
          )}
        </div>
      </div>
    </div>
  );
}

const UNSURE = 'unsure';

function withAnswer(answers: Answers, question: string, answer: string): Answers {
  const { [question]: _, ...others } = answers;
  return answer === UNSURE ? others : { ...others, [question]: answer };
}

const Causes = ({ causes }: { causes: LikelyCause[] }) => (
  <ol>
    {causes.map((cause, place) => (
      <Cause key={cause.id} cause={cause} place={place + 1} />
    ))}
  </ol>
);

function Cause({ cause, place }: { cause: LikelyCause; place: number }) {
  const { what, evidence, change, effect, lookFor } = cause;
  return (
    <li className="grid grid-cols-[2rem_1fr] border-b border-rule py-3">
      <span className="font-display text-2xl font-bold">{place}</span>
      <div>
        <h2 className="font-sans text-lg">{what}</h2>
        {evidence && <p className="font-bold text-caution">{evidence}</p>}
        <p className="mt-1 flex flex-wrap items-baseline gap-x-2">
          <span className="text-muted">Try:</span> <Try change={change} />
        </p>
        {effect && (
          <p>
            <span className="text-muted">Predicted: {effect.after.name.toLowerCase()}</span>{' '}
            {told(effect.before)} → <strong>{told(effect.after)}</strong>
          </p>
        )}
        <p>
          <span className="text-muted">Look for: </span>
          {lookFor}
        </p>
      </div>
    </li>
  );
}

const told = ({ value, unit, decimals }: { value: number | undefined; unit: string; decimals: number }) =>
  value === undefined ? 'never' : withUnit(value, unit, decimals);

function Try({ change }: { change: LikelyCause['change'] }) {
  const { rigId, profile, drafted, move } = useBench();
  if (change.kind === 'hand') return <span>{change.words}.</span>;
  if (change.kind === 'station')
    return (
      <Link to={`/rigs/${rigId}/${change.station}`} className="underline underline-offset-4">
        {change.words}
      </Link>
    );
  const isDrafted = drafted[change.itemId] === change.stopId;
  return (
    <>
      <span>{change.words}</span>
      {isDrafted ? (
        <span role="status" className="font-bold text-draft">
          drafted
        </span>
      ) : (
        <Button
          look="quiet"
          aria-label={`Draft ${stopById(itemById(profile, change.itemId), change.stopId).label}: ${change.words}`}
          onClick={() => move(change.itemId, change.stopId)}
        >
          draft it
        </Button>
      )}
    </>
  );
}

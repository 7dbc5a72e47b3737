import type { Lesson } from '#core/rehearsal/lesson';
import { SURPRISE_OF, SURPRISES, surprisesFor } from '#core/rehearsal/surprises';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { guessed, type Practice } from './practice';

interface Props {
  practice: Practice;
  lesson: Lesson;
  onGuess: (change: (at: Practice) => Practice) => void;
}

/** What may be wrong, to choose from; then what gave it away, and what to do. */
export function SurprisePanel({ practice, lesson, onGuess }: Props) {
  const { surpriseId, isNamed, wrongGuesses, rehearsal } = practice;
  if (isNamed && surpriseId) {
    const { remedy } = SURPRISE_OF[surpriseId];
    return (
      <div className="mt-5 max-w-2xl" role="status">
        <Notice grade="note" title={`Right: ${SURPRISES[surpriseId]}.`}>
          <p>{remedy}</p>
        </Notice>
      </div>
    );
  }
  return (
    <section aria-labelledby="wrong" className="mt-6 max-w-2xl border-t border-rule pt-3">
      <h2 id="wrong" className="text-xl">
        What is wrong?
      </h2>
      <div className="mt-2 flex flex-wrap gap-2">
        {surprisesFor(lesson).map((id) => (
          <Button
            key={id}
            disabled={wrongGuesses.includes(id) || rehearsal.bench.deeds === 0}
            onClick={() => onGuess((at) => guessed(at, id))}
          >
            {SURPRISES[id]}
          </Button>
        ))}
      </div>
      {rehearsal.bench.deeds === 0 && <p className="mt-2 text-muted">Begin first: nothing shows yet.</p>}
      {wrongGuesses.length > 0 && (
        <p className="mt-2 font-bold text-caution" role="alert">
          Not that. Compare what it answers with what it should.
        </p>
      )}
    </section>
  );
}

import { ahead } from '#core/rehearsal/ahead';
import type { PracticeBench } from '#core/rehearsal/bench';
import type { Lesson } from '#core/rehearsal/lesson';
import { ifNothingIsDone, stepInWords } from '#core/rehearsal/stepWords';

interface Props {
  lesson: Lesson;
  bench: PracticeBench;
  isCoached: boolean;
}

/** Time stands still: what is due, why, and what happens where nothing is done. In an exam only the last. */
export function Paused({ lesson, bench, isCoached }: Props) {
  const plan = ahead(lesson, bench);
  const step = typeof plan === 'string' ? undefined : plan.steps[0];
  const words = step && stepInWords(lesson, bench, step);
  return (
    <section aria-label="Paused" className="max-w-2xl rounded-sm border-2 border-ink bg-sheet p-4 text-lg">
      <h2 className="text-2xl">Paused: the simulated ESC waits.</h2>
      {isCoached && words && (
        <>
          <p className="mt-2 font-bold">{[words.before, words.key, words.after].filter(Boolean).join(' ')}</p>
          <p className="mt-1">{words.detail}</p>
        </>
      )}
      <p className="mt-2">{ifNothingIsDone(lesson, bench)}</p>
      <p className="mt-2 text-muted">{lesson.known}</p>
    </section>
  );
}

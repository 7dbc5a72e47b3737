import type { Answer, Question } from '#core/workshop/sketch';
import { useId } from 'react';

interface Props {
  question: Question;
  problem: string | undefined;
  onAnswer: (answer: Answer) => void;
}

/** One plain question, with every reading and what it comes to. */
export function QuestionBox({ question, problem, onAnswer }: Props) {
  const id = useId();
  return (
    <section
      aria-labelledby={id}
      className={`mt-2 border-l-4 bg-sheet p-3 sm:ml-11 ${problem ? 'border-hazard' : 'border-caution'}`}
    >
      <h4 id={id} className="font-bold">
        {question.words}
      </h4>
      <ul className="mt-2 grid gap-2 sm:grid-cols-2">
        {question.answers.map((answer) => (
          <li key={answer.words}>
            <button
              type="button"
              onClick={() => onAnswer(answer)}
              className="h-full min-h-11 w-full rounded-sm border border-rule bg-film px-3 py-2 text-left hover:border-ink"
            >
              <span className="block font-display font-bold first-letter:uppercase">{answer.words}</span>
              <span className="block text-sm text-muted">{answer.consequence}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

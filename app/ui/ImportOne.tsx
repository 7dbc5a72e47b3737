import type { Problem } from '#core/units/problem';
import { AwayNotice } from './AwayNotice';
import { FilePicker } from './FilePicker';
import type { NotKept } from './keepTyped';
import { OwnersOnly } from './OwnersOnly';
import { Problems } from './Problems';
import { useAnswer } from './useAnswer';

interface Props {
  label: string;
  /** What the action of the page answered. */
  actionData: { problems: Problem[]; sentence: string } | NotKept | undefined;
}

/** Takes in a file that the action of the page reads, and says what became of it. */
export function ImportOne({ label, actionData }: Props) {
  const { answer } = useAnswer(actionData);
  return (
    <OwnersOnly>
      <section className="mt-8 border-t border-rule pt-3" aria-label="Import">
        <FilePicker label={label} />
        <div className="mt-2" aria-live="polite">
          <AwayNotice answer={actionData} />
          {answer?.sentence && <p className="font-bold text-ok">{answer.sentence}</p>}
          {answer && <Problems problems={answer.problems} title="Nothing was imported." />}
        </div>
      </section>
    </OwnersOnly>
  );
}

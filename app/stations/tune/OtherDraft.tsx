import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';

/** Two drafts to go back and forth between. */
export function OtherDraft() {
  const { goals, changeGoals, draft, takeDraft } = useBench();
  const { waiting } = goals;
  if (!waiting)
    return (
      <Button onClick={() => changeGoals({ waiting: { name: 'B', ...draft } })}>
        Keep a copy as draft B
      </Button>
    );
  const here = waiting.name === 'A' ? 'B' : 'A';
  return (
    <span className="flex flex-wrap items-center gap-2">
      <span>
        Here: draft <strong>{here}</strong>
      </span>
      <Button
        onClick={() => {
          changeGoals({ waiting: { name: here, ...draft } });
          const { name: _name, ...other } = waiting;
          takeDraft(other);
        }}
      >
        Switch to draft {waiting.name}
      </Button>
      <Button look="quiet" onClick={() => changeGoals({ waiting: null })}>
        forget {waiting.name}
      </Button>
    </span>
  );
}

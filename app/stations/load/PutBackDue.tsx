import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';

/** Values of an event that is over and that the ESC still has, with the one tap that drafts what they go back to. */
export function PutBackDue() {
  const { overdue, drafted, moveAll } = useBench();
  const open = overdue.filter(
    ({ item, returnsTo, how }) => how !== 'notVerified' && drafted[item.id] !== returnsTo.id,
  );
  if (open.length === 0) return null;
  return (
    <div className="max-w-4xl px-5 pt-6">
      <Notice grade="caution" title="Put back what was for the event.">
        <ul>
          {open.map(({ item, returnsTo }) => (
            <li key={item.id}>
              {item.label}: back to <strong>{returnsTo.label}</strong>
            </li>
          ))}
        </ul>
        <Button
          look="main"
          className="mt-2"
          onClick={() =>
            moveAll(Object.fromEntries(open.map(({ item, returnsTo }) => [item.id, returnsTo.id])))
          }
        >
          Draft it
        </Button>
      </Notice>
    </div>
  );
}

import { nameOf } from '#core/esc/profile';
import { clearOf, printList, readList, type ListLine } from '#core/quick/readList';
import { HAND_VALUES } from '#core/rig/handValues';
import { ClipboardList } from 'lucide-react';
import { useId, useState } from 'react';
import { Button } from '../../ui/Button';
import { TitledDialog } from '../../ui/TitledDialog';
import { useBench } from '../bench/BenchContext';

/** A whole list at once: somebody else's set-up, or values read aloud. Nothing is drafted before it is seen here. */
export function ListDialog() {
  const [isOpen, setOpen] = useState(false);
  return (
    <TitledDialog
      title="Paste a list"
      isOpen={isOpen}
      onOpenChange={setOpen}
      trigger={
        <Button aria-label="Paste a list">
          <ClipboardList className="size-5" aria-hidden="true" />
        </Button>
      }
    >
      <ListForm onDone={() => setOpen(false)} />
    </TitledDialog>
  );
}

function ListForm({ onDone }: { onDone: () => void }) {
  const { profile, draftedRig: rig, drafted, moveAll } = useBench();
  const [typed, setTyped] = useState('');
  /** What was chosen where the list left a choice, by what was typed. */
  const [chosen, setChosen] = useState<Readonly<Record<string, string>>>({});
  const field = useId();
  const lines = readList(profile, rig, typed).map((line) => settled(line, chosen[line.typed]));
  const clear = clearOf(lines);
  const count = lines.filter(({ kind }) => kind === 'move' || kind === 'byHand').length;
  const open = lines.length - count;
  return (
    <>
      <label htmlFor={field} className="mt-2 block text-muted">
        One value a line, or in a row: “first four, second one”, “1=4 2=1”, “drag 8, punch 4”.
      </label>
      {typed === '' && (
        <Button look="quiet" className="text-sm" onClick={() => setTyped(printList(profile.items, drafted))}>
          Begin with my own values
        </Button>
      )}
      <textarea
        id={field}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        rows={5}
        className="mt-1 w-full rounded-sm border border-muted bg-film p-2"
      />
      <ul className="mt-2" aria-label="What was read">
        {lines.map((line, place) => (
          <li key={`${place} ${line.typed}`} className="border-t border-rule py-1.5">
            <span className="text-muted">{line.typed}</span> <Read line={line} />
            {(line.kind === 'ask' || line.kind === 'nearest') && (
              <span className="flex flex-wrap gap-2">
                {line.stops.map((stop) => (
                  <Button key={stop.id} onClick={() => setChosen({ ...chosen, [line.typed]: stop.id })}>
                    Take {stop.label}, stop {stop.number}
                  </Button>
                ))}
              </span>
            )}
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap items-center gap-4 border-t border-ink pt-3">
        <Button
          look="main"
          disabled={count === 0}
          onClick={() => {
            moveAll(clear.stops, clear.byHand);
            onDone();
          }}
        >
          Draft {count} {count === 1 ? 'value' : 'values'}
        </Button>
        <p role="status">
          {open > 0 && `${open} ${open === 1 ? 'line is' : 'lines are'} not clear and will not be drafted.`}
        </p>
      </div>
    </>
  );
}

/** A line with a choice, once that was made. */
function settled(line: ListLine, stopId: string | undefined): ListLine {
  if (line.kind !== 'ask' && line.kind !== 'nearest') return line;
  const stop = line.stops.find(({ id }) => id === stopId);
  return stop ? { kind: 'move', typed: line.typed, item: line.item, stop, said: '' } : line;
}

function Read({ line }: { line: ListLine }) {
  switch (line.kind) {
    case 'move':
      return (
        <>
          → <strong>{nameOf(line.item)}</strong> {line.stop.label}{' '}
          <span className="text-sm text-muted">{line.said}</span>
        </>
      );
    case 'byHand':
      return (
        <>
          → <strong>{HAND_VALUES[line.key].name}</strong> {line.value} {HAND_VALUES[line.key].unit}
        </>
      );
    default:
      return <span className="block text-caution">{line.sentence}</span>;
  }
}

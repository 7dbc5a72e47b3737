import { nameOf } from '#core/esc/profile';
import { clearOf, printList, readList, type ListLine } from '#core/quick/readList';
import { HAND_VALUES } from '#core/rig/handValues';
import { useId, useState } from 'react';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';

/** A list as it is typed, and what was read of it. */
export function useListReading(begun = '') {
  const { profile, draftedRig: rig } = useBench();
  const [typed, setTyped] = useState(begun);
  /** What was chosen where the list left a choice, by what was typed. */
  const [chosen, setChosen] = useState<Readonly<Record<string, string>>>({});
  const lines = readList(profile, rig, typed).map((line) => settled(line, chosen[line.typed]));
  const open = lines.filter(({ kind }) => kind !== 'move' && kind !== 'byHand');
  return {
    typed,
    setTyped,
    lines,
    open,
    count: lines.length - open.length,
    clear: clearOf(lines),
    choose: (line: string, stopId: string) => setChosen({ ...chosen, [line]: stopId }),
  };
}

/** A line with a choice, once that was made. */
function settled(line: ListLine, stopId: string | undefined): ListLine {
  if (line.kind !== 'ask' && line.kind !== 'nearest') return line;
  const stop = line.stops.find(({ id }) => id === stopId);
  return stop ? { kind: 'move', typed: line.typed, item: line.item, stop, said: '' } : line;
}

type Reading = ReturnType<typeof useListReading>;

/** The field for a list, and below it what each piece of it means: nothing counts before it is seen here. */
export function ListReading({ reading }: { reading: Reading }) {
  const { profile, drafted } = useBench();
  const { typed, setTyped, lines, open, choose } = reading;
  const field = useId();
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
                  <Button key={stop.id} onClick={() => choose(line.typed, stop.id)}>
                    Take {stop.label}, stop {stop.number}
                  </Button>
                ))}
              </span>
            )}
          </li>
        ))}
      </ul>
      <p role="status">
        {open.length > 0 &&
          `${open.length} ${open.length === 1 ? 'line is' : 'lines are'} not clear and will not be taken.`}
      </p>
    </>
  );
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

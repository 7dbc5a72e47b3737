import type { QuickEntry } from '#core/quick/quickEntry';
import type { QuickHandValue } from '#core/quick/quickHandValues';
import { readQuickLine, type QuickLineEntry } from '#core/quick/quickLine';
import { nameOf } from '#core/esc/profile';
import type { VehicleKind } from '#core/rig/rig';
import { HAND_VALUES } from '#core/rig/handValues';
import { memo, useId, useRef, useState, type SyntheticEvent } from 'react';
import { useCommands } from '../../preferences/useCommands';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';

const EXAMPLES: Record<VehicleKind, string> = { wheels: 'brake 50', propeller: 'timing 15' };

interface Props {
  /** Where only a name was typed: goes to that item. */
  onNamed: (itemId: string) => void;
  /** Where a list was typed of which something is not clear: goes on with it elsewhere. */
  onList: (typed: string) => void;
}

/** A line for those who know: a name and a value, and Enter drafts it; a name alone finds it. */
export const QuickLine = memo(function QuickLine({ onNamed, onList }: Props) {
  const { profile, draftedRig: rig, move, moveAll } = useBench();
  const [typed, setTyped] = useState('');
  const [done, setDone] = useState('');
  const input = useRef<HTMLInputElement>(null);
  const id = useId();
  useCommands({ quick: () => input.current?.focus() });
  const entry = typed.trim() === '' ? undefined : readQuickLine(profile, rig, typed);

  const act = (event: SyntheticEvent): void => {
    event.preventDefault();
    if (entry?.kind === 'byHand') {
      moveAll({}, { [entry.key]: entry.value });
      setDone(`Drafted: ${byHandWords(entry)}`);
      setTyped('');
    }
    if (entry?.kind === 'list') {
      if (entry.isClear) {
        moveAll(entry.clear.stops, entry.clear.byHand);
        setDone(`Drafted: ${entry.count} values`);
      } else onList(typed);
      setTyped('');
    }
    if (entry?.kind === 'named') onNamed(entry.found[0]!.item.id);
    if (entry?.kind !== 'move') return;
    move(entry.found.item.id, entry.stop.id);
    setDone(`Drafted: ${words(entry)}`);
    setTyped('');
  };
  return (
    <form onSubmit={act} className="relative min-w-36 flex-1">
      <span className="flex items-center gap-2">
        <label htmlFor={id}>Quick</label>
        <input
          ref={input}
          id={id}
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
            setDone('');
          }}
          placeholder={EXAMPLES[rig.vehicle.kind]}
          autoComplete="off"
          aria-describedby={`${id}-says`}
          className={`${INPUT} w-full`}
        />
      </span>
      <p
        id={`${id}-says`}
        role="status"
        className="absolute top-full left-0 z-10 w-max max-w-[min(28rem,80vw)] rounded-sm bg-sheet px-2 py-1 not-empty:border not-empty:border-ink empty:p-0"
      >
        {entry ? says(entry) : done}
      </p>
    </form>
  );
});

const byHandWords = ({ key, value }: Extract<QuickHandValue, { kind: 'byHand' }>): string =>
  `${HAND_VALUES[key].name} ${value}\u00a0${HAND_VALUES[key].unit}`;

function says(entry: QuickLineEntry): string {
  if (entry.kind === 'list')
    return entry.isClear
      ? `Press Enter to draft ${entry.count} values.`
      : `${entry.count} values are clear, not all. Press Enter to see.`;
  if (entry.kind === 'byHand') return `Press Enter to draft ${byHandWords(entry)}.`;
  if (entry.kind !== 'move') return entry.sentence;
  const { snapped, found } = entry;
  const friends = found.friends.map(({ title }) => `Often confused: ${title.toLowerCase()}.`);
  return [`Press Enter to draft ${words(entry)}.`, snapped, ...friends].filter(Boolean).join(' ');
}

const words = ({ found: { item }, stop }: Extract<QuickEntry, { kind: 'move' }>): string =>
  `${nameOf(item)} (item ${item.number} “${item.label}”) ${stop.label}`;

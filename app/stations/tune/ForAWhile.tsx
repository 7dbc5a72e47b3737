import { withTemporary, type ActiveTemporary } from '#core/advice/temporary';
import type { ProfileItem, Stop } from '#core/esc/profile';
import { useId, useState } from 'react';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';

interface Props {
  item: ProfileItem;
  stopId: string;
  /** What the ESC holds, where the draft is something else. */
  returnsTo: Stop | undefined;
  temporary: ActiveTemporary | undefined;
  onMove: (itemId: string, stopId: string) => void;
}

/** A value for an event: until which day, and what it goes back to. */
export function ForAWhile({ item, stopId, returnsTo, temporary, onMove }: Props) {
  if (temporary)
    return (
      <Meant
        item={item}
        temporary={temporary}
        // Otherwise the rail’s own way back leads there.
        canGoBack={stopId !== temporary.returnsTo.id && returnsTo?.id !== temporary.returnsTo.id}
        onMove={onMove}
      />
    );
  return returnsTo ? <Ask item={item} stopId={stopId} returnsTo={returnsTo} /> : null;
}

interface MeantProps extends Pick<Props, 'item' | 'onMove'> {
  temporary: ActiveTemporary;
  canGoBack: boolean;
}

function Meant({ item, temporary, canGoBack, onMove }: MeantProps) {
  const { goals, changeGoals } = useBench();
  const { returnsTo, until } = temporary;
  return (
    <span className="flex flex-wrap items-center gap-x-3">
      <span className="font-bold text-caution">
        until {until}, then {returnsTo.label}
      </span>
      {canGoBack && (
        <Button look="quiet" className="text-sm" onClick={() => onMove(item.id, returnsTo.id)}>
          go back to {returnsTo.label}
        </Button>
      )}
      <Button
        look="quiet"
        className="text-sm"
        onClick={() => {
          const { [item.id]: _, ...others } = goals.temporary;
          changeGoals({ temporary: others });
        }}
      >
        keep for good
      </Button>
    </span>
  );
}

function Ask({ item, stopId, returnsTo }: { item: ProfileItem; stopId: string; returnsTo: Stop }) {
  const { goals, changeGoals, today } = useBench();
  const [isOpen, setOpen] = useState(false);
  const [until, setUntil] = useState(today);
  const field = useId();
  if (!isOpen)
    return (
      <Button look="quiet" className="text-sm" onClick={() => setOpen(true)}>
        make temporary …
      </Button>
    );
  return (
    <span className="flex flex-wrap items-center gap-2">
      <label htmlFor={field}>until the end of</label>
      <input
        id={field}
        type="date"
        min={today}
        value={until}
        onChange={(event) => setUntil(event.target.value)}
        className={INPUT}
      />
      <Button
        disabled={until === ''}
        onClick={() => {
          setOpen(false);
          changeGoals({
            temporary: withTemporary(
              goals.temporary,
              item,
              stopId,
              returnsTo.id,
              until,
              new Date().toISOString(),
            ),
          });
        }}
      >
        then back to {returnsTo.label}
      </Button>
    </span>
  );
}

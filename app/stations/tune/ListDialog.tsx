import { ClipboardList } from 'lucide-react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button';
import { TitledDialog } from '../../ui/TitledDialog';
import { useBench } from '../bench/BenchContext';
import { ListReading, useListReading } from './ListReading';

interface Props {
  /** The list with which it is opened; undefined while it is closed. */
  begun: string | undefined;
  onBegin: (begun: string | undefined) => void;
}

/** A whole list at once: somebody else's set-up, or values read aloud. Nothing is drafted before it is seen here. */
export const ListDialog = ({ begun, onBegin }: Props) => (
  <TitledDialog
    title="Paste a list"
    isOpen={begun !== undefined}
    onOpenChange={(isOpen) => onBegin(isOpen ? '' : undefined)}
    trigger={
      <Button aria-label="Paste a list">
        <ClipboardList className="size-5" aria-hidden="true" />
      </Button>
    }
  >
    <ListForm begun={begun ?? ''} onDone={() => onBegin(undefined)} />
  </TitledDialog>
);

function ListForm({ begun, onDone }: { begun: string; onDone: () => void }) {
  const { rigId, moveAll } = useBench();
  const reading = useListReading(begun);
  const { count, clear } = reading;
  return (
    <>
      <ListReading reading={reading} />
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
        <Link to={`/rigs/${rigId}/set-ups?make=list`} className="underline underline-offset-4">
          Keep a list as a set-up
        </Link>
      </div>
    </>
  );
}

import type { CalendarEntry } from '#formats/calendar';
import type { Remote } from 'comlink';
import { Button } from '../../ui/Button';
import type { DaysWorker } from '../../workers/days.worker';

interface Props {
  worker: Remote<DaysWorker> | undefined;
  name: string;
  place: string;
  entries: readonly CalendarEntry[];
}

/** A day for any calendar, as a file. */
export function CalendarButton({ worker, name, place, entries }: Props) {
  const saveFile = async (): Promise<void> => {
    if (!worker) return;
    const text = await worker.calendar(name, place, entries, Date.now());
    const address = URL.createObjectURL(new Blob([text], { type: 'text/calendar' }));
    const link = document.createElement('a');
    link.href = address;
    link.download = `${name.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}.ics`;
    link.click();
    URL.revokeObjectURL(address);
  };
  return (
    <Button disabled={!worker || entries.length === 0} onClick={() => void saveFile()}>
      Save for a calendar
    </Button>
  );
}

import { useState, type ReactNode } from 'react';
import { Form, useSearchParams } from 'react-router';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';
import { ListReading, useListReading } from '../tune/ListReading';

interface Props {
  sheets: readonly { number: number; keptAt: string }[];
  isFirst: boolean;
}

/** A new set-up: what it is made from, and what it is for. */
export function MakeSetUp({ sheets, isFirst }: Props) {
  const { changeCount, draft } = useBench();
  const [params] = useSearchParams();
  const asked = params.get('make');
  const [source, setSource] = useState(asked ?? (changeCount > 0 ? 'draft' : 'esc'));
  const reading = useListReading();
  const isList = source === 'list';
  const unread = reading.open.map(({ typed }) => typed).join('; ');
  return (
    <details className="mt-3 border-t border-rule" open={isFirst || asked !== null}>
      <summary className="min-h-11 cursor-pointer py-2 font-display text-xl font-bold">Make a set-up</summary>
      <Form method="post" className="grid max-w-3xl gap-3">
        <input type="hidden" name="intent" value="make" />
        <Line label="From">
          <select
            name="source"
            value={source}
            onChange={(event) => setSource(event.target.value)}
            className={`${INPUT} w-full`}
          >
            <option value="draft">the draft ({changeCount} changes)</option>
            <option value="esc">what the ESC holds</option>
            <option value="list">a list</option>
            {sheets.map(({ number, keptAt }) => (
              <option key={number} value={`sheet:${number}`}>
                sheet {number}, {keptAt.slice(0, 10)}
              </option>
            ))}
          </select>
        </Line>
        {isList && (
          <div>
            <ListReading reading={reading} />
            <input type="hidden" name="list" value={JSON.stringify(reading.clear)} />
          </div>
        )}
        <Line label="Name">
          <input name="name" required maxLength={80} placeholder="Dusty day" className={`${INPUT} w-full`} />
        </Line>
        <Line label="For where and when">
          <input
            name="isFor"
            maxLength={1000}
            placeholder="dry track, after noon"
            className={`${INPUT} w-full`}
          />
        </Line>
        <Line label="From whom">
          <input
            name="by"
            maxLength={1000}
            placeholder="empty if it is your own"
            className={`${INPUT} w-full`}
          />
        </Line>
        <Line label="Why">
          <textarea
            name="note"
            rows={2}
            maxLength={1000}
            className="w-full rounded-sm border border-muted bg-film p-2"
          />
        </Line>
        {isList && unread !== '' && (
          <p className="text-sm">
            Kept in its note: <q>{unread}</q>
            <input type="hidden" name="unread" value={unread} />
          </p>
        )}
        <p>
          <Button type="submit" look="main" disabled={isList && reading.count === 0}>
            Keep this set-up
          </Button>
        </p>
        {Object.keys(draft.reasons).length > 0 && source === 'draft' && (
          <p className="text-sm text-muted">The reasons of the drafted values are kept with it.</p>
        )}
      </Form>
    </details>
  );
}

const Line = ({ label, children }: { label: string; children: ReactNode }) => (
  <label className="grid gap-x-4 gap-y-1 sm:grid-cols-[10rem_1fr] sm:items-center">
    <span>{label}</span>
    {children}
  </label>
);

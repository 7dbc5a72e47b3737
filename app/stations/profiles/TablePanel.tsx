import { parseTable } from '#formats/csvTable';
import { LAYOUTS, readTable, type Layout, type TableReading } from '#core/workshop/table';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Problems } from '../../ui/Problems';
import { INPUT } from '../rig/formParts';
import { SelectField } from './fields';
import type { SketchBench } from './useSketch';

/** A table typed off a manual, pasted or from a file: how it was read, and what of it can be taken over. */
export function TablePanel({ bench, onTaken }: { bench: SketchBench; onTaken: () => void }) {
  const [text, setText] = useState('');
  const [layout, setLayout] = useState<Layout | ''>('');
  const read = text.trim() === '' ? undefined : reading(text, layout);
  const upload = async (file: File | undefined): Promise<void> => {
    // A file of any size may be chosen; only as much is read as shows that it is too large.
    if (file) setText(await file.slice(0, 2_000_000).text());
  };
  return (
    <div className="mt-3 rounded-sm border border-rule p-3">
      <p className="text-sm">
        Type the manual’s table into any spreadsheet. Paste it here or choose the file. Items may run down or
        across, or use one line per stop. Mark the factory value with a star or brackets. Decimal commas work
        with tabs or semicolons.
      </p>
      <textarea
        value={text}
        onChange={(event) => setText(event.target.value)}
        aria-label="Table"
        rows={7}
        placeholder={'1;Running Mode;Forward/Brake;Forward/Brake/Reverse*\n2;Drag Brake;0 %*;10 %;20 %'}
        className={`${INPUT} mt-2 w-full py-2 font-sans text-base`}
      />
      <input
        type="file"
        accept=".csv,.tsv,.txt,text/*"
        aria-label="Table from a file"
        onChange={(event) => void upload(event.target.files?.[0])}
        className="mt-1 max-w-full rounded-sm border border-rule bg-sheet p-2 file:mr-3 file:border-0 file:bg-transparent file:font-bold"
      />
      {read && (
        <div className="mt-3" role="status">
          {read.reason !== '' && (
            <p>
              Read as <strong>{LAYOUTS[read.layout]}</strong>: {read.items.length}{' '}
              {read.items.length === 1 ? 'item' : 'items'}. <span className="text-muted">{read.reason}</span>
            </p>
          )}
          <SelectField
            label="Is the layout different?"
            value={layout}
            options={[['', 'as it was read'], ...Object.entries(LAYOUTS)]}
            onChange={(chosen) => setLayout(chosen as Layout | '')}
          />
          <div className="mt-2">
            <Problems
              problems={read.problems.map((p) => ({ ...p, path: '' }))}
              title={
                read.items.length > 0
                  ? 'Fix this in the table first. Otherwise the profile would be wrong.'
                  : 'Nothing could be read from this.'
              }
            />
            {read.problems.length === 0 && (
              <Problems
                problems={read.open.map((p) => ({ ...p, path: '' }))}
                title="Some of it is unclear. Fix it here or in the items below."
              />
            )}
          </div>
          {read.items.length > 0 && read.problems.length === 0 && (
            <Button
              look="main"
              className="mt-3"
              onClick={() => {
                bench.set({ items: read.items });
                setText('');
                onTaken();
              }}
            >
              {bench.sketch.items.length > 0
                ? `Replace all items with these ${read.items.length} `
                : `Use these ${read.items.length} items`}
            </Button>
          )}
        </div>
      )}
    </div>
  );
}

function reading(text: string, layout: Layout | ''): TableReading {
  const cells = parseTable(text);
  if (!cells.ok) return { layout: 'itemsDown', reason: '', items: [], problems: cells.problems, open: [] };
  return readTable(cells.value, layout === '' ? undefined : layout);
}

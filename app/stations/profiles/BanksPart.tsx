import { TickBox } from '../../ui/TickBox';
import { SelectField } from './fields';
import type { SketchBench } from './useSketch';

/** Whether the ESC keeps several sets of values, what chooses among them, and which of them its maker has fixed. */
export function BanksPart({ bench }: { bench: SketchBench }) {
  const { sketch, set, problemAt } = bench;
  const chooser = sketch.items.find(({ id }) => id === sketch.bankItemId);
  const { fixedBankStopIds: fixed } = sketch;
  const candidates = sketch.items.filter(({ stops, inBank }) => stops.length > 1 && !inBank);
  if (candidates.length === 0) return null;
  return (
    <details className="mt-4" open={problemAt('bankItemId') || sketch.bankItemId !== '' ? true : undefined}>
      <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">
        It keeps several sets of values (banks)
      </summary>
      <SelectField
        label="Banks are chosen by"
        value={sketch.bankItemId}
        problem={problemAt('bankItemId') ?? problemAt('banks')}
        options={[['', 'no banks'], ...candidates.map(({ id, label }) => [id, label] as const)]}
        onChange={(bankItemId) => set({ bankItemId, fixedBankStopIds: [] })}
      />
      {chooser && (
        <fieldset className="mt-2 text-sm">
          <legend className="text-muted">Fixed by the maker</legend>
          {chooser.stops.map(({ id, label }) => (
            <TickBox
              key={id}
              className="mr-4"
              on={fixed.includes(id)}
              onChange={(on) =>
                set({ fixedBankStopIds: on ? [...fixed, id] : fixed.filter((other) => other !== id) })
              }
            >
              {label}
            </TickBox>
          ))}
          <p className="mt-1">
            For each item, tick under “Ties to other items” whether every bank has its own.
          </p>
        </fieldset>
      )}
    </details>
  );
}

import {
  changedSince,
  NO_HAND_VALUES,
  HAND_VALUE_KEYS,
  HAND_VALUES,
  type HandValues,
} from '#core/rig/handValues';
import { EVIDENCE } from '#core/sheet/evidence';
import type { Reasons } from '#core/sheet/draft';
import type { Sheet, SheetValue } from '#core/sheet/sheet';
import { DataTable } from '../../ui/DataTable';
import { EscMark, escMarkOf } from '../../ui/marks';

interface Props {
  sheet: Sheet;
  /** What the sheet before it has of model and radio. */
  byHandBefore?: HandValues;
}

/** Every value of a sheet in the ESC's own order, with how it was known. */
export function SheetTable({ sheet, byHandBefore = NO_HAND_VALUES }: Props) {
  const changed = new Set(sheet.changedItemIds);
  const changedByHand = changedSince(byHandBefore, sheet.byHand);
  const byHand = HAND_VALUE_KEYS.filter((key) => sheet.byHand[key] !== undefined);
  return (
    <>
      <ValueTable
        label="Values of this sheet"
        values={sheet.values}
        changed={changed}
        reasons={sheet.reasons}
      />
      {sheet.otherEscs.map(({ escNumber, values }) => (
        <OtherEsc key={escNumber} escNumber={escNumber} values={values} first={sheet.values} />
      ))}
      {byHand.length > 0 && (
        <p className="mt-2 max-w-2xl border-t border-rule pt-2">
          <span className="text-muted">On the model and its radio: </span>
          {byHand.map((key, place) => {
            const { name, unit } = HAND_VALUES[key];
            const isChanged = changedByHand.includes(key);
            return (
              <span key={key}>
                {place > 0 && '; '}
                <span className={isChanged ? 'font-bold' : ''}>
                  {name} {sheet.byHand[key]}&nbsp;{unit}
                </span>
                {isChanged && <span className="text-muted"> · changed</span>}
                {sheet.reasons[key] && <span className="text-muted"> · {sheet.reasons[key]}</span>}
              </span>
            );
          })}
        </p>
      )}
    </>
  );
}

interface ValueTableProps {
  label: string;
  values: readonly SheetValue[];
  changed: ReadonlySet<string>;
  /** Why some were chosen. */
  reasons?: Reasons;
}

function ValueTable({ label, values, changed, reasons }: ValueTableProps) {
  return (
    <DataTable label={label} heads={['item', 'name', 'stop', 'known by']}>
      {values.map((value) => (
        <tr key={value.itemId}>
          <td>{value.itemNumber}</td>
          <td className={`py-1 pr-3 ${changed.has(value.itemId) ? 'font-bold' : ''}`}>
            {value.itemLabel}
            {changed.has(value.itemId) && <span className="text-muted"> · changed</span>}
            {reasons?.[value.itemId] && (
              <span className="block text-sm font-normal text-muted">{reasons[value.itemId]}</span>
            )}
          </td>
          <td>
            {value.stopLabel === null ? 'unknown' : `${value.stopLabel} (stop ${value.stopNumber ?? ''})`}
          </td>
          <td className="flex items-center gap-2 py-1">
            <EscMark mark={escMarkOf(value)} className="size-3" />
            {EVIDENCE[value.basis]}
          </td>
        </tr>
      ))}
    </DataTable>
  );
}

const NONE: ReadonlySet<string> = new Set();

/** Another ESC of the model: what it held otherwise stands first, the whole behind it. */
function OtherEsc({
  escNumber,
  values,
  first,
}: {
  escNumber: number;
  values: readonly SheetValue[];
  first: readonly SheetValue[];
}) {
  const unlike = values.filter(({ itemId, stopId }) =>
    first.some((value) => value.itemId === itemId && value.stopId !== stopId),
  );
  return (
    <details className="mt-2 max-w-2xl border-t border-rule pt-2">
      <summary className="min-h-11 cursor-pointer py-2">
        <strong>ESC {escNumber}</strong>:{' '}
        {unlike.length === 0
          ? 'holds the same'
          : `differs in ${unlike.map(({ itemLabel, stopLabel }) => `${itemLabel} (${stopLabel ?? 'unknown'})`).join(', ')}`}
      </summary>
      <ValueTable label={`Values of ESC ${escNumber}`} values={values} changed={NONE} />
    </details>
  );
}

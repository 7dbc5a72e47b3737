import { EVIDENCE } from '#core/sheet/evidence';
import type { Sheet } from '#core/sheet/sheet';
import { EscMark, escMarkOf } from '../../ui/marks';
import { Scrollable } from '../../ui/Scrollable';

/** Every value of a sheet in the ESC's own order, with how it was known. */
export function SheetTable({ sheet }: { sheet: Sheet }) {
  const changed = new Set(sheet.changedItemIds);
  return (
    <Scrollable label="Values of this sheet">
      <table className="w-full max-w-2xl text-left">
        <thead className="text-sm text-muted">
          <tr>
            <th className="py-1 pr-3 font-normal">item</th>
            <th className="py-1 pr-3 font-normal">name</th>
            <th className="py-1 pr-3 font-normal">stop</th>
            <th className="py-1 font-normal">known by</th>
          </tr>
        </thead>
        <tbody>
          {sheet.values.map((value) => (
            <tr key={value.itemId} className="border-t border-rule">
              <td className="py-1 pr-3">{value.itemNumber}</td>
              <td className={`py-1 pr-3 ${changed.has(value.itemId) ? 'font-bold' : ''}`}>
                {value.itemLabel}
                {changed.has(value.itemId) && <span className="text-muted"> · changed</span>}
              </td>
              <td className="py-1 pr-3">
                {value.stopLabel === null ? 'unknown' : `${value.stopLabel} (stop ${value.stopNumber ?? ''})`}
              </td>
              <td className="flex items-center gap-2 py-1">
                <EscMark mark={escMarkOf(value)} className="size-3" />
                {EVIDENCE[value.basis]}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Scrollable>
  );
}

import {
  changedSince,
  NO_HAND_VALUES,
  HAND_VALUE_KEYS,
  HAND_VALUES,
  type HandValues,
} from '#core/rig/handValues';
import { EVIDENCE } from '#core/sheet/evidence';
import type { Sheet } from '#core/sheet/sheet';
import { EscMark, escMarkOf } from '../../ui/marks';
import { Scrollable } from '../../ui/Scrollable';

interface Props {
  sheet: Sheet;
  /** What the sheet before it has of model and radio. */
  setupBefore?: HandValues;
}

/** Every value of a sheet in the ESC's own order, with how it was known. */
export function SheetTable({ sheet, setupBefore = NO_HAND_VALUES }: Props) {
  const changed = new Set(sheet.changedItemIds);
  const changedByHand = changedSince(setupBefore, sheet.setup);
  const byHand = HAND_VALUE_KEYS.filter((key) => sheet.setup[key] !== undefined);
  return (
    <>
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
                  {value.stopLabel === null
                    ? 'unknown'
                    : `${value.stopLabel} (stop ${value.stopNumber ?? ''})`}
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
                  {name} {sheet.setup[key]}&nbsp;{unit}
                </span>
                {isChanged && <span className="text-muted"> · changed</span>}
              </span>
            );
          })}
        </p>
      )}
    </>
  );
}

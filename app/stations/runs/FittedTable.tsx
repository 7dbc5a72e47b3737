import { fittedFrom, type FittedNumber } from '#core/rig/fitted';
import { quantityWords, rigField } from '#core/rig/fields';
import { withUnit } from '#core/units/format';
import type { ReactNode } from 'react';
import { DataTable } from '../../ui/DataTable';

/** Numbers that runs told: what each was, what it is, and how sure that is. */
export function FittedTable({
  label,
  numbers,
  children,
}: {
  label: string;
  numbers: readonly FittedNumber[];
  /** What can be done with one. */
  children?: (number: FittedNumber) => ReactNode;
}) {
  return (
    <DataTable
      label={label}
      heads={[
        'number',
        { name: 'was', isNumber: true },
        { name: 'is, with 95 % certainty', isNumber: true },
        ...(children ? [''] : []),
      ]}
    >
      {numbers.map((number) => {
        const { path, quantity } = number;
        const { fit } = quantity;
        return (
          <tr key={path}>
            <th scope="row">
              {rigField(path).label}
              <span className="block text-sm text-muted">
                {fit.together.length === 0
                  ? fittedFrom(fit)
                  : `told only together with ${fit.together.join(', ')}`}
              </span>
            </th>
            <td className="text-right text-muted">
              {quantityWords(path, fit.was.value)}
              <span className="block text-sm">{fit.was.basis}</span>
            </td>
            <td className="text-right">
              <strong>{quantityWords(path, quantity.value)}</strong>
              <span className="block text-sm">
                ±{'\u00a0'}
                {withUnit(100 * fit.within, '%', fit.within < 0.1 ? 1 : 0)}
              </span>
            </td>
            {children && <td>{children(number)}</td>}
          </tr>
        );
      })}
    </DataTable>
  );
}

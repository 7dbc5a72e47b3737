import { fittedFrom, type FittedNumber } from '#core/rig/fitted';
import { quantityWords, rigField } from '#core/rig/fields';
import { formatNumber } from '#core/units/format';
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
        { name: 'is', isNumber: true },
        { name: 'within', isNumber: true },
        'told',
        ...(children ? [''] : []),
      ]}
    >
      {numbers.map((number) => {
        const { path, quantity } = number;
        const { fit } = quantity;
        return (
          <tr key={path}>
            <th scope="row">{rigField(path).label}</th>
            <td className="text-right text-muted">
              {quantityWords(path, fit.was.value)}, {fit.was.basis}
            </td>
            <td className="text-right font-bold">{quantityWords(path, quantity.value)}</td>
            <td className="text-right">± {formatNumber(100 * fit.within, fit.within < 0.1 ? 1 : 0)} %</td>
            <td className="text-muted">
              {fit.together.length === 0 ? fittedFrom(fit) : `only together with ${fit.together.join(', ')}`}
            </td>
            {children && <td>{children(number)}</td>}
          </tr>
        );
      })}
    </DataTable>
  );
}

import { quantityAt, type QuantityPath, type RigField } from '#core/rig/fields';
import type { Rig } from '#core/rig/rig';
import { formatNumber } from '#core/units/format';
import type { Basis, Quantity } from '#core/units/provenance';
import { useState } from 'react';
import { NumberInput, Row } from './formParts';
import { shownValue } from './rigForm';

/** Numbers that a calculator has worked out, waiting to be saved with the form. SI units. */
export type Filled = Partial<Record<QuantityPath, Quantity>>;

interface Props {
  field: RigField;
  rig: Rig;
  filled: Quantity | undefined;
  problem: string | undefined;
}

/** One number with its unit, where it comes from, and why it is asked. */
export function QuantityRow({ field, rig, filled, problem }: Props) {
  const [basis, setBasis] = useState<Basis>((filled ?? quantityAt(rig, field.path)).basis);
  // Whoever types a number knows it better than the default did.
  const typed = (): void => setBasis((before) => (before === 'assumed' ? 'given' : before));
  return (
    <Row name={field.path} label={field.label} why={field.why} problem={problem}>
      <NumberInput
        name={field.path}
        value={filled ? formatNumber(filled.value * field.perSi, field.decimals) : shownValue(rig, field)}
        unit={field.unit}
        problem={problem}
        onTyped={typed}
      />
      <select
        name={`${field.path}.basis`}
        value={basis}
        onChange={(event) => setBasis(event.target.value as Basis)}
        aria-label={`Where ${field.label} comes from`}
        className={`min-h-11 rounded-sm border px-2 ${basis === 'assumed' ? 'border-dashed border-caution bg-caution-wash text-caution' : 'border-rule bg-sheet'}`}
      >
        <option value="assumed">assumed</option>
        <option value="given">given</option>
        <option value="measured">measured</option>
      </select>
    </Row>
  );
}

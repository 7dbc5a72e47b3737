import { quantityAt, quantityWords, type QuantityPath, type RigField } from '#core/rig/fields';
import { fittedFrom } from '#core/rig/fitted';
import type { Rig } from '#core/rig/rig';
import { formatNumber } from '#core/units/format';
import type { Basis, Quantity } from '#core/units/provenance';
import { useState } from 'react';
import { EscMark, type EscMarkKind } from '../../ui/marks';
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
  const typed = (): void =>
    setBasis((before) => (before === 'assumed' || before === 'fitted' ? 'given' : before));
  return (
    <Row
      name={field.path}
      label={field.label}
      why={whyAndWhence(field, quantityAt(rig, field.path))}
      problem={problem}
    >
      <NumberInput
        name={field.path}
        value={filled ? formatNumber(filled.value * field.perSi, field.decimals) : shownValue(rig, field)}
        unit={field.unit}
        problem={problem}
        onTyped={typed}
      />
      <input type="hidden" name={`${field.path}.basis`} value={basis} />
      <BasisButton basis={basis} of={field.label} onChange={setBasis} />
    </Row>
  );
}

/** Why a number is asked; of one that runs told, from which, and what it was. */
const whyAndWhence = ({ path, why }: RigField, { fit }: Quantity): string =>
  fit
    ? `It is ${fittedFrom(fit)}; before it was ${quantityWords(path, fit.was.value)}, ${fit.was.basis}. ${why}`
    : why;

const BASES: readonly Basis[] = ['assumed', 'given', 'measured'];
const MARKS: Readonly<Record<Basis, EscMarkKind>> = {
  assumed: 'unknown',
  given: 'believed',
  measured: 'verified',
  fitted: 'verified',
};

/** Where a number comes from, told at a glance: a press goes on to the next. What runs told is no choice of anybody. */
function BasisButton({
  basis,
  of,
  onChange,
}: {
  basis: Basis;
  of: string;
  onChange: (basis: Basis) => void;
}) {
  const next = BASES[(BASES.indexOf(basis) + 1) % BASES.length]!;
  return (
    <button
      type="button"
      aria-label={`Where ${of} comes from: ${basis}`}
      title={`Change to ${next}`}
      className={`flex min-h-8 w-28 items-center gap-2 rounded-sm px-1 text-sm pointer-coarse:min-h-11 hover:bg-sheet ${
        basis === 'assumed' ? 'text-caution' : 'text-muted'
      }`}
      onClick={() => onChange(next)}
    >
      <EscMark mark={MARKS[basis]} />
      {basis}
    </button>
  );
}

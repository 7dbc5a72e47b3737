/** Inputs of the workshop: each with its label, and its problem beneath it. */
import { useId, type ReactNode } from 'react';
import { INPUT } from '../rig/formParts';

interface FieldProps {
  label: string;
  problem: string | undefined;
  /** Draws the input with this id. */
  children: (id: string) => ReactNode;
  hint?: string;
  className?: string;
}

export function Field({ label, problem, hint, children, className = '' }: FieldProps) {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className="block text-sm text-muted">
        {label}
      </label>
      {children(id)}
      {hint && <p className="text-sm text-muted">{hint}</p>}
      {problem && <p className="max-w-80 text-sm font-bold text-hazard">{problem}</p>}
    </div>
  );
}

interface TextProps {
  label: string;
  value: string;
  problem: string | undefined;
  onChange: (text: string) => void;
  unit?: string;
  hint?: string;
  width?: string;
  placeholder?: string;
}

export function TextField({
  label,
  value,
  problem,
  onChange,
  unit = '',
  hint,
  width = 'w-full',
  placeholder,
}: TextProps) {
  return (
    <Field label={label} problem={problem} hint={hint}>
      {(id) => (
        <span className="flex items-center gap-2">
          <input
            id={id}
            value={value}
            onChange={(event) => onChange(event.target.value)}
            placeholder={placeholder}
            autoComplete="off"
            aria-invalid={problem !== undefined}
            className={`${INPUT} ${width}`}
          />
          {unit}
        </span>
      )}
    </Field>
  );
}

interface SelectProps {
  label: string;
  value: string;
  problem?: string | undefined;
  onChange: (value: string) => void;
  options: readonly (readonly [string, string])[];
}

export function SelectField({ label, value, problem, onChange, options }: SelectProps) {
  return (
    <Field label={label} problem={problem}>
      {(id) => (
        <select
          id={id}
          value={value}
          onChange={(event) => onChange(event.target.value)}
          aria-invalid={problem !== undefined}
          className={`${INPUT} max-w-full`}
        >
          {options.map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

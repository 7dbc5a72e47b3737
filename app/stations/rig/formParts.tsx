/** The pieces of a form: a part with its heading, a row with its reason, and the inputs that stand in it. */
import type { ReactNode } from 'react';

export const INPUT =
  'min-h-11 max-w-full min-w-0 rounded-sm border border-muted bg-sheet px-3 text-lg aria-invalid:border-2 aria-invalid:border-hazard';

export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mt-8 first:mt-0">
      <h2 className="border-b border-ink pb-1 text-2xl">{title}</h2>
      <div className="mt-2">{children}</div>
    </section>
  );
}

export function More({ title = 'More, if you know it', children }: { title?: string; children: ReactNode }) {
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">{title}</summary>
      {children}
    </details>
  );
}

interface RowProps {
  name: string;
  label: string;
  why: string;
  problem?: string;
  children: ReactNode;
}

export function Row({ name, label, why, problem, children }: RowProps) {
  return (
    <div className="grid grid-cols-1 gap-x-5 gap-y-1 border-b border-rule py-2.5 sm:grid-cols-[11rem_minmax(0,1fr)]">
      <label htmlFor={name} className="self-center font-bold">
        {label}
      </label>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        {children}
        <p
          className={`min-w-0 flex-1 basis-56 text-sm ${problem ? 'font-bold text-hazard' : 'text-muted'}`}
          id={`${name}-why`}
        >
          {problem ?? why}
        </p>
      </div>
    </div>
  );
}

interface InputProps {
  name: string;
  value: string;
  problem?: string;
}

export function NumberInput({
  name,
  value,
  unit,
  problem,
  onTyped,
}: InputProps & { unit: string; onTyped?: (typed: string) => void }) {
  return (
    <span className="flex items-center gap-2">
      <input
        id={name}
        name={name}
        defaultValue={value}
        inputMode="decimal"
        autoComplete="off"
        className={`${INPUT} w-24 text-right`}
        aria-invalid={problem !== undefined}
        aria-describedby={`${name}-why`}
        onChange={onTyped && ((event) => onTyped(event.target.value))}
      />
      <span className="w-14">{unit}</span>
    </span>
  );
}

export function TextInput({ name, value, problem, placeholder }: InputProps & { placeholder?: string }) {
  return (
    <input
      id={name}
      name={name}
      defaultValue={value}
      placeholder={placeholder}
      className={`${INPUT} w-full max-w-72`}
      autoComplete="off"
      aria-invalid={problem !== undefined}
      aria-describedby={`${name}-why`}
    />
  );
}

export function Choice({
  name,
  value,
  options,
}: {
  name: string;
  value: string;
  options: (readonly [string, string])[];
}) {
  return (
    <select id={name} name={name} defaultValue={value} className={INPUT} aria-describedby={`${name}-why`}>
      {options.map(([key, words]) => (
        <option key={key} value={key}>
          {words}
        </option>
      ))}
    </select>
  );
}

export function Tick({ name, checked, label }: { name: string; checked: boolean; label: string }) {
  return (
    <span className="flex min-h-11 items-center gap-2">
      <input id={name} name={name} type="checkbox" defaultChecked={checked} className="size-6 accent-draft" />
      {label}
    </span>
  );
}

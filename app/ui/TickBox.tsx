import type { ReactNode } from 'react';

interface Props {
  on: boolean;
  onChange: (on: boolean) => void;
  className?: string;
  /** What is switched. */
  children: ReactNode;
}

/** Something that is on or off, with its label, large enough for a thumb. */
export function TickBox({ on, onChange, className = '', children }: Props) {
  return (
    <label className={`inline-flex min-h-11 items-center gap-2 ${className}`}>
      <input
        type="checkbox"
        autoComplete="off"
        className="size-5 shrink-0 accent-draft"
        checked={on}
        onChange={(event) => onChange(event.target.checked)}
      />
      {children}
    </label>
  );
}

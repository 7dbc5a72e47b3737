import type { ReactNode } from 'react';

interface Props {
  label: string;
  className?: string;
  children: ReactNode;
}

/** A part that is wider than a phone: it scrolls by itself, by finger and by arrow keys. */
export function Scrollable({ label, className = '', children }: Props) {
  return (
    // A region that scrolls must be reachable without a mouse. Relative: words for those who do not see would widen the page.
    <div role="group" aria-label={label} tabIndex={0} className={`relative overflow-x-auto ${className}`}>
      {children}
    </div>
  );
}

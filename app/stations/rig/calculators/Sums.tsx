import { useState, type ReactNode } from 'react';

interface Props {
  title: string;
  children: () => ReactNode;
}

/** Calculators behind a line that opens them. They are drawn when they are first opened: most never are. */
export function Sums({ title, children }: Props) {
  const [wasOpened, setOpened] = useState(false);
  return (
    <details className="mt-2" onToggle={() => setOpened(true)}>
      <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">{title}</summary>
      {wasOpened && children()}
    </details>
  );
}

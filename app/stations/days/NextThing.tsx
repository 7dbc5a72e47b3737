import type { ReactNode } from 'react';

interface Props {
  /** As the clock of the place shows it. */
  clock: string;
  title: string;
  /** When, and what it waits for. */
  when: string;
  children?: ReactNode;
}

/** What comes next, to be read at arm’s length. */
export const NextThing = ({ clock, title, when, children }: Props) => (
  <section
    aria-label="Next"
    className="mt-3 border-y-2 border-ink bg-sheet px-3.5 py-3 sm:border-2 print:hidden"
  >
    <div className="flex items-baseline justify-between gap-4">
      <p className="text-lg">Next</p>
      <p className="font-display text-3xl font-bold" aria-label={`It is ${clock}`}>
        {clock}
      </p>
    </div>
    <p className="font-display text-3xl leading-tight font-bold wrap-anywhere sm:text-4xl">{title}</p>
    <p className="mt-1 text-lg">{when}</p>
    <div className="mt-3 flex flex-wrap gap-3 empty:hidden">{children}</div>
  </section>
);

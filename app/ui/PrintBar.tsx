import { Printer } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Button } from './Button';

interface Props {
  /** Where it came from: an address and its words. */
  back: readonly [to: string, words: string];
  children?: ReactNode;
}

/** Above a page that is laid out for paper: print it, or go back. None of it is printed. */
export const PrintBar = ({ back: [to, words], children }: Props) => (
  <div className="flex flex-wrap items-center gap-4 print:hidden">
    <Button look="main" onClick={() => window.print()}>
      <Printer className="size-5" aria-hidden="true" />
      Print
    </Button>
    {children}
    <Link className="text-base underline underline-offset-4" to={to}>
      {words}
    </Link>
  </div>
);

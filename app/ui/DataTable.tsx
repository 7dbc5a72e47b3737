import type { ReactNode } from 'react';
import { Scrollable } from './Scrollable';

interface Head {
  name: string;
  isNumber?: boolean;
  /** Left out on a phone. */
  isWide?: boolean;
}

interface Props {
  /** What the table is about, for those who do not see it. */
  label: string;
  /** The heads of its columns; numbers stand right, so do their heads. */
  heads: readonly (string | Head)[];
  /** Whether only those who do not see it are told the heads. */
  hidesHeads?: boolean;
  /** How wide it may be. */
  className?: string;
  children: ReactNode;
}

const ROWS =
  '[&_tbody_tr]:border-t [&_tbody_tr]:border-rule [&_tbody_th]:py-1.5 [&_tbody_th]:pr-4 [&_tbody_th]:font-normal [&_td]:py-1.5 [&_td]:pr-4';

/** A table of values: heads, a rule above each row, and a scroll of its own where it is wider than the screen. */
export function DataTable({ label, heads, hidesHeads = false, className = 'max-w-4xl', children }: Props) {
  return (
    <Scrollable label={label}>
      <table className={`w-full text-left ${ROWS} ${className}`}>
        <thead className={hidesHeads ? 'sr-only' : 'text-sm text-muted'}>
          <tr>
            {heads.map((head) => {
              const {
                name,
                isNumber = false,
                isWide = false,
              } = typeof head === 'string' ? { name: head } : head;
              return (
                <th
                  key={name}
                  scope="col"
                  className={`py-1 pr-4 font-normal ${isNumber ? 'text-right' : ''} ${isWide ? 'max-md:hidden' : ''}`}
                >
                  {name}
                </th>
              );
            })}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </Scrollable>
  );
}

import { Slot } from 'radix-ui';
import type { ComponentProps } from 'react';

const LOOKS = {
  main: 'min-h-11 bg-draft text-on-draft font-display text-lg font-bold px-6 py-3 hover:brightness-110',
  plain: 'min-h-11 border border-ink font-display font-bold px-3.5 py-2 hover:bg-sheet',
  quiet: 'min-h-8 pointer-coarse:min-h-11 underline underline-offset-4 px-1 py-1 hover:text-draft',
} as const;

interface Props extends ComponentProps<'button'> {
  look?: keyof typeof LOOKS;
  /** Gives the look to the only child, such as a link. */
  asChild?: boolean;
}

/** A button in one of three looks: the main thing to do here, another thing, an aside. */
export function Button({ look = 'plain', asChild = false, className = '', ...props }: Props) {
  const Element = asChild ? Slot.Root : 'button';
  return (
    <Element
      {...(asChild ? {} : { type: 'button' as const })}
      {...props}
      className={`inline-flex items-center justify-center gap-2 rounded-sm disabled:opacity-50 ${LOOKS[look]} ${className}`}
    />
  );
}

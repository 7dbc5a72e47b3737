import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
  title: string;
  isOpen: boolean;
  onOpenChange: (isOpen: boolean) => void;
  /** The button that opens it; none where something else does. */
  trigger?: ReactNode;
  children: ReactNode;
}

/** A dialog with its title and a key that closes it. Long ones scroll by themselves. It is made when it is opened: a page has many. */
export function TitledDialog({ title, isOpen, onOpenChange, trigger, children }: Props) {
  return (
    <Dialog.Root open={isOpen} onOpenChange={onOpenChange}>
      {trigger && <Dialog.Trigger asChild>{trigger}</Dialog.Trigger>}
      {isOpen && (
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed top-[4dvh] left-1/2 z-50 max-h-[92dvh] w-[min(44rem,94vw)] -translate-x-1/2 overflow-y-auto rounded-sm border border-ink bg-sheet p-6"
          >
            <div className="flex items-start justify-between gap-3">
              <Dialog.Title className="text-2xl">{title}</Dialog.Title>
              <Dialog.Close className="flex size-11 items-center justify-center rounded-sm hover:bg-film">
                <X className="size-5" aria-hidden="true" />
                <span className="sr-only">Close</span>
              </Dialog.Close>
            </div>
            {children}
          </Dialog.Content>
        </Dialog.Portal>
      )}
    </Dialog.Root>
  );
}

import { entryAnchor, entryOf } from '#core/settings/glossary';
import { VOCABULARY, type SettingId } from '#core/settings/vocabulary';
import { CircleHelp, X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { TermText } from './TermText';

/** What a setting means, one press away from wherever it is named. The dialog is made when it is opened: forty names have one. */
export function Term({ setting }: { setting: SettingId }) {
  const [isOpen, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  return (
    <>
      <button
        ref={button}
        type="button"
        aria-label={`What ${VOCABULARY[setting].name} means`}
        aria-haspopup="dialog"
        onClick={() => setOpen(true)}
        className="inline-flex size-8 shrink-0 items-center justify-center rounded-full text-muted hover:text-draft pointer-coarse:size-11"
      >
        <CircleHelp className="size-4.5" aria-hidden="true" />
      </button>
      {isOpen && (
        <TermDialog
          setting={setting}
          onClose={() => {
            setOpen(false);
            button.current?.focus();
          }}
        />
      )}
    </>
  );
}

function TermDialog({ setting, onClose }: { setting: SettingId; onClose: () => void }) {
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-30 max-h-[85dvh] w-[min(34rem,92vw)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-sm border border-ink bg-sheet p-6"
        >
          <div className="flex items-start justify-between gap-3">
            <Dialog.Title className="text-2xl">{VOCABULARY[setting].name}</Dialog.Title>
            <Dialog.Close aria-label="Close" className="flex size-11 items-center justify-center">
              <X className="size-5" aria-hidden="true" />
            </Dialog.Close>
          </div>
          <TermText entry={entryOf(setting)} />
          <p className="mt-4">
            <Link to={`/glossary#${entryAnchor(setting)}`} className="underline underline-offset-4">
              In the glossary
            </Link>
          </p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

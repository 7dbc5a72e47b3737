import { entryAnchor, entryOf } from '#core/settings/glossary';
import { VOCABULARY, type SettingId } from '#core/settings/vocabulary';
import { CircleHelp, X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { Link } from 'react-router';
import { TermText } from './TermText';

/** What a setting means, one press away from wherever it is named. */
export function Term({ setting }: { setting: SettingId }) {
  const { name } = VOCABULARY[setting];
  return (
    <Dialog.Root>
      <Dialog.Trigger asChild>
        <button
          type="button"
          aria-label={`What ${name} means`}
          className="inline-flex size-8 pointer-coarse:size-11 shrink-0 items-center justify-center rounded-full text-muted hover:text-draft"
        >
          <CircleHelp className="size-4.5" aria-hidden="true" />
        </button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-30 max-h-[85dvh] w-[min(34rem,92vw)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-sm border border-ink bg-sheet p-6"
        >
          <div className="flex items-start justify-between gap-3">
            <Dialog.Title className="text-2xl">{name}</Dialog.Title>
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

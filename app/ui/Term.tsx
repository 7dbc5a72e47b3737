import { entryAnchor, entryOf } from '#core/settings/glossary';
import { VOCABULARY, type SettingId } from '#core/settings/vocabulary';
import { CircleHelp } from 'lucide-react';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { TermText } from './TermText';
import { TitledDialog } from './TitledDialog';

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
        <TitledDialog
          title={VOCABULARY[setting].name}
          isOpen
          onOpenChange={() => {
            setOpen(false);
            button.current?.focus();
          }}
        >
          <TermText entry={entryOf(setting)} />
          <p className="mt-4">
            <Link to={`/glossary#${entryAnchor(setting)}`} className="underline underline-offset-4">
              In the glossary
            </Link>
          </p>
        </TitledDialog>
      )}
    </>
  );
}

import { Keyboard } from 'lucide-react';
import { useState, type KeyboardEvent } from 'react';
import { Button } from '../ui/Button';
import { TickBox } from '../ui/TickBox';
import { TitledDialog } from '../ui/TitledDialog';
import { COMMANDS, FIXED_KEYS, type CommandId } from './commands';
import { chooseLook, lookNow } from './look';
import { keyOf, type Look, type Preferences } from './preferences';
import { useCommands } from './useCommands';
import { savePreferences, usePreferences } from './usePreferences';

const LOOKS: Record<Look, string> = { auto: 'as the system', light: 'light', dark: 'dark' };

/** Keys, look and sound of this browser: a button, and the list behind it. */
export function PreferencesDialog() {
  const [open, setOpen] = useState(false);
  useCommands({ keys: () => setOpen(true) });
  return (
    <TitledDialog
      title="Keys, look and sound"
      isOpen={open}
      onOpenChange={setOpen}
      trigger={
        <button
          type="button"
          className="flex size-11 items-center justify-center rounded-sm hover:bg-sheet print:hidden"
        >
          <Keyboard className="size-5" aria-hidden="true" />
          <span className="sr-only">Keys, look and sound</span>
        </button>
      }
    >
      <LookAndSound />
      <KeyList />
    </TitledDialog>
  );
}

function LookAndSound() {
  const preferences = usePreferences();
  const [look, setLook] = useState<Look>(lookNow);
  const choose = (wanted: Look): void => {
    chooseLook(wanted);
    setLook(wanted);
  };
  return (
    <div className="mt-3 flex flex-wrap gap-x-10 gap-y-3">
      <fieldset>
        <legend className="font-bold">Look</legend>
        <div className="flex gap-4">
          {(Object.keys(LOOKS) as Look[]).map((id) => (
            <label key={id} className="flex min-h-11 items-center gap-2">
              <input
                type="radio"
                name="look"
                className="size-5 accent-draft"
                checked={look === id}
                onChange={() => choose(id)}
              />
              {LOOKS[id]}
            </label>
          ))}
        </div>
      </fieldset>
      <fieldset>
        <legend className="font-bold">Sound of the simulated ESC</legend>
        <TickBox on={preferences.sound} onChange={(sound) => savePreferences({ ...preferences, sound })}>
          play its tones
        </TickBox>
      </fieldset>
    </div>
  );
}

function KeyList() {
  const preferences = usePreferences();
  const change = (id: CommandId, key: string): void =>
    savePreferences({ ...preferences, keys: { ...preferences.keys, [id]: key } });
  return (
    <section className="mt-4">
      <h2 className="text-lg">Keys</h2>
      <TickBox
        on={preferences.characterKeys}
        onChange={(characterKeys) => savePreferences({ ...preferences, characterKeys })}
      >
        use letter, digit and sign keys
      </TickBox>
      <p className="text-sm text-muted">
        Keys do nothing while you type in a field. To change a key, click its field and press the key you
        want.
      </p>
      <ul className="mt-2">
        {(Object.keys(COMMANDS) as CommandId[]).map((id) => (
          <li key={id} className="flex items-center gap-3 border-t border-rule py-0.5">
            <KeyField preferences={preferences} id={id} onChange={(key) => change(id, key)} />
            {COMMANDS[id].words}
          </li>
        ))}
        {FIXED_KEYS.map(({ key, words }) => (
          <li key={key} className="flex min-h-10 items-center gap-3 border-t border-rule py-0.5">
            <kbd className="w-14 text-center font-bold">{key}</kbd>
            {words}
          </li>
        ))}
      </ul>
      <Button look="quiet" className="mt-2" onClick={() => savePreferences({ ...preferences, keys: {} })}>
        Reset all keys
      </Button>
    </section>
  );
}

interface KeyFieldProps {
  preferences: Preferences;
  id: CommandId;
  onChange: (key: string) => void;
}

/** A field that takes the next character pressed in it. Two commands on one key are pointed out. */
function KeyField({ preferences, id, onChange }: KeyFieldProps) {
  const key = keyOf(preferences, id);
  const twice = (Object.keys(COMMANDS) as CommandId[]).some(
    (other) => other !== id && keyOf(preferences, other).toLowerCase() === key.toLowerCase(),
  );
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key.length !== 1 || event.key === ' ' || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    onChange(event.key);
  };
  return (
    <span>
      <input
        readOnly
        value={key}
        onKeyDown={onKeyDown}
        disabled={!preferences.characterKeys}
        aria-label={`Key for: ${COMMANDS[id].words}`}
        aria-invalid={twice}
        className="min-h-9 w-14 rounded-sm border border-muted bg-film text-center font-bold disabled:opacity-60 aria-invalid:border-2 aria-invalid:border-hazard"
      />
      {twice && <span className="ml-1 text-sm text-hazard">used twice</span>}
    </span>
  );
}

import { useEffect, useEffectEvent } from 'react';
import type { CommandId } from './commands';
import { keyOf } from './preferences';
import { usePreferences } from './usePreferences';

interface KeyActions {
  down: () => void;
  up?: () => void;
}

/** What keys do while this component is there. `space` is the space bar, which cannot be changed. */
export type Commands = Partial<Record<CommandId | 'space', KeyActions | (() => void) | undefined>>;

/**
 * Lets keys act on the whole page. Characters act only where they are switched on, and no key acts while
 * something is being typed or worked by keyboard.
 */
export function useCommands(commands: Commands): void {
  const preferences = usePreferences();

  const actionsFor = (key: string): KeyActions | undefined => {
    const id = key === ' ' ? 'space' : (Object.keys(commands) as CommandId[]).find(isFor(key));
    const action = id && commands[id];
    return typeof action === 'function' ? { down: action } : action;
  };
  const isFor = (key: string) => (id: CommandId | 'space') =>
    id !== 'space' && preferences.characterKeys && keyOf(preferences, id).toLowerCase() === key.toLowerCase();

  const down = useEffectEvent((event: KeyboardEvent) => {
    if (event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
    const actions = actionsFor(event.key);
    if (!actions || isBusy(event)) return;
    event.preventDefault();
    actions.down();
  });
  // Letting go counts wherever the focus is by then.
  const up = useEffectEvent((event: KeyboardEvent) => actionsFor(event.key)?.up?.());

  useEffect(() => {
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('keyup', up);
    };
  }, []);
}

const TYPED_INTO = 'input:not([type=range], [type=radio], [type=checkbox]), select, textarea';
/** Things that the space bar works by itself. */
const WORKED_BY_SPACE = 'input, a, summary, [role=tab], button:not([data-esc-key])';

function isBusy({ target, key }: KeyboardEvent): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target.closest(TYPED_INTO) || document.querySelector('[role=dialog], [role=alertdialog]')) return true;
  return key === ' ' && target.closest(WORKED_BY_SPACE) !== null;
}

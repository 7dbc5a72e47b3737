import type { KeyId } from '#core/procedure/language';
import { keyOf } from '../preferences/preferences';
import type { CommandId } from '../preferences/commands';
import { usePreferences } from '../preferences/usePreferences';
import { noClickAfter } from './keepFocus';
import type { WorkedEsc } from './useSimulatedEsc';

/** Keys that a command works; the set key has the space bar. */
export type CommandKey = Exclude<KeyId, 'set'> & CommandId;

/** What pressing and letting go of a key does. */
export const workKey = (bench: WorkedEsc, key: KeyId) => ({
  down: () => bench.input({ type: 'down', key }),
  up: () => bench.input({ type: 'up', key }),
});

/** A key of card, box, pad or transmitter: down while it is touched. */
export function EscKey({ bench, keyId, name }: { bench: WorkedEsc; keyId: CommandKey; name: string }) {
  const preferences = usePreferences();
  const { down, up } = workKey(bench, keyId);
  return (
    <button
      type="button"
      data-esc-key
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        down();
      }}
      onPointerUp={up}
      onPointerCancel={up}
      onTouchEnd={noClickAfter}
      className="min-h-12 touch-none rounded-md border-2 border-ink bg-sheet px-2 font-display font-bold select-none active:bg-ink active:text-film"
    >
      {name}
      {preferences.characterKeys && (
        <kbd className="ml-2 text-xs font-normal text-muted">{keyOf(preferences, keyId)}</kbd>
      )}
    </button>
  );
}

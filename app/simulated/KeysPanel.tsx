import type { HandMedium } from '#core/esc/media';
import { keysOf } from '#core/plan/keyNames';
import { litPlaces, stateOf } from '#core/procedure/step';
import { useState } from 'react';
import { useCommands } from '../preferences/useCommands';
import { Button } from '../ui/Button';
import { EscKey, workKey, type CommandKey } from './EscKey';
import type { WorkedEsc } from './useSimulatedEsc';

/** Keys beside the ESC, or on what is plugged into it, with what they make it show. */
export function KeysPanel({ bench, medium }: { bench: WorkedEsc; medium: HandMedium }) {
  const { esc, resting, input } = bench;
  const keys = Object.entries(keysOf(medium)).filter(([key]) => key !== 'set') as [CommandKey, string][];
  useCommands(Object.fromEntries(keys.map(([key]) => [key, workKey(bench, key)])));
  // A key that is down leaves what is shown as it was, but for a number that runs. Lamps in rows show a stop only once the
  // value key was pressed.
  const lit = litPlaces(esc.machine, esc.config) ?? litPlaces(esc.machine, resting);
  const item = lit && esc.profile.items[lit.item - 1];
  const stop = lit?.stop !== undefined ? item?.stops[lit.stop - 1] : undefined;
  return (
    <div className="mt-4 rounded-md border-2 border-ink bg-film p-3">
      {medium.family === 'textBox' && <Plug bench={bench} />}
      {medium.family !== 'keyPad' && (
        <p
          className="min-h-12 rounded-sm border border-rule bg-sheet p-2"
          role="status"
          aria-label="What it shows"
        >
          {item ? (
            <>
              {item.number} {item.label}
              {stop && (
                <>
                  : <strong>{stop.label}</strong>
                  {stop.id === item.factoryStopId && ' *'}
                  <span className="text-sm text-muted"> ({stop.number})</span>
                </>
              )}
            </>
          ) : (
            <span className="text-muted">dark</span>
          )}
        </p>
      )}
      <div className="mt-2 grid grid-cols-2 gap-2">
        {keys.map(([key, name]) => (
          <EscKey key={key} bench={bench} keyId={key} name={name} />
        ))}
      </div>
      {medium.family === 'keyPad' && medium.chosenBy === 'ownKey' && (
        <div className="mt-2 grid grid-cols-2 gap-2">
          {esc.machine.menu.map(({ itemId, code }) => (
            <Button key={itemId} onClick={() => input({ type: 'code', digits: code })}>
              {code}
            </Button>
          ))}
        </div>
      )}
      {medium.family === 'keyPad' && <Digits onTyped={(digits) => input({ type: 'code', digits })} />}
    </div>
  );
}

function Plug({ bench: { esc, input, cardIn } }: { bench: WorkedEsc }) {
  const driving = stateOf(esc.machine, esc.config).role === 'driving';
  const plug = (): void => input({ type: 'card', in: !cardIn });
  useCommands({ card: plug });
  return (
    <div className="mb-2 flex flex-wrap items-center justify-between gap-2">
      <h3 className="text-base">Box {cardIn ? 'plugged in' : 'unplugged'}</h3>
      <Button onClick={plug} className="text-sm" aria-keyshortcuts="c">
        {cardIn ? 'Unplug it' : 'Plug it in'}
      </Button>
      {cardIn && driving && (
        <p className="w-full text-sm text-caution">Too late: the ESC checks for a box only at power-on.</p>
      )}
    </div>
  );
}

/** Digits typed one after the other; enter on the keyboard ends them. */
function Digits({ onTyped }: { onTyped: (digits: string) => void }) {
  const [digits, setDigits] = useState('');
  const send = (): void => {
    if (digits !== '') onTyped(digits);
    setDigits('');
  };
  return (
    <form
      className="mt-2 flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <label className="flex items-center gap-2">
        digits
        <input
          value={digits}
          onChange={(event) => setDigits(event.target.value.replaceAll(/\D/g, ''))}
          inputMode="numeric"
          autoComplete="off"
          className="min-h-11 w-24 rounded-sm border border-muted bg-sheet px-2 text-right"
        />
      </label>
      <Button type="submit">type them</Button>
    </form>
  );
}

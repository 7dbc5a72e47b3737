import { profileOn } from '#core/esc/profile';
import type { LampCardMedium } from '#core/esc/media';
import { keyName } from '#core/plan/keyNames';
import { litPlaces, stateOf } from '#core/procedure/step';
import { useCommands } from '../preferences/useCommands';
import { Button } from '../ui/Button';
import { EscKey, workKey } from './EscKey';
import type { WorkedEsc } from './useSimulatedEsc';

const CARD_KEYS = ['item', 'value', 'ok', 'reset'] as const;

/** The card of the simulated ESC: its socket, a lamp beside each printed item, a row of lamps, four keys. */
export function CardPanel({ bench, medium }: { bench: WorkedEsc; medium: LampCardMedium }) {
  const { esc, resting, input, cardIn } = bench;
  const { profile, machine, config } = esc;
  const { role } = stateOf(machine, config);
  // A key that is down leaves the lamps as they were.
  const lit = cardIn ? litPlaces(machine, resting) : undefined;

  const push = (): void => input({ type: 'card', in: !cardIn });
  useCommands({
    card: push,
    item: workKey(bench, 'item'),
    value: workKey(bench, 'value'),
    ok: workKey(bench, 'ok'),
    reset: workKey(bench, 'reset'),
  });

  const litItem = lit && machine.menu[lit.item - 1]?.itemId;
  const mostStops = Math.max(...profile.items.map((item) => item.stops.length));
  return (
    <div className="mt-4 rounded-md border-2 border-ink bg-film p-3">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h3 className="text-base">Card {cardIn ? 'plugged in' : 'out'}</h3>
        <Button onClick={push} className="text-sm" aria-keyshortcuts="c">
          {cardIn ? 'Pull it out' : 'Push it in'}
        </Button>
      </div>
      {cardIn && role === 'driving' && (
        <p className="mt-1 text-sm text-caution">Too late: the ESC checks for a card only at power-on.</p>
      )}
      {cardIn && (
        <div role="status" aria-label="Lamps of the card">
          <p className="mt-2 text-sm text-muted">{medium.valueLamps}</p>
          <ol className="mt-1 flex gap-1.5">
            {Array.from({ length: mostStops }, (_, n) => (
              <li key={n} className="grid justify-items-center text-xs">
                <CardLamp lit={lit?.stop === n + 1} />
                {n + 1}
              </li>
            ))}
          </ol>
          <ol className="mt-2 grid grid-cols-2 gap-x-3 text-xs">
            {profileOn(profile, config.memory.stops).items.map(({ id, number, label }) => (
              <li key={id} className="flex items-center gap-1.5 leading-5">
                <CardLamp lit={litItem === id} />
                <span className={litItem === id ? 'font-bold' : ''}>
                  {number} {label}
                </span>
              </li>
            ))}
          </ol>
          {lit && (
            <p className="sr-only">
              lit: {medium.itemLamps} {lit.item}, {medium.valueLamps} {lit.stop}
            </p>
          )}
        </div>
      )}
      {cardIn && (
        <div className="mt-2 grid grid-cols-2 gap-2">
          {CARD_KEYS.map((key) => (
            <EscKey key={key} bench={bench} keyId={key} name={keyName(profile, key, medium)} />
          ))}
        </div>
      )}
    </div>
  );
}

/** Lit: filled, with rays; dark: an empty ring. */
function CardLamp({ lit }: { lit: boolean }) {
  return (
    <svg viewBox="0 0 16 16" className="size-4 shrink-0" aria-hidden="true">
      {lit && (
        <path
          d="M8 0V3M8 13V16M0 8H3M13 8H16M2.3 2.3l2 2M11.7 11.7l2 2M13.7 2.3l-2 2M4.3 11.7l-2 2"
          className="stroke-ink"
          strokeWidth="1.5"
        />
      )}
      <circle cx="8" cy="8" r="3.6" className={lit ? 'fill-ink' : 'fill-none'} stroke="var(--ink)" />
    </svg>
  );
}

import type { Cue, Edge, KeyId, State, Trigger } from '../language';

/** What a menu in text needs to know of where it is shown. */
export interface TextMenu {
  /** Put before the names of its states. */
  prefix: string;
  /** What shows the text. */
  display: string;
  /** Ways out, the same from every state in which no key is down. */
  exits: readonly Edge[];
}

const KEYS_USED = ['itemBack', 'item', 'valueBack', 'value', 'ok'] as const satisfies readonly KeyId[];
type UsedKey = (typeof KEYS_USED)[number];

/**
 * A menu in text, shared by the box and the transmitter: a key each way for items, which wrap round and show
 * what is stored; a key each way for stops, which wrap round too; one that writes. Going on to another item
 * without writing loses what was chosen. An item that needs it is asked about once more.
 */
export function textMenuStates({ prefix, display, exits }: TextMenu): Record<string, State> {
  const text: Cue[] = [
    { type: 'count', lamp: display, of: 'item', how: 'text' },
    { type: 'count', lamp: display, of: 'stop', how: 'text' },
  ];
  const name = (state: string): string => `${prefix}${state}`;
  const store: Omit<Edge, 'on'> = {
    effects: ['storeStop'],
    cues: [{ type: 'tone', tone: 'long' }],
    to: name('Item'),
  };
  const moves: Record<UsedKey, Omit<Edge, 'on'>[]> = {
    item: [{ effects: ['nextItem', 'showStored'], to: name('Item') }],
    itemBack: [{ effects: ['previousItem', 'showStored'], to: name('Item') }],
    value: [{ effects: ['nextStop'], to: name('Chosen') }],
    valueBack: [{ effects: ['previousStop'], to: name('Chosen') }],
    ok: [{ guard: 'itemIsConfirmed', to: name('Sure') }, store],
  };
  const withKeys = (state: string, body: Omit<State, 'on'>, ok: Omit<Edge, 'on'>[]) =>
    keyStates(name(state), body, { ...moves, ok }, exits);
  return {
    // The text shows what is stored; after a key for stops, what would be.
    ...withKeys('Item', { cues: text, role: 'showingStored' }, [{ to: name('Item') }]),
    ...withKeys('Chosen', { cues: text }, moves.ok),
    ...withKeys('Sure', { cues: [...text, { type: 'tone', tone: 'warning' }] }, [store]),
  };
}

function keyStates(
  name: string,
  body: Omit<State, 'on'>,
  moves: Record<UsedKey, Omit<Edge, 'on'>[]>,
  exits: readonly Edge[],
): Record<string, State> {
  const downName = (key: UsedKey): string => `${name}Down_${key}`;
  return {
    [name]: {
      ...body,
      on: [...KEYS_USED.map((key): Edge => ({ on: `down ${key}`, to: downName(key) })), ...exits],
    },
    ...Object.fromEntries(
      KEYS_USED.map((key): [string, State] => [
        downName(key),
        {
          cues: [],
          keyDown: key,
          on: moves[key].map((edge): Edge => ({ ...edge, on: `up ${key}` satisfies Trigger })),
        },
      ]),
    ),
  };
}

import type { Cue, Edge, KeyId, State, Trigger } from '../language';

/** What a menu in text needs to know of where it is shown. */
export interface TextMenu {
  /** Put before the names of its states. */
  prefix: string;
  /** What shows the text. */
  display: string;
  /** How a number is unlocked, and how it runs while a key is held. */
  number: { numberHoldMs: number; numberStepMs: number };
  /** Ways out, the same from every state in which no key is down. */
  exits: readonly Edge[];
}

const KEYS_USED = ['itemBack', 'item', 'valueBack', 'value', 'ok'] as const satisfies readonly KeyId[];
type UsedKey = (typeof KEYS_USED)[number];
type Ways = Record<UsedKey, Omit<Edge, 'on'>[]>;

/**
 * A menu in text, shared by the box and the transmitter: a key each way for items, which wrap round and show
 * what is stored; a key each way for stops, which wrap round too; one that writes. Going on to another item
 * without writing loses what was chosen. An item that needs it is asked about once more.
 *
 * A number may be locked: it is passed by like one stop until a stop key is held. From then on the keys move it by steps,
 * held it runs, and it stays between its ends until another item is chosen or it is written.
 */
export function textMenuStates({ prefix, display, number, exits }: TextMenu): Record<string, State> {
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
  const ways: Ways = {
    item: [{ effects: ['nextItem', 'showStored'], to: name('Item') }],
    itemBack: [{ effects: ['previousItem', 'showStored'], to: name('Item') }],
    value: [{ effects: ['nextStop'], to: name('Chosen') }],
    valueBack: [{ effects: ['previousStop'], to: name('Chosen') }],
    ok: [{ guard: 'itemIsConfirmed', to: name('Sure') }, store],
  };
  const onNumber: Ways = {
    ...ways,
    value: [{ effects: ['raiseNumber'], to: name('Number') }],
    valueBack: [{ effects: ['lowerNumber'], to: name('Number') }],
  };
  const withKeys = (state: string, body: Omit<State, 'on'>, its: Ways) =>
    keyStates(name(state), body, its, { exits, number, numberState: name('Number'), text });
  return {
    // The text shows what is stored; after a key for stops, what would be.
    ...withKeys('Item', { cues: text, role: 'showingStored' }, { ...ways, ok: [{ to: name('Item') }] }),
    ...withKeys('Chosen', { cues: text }, ways),
    ...withKeys('Number', { cues: text }, onNumber),
    ...withKeys('Sure', { cues: [...text, { type: 'tone', tone: 'warning' }] }, { ...ways, ok: [store] }),
  };
}

interface Surroundings extends Pick<TextMenu, 'exits' | 'number'> {
  text: Cue[];
  /** The state in which stop keys move the number. */
  numberState: string;
}

function keyStates(
  name: string,
  body: Omit<State, 'on'>,
  ways: Ways,
  { exits, number, numberState, text }: Surroundings,
): Record<string, State> {
  const downName = (key: UsedKey): string => `${name}Down_${key}`;
  const runName = (key: UsedKey): string => `${name}Run_${key}`;
  const release = (key: UsedKey, edges: Omit<Edge, 'on'>[]): Edge[] =>
    edges.map((edge): Edge => ({ ...edge, on: `up ${key}` satisfies Trigger }));
  const states: Record<string, State> = {
    [name]: {
      ...body,
      on: [...KEYS_USED.map((key): Edge => ({ on: `down ${key}`, to: downName(key) })), ...exits],
    },
  };
  for (const key of KEYS_USED) {
    states[downName(key)] = { cues: [], keyDown: key, on: release(key, ways[key]) };
    if (key !== 'value' && key !== 'valueBack') continue;
    // Held on a number, the key unlocks it; held on, the number runs.
    states[downName(key)]!.after = {
      ms: number.numberHoldMs,
      edges: [{ guard: 'inNumber', to: runName(key) }],
    };
    states[runName(key)] = {
      cues: text,
      keyDown: key,
      on: release(key, [{ to: numberState }]),
      after: {
        ms: number.numberStepMs,
        edges: [{ effects: [key === 'value' ? 'raiseNumber' : 'lowerNumber'], to: runName(key) }],
      },
    };
  }
  return states;
}

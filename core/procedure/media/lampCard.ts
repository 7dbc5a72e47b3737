import type { LampCardMedium } from '../../esc/media';
import type { Cue, Edge, KeyId, State } from '../language';
import type { MachinePart } from '../part';

/**
 * Entering settings on a card with lamps: battery off, card in, battery on. One lamp shows the item, one of a
 * row shows its stop. The item key goes one item on and shows what is stored there; the value key goes one
 * stop on; only ok writes. A long press of reset restores every factory value.
 * Source: common practice (card with lamps).
 */
export function lampCardPart(medium: LampCardMedium): MachinePart {
  const lit: Cue[] = [
    { type: 'count', lamp: medium.itemLamps, of: 'item', how: 'lit' },
    { type: 'count', lamp: medium.valueLamps, of: 'stop', how: 'lit' },
  ];
  return {
    into: {
      off: [{ on: 'cardIn', to: 'offCard' }],
      // Pushed in too late: the ESC looks for a card only when it is switched on.
      driving: [{ on: 'cardIn', to: 'drivingCard' }],
    },
    states: {
      offCard: {
        cues: [],
        role: 'off',
        on: [
          { on: 'cardOut', to: 'off' },
          { on: 'powerOn', to: 'cardWaking', gate: 'mayTurn' },
        ],
      },
      drivingCard: {
        cues: [],
        role: 'driving',
        on: [
          { on: 'cardOut', to: 'driving' },
          { on: 'powerOff', to: 'offCard' },
        ],
      },
      cardWaking: {
        cues: [],
        on: [{ on: 'powerOff', to: 'offCard' }],
        after: { ms: medium.wakeMs, edges: [{ effects: ['firstItem', 'showStored'], to: 'card' }] },
      },
      // The lamps show what is stored; after a press of the value key, what would be.
      ...withKeys('card', { cues: lit, role: 'showingStored', on: [] }, medium),
      ...withKeys('cardPreview', { cues: lit, on: [] }, medium),
      ...withKeys('cardWritten', { cues: [{ type: 'tone', tone: 'long' }, ...lit], on: [] }, medium),
      cardResetDone: {
        cues: [{ type: 'tone', tone: 'reset' }],
        keyDown: 'reset',
        on: [{ on: 'up reset', effects: ['firstItem', 'showStored'], to: 'card' }],
      },
      cardGone: {
        cues: [],
        on: [
          { on: 'cardIn', effects: ['firstItem', 'showStored'], to: 'card' },
          { on: 'powerOff', effects: ['forget'], to: 'off' },
        ],
      },
    },
  };
}

/** A state in which all four keys work, with the states of each key held down. */
function withKeys(name: string, state: State, { resetHoldMs }: LampCardMedium): Record<string, State> {
  const keys: Partial<Record<KeyId, Omit<Edge, 'on'>>> = {
    item: { effects: ['nextItem', 'showStored'], to: 'card' },
    value: { effects: ['nextStop'], to: 'cardPreview' },
    ok: { effects: ['storeStop'], to: 'cardWritten' },
    reset: { to: name },
  };
  const used = Object.entries(keys) as [KeyId, Omit<Edge, 'on'>][];
  const downName = (key: KeyId): string => `${name}Down_${key}`;
  return {
    [name]: {
      ...state,
      on: [
        ...used.map(([key]): Edge => ({ on: `down ${key}`, to: downName(key) })),
        { on: 'cardOut', to: 'cardGone' },
        { on: 'powerOff', effects: ['forget'], to: 'offCard' },
      ],
    },
    ...Object.fromEntries(
      used.map(([key, edge]): [string, State] => [
        downName(key),
        {
          cues: [],
          keyDown: key,
          on: [{ ...edge, on: `up ${key}` }],
          ...(key === 'reset' && {
            after: { ms: resetHoldMs, edges: [{ effects: ['storeFactory'], to: 'cardResetDone' }] },
          }),
        },
      ]),
    ),
  };
}

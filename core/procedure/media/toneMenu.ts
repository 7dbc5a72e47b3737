import type { Edge, Guard, State } from '../language';

/** A stick that comes down moves an item to its other stop at once: beeps say which, a long one that it is kept. */
export const toggleEdge = (guard: Guard, to: string): Edge => ({
  on: 'stick',
  guard,
  effects: ['showStored', 'nextStop', 'storeStop'],
  cues: [
    { type: 'count', lamp: 'beeps', of: 'stop', how: 'beeps' },
    { type: 'tone', tone: 'long' },
  ],
  to,
});

/** What all menus of tones share: the last group of a round is the way out, for a stick that comes down during it. */
export const toneExitState = (windowMs: number, firstItemState: string): State => ({
  cues: [{ type: 'group', of: 'exit' }],
  role: 'inToneMenu',
  on: [
    {
      on: 'stick',
      guard: 'stickLow',
      cues: [{ type: 'tone', tone: 'falling' }],
      to: 'driving',
      gate: 'mayTurn',
    },
    { on: 'powerOff', effects: ['forget'], to: 'off' },
  ],
  after: { ms: windowMs, edges: [{ effects: ['firstItem'], to: firstItemState }] },
});

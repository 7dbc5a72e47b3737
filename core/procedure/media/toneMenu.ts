import type { State } from '../language';

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

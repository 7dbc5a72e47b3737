import type { KeyPadMedium } from '../../esc/media';
import type { Edge, KeyId, State } from '../language';
import type { MachinePart } from '../part';

/**
 * Entering settings on a key pad with codes. The program key stops driving; the feature key and the digits of
 * an item choose it, or a key of its own does; further digits choose a value, enter keeps it; the run key drives again.
 * Digits that are no item or no value of it are refused, and the item is due again. What is stored is never shown.
 * Source: common practice (key pad with codes).
 */
export function keyPadPart({ chosenBy }: KeyPadMedium): MachinePart {
  const off: Edge = { on: 'powerOff', effects: ['forget'], to: 'off' };
  const refused: Edge = { on: 'code', cues: [{ type: 'tone', tone: 'warning' }], to: 'pad' };
  const down = (key: KeyId, edge: Omit<Edge, 'on'>): State => ({
    cues: [],
    keyDown: key,
    on: [{ ...edge, on: `up ${key}` }],
  });
  const chosen: Edge = {
    on: 'code',
    guard: 'codeIsItem',
    effects: ['itemByCode'],
    cues: [{ type: 'count', lamp: 'beeps', of: 'item', how: 'beeps' }],
    to: 'padValue',
  };
  const toAnItem: Edge = chosenBy === 'code' ? { on: 'down feature', to: 'padFeatureDown' } : chosen;
  return {
    into: { driving: [{ on: 'down program', to: 'padProgramDown' }] },
    states: {
      padProgramDown: down('program', { cues: [{ type: 'tone', tone: 'short' }], to: 'pad' }),
      pad: { cues: [], on: [toAnItem, { on: 'down run', to: 'padRunDown' }, off] },
      padRunDown: down('run', {
        effects: ['forget'],
        cues: [{ type: 'tone', tone: 'rising' }],
        to: 'driving',
        gate: 'mayTurn',
      }),
      padFeatureDown: down('feature', { cues: [{ type: 'tone', tone: 'short' }], to: 'padItem' }),
      padItem: { cues: [], on: [chosen, refused, toAnItem, off] },
      padValue: {
        cues: [],
        on: [
          {
            on: 'code',
            guard: 'codeIsStop',
            effects: ['stopByCode'],
            cues: [{ type: 'count', lamp: 'beeps', of: 'stop', how: 'beeps' }],
            to: 'padReady',
          },
          toAnItem,
          refused,
          off,
        ],
      },
      padReady: { cues: [], on: [{ on: 'down ok', to: 'padEnterDown' }, toAnItem, off] },
      padEnterDown: down('ok', {
        effects: ['storeStop'],
        cues: [{ type: 'tone', tone: 'long' }],
        to: 'pad',
      }),
    },
  };
}

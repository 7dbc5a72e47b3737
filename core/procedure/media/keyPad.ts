import type { Edge, KeyId, State } from '../language';
import type { MachinePart } from '../part';

/**
 * Entering settings on a key pad with codes. The program key stops driving; the feature key and the digits of
 * an item choose it, further digits choose a value, enter keeps it; the run key drives again. Digits that are no item
 * or no value of it are refused, and the feature key is due again. What is stored is never shown.
 * Source: common practice (key pad with codes).
 */
export function keyPadPart(): MachinePart {
  const off: Edge = { on: 'powerOff', effects: ['forget'], to: 'off' };
  const refused: Edge = { on: 'code', cues: [{ type: 'tone', tone: 'warning' }], to: 'pad' };
  const down = (key: KeyId, edge: Omit<Edge, 'on'>): State => ({
    cues: [],
    keyDown: key,
    on: [{ ...edge, on: `up ${key}` }],
  });
  const feature: Edge = { on: 'down feature', to: 'padFeatureDown' };
  return {
    into: { driving: [{ on: 'down program', to: 'padProgramDown' }] },
    states: {
      padProgramDown: down('program', { cues: [{ type: 'tone', tone: 'short' }], to: 'pad' }),
      pad: { cues: [], on: [feature, { on: 'down run', to: 'padRunDown' }, off] },
      padRunDown: down('run', {
        effects: ['forget'],
        cues: [{ type: 'tone', tone: 'rising' }],
        to: 'driving',
        gate: 'mayTurn',
      }),
      padFeatureDown: down('feature', { cues: [{ type: 'tone', tone: 'short' }], to: 'padItem' }),
      padItem: {
        cues: [],
        on: [
          {
            on: 'code',
            guard: 'codeIsItem',
            effects: ['itemByCode'],
            cues: [{ type: 'count', lamp: 'beeps', of: 'item', how: 'beeps' }],
            to: 'padValue',
          },
          refused,
          feature,
          off,
        ],
      },
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
          refused,
          feature,
          off,
        ],
      },
      padReady: { cues: [], on: [{ on: 'down ok', to: 'padEnterDown' }, feature, off] },
      padEnterDown: down('ok', {
        effects: ['storeStop'],
        cues: [{ type: 'tone', tone: 'long' }],
        to: 'pad',
      }),
    },
  };
}

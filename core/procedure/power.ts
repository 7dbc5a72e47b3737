import type { Cue, State } from './language';
import type { MachinePart, PowerState } from './part';

const ARMED: Cue = { type: 'tone', tone: 'rising' };

/**
 * Switching on and off, and arming: an ESC that sees neutral after its start drives, one that does not waits
 * for it and complains.
 * @param dark what the ESC's own lamp does while nothing is to be told
 * @param part the families and media that start from here
 */
export function powerStates(bootMs: number, dark: Cue[], part: MachinePart): Record<string, State> {
  const into = (name: PowerState) => part.into?.[name] ?? [];
  return {
    off: {
      cues: dark,
      role: 'off',
      on: [{ on: 'powerOn', to: 'boot', gate: 'mayTurn' }, { on: 'down set', to: 'offHeld' }, ...into('off')],
    },
    offHeld: {
      cues: [],
      keyDown: 'set',
      role: 'off',
      on: [
        { on: 'up set', to: 'off' },
        ...into('offHeld'),
        // Without a family that looks at the key, holding it changes nothing.
        { on: 'powerOn', to: 'boot', gate: 'mayTurn' },
      ],
    },
    boot: {
      cues: dark,
      role: 'waking',
      on: [{ on: 'powerOff', to: 'off' }],
      after: {
        ms: bootMs,
        edges: [
          ...(part.atFirstLook ?? []),
          { guard: 'stickAtNeutral', cues: [ARMED], to: 'driving' },
          { guard: 'stickOffNeutral', to: 'waitingForNeutral' },
        ],
      },
    },
    waitingForNeutral: {
      cues: [{ type: 'tone', tone: 'warning' }],
      role: 'unarmed',
      on: [
        { on: 'stick', guard: 'stickAtNeutral', cues: [ARMED], to: 'driving' },
        { on: 'powerOff', to: 'off' },
        ...into('waitingForNeutral'),
      ],
    },
    driving: {
      cues: dark,
      role: 'driving',
      on: [{ on: 'powerOff', to: 'off' }, ...into('driving')],
    },
  };
}

import type { EscProfile } from '../esc/profile';
import { keyConfirmedStates } from './families/keyConfirmed';
import type { Machine, State } from './language';
import { oneKeyStates } from './media/oneKey';

/** The whole machine of an ESC: power, its calibration family and its medium, from its profile. */
export function escMachine(profile: EscProfile): Machine {
  return {
    initial: 'off',
    states: {
      ...powerStates(profile),
      ...keyConfirmedStates(profile.medium.menuLamp),
      ...oneKeyStates(profile.medium),
    },
    menu: profile.items.map((item) => ({ itemId: item.id, stopIds: item.stops.map((stop) => stop.id) })),
    leastSpanMicros: profile.calibration.leastSpanMicros,
    armingToleranceMicros: profile.deadbandMicrosEachSide,
  };
}

/** Switching on and off, and arming. The states that families and media start from are named here. */
function powerStates({ bootMs, medium, calibration }: EscProfile): Record<string, State> {
  const dark = { type: 'lamp', lamp: medium.menuLamp, pattern: 'off' } as const;
  return {
    off: {
      cues: [dark],
      role: 'off',
      on: [
        { on: 'powerOn', to: 'boot', gate: 'mayTurn' },
        { on: 'down', to: 'offHeld' },
      ],
    },
    offHeld: {
      cues: [],
      keyDown: true,
      role: 'off',
      on: [
        { on: 'up', to: 'off' },
        { on: 'powerOn', to: 'powerOnHeld', gate: 'mayTurn' },
      ],
    },
    powerOnHeld: {
      cues: [],
      keyDown: true,
      on: [
        { on: 'up', to: 'boot' },
        { on: 'powerOff', to: 'offHeld' },
      ],
      after: { ms: calibration.holdAtPowerOnMs, edges: [{ to: 'calibrateHeld' }] },
    },
    boot: {
      cues: [dark],
      on: [{ on: 'powerOff', to: 'off' }],
      after: {
        ms: bootMs,
        edges: [
          { guard: 'stickAtNeutral', cues: [{ type: 'tone', tone: 'rising' }], to: 'driving' },
          { guard: 'stickOffNeutral', to: 'waitingForNeutral' },
        ],
      },
    },
    waitingForNeutral: {
      cues: [{ type: 'tone', tone: 'warning' }],
      on: [
        { on: 'stick', guard: 'stickAtNeutral', cues: [{ type: 'tone', tone: 'rising' }], to: 'driving' },
        { on: 'powerOff', to: 'off' },
      ],
    },
    driving: {
      cues: [dark],
      role: 'driving',
      on: [
        { on: 'down', to: 'drivingDown' },
        { on: 'powerOff', to: 'off' },
      ],
    },
  };
}

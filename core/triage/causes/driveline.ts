/** What may be wrong with reverse, gears and the driveline. Common practice, where nothing else is said. */
import type { CausesOf } from '../cause';
import { atLeast, atMost, chosen, either, said } from '../seen';
import { LAUNCH_TOO_STRONG } from './shared';

export const DRIVELINE: CausesOf<'reverses' | 'strips'> = {
  reverses: [
    {
      id: 'instantReverse',
      what: 'Reverse engages at once',
      evidence: chosen('runningMode', ['forwardReverse'], 'It is set to forward and reverse at once.'),
      try: { kind: 'set', setting: 'runningMode', to: 'forwardBrake' },
      lookFor: 'It only brakes.',
    },
    {
      id: 'delayShort',
      what: 'Reverse waits too short a time',
      evidence: atMost('reverseDelay', 0.99, 'It waits # s.'),
      try: { kind: 'set', setting: 'reverseDelay', to: 1 },
      tells: ['backUp', 'backs'],
      lookFor: 'Pumping the brake brakes; a second of rest and it backs up.',
    },
    {
      id: 'reverseAllowed',
      what: 'Reverse is allowed at all',
      evidence: either(
        said('reverseInRace'),
        chosen('runningMode', ['forwardBrakeReverse'], 'It is set to brake, then reverse.'),
      ),
      try: { kind: 'set', setting: 'runningMode', to: 'forwardBrake' },
      lookFor: 'It only brakes. Many rules require that.',
    },
  ],
  strips: [
    {
      ...LAUNCH_TOO_STRONG,
      id: 'launchStrips',
      what: 'The launch is too hard for the gears',
      tells: ['launch', 'peakTorque'],
      lookFor: 'No more clicking. Check the gear mesh, too.',
    },
    {
      id: 'startPowerHigh',
      what: 'A start may use full power',
      evidence: atLeast('startPower', 80, 'Start power is set to # %.'),
      says: { when: ['start'] },
      try: { kind: 'step', setting: 'startPower', by: -1 },
      tells: ['launch', 'peakTorque'],
      lookFor: 'Less peak torque. If it stutters, it is too little.',
    },
    {
      id: 'dragLocks',
      what: 'Strong drag brake comes at once',
      evidence: said('dragPitchesOver'),
      says: { when: ['brake'] },
      try: { kind: 'step', setting: 'dragRamp', by: 1 },
      tells: ['letGo', 'pitch'],
      lookFor: 'No crack from the driveline when you let go.',
    },
    {
      id: 'brakeLocks',
      what: 'The brake bites at once',
      evidence: atLeast('initialBrake', 20, 'The first touch brakes with # %.'),
      says: { when: ['brake'] },
      try: { kind: 'step', setting: 'initialBrake', by: -1 },
      tells: ['brake', 'bite'],
      lookFor: 'The brake builds up instead of snapping.',
    },
  ],
};

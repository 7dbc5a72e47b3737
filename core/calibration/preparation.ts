/** What the radio, a tester or a bus needs before a calibration, each line with its reason. Common practice. */
import type { Rig } from '../rig/rig';
import { formatNumber } from '../units/format';
import type { ThrottleChannel } from '../radio/pulse';
import type { PulseSource } from './calibration';

export interface PreparationLine {
  id: string;
  what: string;
  why: string;
  /** Whether the rig's own description says that it is so; undefined for what only the user can see. */
  right: boolean | undefined;
}

/** What a servo tester sends where nobody measured it: the usual convention, with the resolution of its knob. */
export const testerChannel = (channel: ThrottleChannel): ThrottleChannel => ({
  ...channel,
  centreMicros: 1500,
  travelMicros: 500,
  forwardEndPointPercent: 100,
  brakeEndPointPercent: 100,
  subTrimMicros: 0,
  trimMicros: 0,
  expoPercent: 0,
  reversed: false,
});

/** The lines for what sends the pulses, and for this very model. */
export const preparationLines = (rig: Rig, source: PulseSource): PreparationLine[] => [
  ...(source === 'tester' ? testerLines() : radioLines(rig.channel)),
  ...(source === 'bus' ? busLines() : []),
  ...modelLines(rig),
];

function radioLines(channel: ThrottleChannel): PreparationLine[] {
  const { forwardEndPointPercent: forward, brakeEndPointPercent: brake, subTrimMicros, trimMicros } = channel;
  const low = channel.rest === 'centre' ? 'brake' : 'low';
  return [
    {
      id: 'endPoints',
      what: `End points at 100 % both ways${forward === 100 && brake === 100 ? '' : `: now ${formatNumber(forward, 0)} % forward, ${formatNumber(brake, 0)} % ${low}`}`,
      why: 'If you lower them before calibrating, the ESC learns the smaller travel as full. The limit is then gone.',
      right: forward === 100 && brake === 100,
    },
    {
      id: 'trims',
      what: `Trim and sub-trim at zero${subTrimMicros === 0 && trimMicros === 0 ? '' : `: now ${trimMicros} and ${subTrimMicros} µs`}`,
      why: 'Otherwise the ESC learns a wrong neutral, and one trim click makes the model creep.',
      right: subTrimMicros === 0 && trimMicros === 0,
    },
    {
      id: 'curve',
      what: `Throttle curve straight${channel.expoPercent === 0 ? '' : `: now ${formatNumber(channel.expoPercent, 0)} % expo`}`,
      why: 'A curve does not move the ends, but it hides where the motor starts.',
      right: channel.expoPercent === 0,
    },
    look('memory', 'Right model memory', 'Another model memory has different ends and direction.'),
    look(
      'hold',
      'Throttle hold and throttle cut switched off',
      'A held throttle never sends full. Live Tune cannot see this: check it yourself.',
    ),
    look('aids', 'Braking aid and traction aid off', 'They add moves of their own while the ESC learns.'),
    look(
      'direction',
      'Throttle runs the right way',
      'On the radio’s monitor, forward must move as the ESC’s manual says.',
    ),
  ];
}

const testerLines = (): PreparationLine[] => [
  look(
    'testerEnds',
    'The tester reaches 1000 and 2000 µs',
    'Many testers reach less, and the ESC would learn that as full.',
  ),
  look(
    'testerManual',
    'Set to manual, not sweeping',
    'A sweeping tester moves while the ESC learns a point.',
  ),
  look('testerPower', 'Only one supply', 'The ESC’s BEC feeds the tester. Do not connect a second battery.'),
  look(
    'testerAfter',
    'Your radio sends the same afterwards',
    'The radio you drive with counts. Compare its pulses in the bench test.',
  ),
];

const busLines = (): PreparationLine[] => [
  look(
    'busMode',
    'The receiver’s socket is set to the bus',
    'On a bus all channels share one wire. If the socket is set to plain pulses, the ESC stays silent.',
  ),
  look(
    'busChannel',
    'The ESC knows which channel is throttle',
    'If it asks, move only the throttle: it takes the channel that moves.',
  ),
  look(
    'busFailSafe',
    'The fail-safe is checked separately',
    'A receiver’s fail-safe may not reach an ESC on a bus.',
  ),
];

/** What this very model needs, as its owner has noted it. */
function modelLines({ stabilityGainPercent, access }: Rig): PreparationLine[] {
  return [
    ...(stabilityGainPercent === null
      ? []
      : [
          look(
            'stability',
            `Stability aid off, its gain of ${formatNumber(stabilityGainPercent, 0)} % at zero`,
            'It moves the throttle while the ESC learns. Put it back afterwards.',
          ),
        ]),
    ...(access.setKey === '' ? [] : [look('key', `The key: ${access.setKey}`, 'As you noted it at Rig.')]),
  ];
}

const look = (id: string, what: string, why: string): PreparationLine => ({
  id,
  what,
  why,
  right: undefined,
});

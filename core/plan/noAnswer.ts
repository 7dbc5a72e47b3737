/** What to look at when an ESC does not answer at all. Source: common practice. */
import { mediumOf, type MediumFamily } from '../esc/media';
import type { EscProfile } from '../esc/profile';

/** One thing to look at, and what puts it right. */
export interface NoAnswerCause {
  look: string;
  remedy: string;
}

const PACK: NoAnswerCause = {
  look: 'Is the pack plugged in, charged and of the right cell count, and the switch on?',
  remedy: 'Charge or change the pack. An ESC that counts its cells wrongly may refuse to start.',
};
const LEAD: NoAnswerCause = {
  look: 'Does the throttle lead sit in the receiver’s throttle channel, the right way round?',
  remedy:
    'Brown or black is negative. Where two leads meet in an adapter, colours may be mirrored: match positions.',
};
const IDLE_PULSE: NoAnswerCause = {
  look: 'Is the transmitter on, on this model’s memory, and was it on before the ESC?',
  remedy:
    'Switch the ESC off, then the transmitter on, then the ESC: without a resting pulse many do not start.',
};
const LOUDSPEAKER: NoAnswerCause = {
  look: 'Is the motor connected with all its leads?',
  remedy: 'The ESC sounds through the motor. Seat every plug, the sensor’s too.',
};
const NOT_AT_REST: NoAnswerCause = {
  look: 'Does it beep again and again, and nothing else?',
  remedy: 'It does not see rest. Trims and sub-trims to zero, then calibrate the end points.',
};

/** @param where a sentence of the profile, or of what is usual, that says what goes where */
const plugged = (where: string): NoAnswerCause => ({
  look: 'Does the plug sit in its own socket, the right way round?',
  remedy: `${where} Sockets look alike: match positions rather than colours, and seat the plug to its end.`,
});

/** What each medium fails by, the likeliest first. */
const BY_MEDIUM: Readonly<Record<MediumFamily, (profile: EscProfile) => NoAnswerCause[]>> = {
  oneKey: () => [
    PACK,
    IDLE_PULSE,
    NOT_AT_REST,
    {
      look: 'Was the key held as long as the step says, and let go then?',
      remedy: 'Hold it until the lamp changes. Longer may switch the ESC off again.',
    },
    LEAD,
    LOUDSPEAKER,
  ],
  twoKeys: () => [PACK, IDLE_PULSE, NOT_AT_REST, LEAD, LOUDSPEAKER],
  stickTones: stickCauses,
  stickToggle: stickCauses,
  lampCard: () => [
    {
      look: 'Was the ESC off when the card went in?',
      remedy: 'Battery off, card in, battery on. It looks for a card only when it is switched on.',
    },
    plugged('The card’s lead goes into the socket that the manual shows.'),
    PACK,
    {
      look: 'Does the card’s lead have a break?',
      remedy: 'Move it gently while the ESC is on; change it if a lamp flickers.',
    },
  ],
  textBox: ({ media }) => [
    plugged(mediumOf(media, 'textBox')?.plug ?? ''),
    {
      look: 'Was the ESC switched on after the box was plugged in?',
      remedy: 'Off, plug in, on.',
    },
    PACK,
    {
      look: 'Does the box light up but show no value?',
      remedy: 'It has power but no answer: another lead, or a box for other ESCs.',
    },
  ],
  keyPad: () => [
    {
      look: 'Is the ESC in program mode?',
      remedy: 'Press the program key first and wait for its beep. In run mode it takes no digits.',
    },
    PACK,
    plugged('The pad’s lead goes into the program socket.'),
    LOUDSPEAKER,
  ],
  transmitterMenu: () => [
    {
      look: 'Does the transmitter show any telemetry of this receiver?',
      remedy: 'Bind again with telemetry on; some buses carry one ESC only.',
    },
    plugged('The telemetry lead goes into the receiver’s telemetry port.'),
    PACK,
    {
      look: 'Is the model memory the one with this ESC’s menu?',
      remedy: 'Menus belong to a memory. Choose the model, then switch the ESC on.',
    },
  ],
  programForm: ({ media }) => [
    plugged(mediumOf(media, 'programForm')?.plug ?? ''),
    {
      look: 'Does the cable carry data, or is the adapter paired?',
      remedy: 'Many cables only charge. Take one that has moved files before; pair again within a metre.',
    },
    {
      look: 'Was the adapter connected before the pack?',
      remedy: 'Pack off, adapter in, pack on: many ESCs look for a link only when they start.',
    },
    {
      look: 'Does the program offer new firmware before it reads anything?',
      remedy: 'Not now: an update can wipe what the ESC holds. Read and write down first.',
    },
    PACK,
  ],
  link: ({ media }) => [
    {
      look: 'Does the cable carry data, and is it seated at both ends?',
      remedy: 'Many cables only charge. Take one that has moved files before.',
    },
    plugged(mediumOf(media, 'link')?.plug ?? ''),
    {
      look: 'Was the adapter connected before the pack?',
      remedy: 'Pack off, adapter in, pack on: many ESCs look for a link only when they start.',
    },
    {
      look: 'Is another page or program talking to the adapter?',
      remedy: 'Close it: an adapter listens to one at a time.',
    },
    {
      look: 'By radio: is it paired, with the right pass code?',
      remedy:
        'Pair again within a metre. A pass code still as from the factory should be changed afterwards.',
    },
    PACK,
  ],
};

function stickCauses({ items }: EscProfile): NoAnswerCause[] {
  const causes: NoAnswerCause[] = [
    IDLE_PULSE,
    {
      look: 'Is throttle hold, cut or a braking aid switched on at the transmitter?',
      remedy: 'Release it: the stick is up, but the pulse is not.',
    },
    LOUDSPEAKER,
    {
      look: 'Does the motor start instead of sounding?',
      remedy: 'Switch off at once. The stick was not all the way up when the ESC looked.',
    },
    {
      look: 'Is the throttle reversed, or its end point drawn in?',
      remedy: 'End points to 100 % and the direction as the ESC expects: full up must be the longest pulse.',
    },
    LEAD,
    PACK,
  ];
  const locked: NoAnswerCause = {
    look: 'May its calibration be locked?',
    remedy:
      'Then a stick that is up at power-on means nothing. Unlock it by another medium, or restore factory values.',
  };
  return items.some(({ setting }) => setting === 'calibrationLock') ? [...causes, locked] : causes;
}

/** What to look at, the likeliest first, when this ESC does not answer by this medium. */
export const noAnswerCauses = (profile: EscProfile, family: MediumFamily): NoAnswerCause[] =>
  BY_MEDIUM[family](profile);

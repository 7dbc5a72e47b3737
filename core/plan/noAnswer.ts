/** What to look at when an ESC does not answer at all. Source: common practice. */
import { mediumOf, type MediumFamily } from '../esc/media';
import type { EscProfile } from '../esc/profile';

/** One thing to look at, and what puts it right. */
export interface NoAnswerCause {
  look: string;
  remedy: string;
}

const PACK: NoAnswerCause = {
  look: 'Is the pack plugged in, charged, with the right cell count, and the switch on?',
  remedy: 'Charge or change the pack. An ESC that counts cells wrongly may not start.',
};
const LEAD: NoAnswerCause = {
  look: 'Does the throttle lead sit in the receiver’s throttle channel, the right way round?',
  remedy: 'Brown or black is negative. Adapters may mirror colours: match positions.',
};
const IDLE_PULSE: NoAnswerCause = {
  look: 'Is the transmitter on, on this model’s memory, and was it on before the ESC?',
  remedy: 'ESC off, transmitter on, then ESC on. Many do not start without a resting pulse.',
};
const LOUDSPEAKER: NoAnswerCause = {
  look: 'Is the motor connected with all its leads?',
  remedy: 'The ESC sounds through the motor. Seat every plug, also the sensor plug.',
};
const NOT_AT_REST: NoAnswerCause = {
  look: 'Does it only beep again and again?',
  remedy: 'It does not see throttle at rest. Set trims and sub-trims to zero, then calibrate the end points.',
};

/** @param where a sentence of the profile, or of what is usual, that says what goes where */
const plugged = (where: string): NoAnswerCause => ({
  look: 'Is the plug in the right socket, the right way round?',
  remedy: `${where} Sockets look alike: match positions, not colours. Push the plug fully in.`,
});

/** What each medium fails by, the likeliest first. */
const BY_MEDIUM: Readonly<Record<MediumFamily, (profile: EscProfile) => NoAnswerCause[]>> = {
  oneKey: () => [
    PACK,
    IDLE_PULSE,
    NOT_AT_REST,
    {
      look: 'Did you hold the key as long as the step says, then let go?',
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
      remedy: 'Battery off, card in, battery on. It checks for a card only at power-on.',
    },
    plugged('The card’s lead goes into the socket that the manual shows.'),
    PACK,
    {
      look: 'Is the card’s lead broken?',
      remedy: 'Move it gently while the ESC is on. Replace it if a lamp flickers.',
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
      remedy: 'It has power but gets no answer. Wrong lead, or a box for other ESCs.',
    },
  ],
  keyPad: () => [
    {
      look: 'Is the ESC in program mode?',
      remedy: 'Press the program key first and wait for its beep. In run mode it ignores digits.',
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
      look: 'Is this the model memory with this ESC’s menu?',
      remedy: 'Menus belong to a model memory. Choose the model, then switch the ESC on.',
    },
  ],
  programForm: ({ media }) => [
    plugged(mediumOf(media, 'programForm')?.plug ?? ''),
    {
      look: 'Does the cable carry data, or is the adapter paired?',
      remedy: 'Many cables only charge. Use one that has moved files before. Pair again within a metre.',
    },
    {
      look: 'Was the adapter connected before the pack?',
      remedy: 'Pack off, adapter in, pack on. Many ESCs check for a link only at power-on.',
    },
    {
      look: 'Does the program offer new firmware before it reads anything?',
      remedy: 'Do not update now: it can wipe all values. Read and note them first.',
    },
    PACK,
  ],
  link: ({ media }) => [
    {
      look: 'Does the cable carry data, and is it seated at both ends?',
      remedy: 'Many cables only charge. Use one that has moved files before.',
    },
    plugged(mediumOf(media, 'link')?.plug ?? ''),
    {
      look: 'Was the adapter connected before the pack?',
      remedy: 'Pack off, adapter in, pack on. Many ESCs check for a link only at power-on.',
    },
    {
      look: 'Is another page or program talking to the adapter?',
      remedy: 'Close it: an adapter works with one program at a time.',
    },
    {
      look: 'By radio: is it paired, with the right pass code?',
      remedy: 'Pair again within a metre. Change a factory pass code afterwards.',
    },
    PACK,
  ],
};

function stickCauses({ items }: EscProfile): NoAnswerCause[] {
  const causes: NoAnswerCause[] = [
    IDLE_PULSE,
    {
      look: 'Is throttle hold, cut or a braking aid switched on at the transmitter?',
      remedy: 'Switch it off: the stick is up, but the pulse is not.',
    },
    LOUDSPEAKER,
    {
      look: 'Does the motor start instead of sounding?',
      remedy: 'Switch off at once. The stick was not all the way up at power-on.',
    },
    {
      look: 'Is the throttle reversed, or its end point reduced?',
      remedy: 'Set end points to 100 %. Check the direction: full up must be the longest pulse.',
    },
    LEAD,
    PACK,
  ];
  const locked: NoAnswerCause = {
    look: 'Could its calibration be locked?',
    remedy: 'Then stick up at power-on does nothing. Unlock it by another medium, or restore factory values.',
  };
  return items.some(({ setting }) => setting === 'calibrationLock') ? [...causes, locked] : causes;
}

/** What to look at, the likeliest first, when this ESC does not answer by this medium. */
export const noAnswerCauses = (profile: EscProfile, family: MediumFamily): NoAnswerCause[] =>
  BY_MEDIUM[family](profile);

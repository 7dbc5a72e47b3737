/** What a driver says is wrong, and what is asked about it. */
import type { VehicleKind } from '../rig/rig';

export interface Question {
  id: string;
  text: string;
  /** Answers by id. Whoever does not know answers none. */
  answers: Readonly<Record<string, string>>;
}

export interface Symptom {
  words: string;
  /** Kinds of model that can have it; all where left out. */
  only?: VehicleKind;
  questions: readonly Question[];
}

const ask = (id: string, text: string, answers: Question['answers']): Question => ({ id, text, answers });

const REST = ask('rest', 'Does it work again after a few minutes of rest?', {
  yes: 'yes, for a while',
  no: 'no, the pack is empty or it stays off',
});

export const TROUBLES = {
  rollsOn: {
    words: 'It rolls on when I let go',
    only: 'wheels',
    questions: [
      ask('where', 'Where?', { flat: 'on the flat, from speed', slope: 'down a slope, from standing' }),
    ],
  },
  weakSlowBrake: {
    words: 'The brake is weak when it is slow',
    only: 'wheels',
    questions: [ask('fast', 'And from full speed?', { strong: 'strong enough', weak: 'weak as well' })],
  },
  divesAtLetGo: {
    words: 'It dives or spins when I let go',
    only: 'wheels',
    questions: [
      ask('when', 'When exactly?', {
        letGo: 'as the trigger comes to rest',
        touch: 'as the brake is first touched',
        easing: 'already while easing off',
      }),
    ],
  },
  stutters: {
    words: 'It stutters as it starts',
    questions: [
      ask('load', 'When?', { standing: 'at every start', loaded: 'only against something' }),
      ask('before', 'Did it start well before?', { yes: 'yes, it came suddenly', no: 'no, always so' }),
    ],
  },
  spins: {
    words: 'It spins its wheels or snaps loose',
    only: 'wheels',
    questions: [ask('when', 'When?', { start: 'at the first pull', driving: 'also while driving' })],
  },
  helpComesAndGoes: {
    words: 'Top-end help comes and goes',
    questions: [
      ask('radio', 'What does the radio’s monitor show at full?', {
        full: '100 %',
        less: 'less, or it varies',
      }),
    ],
  },
  slow: {
    words: 'It is slower than it should be',
    questions: [ask('since', 'Since when?', { always: 'from the beginning', later: 'it was faster before' })],
  },
  uneven: {
    words: 'Part throttle is uneven: jumps or hovers vary',
    questions: [ask('radio', 'Is the radio old or worn?', { yes: 'yes', no: 'no' })],
  },
  brownsOut: {
    words: 'It goes dead for a moment, servos too',
    questions: [
      ask('when', 'When?', {
        launch: 'as I pull hard',
        servos: 'when the servos work hard',
        bumps: 'on bumps, at random',
      }),
    ],
  },
  hot: {
    words: 'Something gets hot',
    questions: [ask('what', 'What?', { motor: 'the motor', esc: 'the ESC', pack: 'the pack' })],
  },
  stopsEarly: {
    words: 'It stops or slows down early',
    questions: [REST, ask('charged', 'Is the pack full at every start?', { yes: 'yes', no: 'not always' })],
  },
  reverses: {
    words: 'It goes into reverse when I pump the brake',
    only: 'wheels',
    questions: [],
  },
  strips: {
    words: 'It strips gears or bends driveshafts',
    only: 'wheels',
    questions: [ask('when', 'When?', { start: 'at hard starts', brake: 'at hard stops' })],
  },
  willNotArm: { words: 'It will not arm', questions: [] },
  oneMotorLate: { words: 'One motor is late or weaker than its twin', questions: [] },
} as const satisfies Record<string, Symptom>;

export type TroubleId = keyof typeof TROUBLES;

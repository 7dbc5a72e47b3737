/** What a hand does wrong in the middle of a load, to be tried on the simulated ESC. Common practice. */
import type { Config, Input, KeyId, Machine } from '../procedure/language';
import { edgeFor, stateOf } from '../procedure/step';
import type { Gesture } from './gestures';

export type MishapId =
  'onceTooOften' | 'letGoTooSoon' | 'tooLate' | 'tooEarly' | 'notStored' | 'wrongCode' | 'powerLost';

/** One thing that goes wrong, as the inputs that the ESC gets. */
export interface Mishap {
  id: MishapId;
  /** What the hand, or the battery, does. */
  words: string;
  inputs: Input[];
}

/** A little of the wait is left, or a little more than it has gone by, ms. */
const BESIDE_MS = 100;

/**
 * What can go wrong instead of the step that is due.
 * @param config where the ESC is, no key down
 * @param due the step; undefined where the hand has nothing to do
 */
export function mishapsAt(machine: Machine, config: Config, due: Gesture | undefined): Mishap[] {
  return [...(due ? wrongly(machine, config, due) : []), ...powerLost(machine, config)];
}

function wrongly(machine: Machine, config: Config, due: Gesture): Mishap[] {
  switch (due.kind) {
    case 'press': {
      const tooOften: Mishap = {
        id: 'onceTooOften',
        words: 'press once too often',
        inputs: [...due.inputs, ...press(due.key)],
      };
      return due.key === 'ok' ? [...goneOn(machine, config, []), tooOften] : [tooOften];
    }
    case 'wait':
      return goneOn(machine, config, [{ type: 'elapsed', ms: due.ms / 2 }]);
    case 'code':
      return wrongCode(machine, config, due.digits);
    case 'hold': {
      const inputs: Input[] = [
        { type: 'down', key: due.key },
        { type: 'elapsed', ms: Math.min(...waitsOf(due)) / 2 },
        { type: 'up', key: due.key },
      ];
      return [{ id: 'letGoTooSoon', words: 'let go too soon', inputs }];
    }
    case 'stick':
      return due.during ? besideTheWindow(due) : [];
    default:
      return [];
  }
}

const press = (key: KeyId): Input[] => [
  { type: 'down', key },
  { type: 'up', key },
];

/** The keys that lead on to another item, where nothing was stored. */
const LEAD_ON: readonly KeyId[] = ['item', 'feature', 'set'];

function goneOn(machine: Machine, config: Config, first: Input[]): Mishap[] {
  const key = LEAD_ON.find((one) => edgeFor(machine, config, { type: 'down', key: one }));
  if (key === undefined) return [];
  return [{ id: 'notStored', words: 'go on before it is stored', inputs: [...first, ...press(key)] }];
}

function wrongCode(machine: Machine, config: Config, digits: string): Mishap[] {
  const isStop = stateOf(machine, config).on.some(({ guard }) => guard === 'codeIsStop');
  const codes = isStop ? machine.menu[config.itemCursor]!.stopCodes : machine.menu.map(({ code }) => code);
  const other = codes.find((code) => code !== digits);
  if (other === undefined) return [];
  const inputs: Input[] = [{ type: 'code', digits: other }];
  return [{ id: 'wrongCode', words: `type ${other.split('').join(' ')} instead`, inputs }];
}

function besideTheWindow(due: Extract<Gesture, { kind: 'stick' }>): Mishap[] {
  const move: Input = { type: 'stick', micros: due.micros };
  const late: Mishap[] =
    due.withinMs === undefined
      ? []
      : [
          {
            id: 'tooLate',
            words: 'move the stick one group too late',
            inputs: [{ type: 'elapsed', ms: due.afterMs + due.withinMs + BESIDE_MS }, move],
          },
        ];
  const early: Mishap[] =
    due.afterMs > BESIDE_MS
      ? [
          {
            id: 'tooEarly',
            words: 'move the stick one group too early',
            inputs: [{ type: 'elapsed', ms: due.afterMs - BESIDE_MS }, move],
          },
        ]
      : [];
  return [...early, ...late];
}

const waitsOf = ({ inputs }: Gesture): number[] =>
  inputs.flatMap((input) => (input.type === 'elapsed' ? [input.ms] : []));

function powerLost(machine: Machine, config: Config): Mishap[] {
  if (stateOf(machine, config).role === 'off') return [];
  return [{ id: 'powerLost', words: 'the battery lead slips out', inputs: [{ type: 'power', on: false }] }];
}

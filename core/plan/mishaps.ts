/** What a hand does wrong in the middle of a load, to be tried on the simulated ESC. Common practice. */
import type { Config, Input, Machine } from '../procedure/language';
import { stateOf } from '../procedure/step';
import type { Gesture } from './gestures';

export type MishapId = 'onceTooOften' | 'letGoTooSoon' | 'tooLate' | 'tooEarly' | 'powerLost';

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
  return [...(due ? wrongly(due) : []), ...powerLost(machine, config)];
}

function wrongly(due: Gesture): Mishap[] {
  switch (due.kind) {
    case 'press': {
      const once: Input[] = [
        { type: 'down', key: due.key },
        { type: 'up', key: due.key },
      ];
      return [{ id: 'onceTooOften', words: 'press once too often', inputs: [...due.inputs, ...once] }];
    }
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

import { describe, expect, it } from 'vitest';
import { factoryMemory } from '../device/simulatedEsc';
import type { EscProfile } from '../esc/profile';
import { cardProfile, smallProfile } from '../esc/smallProfile.fixture';
import { escMachine } from '../procedure/escMachine';
import type { Input } from '../procedure/language';
import { initialConfig } from '../procedure/step';
import { choreographyOf } from './choreography';
import { gesturesOf } from './gestures';

const press: Input[] = [
  { type: 'down', key: 'set' },
  { type: 'up', key: 'set' },
];

function lengths(profile: EscProfile, inputs: Input[]): number[] {
  const machine = escMachine(profile);
  const start = initialConfig(machine, factoryMemory(profile), 1500);
  return choreographyOf(gesturesOf(machine, start, inputs)).map(({ lengthMs }) => lengthMs);
}

/** 1.2 s to read what comes, 0.7 s for a press, 2 s for a switch, 6 s for a card. Assumed, for unhurried hands. */
describe('a plan at the pace of busy hands', () => {
  it('reads, then does: a switch, a hold for as long as it must, three presses', () => {
    const hold: Input[] = [press[0]!, { type: 'elapsed', ms: 1000 }, press[1]!];
    const on: Input[] = [
      { type: 'power', on: true },
      { type: 'elapsed', ms: 2000 },
    ];
    expect(lengths(smallProfile(), [...on, ...hold, ...press, ...press, ...press])).toEqual([
      1200 + 2000,
      1200 + 1000,
      1200 + 3 * 700,
    ]);
  });

  it('takes its time with a card', () => {
    expect(lengths(cardProfile(), [{ type: 'card', in: true }])).toEqual([6000]);
  });
});

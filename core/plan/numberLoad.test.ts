import { describe, expect, it } from 'vitest';
import { numberBoxPattern } from '../archetypes/cars';
import { factoryMemory } from '../device/simulatedEsc';
import { numbersOf } from '../esc/numberField';
import { itemById } from '../esc/profile';
import { escMachine } from '../procedure/escMachine';
import { initialConfig } from '../procedure/step';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { found } from './found.fixture';
import { instructionFor } from './instruction';
import { legsFor, planLegs } from './loadPlan';

const machine = escMachine(numberBoxPattern);
const rig = defaultRig('tenthBuggy');
const stick = rangeOf(rig.channel);
const cutoff = itemById(numberBoxPattern, 'empty-at');
const own = (label: string): string => numbersOf(cutoff).find((stop) => stop.label === `Own ${label} V`)!.id;
const start = initialConfig(
  machine,
  { ...factoryMemory(numberBoxPattern), range: stick },
  stick.neutralMicros,
);
const planTo = (label: string) => {
  const change = { itemId: 'empty-at', fromStopId: cutoff.factoryStopId, toStopId: own(label) };
  return found(planLegs(machine, start, legsFor([change], true), stick, 'textBox'));
};

describe('a cutoff of one’s own for the whole pack, on a box', () => {
  it('is planned with the time that the number takes to run', () => {
    const [near, far] = [planTo('6.4'), planTo('12.8')];
    expect(far.end.memory.stops['empty-at']).toBe(own('12.8'));
    // 64 steps more, 120 ms each.
    expect(far.seconds - near.seconds).toBeCloseTo(64 * 0.12, 6);
  });

  it('the hand is told to hold until it shows the number, and not to save on the way', () => {
    const [leg] = planTo('9.6').legs;
    const hold = leg!.gestures.find(({ kind }) => kind === 'hold')!;
    const told = instructionFor(numberBoxPattern, rig.channel, hold);
    expect(`${told.before} ${told.key} ${told.after}`).toBe('Hold plus until the box shows “Own 9.6 V”.');
    expect(told.detail).toContain('opened it at “Own 4.4 V”');
    expect(told.detail).toContain('Do not save on the way');
  });
});

import { describe, expect, it } from 'vitest';
import { factoryMemory } from '../device/simulatedEsc';
import type { EscProfile } from '../esc/profile';
import { cardProfile, smallProfile, toneProfile } from '../esc/smallProfile.fixture';
import { escMachine } from '../procedure/escMachine';
import type { Machine, State } from '../procedure/language';
import { initialConfig, stateOf } from '../procedure/step';
import type { LearnedRange } from '../radio/pulse';
import { Explorer } from './explorer';
import { legsFor, planLegs, planRestart } from './loadPlan';
import { quickestPath } from './search';

const CAR: LearnedRange = { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 };
const PLANE: LearnedRange = { brakeMicros: 1100, neutralMicros: 1100, forwardMicros: 1900 };

function benchOf(profile: EscProfile, range: LearnedRange) {
  const machine = escMachine(profile);
  return {
    machine,
    start: initialConfig(machine, { ...factoryMemory(profile), range }, range.neutralMicros),
  };
}

/** The inputs to a state of a machine that is nothing but these states. */
function inputsTo(goal: string, states: Record<string, Partial<State>>): string[] {
  const machine: Machine = {
    ...escMachine(smallProfile()),
    initial: 'here',
    states: Object.fromEntries(
      Object.entries(states).map(([name, state]) => [name, { cues: [], on: [], ...state }]),
    ),
  };
  const start = initialConfig(machine, factoryMemory(smallProfile()), CAR.neutralMicros);
  const path = quickestPath(new Explorer(machine, CAR), start, {
    allows: () => false,
    arrived: ({ state }) => state === goal,
  });
  return path!.inputs.map(({ type }) => type);
}

describe('what a way costs', () => {
  it('of two that take the same time, the one with fewer presses is taken', () => {
    const down = { on: 'down set', to: 'down' } as const;
    const states = {
      down: { on: [{ on: 'up set', to: 'there' } as const] },
      there: {},
    };
    // A press takes half a second, too.
    const waiting = { after: { ms: 500, edges: [{ to: 'there' }] } };
    expect(inputsTo('there', { here: { on: [down], ...waiting }, ...states })).toEqual(['elapsed']);
    const longer = { after: { ms: 501, edges: [{ to: 'there' }] } };
    expect(inputsTo('there', { here: { on: [down], ...longer }, ...states })).toEqual(['down', 'up']);
  });

  it('a battery is not unplugged to save a few seconds, but to save many', () => {
    const off = { on: 'powerOff', to: 'there' } as const;
    const after = (ms: number) => ({ on: [off], after: { ms, edges: [{ to: 'there' }] } });
    expect(inputsTo('there', { here: after(20_000), there: {} })).toEqual(['elapsed']);
    expect(inputsTo('there', { here: after(22_000), there: {} })).toEqual(['power']);
  });

  it('a restart with a card takes what its parts take: off, out, on, and the start', () => {
    const { machine, start } = benchOf(cardProfile(), CAR);
    const leg = legsFor([{ itemId: 'bite', fromStopId: 'bite-2', toStopId: 'bite-3' }], false);
    const { end } = planLegs(machine, start, leg, CAR)!;
    // A second to switch off, three for the card, a second to switch on, and two until the ESC drives.
    expect(planRestart(machine, end, CAR)!.seconds).toBeCloseTo(1 + 3 + 1 + 2, 6);
  });

  it('a restart after tones takes the stick down, too', () => {
    const { machine, start } = benchOf(toneProfile(), PLANE);
    const leg = legsFor([{ itemId: 'bite', fromStopId: 'bite-2', toStopId: 'bite-4' }], false);
    const { end } = planLegs(machine, start, leg, PLANE)!;
    const bootS = toneProfile().bootMs / 1000;
    expect(planRestart(machine, end, PLANE)!.seconds).toBeCloseTo(1 + 0.8 + 1 + bootS, 6);
  });
});

describe('ways that are kept', () => {
  it('show what is stored now, not what was when they were found', () => {
    const { machine, start } = benchOf(cardProfile(), CAR);
    const explorer = new Explorer(machine, CAR);
    const shownOf = (stopId: string): number => {
      const memory = { ...start.memory, stops: { ...start.memory.stops, bite: stopId } };
      const path = quickestPath(
        explorer,
        { ...start, memory },
        {
          allows: () => false,
          arrived: (config) => stateOf(machine, config).role === 'showingStored' && config.itemCursor === 2,
        },
      );
      return path!.end.stopCursor;
    };
    expect(['bite-2', 'bite-5', 'bite-1'].map(shownOf)).toEqual([1, 4, 0]);
  });
});

import { found } from './found.fixture';
import { describe, expect, it } from 'vitest';
import { actAll, factoryMemory, placeOnBench } from '../device/simulatedEsc';
import type { MediumFamily } from '../esc/media';
import { handMediumOf, type EscProfile } from '../esc/profile';
import { ARCHETYPES } from '../archetypes/archetypes';
import { cardProfile, smallProfile, toneProfile, withLock } from '../esc/smallProfile.fixture';
import { escMachine } from '../procedure/escMachine';
import type { Input, Machine, State } from '../procedure/language';
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
  const path = quickestPath(new Explorer(machine, CAR, 'lampCard'), start, {
    allows: () => false,
    arrived: ({ state }) => state === goal,
  });
  return found(path).inputs.map(({ type }) => type);
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
    const { end } = found(planLegs(machine, start, leg, CAR, 'lampCard'));
    // A second to switch off, three for the card, a second to switch on, and two until the ESC drives.
    expect(found(planRestart(machine, end, CAR, 'lampCard')).seconds).toBeCloseTo(1 + 3 + 1 + 2, 6);
  });

  it('a restart after tones takes the stick down, too', () => {
    const { machine, start } = benchOf(toneProfile(), PLANE);
    const leg = legsFor([{ itemId: 'bite', fromStopId: 'bite-2', toStopId: 'bite-4' }], false);
    const { end } = found(planLegs(machine, start, leg, PLANE, 'stickTones'));
    const bootS = toneProfile().bootMs / 1000;
    expect(found(planRestart(machine, end, PLANE, 'stickTones')).seconds).toBeCloseTo(1 + 0.8 + 1 + bootS, 6);
  });
});

describe('a restart', () => {
  it('stores nothing on its way, though waiting would', () => {
    const profile = ARCHETYPES.find((one) => handMediumOf(one.profile)?.family === 'twoKeys')!.profile;
    const stick = profile.factoryRange;
    const press = (key: 'set' | 'value'): Input[] => [
      { type: 'down', key },
      { type: 'up', key },
    ];
    const esc = actAll(placeOnBench(profile, factoryMemory(profile), stick.neutralMicros), [
      { type: 'power', on: true },
      { type: 'elapsed', ms: profile.bootMs },
      ...press('set'),
      ...press('value'),
      ...press('value'),
    ]).esc;
    // A stop is raised: left alone for a moment, it is stored.
    expect(actAll(esc, [{ type: 'elapsed', ms: 60_000 }]).esc.config.memory).not.toBe(esc.config.memory);
    const { inputs } = found(planRestart(esc.machine, esc.config, stick, 'twoKeys'));
    expect(actAll(esc, inputs).esc.config.memory).toBe(esc.config.memory);
  });
});

describe('a search', () => {
  it('gives up after so many looks, and otherwise says that there is no way', () => {
    const { machine, start } = benchOf(cardProfile(), CAR);
    const never = { allows: () => false, arrived: () => false };
    const after = (most?: number) => quickestPath(new Explorer(machine, CAR, 'lampCard'), start, never, most);
    expect(after(50)).toBe('gaveUp');
    expect(after()).toBe('noWay');
  });

  it('keeps out of every medium but the chosen one, and leaves one that it is in', () => {
    const profile: EscProfile = { ...toneProfile(), media: [...toneProfile().media, ...cardProfile().media] };
    const { machine, start } = benchOf(profile, PLANE);
    const leg = legsFor([{ itemId: 'bite', fromStopId: 'bite-2', toStopId: 'bite-4' }], false);
    const by = (medium: MediumFamily, from = start) =>
      found(planLegs(machine, from, leg, PLANE, medium)).legs.flatMap(({ inputs }) => inputs);
    const types = (inputs: Input[]): Set<string> => new Set(inputs.map(({ type }) => type));
    expect(types(by('stickTones')).has('card')).toBe(false);
    expect(types(by('lampCard')).has('stick')).toBe(false);
    const inCard = actAll(placeOnBench(profile, start.memory, PLANE.neutralMicros), [
      { type: 'card', in: true },
      { type: 'power', on: true },
      { type: 'elapsed', ms: 5000 },
    ]).esc.config;
    expect(stateOf(machine, inCard).medium).toBe('lampCard');
    // What is shown, too, is shown by the chosen one, though a key on the running ESC were quicker.
    const both: EscProfile = { ...smallProfile(), media: [...smallProfile().media, ...cardProfile().media] };
    const running = actAll(placeOnBench(both, { ...factoryMemory(both), range: CAR }, CAR.neutralMicros), [
      { type: 'power', on: true },
      { type: 'elapsed', ms: 2000 },
    ]).esc;
    const show = { purpose: 'show', itemId: 'bite', stopId: 'bite-2' } as const;
    const [shown] = found(planLegs(running.machine, running.config, [show], CAR, 'lampCard')).legs;
    expect(types(shown!.inputs).has('card')).toBe(true);

    const leaving = by('stickTones', inCard);
    expect(leaving).toContainEqual({ type: 'card', in: false });
    expect(types(leaving).has('down')).toBe(false);
  });
});

describe('ways that are kept', () => {
  it('are forgotten where a lock was set, whatever else changed with it', () => {
    const { machine, start } = benchOf(withLock(smallProfile()), CAR);
    const { itemId, stopIds } = machine.lock!;
    const explorer = new Explorer(machine, CAR, undefined);
    const calibrating = (stops: Record<string, string>) =>
      quickestPath(
        explorer,
        { ...start, memory: { ...start.memory, stops: { ...start.memory.stops, ...stops } } },
        { allows: () => false, arrived: (config) => stateOf(machine, config).role === 'calibrating' },
      );
    const free = machine.menu
      .find((item) => item.itemId === itemId)!
      .stopIds.find((id) => !stopIds.includes(id))!;
    expect(calibrating({ [itemId]: free })).not.toBe('noWay');
    expect(calibrating({ [itemId]: stopIds[0]!, bite: 'bite-5' })).toBe('noWay');
  });

  it('show what is stored now, not what was when they were found', () => {
    const { machine, start } = benchOf(cardProfile(), CAR);
    const explorer = new Explorer(machine, CAR, 'lampCard');
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
      return found(path).end.stopCursor;
    };
    expect(['bite-2', 'bite-5', 'bite-1'].map(shownOf)).toEqual([1, 4, 0]);
  });
});

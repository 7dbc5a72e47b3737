import { describe, expect, it } from 'vitest';
import { factoryMemory } from '../device/simulatedEsc';
import { cardProfile, heldStillProfile, smallProfile, toneProfile } from '../esc/smallProfile.fixture';
import type { EscProfile } from '../esc/profile';
import type { LearnedRange } from '../radio/pulse';
import { escMachine } from './escMachine';
import type { Config, Input, Machine } from './language';
import { initialConfig, litPlaces, stateOf, step } from './step';

const bench = (profile: EscProfile, range: LearnedRange, stickMicros: number) => {
  const machine = escMachine(profile);
  return { machine, start: initialConfig(machine, { ...factoryMemory(profile), range }, stickMicros) };
};
const after = (machine: Machine, start: Config, ...inputs: Input[]): Config =>
  inputs.reduce((config, input) => step(machine, config, input).config, start);
const on: Input[] = [
  { type: 'power', on: true },
  { type: 'elapsed', ms: 2000 },
];

/** The small ESC has 30 µs of deadband on each side. */
describe('an ESC that looks at the throttle when it starts', () => {
  const roleAt = (range: LearnedRange, stickMicros: number) => {
    const { machine, start } = bench(smallProfile(), range, stickMicros);
    return stateOf(machine, after(machine, start, ...on)).role;
  };
  const car = { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 };
  const plane = { brakeMicros: 1100, neutralMicros: 1100, forwardMicros: 1900 };
  const turned = { brakeMicros: 1900, neutralMicros: 1900, forwardMicros: 1100 };

  it.each([
    [car, 1530, 'driving'],
    [car, 1531, 'unarmed'],
    [car, 1470, 'driving'],
    [car, 1469, 'unarmed'],
    // One way only: anything at rest or below it gives nothing.
    [plane, 1130, 'driving'],
    [plane, 1131, 'unarmed'],
    [plane, 950, 'driving'],
    [turned, 1870, 'driving'],
    [turned, 1869, 'unarmed'],
    [turned, 2050, 'driving'],
  ] as const)('with %j learned and %i µs sent is %s', (range, stickMicros, role) => {
    expect(roleAt(range, stickMicros)).toBe(role);
  });
});

describe('where lamps in rows stand', () => {
  const { machine, start } = bench(cardProfile(), factoryMemory(cardProfile()).range, 1500);
  const awake: Input[] = [
    { type: 'card', in: true },
    { type: 'power', on: true },
    { type: 'elapsed', ms: 5000 },
  ];
  const press = (key: 'item' | 'value'): Input[] => [
    { type: 'down', key },
    { type: 'up', key },
  ];

  it('is the item, and its stop, from one; nothing before the card is awake', () => {
    expect(litPlaces(machine, start)).toBeUndefined();
    expect(litPlaces(machine, after(machine, start, ...awake))).toEqual({ item: 1, stop: 1 });
    expect(litPlaces(machine, after(machine, start, ...awake, ...press('item'), ...press('item')))).toEqual({
      item: 3,
      stop: 2,
    });
    expect(litPlaces(machine, after(machine, start, ...awake, ...press('value')))).toEqual({
      item: 1,
      stop: 2,
    });
  });
});

describe('limits that a pulse just meets', () => {
  it('full up is taken from where it begins, and not a µs below', () => {
    const profile = toneProfile();
    const { highFromMicros } = escMachine(profile);
    const range = factoryMemory(profile).range;
    const roleAt = (stickMicros: number) => {
      const { machine, start } = bench(profile, range, stickMicros);
      return stateOf(machine, after(machine, start, ...on)).role;
    };
    expect([roleAt(highFromMicros), roleAt(highFromMicros - 1)]).toEqual(['calibrating', 'unarmed']);
  });

  it('a throttle that moves by as much as an ESC takes for stillness has not moved', () => {
    const profile = heldStillProfile();
    const { machine, start } = bench(profile, factoryMemory(profile).range, 1500);
    const { steadyToleranceMicros } = machine;
    const asked = after(
      machine,
      start,
      ...on,
      { type: 'down', key: 'mode' },
      { type: 'elapsed', ms: 10_000 },
      { type: 'up', key: 'mode' },
    );
    const moved = (by: number) => after(machine, asked, { type: 'stick', micros: 1500 + by }).settledMicros;
    expect(moved(steadyToleranceMicros)).toBe(1500);
    expect(moved(steadyToleranceMicros + 1)).toBe(1500 + steadyToleranceMicros + 1);
  });

  it('an end is far enough away from just the least span on', () => {
    const { machine, start } = bench(smallProfile(), factoryMemory(smallProfile()).range, 1500);
    const press: Input[] = [
      { type: 'down', key: 'set' },
      { type: 'up', key: 'set' },
    ];
    const asked = after(
      machine,
      start,
      { type: 'down', key: 'set' },
      { type: 'power', on: true },
      { type: 'elapsed', ms: 3000 },
      { type: 'up', key: 'set' },
      ...press,
    );
    const taken = (micros: number) => after(machine, asked, { type: 'stick', micros }, ...press).learning;
    expect(taken(1500 + machine.leastSpanMicros).forwardMicros).toBe(1500 + machine.leastSpanMicros);
    expect(taken(1500 + machine.leastSpanMicros - 1).forwardMicros).toBeUndefined();
  });
});

it('switching off in a menu forgets where the cursors were', () => {
  const { machine, start } = bench(smallProfile(), factoryMemory(smallProfile()).range, 1500);
  const press: Input[] = [
    { type: 'down', key: 'set' },
    { type: 'up', key: 'set' },
  ];
  const inMenu = after(
    machine,
    start,
    ...on,
    press[0]!,
    { type: 'elapsed', ms: 1000 },
    press[1]!,
    ...press,
    ...press,
  );
  expect(inMenu.itemCursor).toBe(1);
  const off = after(machine, inMenu, { type: 'power', on: false });
  expect([off.itemCursor, off.stopCursor, off.rounds]).toEqual([0, 0, 0]);
});

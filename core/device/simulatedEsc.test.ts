import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { EscProfile } from '../esc/profile';
import { cardProfile, smallProfile, toneProfile } from '../esc/smallProfile.fixture';
import type { Input, KeyId } from '../procedure/language';
import {
  act,
  actAll,
  factoryMemory,
  loseValue,
  motorCommand,
  placeOnBench,
  triggerSignal,
  type SimulatedEsc,
} from './simulatedEsc';

function after(profile: EscProfile, stick: number, inputs: Input[]): SimulatedEsc {
  const start = placeOnBench(profile, factoryMemory(profile), stick);
  return inputs.reduce((esc, input) => act(esc, input).esc, start);
}
const ON: Input[] = [
  { type: 'power', on: true },
  { type: 'elapsed', ms: 2000 },
];

const STILL = { going: 'neutral', share: 0 };

describe('the motor of the simulated ESC', () => {
  it('follows the trigger once it is armed, and not before', () => {
    const pull: Input = { type: 'stick', micros: 2000 };
    expect(motorCommand(after(smallProfile(), 1500, [...ON, pull]))).toEqual({ going: 'forward', share: 1 });
    expect(motorCommand(after(smallProfile(), 1500, [{ type: 'power', on: true }, pull]))).toEqual(STILL);
    expect(motorCommand(after(smallProfile(), 1500, [pull]))).toEqual(STILL);
  });

  it('hears the trigger only while it drives', () => {
    const pull: Input = { type: 'stick', micros: 2000 };
    expect(triggerSignal(after(smallProfile(), 1500, [...ON, pull]))).toBe(1);
    expect(triggerSignal(after(smallProfile(), 1500, [pull]))).toBe(0);
    expect(triggerSignal(after(smallProfile(), 1500, [{ type: 'power', on: true }, pull]))).toBe(0);
  });

  it('runs out for a second once it is let go', () => {
    const letGo: Input[] = [...ON, { type: 'stick', micros: 2000 }, { type: 'stick', micros: 1500 }];
    const wait = (ms: number): Input => ({ type: 'elapsed', ms });
    expect(after(smallProfile(), 1500, [...letGo, wait(900)]).motor.turning).toBe(1);
    expect(after(smallProfile(), 1500, [...letGo, wait(1100)]).motor.turning).toBe(0);
    // What is done in no time takes none.
    expect(after(smallProfile(), 1500, [...letGo, ...letGo.slice(-1), wait(900)]).motor.turning).toBe(1);
  });

  it('does not start with the trigger held when it is switched on', () => {
    expect(motorCommand(after(smallProfile(), 1800, ON))).toEqual(STILL);
    const letGo: Input[] = [...ON, { type: 'stick', micros: 1500 }, { type: 'stick', micros: 1800 }];
    expect(motorCommand(after(smallProfile(), 1800, letGo)).share).toBeGreaterThan(0.5);
  });

  it('stays still while a card is worked', () => {
    const inputs: Input[] = [{ type: 'card', in: true }, ...ON, { type: 'stick', micros: 2000 }];
    expect(motorCommand(after(cardProfile(), 1500, inputs))).toEqual(STILL);
  });

  it('stays still in a tone menu with the stick all the way up', () => {
    expect(motorCommand(after(toneProfile(), 1900, [...ON, { type: 'elapsed', ms: 8000 }]))).toEqual(STILL);
  });
});

const KEYS: KeyId[] = ['set', 'item', 'value', 'ok', 'reset'];
const anyInput: fc.Arbitrary<Input> = fc.oneof(
  fc.constantFrom<Input>(
    { type: 'power', on: true },
    { type: 'power', on: false },
    { type: 'card', in: true },
    { type: 'card', in: false },
    ...KEYS.flatMap((key): Input[] => [
      { type: 'down', key },
      { type: 'up', key },
    ]),
  ),
  fc.record({ type: fc.constant('elapsed' as const), ms: fc.integer({ min: 0, max: 9000 }) }),
  fc.record({ type: fc.constant('stick' as const), micros: fc.integer({ min: 900, max: 2100 }) }),
);

describe.each([
  ['one key', smallProfile],
  ['a card', cardProfile],
  ['stick and tones', toneProfile],
])('whatever is done to an ESC with %s', (_medium, profileOf) => {
  it('it holds one real stop for every item, and its states are its own', () => {
    const profile = profileOf();
    fc.assert(
      fc.property(fc.array(anyInput, { maxLength: 60 }), (inputs) => {
        const { machine, config } = after(profile, profile.factoryRange.neutralMicros, inputs);
        expect(machine.states[config.state]).toBeDefined();
        for (const item of profile.items)
          expect(item.stops.map(({ id }) => id)).toContain(config.memory.stops[item.id]);
      }),
    );
  });

  it('time in one piece or in many is the same time', () => {
    const profile = profileOf();
    fc.assert(
      fc.property(
        fc.array(anyInput, { maxLength: 20 }),
        fc.array(fc.integer({ min: 1, max: 3000 }), { minLength: 1, maxLength: 8 }),
        (inputs, pieces) => {
          const start = after(profile, profile.factoryRange.neutralMicros, inputs);
          const total = pieces.reduce((sum, ms) => sum + ms, 0);
          const whole = act(start, { type: 'elapsed', ms: total });
          let esc = start;
          const heard = [];
          for (const ms of pieces) {
            const next = act(esc, { type: 'elapsed', ms });
            esc = next.esc;
            heard.push(...next.observed);
          }
          expect(heard).toEqual(whole.observed);
          expect(esc.config).toEqual(whole.esc.config);
        },
      ),
    );
  });

  it('switching off stores nothing', () => {
    const profile = profileOf();
    fc.assert(
      fc.property(fc.array(anyInput, { maxLength: 40 }), (inputs) => {
        const esc = after(profile, profile.factoryRange.neutralMicros, inputs);
        const off = act(esc, { type: 'power', on: false }).esc;
        expect(off.config.memory).toEqual(esc.config.memory);
      }),
    );
  });
});

describe('several inputs at once', () => {
  it('are the same as one after the other, with all that is seen and heard on the way', () => {
    const start = placeOnBench(smallProfile(), factoryMemory(smallProfile()), 1500);
    const inputs: Input[] = [
      ...ON,
      { type: 'down', key: 'set' },
      { type: 'elapsed', ms: 1000 },
      { type: 'up', key: 'set' },
    ];
    const observed = [];
    let esc = start;
    for (const input of inputs) {
      const one = act(esc, input);
      esc = one.esc;
      observed.push(...one.observed);
    }
    expect(actAll(start, inputs)).toEqual({ esc, observed });
    expect(observed.length).toBeGreaterThan(0);
    expect(actAll(start, [])).toEqual({ esc: start, observed: [] });
  });
});

describe('an ESC that forgets', () => {
  it('has the factory’s value of that item and all others as they were, and goes on where it is', () => {
    const profile = smallProfile();
    const memory = {
      ...factoryMemory(profile),
      stops: { way: 'way-2', leap: 'leap-1', bite: 'bite-5', floor: 'floor-1' },
    };
    const { esc } = actAll(placeOnBench(profile, memory, 1500), ON);
    const after = loseValue(esc, 'bite');
    expect(after.config).toEqual({
      ...esc.config,
      memory: { ...memory, stops: { ...memory.stops, bite: 'bite-2' } },
    });
    expect(esc.config.memory.stops.bite).toBe('bite-5');
    expect(() => loseValue(esc, 'no such item')).toThrow('no such item');
  });
});

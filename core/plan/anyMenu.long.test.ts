import { found } from './found.fixture';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { menuOf, type Kinds } from '../archetypes/menuOf.fixture';
import { MEDIA } from '../esc/media';
import { handMediumOf, type EscProfile, type StopByItem } from '../esc/profile';
import { escMachine } from '../procedure/escMachine';
import { KEYS, type Config, type Input, type Machine } from '../procedure/language';
import { initialConfig, msToDeadline, stateOf, step } from '../procedure/step';
import type { LearnedRange } from '../radio/pulse';
import type { Change } from '../sheet/draft';
import { legsFor, planLegs } from './loadPlan';

const PATTERNS = ARCHETYPES.map(({ profile }) => profile).filter((profile) => handMediumOf(profile));
const familyOf = (profile: EscProfile) => handMediumOf(profile)!.family;

/** A menu, what the ESC holds in it and what it should hold: places of stops, taken round the end of shorter lists. */
const anyCase = (mostItems: number, mostStops: number) =>
  fc.array(
    fc.record({
      stops: fc.integer({ min: 2, max: mostStops }),
      factory: fc.nat(5),
      held: fc.nat(5),
      wanted: fc.nat(5),
    }),
    { minLength: 1, maxLength: mostItems },
  );
type Case = { stops: number; factory: number; held: number; wanted: number }[];

const anyKinds = fc.constantFrom<Kinds>('plain', 'mixed');

function setUp(pattern: EscProfile, items: Case, kinds: Kinds) {
  const profile = menuOf(
    pattern,
    items.map(({ stops }) => stops),
    items.map(({ factory }) => factory),
    kinds,
  );
  const at = (which: 'held' | 'wanted'): StopByItem =>
    Object.fromEntries(
      profile.items.map((item, n) => [item.id, item.stops[items[n]![which] % item.stops.length]!.id]),
    );
  const [held, wanted] = [at('held'), at('wanted')];
  const machine = escMachine(profile);
  const stick = profile.factoryRange;
  const start = initialConfig(machine, { stops: held, range: stick }, stick.neutralMicros);
  const changes = profile.items
    .filter(({ id }) => held[id] !== wanted[id])
    .map(({ id }): Change => ({ itemId: id, fromStopId: held[id]!, toStopId: wanted[id]! }));
  return { machine, stick, start, wanted, changes, showsStored: MEDIA[familyOf(profile)].showsStored };
}

const after = (machine: Machine, start: Config, inputs: Input[]): Config =>
  inputs.reduce((config, input) => step(machine, config, input).config, start);

describe.each(PATTERNS.map((pattern) => [familyOf(pattern), pattern] as const))(
  'any menu by %s',
  (_, pattern) => {
    it('is brought from whatever it holds to whatever is wanted', () => {
      fc.assert(
        fc.property(anyCase(7, 6), anyKinds, (items, kinds) => {
          const { machine, stick, start, wanted, changes, showsStored } = setUp(pattern, items, kinds);
          const plan = found(
            planLegs(machine, start, legsFor(changes, showsStored), stick, familyOf(pattern)),
          );
          const end = after(
            machine,
            start,
            plan.legs.flatMap(({ inputs }) => inputs),
          );
          expect(end.memory.stops).toEqual(wanted);
          expect(end.memory.range).toEqual(start.memory.range);
        }),
        { numRuns: 25 },
      );
    });

    it('takes no longer than the best of all ways to store a value', () => {
      fc.assert(
        fc.property(anyCase(3, 4), anyKinds, (items, kinds) => {
          const { machine, stick, start, changes } = setUp(pattern, items, kinds);
          fc.pre(changes.length > 0);
          const [change] = changes;
          const plan = found(planLegs(machine, start, legsFor([change!], false), stick, familyOf(pattern)));
          const wanted = { ...start.memory.stops, [change!.itemId]: change!.toStopId };
          expect(plan.seconds).toBeCloseTo(leastSeconds(machine, start, wanted, stick), 6);
        }),
        { numRuns: 20 },
      );
    });
  },
);

/** Seconds that a hand takes, as the planner reckons them; switching off weighs more than its second. */
const SECONDS = { down: 0.25, up: 0.25, power: 1, card: 3, stick: 0.8 };
const OFF_WEIGHS = 20;

/**
 * The least time in which the ESC can come to hold this with no key down: every input is tried wherever it can be
 * given, nothing is left out and nothing remembered but what was reached.
 */
function leastSeconds(machine: Machine, start: Config, wanted: StopByItem, stick: LearnedRange): number {
  const best = new Map<string, number>();
  let open = [{ config: start, weight: 0, seconds: 0 }];
  for (;;) {
    open = open.toSorted((a, b) => a.weight - b.weight);
    const here = open.shift();
    if (!here) throw new Error('no way leads there');
    const { config } = here;
    if (!stateOf(machine, config).keyDown && holds(config, wanted)) return here.seconds;
    const { learning: _learning, typed: _typed, ...rest } = config;
    const key = JSON.stringify(rest);
    if ((best.get(key) ?? Infinity) <= here.weight) continue;
    best.set(key, here.weight);
    for (const { input, seconds } of everyInput(machine, config, stick)) {
      const { config: next } = step(machine, config, input);
      // On the way nothing else may be stored, not even what is there already.
      if (next.memory !== config.memory && !holds(next, wanted)) continue;
      const off = input.type === 'power' && !input.on ? OFF_WEIGHS : 0;
      open.push({ config: next, weight: here.weight + seconds + off, seconds: here.seconds + seconds });
    }
  }
}

const holds = ({ memory }: Config, wanted: StopByItem): boolean =>
  Object.keys(wanted).every((id) => memory.stops[id] === wanted[id]);

function everyInput(
  machine: Machine,
  config: Config,
  stick: LearnedRange,
): { input: Input; seconds: number }[] {
  const { keyDown, role } = stateOf(machine, config);
  const wait = msToDeadline(machine, config);
  const codes = machine.menu.flatMap(({ code, stopCodes }) => [code, ...stopCodes]);
  const ends = [stick.neutralMicros, ...(role === 'driving' ? [] : [stick.forwardMicros, stick.brakeMicros])];
  return [
    ...KEYS.flatMap((key) => [
      { input: { type: 'down', key } as const, seconds: SECONDS.down },
      { input: { type: 'up', key } as const, seconds: SECONDS.up },
    ]),
    ...[...new Set(codes)].map((digits) => ({
      input: { type: 'code', digits } as const,
      seconds: digits.length / 2,
    })),
    ...(wait === undefined ? [] : [{ input: { type: 'elapsed', ms: wait } as const, seconds: wait / 1000 }]),
    { input: { type: 'power', on: true }, seconds: SECONDS.power },
    ...(role === 'off'
      ? [true, false].map((card) => ({ input: { type: 'card', in: card } as const, seconds: SECONDS.card }))
      : []),
    ...(keyDown
      ? []
      : [
          { input: { type: 'power', on: false } as const, seconds: SECONDS.power },
          ...ends.map((micros) => ({ input: { type: 'stick', micros } as const, seconds: SECONDS.stick })),
        ]),
  ];
}

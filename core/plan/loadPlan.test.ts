import { found } from './found.fixture';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_PROFILES } from '../../demo/demo';
import { ARCHETYPES } from '../archetypes/archetypes';
import { readDocument } from '../../formats/document';
import { actAll, factoryMemory, placeOnBench, type SimulatedEsc } from '../device/simulatedEsc';
import type { EscProfile, StopByItem } from '../esc/profile';
import { MEDIA } from '../esc/media';
import { factoryStops, handMediumOf } from '../esc/profile';
import { cardProfile, smallProfile, stayingProfile, toneProfile } from '../esc/smallProfile.fixture';
import type { Input } from '../procedure/language';
import { stateOf } from '../procedure/step';
import type { LearnedRange } from '../radio/pulse';
import { changesInOrder, changesOf } from '../sheet/draft';
import { assumeFactory, heldStops, holdingsOf } from '../sheet/evidence';
import { legsFor, planLegs, planRestart } from './loadPlan';
import { NOTHING_SEEN, watch } from './watch';

const NOW = '2026-01-01T00:00:00.000Z';
const CAR: LearnedRange = { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 };
const PLANE: LearnedRange = { brakeMicros: 1100, neutralMicros: 1100, forwardMicros: 1900 };

const demo = (id: keyof typeof DEMO_PROFILES): EscProfile =>
  (readDocument(DEMO_PROFILES[id]) as unknown as { value: EscProfile }).value;
const demoProfile = demo('tamsel-r60');

const PROFILES: Record<string, EscProfile> = {
  small: smallProfile(),
  'staying in the menu': stayingProfile(),
  'lamp card': cardProfile(),
  'stick and tones': toneProfile(),
  'demo buggy': demoProfile,
  'demo crawler': demo('brackel-t40'),
  'demo trainer': demo('sondry-a45'),
};

const stickOf = (profile: EscProfile): LearnedRange =>
  profile.calibration.family === 'stickAtPowerOn' ? PLANE : CAR;
const shows = (profile: EscProfile): boolean => MEDIA[handMediumOf(profile)!.family].showsStored;

function bench(profile: EscProfile): SimulatedEsc {
  const range = stickOf(profile);
  return placeOnBench(profile, { ...factoryMemory(profile), range }, range.neutralMicros);
}

/** Legs and presses for a full set of targets, from factory values. */
function plan(profile: EscProfile, target: StopByItem) {
  const holdings = holdingsOf(profile, assumeFactory(profile, NOW));
  const changes = changesInOrder(
    profile,
    heldStops(profile, holdings),
    changesOf(profile, holdings, { stops: target }),
  );
  const esc = bench(profile);
  const legs = legsFor(changes, shows(profile));
  return {
    changes,
    esc,
    plan: found(planLegs(esc.machine, esc.config, legs, stickOf(profile), handMediumOf(profile)!.family)),
  };
}

const anyTarget = (profile: EscProfile) =>
  fc.record(
    Object.fromEntries(
      profile.items.map((item) => [item.id, fc.constantFrom(...item.stops.map((s) => s.id))]),
    ),
  );

describe.each(Object.entries(PROFILES))('plans on the %s ESC', (_name, profile) => {
  it('leave exactly the target in the simulated ESC, for random targets', () => {
    fc.assert(
      fc.property(anyTarget(profile), (target) => {
        const { esc, plan: made } = plan(profile, target);
        const inputs = made.legs.flatMap((leg) => leg.inputs);
        expect(actAll(esc, inputs).esc.config.memory.stops).toEqual({ ...factoryStops(profile), ...target });
      }),
      { numRuns: 25 },
    );
  });

  it('let a watcher who only sees cues know every value that was stored', () => {
    fc.assert(
      fc.property(anyTarget(profile), (target) => {
        const { esc, changes, plan: made } = plan(profile, target);
        const { observed } = actAll(
          esc,
          made.legs.flatMap((leg) => leg.inputs),
        );
        const { stored } = watch(profile, NOTHING_SEEN, observed);
        expect(stored).toEqual(changes.map(({ itemId, toStopId }) => ({ itemId, stopId: toStopId })));
      }),
      { numRuns: 25 },
    );
  });
});

/** What a hand takes for each thing, s: as the planner assumes it. */
const HAND_SECONDS = { down: 0.25, up: 0.25, power: 1, card: 3, stick: 0.8 };
const secondsOf = (input: Input): number =>
  input.type === 'elapsed'
    ? input.ms / 1000
    : input.type === 'code'
      ? input.digits.length / 2
      : HAND_SECONDS[input.type];

describe.each(ARCHETYPES.map(({ profile }) => profile).filter((profile) => handMediumOf(profile)))(
  'the seconds of a plan on $name',
  (profile) => {
    it('are those of its parts', () => {
      const { family } = handMediumOf(profile)!;
      const stick = profile.factoryRange;
      const esc = placeOnBench(profile, factoryMemory(profile), stick.neutralMicros);
      const item = profile.items.find(({ stops }) => stops.length > 1)!;
      const stopId = item.stops.find(({ id }) => id !== item.factoryStopId)!.id;
      const leg = { purpose: 'store', itemId: item.id, stopId } as const;
      const load = found(planLegs(esc.machine, esc.config, [leg], stick, family));
      const inputs = load.legs.flatMap((planned) => planned.inputs);
      expect(load.seconds).toBeCloseTo(
        inputs.reduce((sum, input) => sum + secondsOf(input), 0),
        6,
      );
      const restart = found(planRestart(esc.machine, load.end, stick, family));
      expect(restart.seconds).toBeCloseTo(
        restart.inputs.reduce((sum, input) => sum + secondsOf(input), 0),
        6,
      );
    });
  },
);

describe('the restart after the last value', () => {
  const profile = demo('sondry-a45');
  const machine = bench(profile).machine;
  const stick: LearnedRange = { brakeMicros: 1000, neutralMicros: 1000, forwardMicros: 2000 };
  const itemId = profile.items[1]!.id;
  const legs = legsFor([{ itemId, fromStopId: null, toStopId: profile.items[1]!.stops[0]!.id }], false);
  const endOf = (range: LearnedRange) => {
    const esc = placeOnBench(profile, { ...factoryMemory(profile), range }, stick.neutralMicros);
    return found(planLegs(machine, esc.config, legs, stick, 'stickTones')).end;
  };

  it('brings the stick down before it switches on: up, it would lead into the menu again', () => {
    const kinds = found(planRestart(machine, endOf(stick), stick, 'stickTones')).gestures.map(
      ({ kind }) => kind,
    );
    expect(kinds).toEqual(['power', 'stick', 'power']);
  });

  it('does not exist where the ESC has learned another rest: it would not arm', () => {
    const higher = { brakeMicros: 1200, neutralMicros: 1200, forwardMicros: 2000 };
    expect(planRestart(machine, endOf(PLANE), higher, 'stickTones')).toBe('noWay');
    // A throttle that rests below what was learned as rest gives nothing, and arms.
    expect(planRestart(machine, endOf(PLANE), stick, 'stickTones')).not.toBe('noWay');
  });
});

describe('a plan', () => {
  const target = { bite: 'bite-4', floor: 'floor-3' };

  it('costs nothing where nothing differs', () => {
    expect(plan(smallProfile(), {}).plan).toMatchObject({ legs: [], seconds: 0 });
  });

  it('counts back every value after all are stored', () => {
    const purposes = plan(smallProfile(), target).plan.legs.map(({ leg }) => `${leg.purpose} ${leg.itemId}`);
    expect(purposes).toEqual(['store bite', 'store floor', 'show bite', 'show floor']);
  });

  it('is in the hand’s gestures: on, hold, three presses, hold, two presses, hold', () => {
    const [first] = plan(smallProfile(), target).plan.legs;
    const words = first!.gestures.map((g) => (g.kind === 'press' ? `press ${g.count}` : g.kind));
    expect(words).toEqual(['power', 'hold', 'press 3', 'hold', 'press 2', 'hold']);
    expect(first!.gestures[0]!.gate).toBe(true);
  });

  it('goes on from wherever the ESC is, as after one press too many', () => {
    const { esc, plan: made } = plan(smallProfile(), { bite: 'bite-4' });
    const soFar = actAll(esc, made.legs[0]!.inputs.slice(0, 5)).esc;
    const tooMany = actAll(
      soFar,
      Array.from({ length: 4 }, (): Input[] => [
        { type: 'down', key: 'set' },
        { type: 'up', key: 'set' },
      ]).flat(),
    ).esc;
    const again = found(planLegs(tooMany.machine, tooMany.config, [made.legs[0]!.leg], CAR, 'oneKey'));
    const end = actAll(tooMany, again.legs[0]!.inputs).esc;
    expect(end.config.memory.stops).toEqual({ ...factoryStops(smallProfile()), bite: 'bite-4' });
  });

  it('does not exist while the trigger is held away from neutral', () => {
    const profile = smallProfile();
    const esc = placeOnBench(profile, factoryMemory(profile), 1700);
    expect(
      planLegs(
        esc.machine,
        esc.config,
        [{ purpose: 'store', itemId: 'bite', stopId: 'bite-4' }],
        {
          brakeMicros: 1700,
          neutralMicros: 1700,
          forwardMicros: 1700,
        },
        'oneKey',
      ),
    ).toBe('noWay');
  });

  it('ends with the ESC driving again', () => {
    const { esc, plan: made } = plan(smallProfile(), target);
    const restart = found(planRestart(esc.machine, made.end, CAR, 'oneKey'));
    const end = actAll({ ...esc, config: made.end }, restart.inputs).esc;
    expect(stateOf(end.machine, end.config).role).toBe('driving');
  });

  it('takes one brake value by one key in well under the two minutes of common practice', () => {
    const { plan: made } = plan(demoProfile, { stopper: 'stopper-5' });
    expect(made.seconds).toBeLessThan(60);
  });

  it('loads the BEC voltage last', () => {
    const { changes } = plan(demoProfile, {
      'servo-feed': 'servo-feed-1',
      turn: 'turn-2',
      floor: 'floor-6',
    });
    expect(changes.map((c) => c.itemId)).toEqual(['floor', 'turn', 'servo-feed']);
  });

  it('on a card serves several values in one session, each confirmed', () => {
    const [first, second] = plan(cardProfile(), target).plan.legs;
    const words = (leg: typeof first): string[] =>
      leg!.gestures.map((g) => (g.kind === 'press' ? `press ${g.key} ${g.count}` : g.kind));
    expect(words(first)).toEqual(['card', 'power', 'press item 2', 'press value 2', 'press ok 1']);
    expect(words(second)).toEqual(['press item 1', 'press value 1', 'press ok 1']);
  });

  it('with the stick says for which notes to wait, for how long, and how long it is time then', () => {
    const [leg] = plan(toneProfile(), { bite: 'bite-4' }).plan.legs;
    const moves = leg!.gestures.filter((g) => g.kind === 'stick');
    expect(
      moves.map(({ micros, afterMs, withinMs, during }) => [micros, afterMs, withinMs, during?.notes]),
    ).toEqual([
      [1900, 0, undefined, undefined],
      // The calibration window passes, then two items.
      [1100, 5000 + 2 * 3000, 3000, 'llh'],
      [1900, 3 * 2000, 2000, 'hhll'],
    ]);
  });

  it('takes a missed group from the next round, without starting again', () => {
    const profile = toneProfile();
    const { esc, plan: made } = plan(profile, { bite: 'bite-4' });
    const wanted = made.legs[0]!.inputs.findLastIndex(
      (input) => input.type === 'stick' && input.micros === 1100,
    );
    // The hand sleeps through the window and one more.
    const asleep = actAll(esc, [...made.legs[0]!.inputs.slice(0, wanted), { type: 'elapsed', ms: 4000 }]).esc;
    const again = found(planLegs(asleep.machine, asleep.config, [made.legs[0]!.leg], PLANE, 'stickTones'))
      .legs[0]!;
    const [down] = again.gestures.filter((g) => g.kind === 'stick');
    expect(again.inputs.some((input) => input.type === 'power')).toBe(false);
    // What is left of item four, the exit, items one and two.
    expect(down!.afterMs).toBe(2000 + 3 * 3000);
    expect(actAll(asleep, again.inputs).esc.config.memory.stops.bite).toBe('bite-4');
  });

  it('never moves the throttle of a driving ESC anywhere but to rest', () => {
    const profile = toneProfile();
    const start = actAll(bench(profile), [
      { type: 'power', on: true },
      { type: 'elapsed', ms: 2000 },
    ]).esc;
    expect(stateOf(start.machine, start.config).role).toBe('driving');
    const leg = { purpose: 'store', itemId: 'bite', stopId: 'bite-4' } as const;
    const { inputs } = found(planLegs(start.machine, start.config, [leg], PLANE, 'stickTones')).legs[0]!;
    expect(inputs[0]).toEqual({ type: 'power', on: false });
  });
});

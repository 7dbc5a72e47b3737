import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_FILES } from '../../demo/demo';
import { readDocument } from '../../formats/document';
import { act, factoryMemory, placeOnBench, type SimulatedEsc } from '../device/simulatedEsc';
import type { EscProfile, StopByItem } from '../esc/profile';
import { factoryStops } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import type { Input, Observed } from '../procedure/language';
import { stateOf } from '../procedure/step';
import { changesOf, loadOrder } from '../sheet/draft';
import { assumeFactory, holdingsOf } from '../sheet/evidence';
import { legsFor, planLegs, planRestart } from './loadPlan';
import { NOTHING_SEEN, watch } from './watch';

const NEUTRAL = 1500;
const NOW = '2026-01-01T00:00:00.000Z';

const demoProfile = readDocument(DEMO_FILES[0]!) as unknown as { value: EscProfile };
const stayingInMenu = (): EscProfile => {
  const profile = smallProfile();
  profile.medium.afterStore = 'menu';
  return profile;
};
const PROFILES: Record<string, EscProfile> = {
  small: smallProfile(),
  'staying in the menu': stayingInMenu(),
  demo: demoProfile.value,
};

const bench = (profile: EscProfile): SimulatedEsc => placeOnBench(profile, factoryMemory(profile), NEUTRAL);

/** Legs and presses for a full set of targets, from factory values. */
function plan(profile: EscProfile, target: StopByItem) {
  const holdings = holdingsOf(profile, assumeFactory(profile, NOW));
  const changes = loadOrder(profile, changesOf(profile, holdings, { stops: target }));
  const esc = bench(profile);
  return { changes, esc, plan: planLegs(esc.machine, esc.config, legsFor(changes))! };
}

function execute(start: SimulatedEsc, inputs: Input[]): { esc: SimulatedEsc; observed: Observed[] } {
  let esc = start;
  const observed: Observed[] = [];
  for (const input of inputs) {
    const next = act(esc, input);
    esc = next.esc;
    observed.push(...next.observed);
  }
  return { esc, observed };
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
        expect(execute(esc, inputs).esc.config.memory.stops).toEqual({ ...factoryStops(profile), ...target });
      }),
      { numRuns: 25 },
    );
  });

  it('let a watcher who only sees cues know every value that was stored', () => {
    fc.assert(
      fc.property(anyTarget(profile), (target) => {
        const { esc, changes, plan: made } = plan(profile, target);
        const { observed } = execute(
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
    const soFar = execute(esc, made.legs[0]!.inputs.slice(0, 5)).esc;
    const tooMany = execute(
      soFar,
      Array.from({ length: 4 }, (): Input[] => [{ type: 'down' }, { type: 'up' }]).flat(),
    ).esc;
    const again = planLegs(tooMany.machine, tooMany.config, [made.legs[0]!.leg])!;
    const end = execute(tooMany, again.legs[0]!.inputs).esc;
    expect(end.config.memory.stops).toEqual({ ...factoryStops(smallProfile()), bite: 'bite-4' });
  });

  it('does not exist while the trigger is held away from neutral', () => {
    const profile = smallProfile();
    const esc = placeOnBench(profile, factoryMemory(profile), 1700);
    expect(
      planLegs(esc.machine, esc.config, [{ purpose: 'store', itemId: 'bite', stopId: 'bite-4' }]),
    ).toBeUndefined();
  });

  it('ends with the ESC driving again', () => {
    const { esc, plan: made } = plan(smallProfile(), target);
    const restart = planRestart(esc.machine, made.end)!;
    const end = execute({ ...esc, config: made.end }, restart.inputs).esc;
    expect(stateOf(end.machine, end.config).role).toBe('driving');
  });

  it('takes one brake value by one key in well under the two minutes of common practice', () => {
    const { plan: made } = plan(demoProfile.value, { stopper: 'stopper-5' });
    expect(made.seconds).toBeLessThan(60);
  });

  it('loads the BEC voltage last', () => {
    const { changes } = plan(demoProfile.value, {
      'servo-feed': 'servo-feed-1',
      turn: 'turn-2',
      floor: 'floor-6',
    });
    expect(changes.map((c) => c.itemId)).toEqual(['floor', 'turn', 'servo-feed']);
  });
});

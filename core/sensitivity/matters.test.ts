import { describe, expect, it } from 'vitest';
import { ARCHETYPES, archetypeFor } from '../archetypes/archetypes';
import { factoryStops, UNTIED, type EscProfile, type ProfileItem } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { resolveRig } from '../rig/resolve';
import type { SettingValue } from '../settings/setting';
import { VOCABULARY, type SettingId } from '../settings/vocabulary';
import { plainEsc } from '../physics/behaviour.fixture';
import { DEPENDS_ON, DRILLS, runDrill, type DrillId } from '../physics/drills/runDrill';
import { escBehaviour, type EscBehaviour } from '../physics/escChain';
import { entersDrills, HOW_IT_ENTERS } from '../physics/howItEnters';
import { mostTellingAssumption, moversOf, whatMatters, type Mover } from './matters';

const rig = { ...defaultRig('tenthBuggy'), name: 'Test' };
const { profile } = archetypeFor('tenthBuggy');
const range = rangeOf(rig.channel);

function all(request: Parameters<typeof whatMatters>[0]): { movers: Mover[]; told: number[] } {
  const going = whatMatters(request);
  const told: number[] = [];
  for (;;) {
    const step = going.next();
    if (step.done) return { movers: step.value, told };
    told.push(step.value.done / step.value.of);
  }
}

describe('what matters on a rig', () => {
  const { movers, told } = all({ rig, profile, stops: factoryStops(profile), range });

  it('tells how far it is, to the end', () => {
    expect(told).toEqual([...told].sort((a, b) => a - b));
    expect(told.at(-1)).toBe(1);
  });

  it('but for a mode without brakes, brake strength moves the stop most, drag brake the rolling on, the cutoff none of them', () => {
    const item = (setting: SettingId): string => profile.items.find((one) => one.setting === setting)!.id;
    const topItem = (drill: DrillId, number: string): string | undefined =>
      moversOf(movers, drill, number).find(
        ({ mover }) => mover.kind === 'item' && mover.id !== item('runningMode'),
      )?.mover.id;
    expect([item('brakeStrength'), item('brakeFrequency')]).toContain(topItem('brake', 'stop'));
    expect(topItem('letGo', 'toWalking')).toBe(item('dragBrake'));
    const cutoff = movers.find(({ id }) => id === item('cutoff'));
    expect(cutoff?.moves.every(({ drill }) => drill === 'stint' || drill === 'launch') ?? true).toBe(true);
  });

  it('every span holds the present value', () => {
    for (const { moves } of movers)
      for (const { low, now, high } of moves) {
        expect(low).toBeLessThanOrEqual(now);
        expect(high).toBeGreaterThanOrEqual(now);
      }
  });

  it('offers the assumption that makes most unsure, and none where nothing is assumed', () => {
    expect(mostTellingAssumption(movers)?.kind).toBe('assumed');
    expect(mostTellingAssumption(movers.filter(({ kind }) => kind === 'item'))).toBeUndefined();
  });
});

describe('what a drill depends on', () => {
  const other: EscBehaviour = plainEsc({
    forwardSignal: 0.7,
    deadShare: 0.2,
    clippedShare: 0.1,
    positions: 77,
    throttleCurve: [
      [0, 0],
      [0.5, 0.2],
      [1, 1],
    ],
    startDuty: 0.1,
    rampPerSecond: 1,
    forwardPower: 0.8,
    currentLimit: 20,
    currentShare: 0.5,
    driveFrequencyHz: 24_000,
    damped: false,
    advance: { ...plainEsc().advance, fixed: 12 },
    brakeStrength: 0.3,
    leastBrake: 0.2,
    brakeCurve: [
      [0, 0],
      [0.5, 0.2],
      [1, 1],
    ],
    dragBrake: 0.4,
    dragRampS: 0.5,
    coastAssist: 0.1,
    propellerBrake: 0.5,
    brakeFrequencyHz: 8000,
    cutoffVoltsPerCell: 3.5,
    cutoffLeaves: 0.5,
    escLimitC: 40,
    motorLimitC: 60,
    becVolts: 7.4,
  });
  it.each(['tenthBuggy', 'sportPlane'] as const)('is all that moves its numbers (%s)', (vehicleClass) => {
    const resolved = resolveRig(defaultRig(vehicleClass), smallProfile());
    for (const id of Object.keys(DRILLS[resolved.kind]) as DrillId[]) {
      const base = runDrill(id, resolved, plainEsc()).numbers.map(({ value }) => value);
      const untouched = (Object.keys(other) as (keyof EscBehaviour)[]).filter(
        (field) => !DEPENDS_ON[id].includes(field),
      );
      const changed = Object.fromEntries(untouched.map((field) => [field, other[field]]));
      expect([
        id,
        runDrill(id, resolved, { ...plainEsc(), ...changed }).numbers.map(({ value }) => value),
      ]).toEqual([id, base]);
    }
  });
});

/** An ESC with nothing but one item of two stops. */
function withOnly(setting: SettingId, values: readonly SettingValue[]): EscProfile {
  const needed = NEEDED[setting];
  return {
    ...smallProfile(),
    items: [
      itemOf('only', setting, values),
      ...(needed ? [itemOf('needed', needed.setting, [needed.value])] : []),
    ],
  };
}

/** What a setting has no meaning without. */
const NEEDED: Partial<Record<SettingId, { setting: SettingId; value: SettingValue }>> = {
  governor: { setting: 'governorRpm', value: { kind: 'number', value: 9000 } },
  governorRpm: { setting: 'governor', value: { kind: 'choice', choice: 'setRpm' } },
  cellCount: { setting: 'cutoff', value: { kind: 'number', value: 3.2 } },
};

const itemOf = (id: string, setting: SettingId, values: readonly SettingValue[]): ProfileItem => ({
  id,
  number: id === 'only' ? 1 : 2,
  label: id,
  setting,
  scale: 'named',
  sense: 'direct',
  ...UNTIED,
  factoryStopId: `${id}-1`,
  stops: values.map((value, place) => ({
    id: `${id}-${place + 1}`,
    number: place + 1,
    label: String(place),
    value,
    basis: 'stated',
    typed: null,
  })),
});

describe('every setting that is said to enter the drills', () => {
  const entering = (Object.keys(HOW_IT_ENTERS) as SettingId[]).filter(entersDrills);

  it.each(entering)('%s changes what the ESC does', (setting) => {
    const { choices, bounds } = VOCABULARY[setting];
    const [least, most] = bounds;
    const values: SettingValue[] = choices
      ? Object.keys(choices).map((choice) => ({ kind: 'choice', choice }))
      : [0.02, 0.06].map((share) => ({ kind: 'number', value: least + share * (most - least) }));
    const alone = withOnly(setting, values);
    const behaviours = alone.items[0]!.stops.map(({ id }) =>
      JSON.stringify(escBehaviour(alone, { ...factoryStops(alone), only: id }, rig.channel, range, 2)),
    );
    expect(new Set(behaviours).size).toBeGreaterThan(1);
  });

  it('and the others do not', () => {
    for (const { profile: pattern } of ARCHETYPES)
      for (const { setting, stops } of pattern.items.filter((item) => !entersDrills(item.setting))) {
        const alone = withOnly(
          setting,
          stops.map(({ value }) => value),
        );
        const behaviours = alone.items[0]!.stops.map(({ id }) =>
          JSON.stringify(escBehaviour(alone, { ...factoryStops(alone), only: id }, rig.channel, range, 2)),
        );
        expect([setting, new Set(behaviours).size]).toEqual([setting, 1]);
      }
  });
});
